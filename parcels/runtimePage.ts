/** A page that shows the web runtime at work next to the played file: where a game's own code would begin. */
import { escaped } from "../core/drawing/svgElement";
import type { Layout } from "../core/format/types";

/** The page; `playedFile`: the played file's name next to it. */
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
// Serve this folder (a page from the disk may not fetch). What is below is all a game needs.
import { play } from "./nodulum-runtime/index.js";
import { drawing } from "./nodulum-runtime/drawing.js";

const file = await (await fetch("${encodeURIComponent(playedFile)}")).text();
const controls = play(file, { over: "#game", draw: drawing, appear: "always" });
const { actions, moments } = controls.layout;
// A game says which moment it is in; without one every control shows.
if (moments.length > 0) controls.moment = moments[0].id;
const values = document.querySelector("#values");
controls.onTick(() => {
  values.textContent = actions.map(({ name }) => name + ": " + JSON.stringify(controls.value(name))).join("\\n");
});
window.controls = controls; // to try calls in the browser's console
</script>
</body>
</html>
`;
}
