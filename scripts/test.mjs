/**
 * `npm test`: installs what is missing, then runs static checks, unit tests, the build and the browser tests in two lanes next to
 * each other. Tests come in pieces: a lane takes the next one whenever it is free. `npm test -- static`, `-- unit` and `-- e2e` run a part. Prints a line for each part with its time; ends with "N passed, N failed"
 * over all of them and a true exit code.
 *
 *   lane 1   build           browser tests, then unit tests
 *   lane 2   static checks   unit tests, then browser tests
 */
import { spawn, spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { BROWSERS } from "./browsers.mjs";
import { ensureInstalled, root, runBeside, runScriptBeside } from "./lib.mjs";

const PARTS = ["all", "static", "unit", "e2e"];
const part = process.argv[2] ?? "all";
if (!PARTS.includes(part)) {
  console.error(`"${part}" is not a part of the tests. Write npm test, or npm test -- static, unit or e2e.`);
  process.exit(2);
}
const runs = (name) => part === "all" || part === name;
let passed = 0;
let failed = 0;

/** Prints the line of a part that began at `since`, and counts its tests; a part without its own tests is one. */
function report(name, since, { good, bad, words = "" }) {
  passed += good;
  failed += bad;
  console.log(`${bad === 0 ? "ok  " : "FAIL"} ${name.padEnd(24)} ${((performance.now() - since) / 1000).toFixed(0).padStart(4)} s${words}`);
}
const reportWhole = (name, since, isGood) => report(name, since, isGood ? { good: 1, bad: 0 } : { good: 0, bad: 1 });

/** Reports a runner that counts its own tests in a file; one that leaves none, or counts no test, has failed. */
function reportRunner(name, since, { code, text, file, read }) {
  const { good, bad, skipped } = existsSync(file) ? read(JSON.parse(readFileSync(file, "utf8"))) : { good: 0, bad: 0, skipped: 0 };
  const isGood = code === 0 && bad === 0 && good > 0;
  if (!isGood) process.stdout.write(text);
  const words = `   ${good} passed${bad > 0 ? `, ${bad} failed` : ""}${skipped > 0 ? `, ${skipped} skipped` : ""}`;
  report(name, since, { good, bad: isGood ? 0 : Math.max(1, bad), words });
}

const results = join(root, "test-results");

const FOLDERS = ["app", "cli", "core", "page", "parcels", "runtime", "samples", "server", "storage", "ui", "views", "workers", "test"];
/** The checks that read the sources and run nothing. */
const STATIC = [
  ["lint", "oxlint", []],
  ["format", "oxfmt", ["--check", "."]],
  ["types", "tsc", ["--noEmit", "--incremental", "false"]],
  ["import boundaries", "depcruise", ["--config", ".dependency-cruiser.cjs", "--output-type", "err", ...FOLDERS]],
  ["unused code", "knip", ["--production"]],
  ["unused packages", "knip", []],
];

async function staticChecks() {
  for (const [name, bin, args] of STATIC) {
    const since = performance.now();
    const { code, text } = await runBeside(bin, args);
    if (code !== 0) process.stdout.write(text);
    reportWhole(name, since, code === 0);
  }
}

/** Unit tests and browser tests come in pieces, of which a lane takes the next whenever it is free. */
const PIECES = { unit: 3, browser: 4 };
const taken = { unit: 0, browser: 0 };

async function unitTests() {
  while (taken.unit < PIECES.unit) {
    const piece = (taken.unit += 1);
    const since = performance.now();
    const file = join(results, `unit-${piece}.json`);
    rmSync(file, { force: true });
    // A larger young generation: what a test leaves is mostly gone by the time it is collected, which is a fifth of all work otherwise.
    const flags = ["--max-semi-space-size=64"];
    const args = ["--runInBand", `--shard=${piece}/${PIECES.unit}`, "--json", `--outputFile=${file}`, "--silent"];
    const done = await runBeside("jest", args, { flags });
    const read = (r) => ({ good: r.numPassedTests, bad: r.numFailedTests + r.numRuntimeErrorTestSuites, skipped: r.numPendingTests });
    reportRunner(`unit tests ${piece} of ${PIECES.unit}`, since, { ...done, file, read });
  }
}

/** Builds the application; whether that went well. */
async function build() {
  const since = performance.now();
  const { code, text } = await runScriptBeside("build.mjs");
  if (code !== 0) process.stdout.write(text);
  reportWhole("build", since, code === 0);
  return code === 0;
}

/** Where a browser is; the quickest is installed through apt-get where that may be done. Null where there is none. */
function findBrowser() {
  const known = () => [process.env.CHROMIUM, ...BROWSERS].find((path) => path && existsSync(path)) ?? null;
  const mayInstall = process.getuid?.() === 0 && spawnSync("apt-get", ["--version"]).status === 0;
  if ((process.env.CHROMIUM && known()) || known() === BROWSERS[0] || !mayInstall) return known();
  console.log("Installing chromium-headless-shell…");
  const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
  for (const name of ["chromium-headless-shell", "chromium"]) {
    spawnSync("apt-get", ["update", "-qq"], { stdio: "ignore", env });
    if (spawnSync("apt-get", ["install", "-y", "-qq", name], { stdio: ["ignore", "ignore", "inherit"], env }).status === 0) break;
    if (known()) break;
  }
  return known();
}

/** Serves the build for the browser tests on its own port; gives the port. */
function startServer() {
  const server = spawn(process.execPath, [join(root, "scripts", "server.mjs"), "0"], { cwd: root, stdio: ["ignore", "pipe", "inherit"] });
  process.on("exit", () => server.kill());
  return new Promise((resolve, reject) => {
    server.stdout.on("data", (text) => {
      const address = /127\.0\.0\.1:(\d+)/.exec(String(text));
      if (address) resolve(address[1]);
    });
    server.on("exit", (code) => reject(new Error(`The server of the browser tests ended with ${code}.`)));
  });
}

async function browserTests({ port, browser }) {
  while (taken.browser < PIECES.browser) {
    const piece = (taken.browser += 1);
    const since = performance.now();
    const name = join(results, `browser-${piece}`);
    const file = `${name}.json`;
    rmSync(file, { force: true });
    const args = ["test", "--workers=1", `--shard=${piece}/${PIECES.browser}`, "--reporter=list,json", `--output=${name}`];
    const env = { CHROMIUM: browser, E2E_PORT: port, E2E_SERVED: "yes", PLAYWRIGHT_JSON_OUTPUT_FILE: file };
    const done = await runBeside("playwright", args, { env, log: `${name}.log` });
    const read = ({ stats }) => ({ good: stats.expected, bad: stats.unexpected + stats.flaky, skipped: stats.skipped });
    reportRunner(`browser tests ${piece} of ${PIECES.browser}`, since, { ...done, file, read });
  }
}

/** Makes ready what the browser tests need; null where they cannot run, which is a failure. */
async function prepareBrowserTests() {
  const browser = findBrowser();
  if (browser !== null) return { browser, port: await startServer() };
  console.error("The browser tests need Chromium. Install it (on Debian: apt-get install chromium-headless-shell) or set CHROMIUM to its path.");
  reportWhole("browser tests", performance.now(), false);
  return null;
}

const begun = performance.now();
mkdirSync(results, { recursive: true });
ensureInstalled();
console.log(
  {
    all: "Static checks, unit tests, build and browser tests: about 9 minutes on two quiet processors.",
    static: "Static checks: about a minute.",
    unit: "Build and unit tests: about 5 minutes.",
    e2e: "Build and browser tests: about 5 minutes.",
  }[part],
);
// The command line's bundle, which some tests start, and the package it carries.
const { buildCli } = await import("./build-cli.mjs");
if (part !== "static") await buildCli();
if (runs("unit") && spawnSync("cc", ["--version"]).status !== 0) console.log("There is no C compiler here (cc): the port in C is neither built nor tested.");

// The tests of the HTTP API ask the built application, too.
const built = part === "static" ? Promise.resolve(false) : build();
const browserReady = built.then((isBuilt) => (runs("e2e") && isBuilt ? prepareBrowserTests() : null));
const lane1 = async () => {
  const ready = await browserReady;
  if (ready) await browserTests(ready);
  if (runs("unit")) await unitTests();
};
const lane2 = async () => {
  if (runs("static")) await staticChecks();
  await built;
  if (runs("unit")) await unitTests();
  const ready = await browserReady;
  if (ready) await browserTests(ready);
};
await Promise.all([lane1(), lane2()]);
console.log(`${passed} passed, ${failed} failed in ${((performance.now() - begun) / 60_000).toFixed(1)} minutes`);
process.exit(failed > 0 ? 1 : 0);
