/**
 * What a game carries, as JavaScript: the packed package in an empty project, each entry bundled by esbuild and by Rollup, minified, gzip. The
 * package is what strangers get; its sources may be omitted by a bundler where the package's files are not.
 */
import { execFileSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readFileSync, rmSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { gzipSync } from "node:zlib";
import { ENTRIES, ensureRuntime, runtimeFolder } from "../scripts/build-runtime.mjs";

const NAME = "nodulum-runtime";

/** What is imported of an entry, where it is not all of it: a game carries the icons its layout uses, and no others. */
const PARTS = {
  play: [["", "{ play }"]],
  withDrawing: [
    ["", "{ play }"],
    ["/draw", "{ drawingWith }"],
  ],
  withEveryIcon: [
    ["", "{ play }"],
    ["/draw", "{ drawing }"],
  ],
  none: [["/none", "{ play }"]],
};

/** An empty project with the packed package in it; its folder. */
async function packedProject() {
  await ensureRuntime();
  const folder = mkdtempSync(join(tmpdir(), "nodulum-size-"));
  const [{ filename }] = JSON.parse(execFileSync("npm", ["pack", runtimeFolder, "--json", "--pack-destination", folder], { encoding: "utf8" }));
  const home = join(folder, "node_modules", NAME);
  mkdirSync(home, { recursive: true });
  execFileSync("tar", ["xzf", join(folder, filename), "-C", home, "--strip-components=1"]);
  return folder;
}

const sourceOf = (imports) => imports.map(([path, what]) => `export ${what} from "${NAME}${path}";`).join("\n");
const gzip = (text) => gzipSync(text, { level: 9 }).length;

async function byEsbuild(folder, source) {
  const { build } = await import("esbuild");
  const stdin = { contents: source, resolveDir: folder, loader: "js" };
  const { outputFiles } = await build({ stdin, bundle: true, minify: true, format: "esm", target: "es2022", write: false, outfile: "out.js" });
  return { bytes: outputFiles[0].contents.length, gzip: gzip(outputFiles[0].contents) };
}

async function byRollup(folder, source) {
  const [{ rollup }, { transform }] = await Promise.all([import("rollup"), import("esbuild")]);
  const home = join(folder, "node_modules", NAME);
  const { exports } = JSON.parse(readFileSync(join(home, "package.json"), "utf8"));
  const entry = "\0entry";
  const inProject = {
    name: "in-project",
    resolveId: (id) => (id === entry ? id : id === NAME || id.startsWith(`${NAME}/`) ? join(home, exports[`.${id.slice(NAME.length)}`].default) : null),
    load: (id) => (id === entry ? source : null),
  };
  const bundle = await rollup({ input: entry, plugins: [inProject], onwarn: () => undefined });
  const { output } = await bundle.generate({ format: "es", inlineDynamicImports: true });
  await bundle.close();
  const { code } = await transform(output[0].code, { minify: true, format: "esm", target: "es2022" });
  return { bytes: Buffer.byteLength(code), gzip: gzip(code) };
}

/**
 * By bundler, each with bytes and bytes gzip: playing; with drawing; with every icon; nothing; and, unless only those are wanted, gzip that each
 * other entry adds to playing.
 */
export async function sizes({ onlyParts = false } = {}) {
  const folder = await packedProject();
  try {
    const found = {};
    for (const [bundler, bundle] of Object.entries({ esbuild: byEsbuild, rollup: byRollup })) {
      const of = {};
      for (const [name, imports] of Object.entries(PARTS)) of[name] = await bundle(folder, sourceOf(imports));
      of.added = [];
      for (const path of onlyParts ? [] : Object.keys(ENTRIES)) {
        if ([".", "./draw", "./none"].includes(path)) continue;
        const both = await bundle(folder, sourceOf([...PARTS.play, [path.slice(1), "*"]]));
        of.added.push([path.slice(2), both.gzip - of.play.gzip]);
      }
      found[bundler] = of;
    }
    return found;
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

if (import.meta.url === pathToFileURL(process.argv[1] ?? "").href)
  console.log(JSON.stringify(await sizes({ onlyParts: process.argv.includes("--only-parts") }), null, 2));
