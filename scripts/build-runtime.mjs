/**
 * `npm run build:runtime`: the package `nodulum-runtime` in dist/runtime, ready for `npm pack ./dist/runtime`: modules with types, one file for a
 * script tag, no dependencies. Each entry is its own file next to what they share, so that nobody pays for what is not imported.
 */
import { build } from "esbuild";
import { createHash } from "node:crypto";
import { copyFileSync, existsSync, mkdirSync, readFileSync, readdirSync, renameSync, rmSync, writeFileSync } from "node:fs";
import { dirname, join, relative, sep } from "node:path";
import { pathToFileURL } from "node:url";
import ts from "typescript";
import { root } from "./lib.mjs";

/** The entries by what they are imported as; `.` is the package itself. */
export const ENTRIES = {
  ".": "index",
  "./draw": "drawing",
  "./stand-ins": "standIns",
  "./recording": "recording",
  "./words": "nameWatch",
  "./overlay": "overlay",
  "./turn": "turn",
  "./tuned": "tuned",
  "./players-page": "playersPage",
  "./none": "none",
};
/** Where it is built to. */
export const runtimeFolder = join(root, "dist", "runtime");

const COMMON = { bundle: true, minify: true, target: "es2022", logLevel: "error", legalComments: "none" };

/** The types, as TypeScript reports them: a folder each for the runtime and the part of the core that it is on. */
function writeTypes(outDir) {
  const files = [...Object.values(ENTRIES), "tag"].map((name) => join(root, "runtime", `${name}.ts`));
  const program = ts.createProgram(files, {
    declaration: true,
    emitDeclarationOnly: true,
    outDir,
    rootDir: root,
    strict: true,
    skipLibCheck: true,
    target: ts.ScriptTarget.ES2022,
    module: ts.ModuleKind.ESNext,
    moduleResolution: ts.ModuleResolutionKind.Bundler,
    lib: ["lib.dom.d.ts", "lib.dom.iterable.d.ts", "lib.es2023.d.ts"],
    types: [],
  });
  // Modules of Node find a file by its whole name alone.
  const withEnding = (text) => text.replace(/(from |import\()"(\.{1,2}\/[^"]+?)(?:\.js)?"/g, '$1"$2.js"');
  const { diagnostics } = program.emit(undefined, (file, text) => {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, withEnding(text));
  });
  if (diagnostics.length > 0)
    throw new Error(ts.formatDiagnostics(diagnostics, { getCanonicalFileName: (f) => f, getCurrentDirectory: () => root, getNewLine: () => "\n" }));
}

/** Builds it again. */
export async function buildRuntime(out = runtimeFolder) {
  rmSync(out, { recursive: true, force: true });
  mkdirSync(out, { recursive: true });
  await build({
    ...COMMON,
    entryPoints: Object.fromEntries(Object.values(ENTRIES).map((name) => [name, join(root, "runtime", `${name}.ts`)])),
    outdir: out,
    format: "esm",
    splitting: true,
    chunkNames: "shared-[hash]",
  });
  await build({ ...COMMON, entryPoints: [join(root, "runtime", "tag.ts")], outfile: join(out, "nodulum-runtime.js"), format: "iife" });
  writeTypes(join(out, "types"));
  const { version, license } = JSON.parse(readFileSync(join(root, "package.json"), "utf8"));
  const own = {
    name: "nodulum-runtime",
    version,
    description: "Plays touch layouts in web games: sticks, d-pads, buttons, touchpads and swipes over any element, read by the game's own words.",
    license,
    type: "module",
    sideEffects: ["./nodulum-runtime.js"],
    exports: {
      ...Object.fromEntries(Object.entries(ENTRIES).map(([path, name]) => [path, { types: `./types/runtime/${name}.d.ts`, default: `./${name}.js` }])),
      "./nodulum-runtime.js": { types: "./types/runtime/tag.d.ts", default: "./nodulum-runtime.js" },
      "./package.json": "./package.json",
    },
    // For tools that do not read exports.
    main: "./index.js",
    types: "./types/runtime/index.d.ts",
    typesVersions: {
      "*": Object.fromEntries(Object.entries(ENTRIES).flatMap(([path, name]) => (path === "." ? [] : [[path.slice(2), [`./types/runtime/${name}.d.ts`]]]))),
    },
    files: ["*.js", "types", "README.md", "LICENSE"],
  };
  writeFileSync(join(out, "package.json"), `${JSON.stringify(own, null, 2)}\n`);
  copyFileSync(join(root, "LICENSE"), join(out, "LICENSE"));
  writeFileSync(join(out, "README.md"), withinPackage(readFileSync(join(root, "docs", "RUNTIME.md"), "utf8")));
}

/** A text in Markdown whose links lead nowhere outside the package: where one does, its words stay. */
const withinPackage = (text) => text.replace(/\[([^\]]+)\]\((?!#|https?:)([^)]+)\)/g, "$1");

const filesUnder = (dir) =>
  readdirSync(dir, { withFileTypes: true }).flatMap((entry) => (entry.isDirectory() ? filesUnder(join(dir, entry.name)) : [join(dir, entry.name)]));

/** Says from what the package in dist/runtime was built. It is no part of the package. */
const STAMP = ".built-from";

/** Builds the package where its sources have changed since. Built next to and then put in place, so that one who reads it meanwhile finds a whole one. */
export async function ensureRuntime() {
  const hash = createHash("sha256");
  const sources = [join(root, "runtime"), join(root, "core", "engine")].flatMap(filesUnder);
  const files = [...sources, join(root, "docs", "RUNTIME.md"), join(root, "LICENSE"), join(root, "package.json"), join(root, "scripts", "build-runtime.mjs")];
  for (const file of files.sort()) hash.update(relative(root, file)).update(readFileSync(file));
  const digest = hash.digest("hex");
  const stamp = join(runtimeFolder, STAMP);
  if (existsSync(stamp) && readFileSync(stamp, "utf8") === digest) return;
  const beside = `${runtimeFolder}.${process.pid}`;
  await buildRuntime(beside);
  writeFileSync(join(beside, STAMP), digest);
  rmSync(runtimeFolder, { recursive: true, force: true });
  renameSync(beside, runtimeFolder);
}

/** The files of the package by their paths, as others carry them: the command line, the server, Hand off. */
export async function runtimeFiles() {
  await ensureRuntime();
  const files = filesUnder(runtimeFolder).filter((file) => !file.endsWith(STAMP));
  return Object.fromEntries(files.map((file) => [relative(runtimeFolder, file).split(sep).join("/"), readFileSync(file, "utf8")]));
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) await ensureRuntime();
