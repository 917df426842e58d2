/** A page that shows the web runtime at work beside the played file: where a game's own code would begin. */
import { escaped } from "../core/drawing/element";
import type { Layout } from "../core/format/types";

/** The page; `playedFile`: the played file's name beside it. */
export function runtimePage({ name }: Pick<Layout, "name">, playedFile: string): string {
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover">
<title>${escaped(name)}</title>
<style>
html, body { margin: 0; height: 100%; background: #0f171d; color: #e8e4da; font: 14px/1.4 system-ui, sans-serif; }
#game { position: fixed; inset: 0; }
#values { position: fixed; inset: 8px auto auto 50%; transform: translateX(-50%); margin: 0; pointer-events: none; }
</style>
</head>
<body>
<div id="game"></div>
<pre id="values"></pre>
<script type="module">
// Serve this folder (a page from the disk may not fetch); what stands below is all a game needs.
import { play } from "./nodulum-runtime/index.js";
import { drawing } from "./nodulum-runtime/drawing.js";

const answer = await fetch("${encodeURIComponent(playedFile)}");
const played = await answer.json();
const handle = play(played, { over: document.querySelector("#game"), draw: drawing, appear: "always" });
const values = document.querySelector("#values");
handle.onTick(() => {
  values.textContent = played.actions.map(({ name }) => name + ": " + JSON.stringify(handle.value(name))).join("\\n");
});
</script>
</body>
</html>
`;
}
