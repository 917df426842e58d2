/** What a game must carry, as JavaScript: bundled and minified for the browser, gzip. The icons are those that one sample uses. */
import { readFile } from "node:fs/promises";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { gzipSync } from "node:zlib";
import { root } from "../scripts/lib.mjs";

const PLAYER = `export { createPlayer } from "./runtime/player"; export { pointerEvents } from "./runtime/attach/pointer";`;
const READER = `export { readPlayed } from "./core/engine/read/played";`;
const DRAWING = `export { drawControls } from "./runtime/art"; export { drawnControls } from "./runtime/poses"; export { createMotion } from "./runtime/motion";`;

/** The names of the icons in a layout file, in either look. */
async function iconsIn(file) {
  const layout = JSON.parse(await readFile(file, "utf8"));
  return new Set(layout.controls.map((c) => c.look?.icon).filter(Boolean));
}

/** The ICONS a set of names needs, as a module. */
async function iconsModule(build, names) {
  const { outputFiles } = await build({ entryPoints: [join(root, "runtime/icons.ts")], bundle: true, format: "esm", write: false });
  const { ICONS } = await import(`data:text/javascript,${encodeURIComponent(outputFiles[0].text)}`);
  return `export const ICONS = ${JSON.stringify(Object.fromEntries(Object.entries(ICONS).filter(([name]) => names.has(name))))};`;
}

/** The sizes in bytes: the player alone, with the reader, with reader and drawing; and by which files. */
export async function sizes(sample) {
  const { build } = await import("esbuild");
  const icons = await iconsModule(build, await iconsIn(sample));
  const measure = async (contents) => {
    const { outputFiles, metafile } = await build({
      stdin: { contents, resolveDir: root, loader: "ts" },
      bundle: true,
      minify: true,
      format: "esm",
      target: "es2022",
      write: false,
      metafile: true,
      outfile: "out.js",
    });
    const { inputs } = metafile.outputs["out.js"];
    return {
      gzip: gzipSync(outputFiles[0].contents, { level: 9 }).length,
      files: Object.entries(inputs)
        .map(([file, { bytesInOutput }]) => [file, bytesInOutput])
        .sort((a, b) => b[1] - a[1]),
    };
  };
  return { player: await measure(PLAYER), withReader: await measure(PLAYER + READER), withDrawing: await measure(PLAYER + READER + DRAWING + icons) };
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? "").href) {
  const all = await sizes(join(root, "samples/brackwater.nodulum.json"));
  for (const [what, { gzip, files }] of Object.entries(all)) {
    console.log(what, gzip);
    for (const [file, bytes] of files) console.log(`  ${bytes} ${file}`);
  }
}
