/** The package as strangers get it: packed, put into an empty project, checked, compiled against and bundled. */
import { execFileSync, spawnSync } from "node:child_process";
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { dirname, join } from "node:path";
import { constantsFile } from "../core/exchange/constants";
import type { ActionKind } from "../core/engine/types";

const root = process.cwd();
const node = (file: string, args: readonly string[], cwd: string) => spawnSync(process.execPath, [file, ...args], { cwd, encoding: "utf8" });
const bin = (name: string) => join(root, "node_modules", ".bin", name);
const folder = mkdtempSync(join(tmpdir(), "nodulum-game-"));
const home = join(folder, "node_modules", "nodulum-runtime");
let tarball = "";

beforeAll(() => {
  execFileSync(process.execPath, [join(root, "scripts", "build-runtime.mjs")]);
  const packed = JSON.parse(execFileSync("npm", ["pack", join(root, "dist", "runtime"), "--json", "--pack-destination", folder], { encoding: "utf8" })) as {
    filename: string;
  }[];
  tarball = join(folder, packed[0].filename);
  mkdirSync(home, { recursive: true });
  execFileSync("tar", ["xzf", tarball, "-C", home, "--strip-components=1"]);
  writeFileSync(join(folder, "package.json"), JSON.stringify({ type: "module", private: true }));
});

test("it has no dependencies, and publint and attw find nothing wrong", () => {
  const own = JSON.parse(readFileSync(join(home, "package.json"), "utf8")) as Record<string, unknown>;
  expect([own.name, own.dependencies]).toEqual(["nodulum-runtime", undefined]);
  expect(readdirSync(join(folder, "node_modules"))).toEqual(["nodulum-runtime"]);
  const lint = node(bin("publint"), ["run", tarball, "--strict"], folder);
  expect([lint.status, lint.stdout]).toEqual([0, expect.stringContaining("All good!")]);
  const types = node(bin("attw"), [tarball, "--profile", "esm-only", "--format", "json"], folder);
  const { analysis } = JSON.parse(types.stdout) as { analysis: { problems: { kind: string; resolutionKind?: string; entrypoint?: string }[] } };
  // The package is of modules: CommonJS imports it dynamically, and the old resolution finds no types for the file of a script tag.
  const left = analysis.problems.filter(({ resolutionKind, entrypoint }) => resolutionKind !== "node16-cjs" && entrypoint !== "./nodulum-runtime.js");
  expect(left).toEqual([]);
  expect(types.status).toBe(0);
});

test("no link of the package's README leads out of the package", () => {
  const readme = readFileSync(join(home, "README.md"), "utf8");
  expect(readme).toContain("nodulum-runtime");
  const links = [...readme.matchAll(/\]\(([^)]+)\)/g)].map(([, to]) => to).filter((to) => !to.startsWith("#"));
  expect(links.filter((to) => /^https?:/.test(to) || !readdirSync(home).includes(to))).toEqual([]);
});

const EXAMPLES = [...readFileSync(join(root, "docs", "RUNTIME.md"), "utf8").matchAll(/```js\n([\s\S]*?)```/g)].map(([, code]) => code);

/** What a strict compiler (the fast one; the storm asks the other) says of files of a game, by how it finds packages. */
function compile(files: Readonly<Record<string, string>>, resolution: "bundler" | "nodenext"): string {
  for (const [name, text] of Object.entries(files)) {
    mkdirSync(dirname(join(folder, name)), { recursive: true });
    writeFileSync(join(folder, name), text);
  }
  const how = [
    "--ignoreConfig",
    "--noEmit",
    "--strict",
    "--exactOptionalPropertyTypes",
    "--target",
    "es2022",
    "--lib",
    "es2023,dom,dom.iterable",
    "--resolveJsonModule",
  ];
  const modules = resolution === "bundler" ? ["--module", "esnext", "--moduleResolution", "bundler"] : ["--module", "nodenext"];
  const sources = Object.keys(files).filter((name) => name.endsWith(".ts"));
  return node(join(root, "node_modules", "typescript-7", "bin", "tsc"), [...how, ...modules, "--pretty", "false", ...sources], folder).stdout;
}

