/** What a game carries, as JavaScript: each entry of the runtime's package bundled and minified for the browser, gzip. */
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { gzipSync } from "node:zlib";
import { ENTRIES } from "../scripts/build-runtime.mjs";
import { root } from "../scripts/lib.mjs";

/** What of an entry is measured, where it is not all of it: a game carries the icons its layout uses, and no others. */
const what = { drawing: "{ drawingWith }", none: "{ play as rests }" };

/** Some entries bundled together: bytes, gzip, and by which files. */
async function measure(names) {
  const { build } = await import("esbuild");
  const { outputFiles, metafile } = await build({
    stdin: { contents: names.map((name) => `export ${what[name] ?? "*"} from "./runtime/${name}";`).join("\n"), resolveDir: root, loader: "ts" },
    bundle: true,
    minify: true,
    format: "esm",
    target: "es2022",
    write: false,
    metafile: true,
    outfile: "out.js",
  });
  const files = Object.entries(metafile.outputs["out.js"].inputs)
    .map(([file, { bytesInOutput }]) => [file, bytesInOutput])
    .sort((a, b) => b[1] - a[1]);
  return { bytes: outputFiles[0].contents.length, gzip: gzipSync(outputFiles[0].contents, { level: 9 }).length, files };
}

/** The sizes: playing with reader and attaching; with drawing; what each other entry adds to the first; and the one that does nothing. */
export async function sizes() {
  const play = await measure(["index"]);
  const withDrawing = await measure(["index", "drawing"]);
  const others = Object.values(ENTRIES).filter((name) => !["index", "drawing", "none"].includes(name));
  const added = [];
  for (const name of others) added.push([name, (await measure(["index", name])).gzip - play.gzip]);
  return { play, withDrawing, none: await measure(["none"]), added };
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? "").href) {
  const { play, withDrawing, none, added } = await sizes();
  for (const [what, { bytes, gzip, files }] of Object.entries({ play, withDrawing, none })) {
    console.log(`${what}: ${gzip} bytes gzip, ${bytes} plain`);
    for (const [file, own] of files.slice(0, 40)) console.log(`  ${own} ${join(file)}`);
  }
  for (const [name, gzip] of added) console.log(`${name}: ${gzip} bytes gzip more`);
}
