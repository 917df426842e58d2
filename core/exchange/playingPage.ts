/** The playable page: one HTML file with the played file and its script, which needs no network. */
import { element, escaped } from "../drawing/svgElement";
import type { Layout } from "../format/types";

export interface PlayingPage {
  readonly layout: Pick<Layout, "name" | "orientation">;
  /** The played file. */
  readonly played: string;
  /** The bundled script of the page. */
  readonly script: string;
}

/** Escapes JSON inside a script element so that it cannot close the element; the parsed value is unchanged. */
const inScript = (text: string): string => text.replace(/<(?=[/!])/g, "\\u003c");
/** Escapes code inside a script element. A closing tag can only occur in strings, where a backslash has no effect. */
const inCode = (code: string): string => code.replace(/<\/(script)/gi, "<\\/$1");

const STYLE = `
html, body { margin: 0; height: 100%; background: #0F171D; color: #E8E4DA; font: 14px/1.3 'Archivo Variable', system-ui, sans-serif; overflow: hidden; }
#glass { position: fixed; inset: 0; width: 100vw; height: 100vh; height: 100dvh; display: block; }
.top { position: fixed; top: max(4px, env(safe-area-inset-top)); left: 50%; transform: translateX(-50%); z-index: 2; width: max-content; max-width: 96vw; display: grid; gap: 4px; justify-items: center; pointer-events: none; }
.top > * { pointer-events: auto; }
details { text-align: center; }
.row { display: flex; flex-wrap: wrap; gap: 4px; justify-content: center; align-items: start; pointer-events: none; }
.row > section { pointer-events: auto; }
summary { list-style: none; cursor: pointer; padding: 6px 12px; min-height: 24px; background: #16212A; border: 1px solid #2A3944; border-radius: 2px; }
summary::-webkit-details-marker { display: none; }
.bar { display: flex; flex-wrap: wrap; gap: 6px; justify-content: center; margin-top: 4px; padding: 8px; background: #16212A; border: 1px solid #2A3944; border-radius: 2px; }
select, button { font: inherit; color: inherit; background: #0F171D; border: 1px solid #93A0A8; border-radius: 2px; min-height: 28px; padding: 2px 8px; }
.panel { max-height: 55dvh; overflow: auto; margin: 0; padding: 6px 10px; background: #16212AD9; border: 1px solid #2A3944; border-radius: 2px; font-size: 13px; }
.panel[hidden] { display: none; }
#values-panel { display: grid; grid-template-columns: auto 11ch; gap: 2px 10px; pointer-events: none; font-variant-numeric: tabular-nums; }
#values-panel[hidden] { display: none; }
dt { color: #93A0A8; }
dd { margin: 0; text-align: right; }
#feel-panel { width: min(260px, 70vw); box-sizing: border-box; }
#feel-panel h2 { margin: 0 0 4px; font-size: 13px; }
#feel-panel label { display: flex; justify-content: space-between; align-items: center; gap: 8px; margin: 3px 0; }
#feel-panel p { margin: 4px 0 0; }
input { width: 9ch; font: inherit; color: inherit; background: #0F171D; border: 1px solid #93A0A8; border-radius: 2px; min-height: 26px; }
:focus-visible { outline: 2px solid #8EA2FF; outline-offset: 1px; }
`;

/** Returns the HTML of the page. */
export function playingPage({ layout, played, script }: PlayingPage): string {
  const manifest = {
    name: layout.name,
    short_name: layout.name.slice(0, 30),
    display: "fullscreen",
    orientation: layout.orientation === "both" ? "any" : layout.orientation,
    background_color: "#0F171D",
    theme_color: "#0F171D",
  };
  const field = (id: string, label: string) => element("select", { id, "aria-label": label }, "");
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; script-src 'unsafe-inline'; style-src 'unsafe-inline'; img-src data:; manifest-src data:">
<meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover">
<meta name="mobile-web-app-capable" content="yes">
<meta name="apple-mobile-web-app-capable" content="yes">
<meta name="theme-color" content="#0F171D">
<link rel="manifest" href="data:application/manifest+json,${escaped(encodeURIComponent(JSON.stringify(manifest)))}">
<title>${escaped(layout.name)}</title>
<style>${STYLE}</style>
</head>
<body>
<canvas id="glass" aria-label="${escaped(layout.name)}, played"></canvas>
<div class="top"><details><summary>${escaped(layout.name)}</summary><div class="bar">${field("hand", "Hand")}${field("size", "Player's size")}${field("moment", "Moment")}<button id="values" type="button" aria-pressed="false" aria-controls="values-panel">Values</button><button id="feel" type="button" aria-pressed="false" aria-controls="feel-panel">Feel</button><button id="record" type="button" aria-pressed="false">● record a take</button></div></details><div class="row"><dl id="values-panel" class="panel" aria-label="Values of actions" hidden></dl><section id="feel-panel" class="panel" aria-label="Feel" hidden></section></div></div>
<script type="application/json" id="played">${inScript(played)}</script>
<script>${inCode(script)}</script>
</body>
</html>
`;
}