test.each(["bundler", "nodenext"] as const)("every example of the README compiles as it stands under strict TypeScript, modules found by %s", (resolution) => {
  expect(EXAMPLES.length).toBeGreaterThan(5);
  expect(compile(Object.fromEntries(EXAMPLES.map((code, i) => [`example-${i}.ts`, code])), resolution)).toBe("");
});

/** What the parcel of names gives a game of the page below. */
const ACTIONS_FILE = constantsFile(
  {
    name: "Quay",
    actions: (["walk vector", "leap press", "gas axis", "look motion", "turn delta"] as const).map((text) => {
      const [name, kind] = text.split(" ") as [string, ActionKind];
      return { name, kind, read: true };
    }),
  },
  "typescript",
);

test("words and uses that are wrong do not compile; an imported file, elements, selectors and nulls do, with nodulum-runtime/none too", () => {
  const game = (from: string) => `
import { play } from "nodulum-runtime${from}";
import file from "./quay.played.json"${' with { type: "json" }'};
const over: Element | null = document.querySelector("#game");
const controls = play<ActionName>(file, { over });
play(new Uint8Array(), { over: "#game" });
play("text", { over: null });
const [x, y] = controls.value("walk");
const gas: number = controls.value("gas");
if (controls.value("leap") || controls.justPressed("leap")) console.log(x + y, gas);
${ACTIONS_FILE.replaceAll("export ", "")}
const typed = play<typeof actions>(file, { over });
const [dx, dy]: readonly [number, number] = typed.value("look");
const on: boolean = typed.value("leap") && typed.press("leap");
const steered: number = typed.axis("gas") + typed.delta("turn") + typed.vector("walk")[0] + typed.motion("look")[1];
typed.on("pressed", "leap", () => console.log(dx, dy, on, steered))();
`;
  const wrong = `
import { play } from "nodulum-runtime";
const controls = play<"walk" | "leap">("", { over: "#game" });
controls.value("wlak");
const word: string = controls.value("walk");
play(fetch("./quay.played.json"), { over: "#game" });
console.log(word);
${ACTIONS_FILE.replaceAll("export ", "")}
const typed = play<typeof actions>("", { over: "#game" });
typed.value("wlak");
typed.press("walk");
typed.on("pressed", "gas", () => undefined);
const text: string = typed.value("gas");
console.log(text, typed.axis("gas"));
`;
  const wrongFrom = wrong.split("\n").findIndex((line) => line.startsWith("const typed")) + 2;
  const files = { "quay.played.json": '{ "format": "nodulum-played", "version": 1 }', "good.ts": game(""), "none.ts": game("/none"), "wrong.ts": wrong };
  const lines = compile(files, "nodenext")
    .trim()
    .split("\n")
    .filter((line) => !line.startsWith(" "));
  expect(lines.map((line) => line.replace(/^(\w+\.ts)\((\d+),.*/, "$1 $2"))).toEqual([
    ...["wrong.ts 4", "wrong.ts 5", "wrong.ts 6"],
    ...[0, 1, 2, 3].map((n) => `wrong.ts ${wrongFrom + n}`),
  ]);
});

test("what a game does not import is left out by two bundlers: a drawing with icons of one's own does not carry all of them", () => {
  interface Sizes {
    readonly play: { readonly gzip: number };
    readonly withDrawing: { readonly gzip: number; readonly bytes: number };
    readonly withEveryIcon: { readonly gzip: number; readonly bytes: number };
    readonly none: { readonly gzip: number };
  }
  const sizes = JSON.parse(node(join(root, "bench", "sizes.mjs"), ["--only-parts"], root).stdout) as Readonly<Record<"esbuild" | "rollup", Sizes>>;
  for (const { play, withDrawing, withEveryIcon, none } of [sizes.esbuild, sizes.rollup]) {
    expect(none.gzip).toBeLessThan(1000);
    expect(withDrawing.gzip).toBeGreaterThan(play.gzip);
    expect(withEveryIcon.bytes - withDrawing.bytes).toBeGreaterThan(10_000);
  }
});
