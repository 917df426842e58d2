/**
 * `npm test`: installs what is missing, then lint, types, import boundaries, unit tests, build, browser tests.
 * `npm test -- unit` and `npm test -- e2e` run a part. Ends with "N passed, N failed" over all of them and a true exit code.
 */
import { spawnSync } from "node:child_process";
import { existsSync, mkdirSync, readFileSync, rmSync } from "node:fs";
import { join } from "node:path";
import { runScriptBeside, ensureInstalled, root, runBeside, runBin } from "./lib.mjs";

const part = process.argv[2] ?? "all";
if (!["all", "unit", "e2e"].includes(part)) {
  console.error(`"${part}" is not a part of the tests; write npm test, npm test -- unit or npm test -- e2e`);
  process.exit(2);
}
let passed = 0;
let failed = 0;

/** A check that passes or fails as a whole. */
function check(name, code) {
  console.log(`${code === 0 ? "ok  " : "FAIL"} ${name}`);
  if (code === 0) passed += 1;
  else failed += 1;
  return code === 0;
}

/** A runner that counts its own tests in a JSON report. One that leaves no report has failed. */
function counted(name, code, report, read) {
  if (!existsSync(report)) {
    check(name, 1);
    return;
  }
  const { good, bad } = read(JSON.parse(readFileSync(report, "utf8")));
  console.log(`${code === 0 ? "ok  " : "FAIL"} ${name}: ${good} passed, ${bad} failed`);
  passed += good;
  failed += bad;
  if (code !== 0 && bad === 0) failed += 1;
  if (good + bad === 0) failed += 1;
}

/** Where Chromium is; installed through apt-get where that may be done. Null where there is none. */
function chromium() {
  const known = () =>
    [process.env.CHROMIUM, "/usr/bin/chromium", "/usr/bin/chromium-browser", "/usr/bin/google-chrome"].find((path) => path && existsSync(path));
  const found = known();
  if (found) return found;
  const apt = spawnSync("apt-get", ["--version"]).status === 0 && process.getuid?.() === 0;
  if (apt) {
    console.log("Installing Chromium…");
    const env = { ...process.env, DEBIAN_FRONTEND: "noninteractive" };
    spawnSync("apt-get", ["update", "-qq"], { stdio: "ignore", env });
    spawnSync("apt-get", ["install", "-y", "-qq", "chromium"], { stdio: ["ignore", "ignore", "inherit"], env });
  }
  return known() ?? null;
}

const results = join(root, "test-results");
mkdirSync(results, { recursive: true });
ensureInstalled();
// The command line's bundle, and the package it carries, once, before the tests that start it by the dozen.
const { buildCli } = await import("./build-cli.mjs");
await buildCli();

if (spawnSync("cc", ["--version"]).status !== 0) console.log("There is no C compiler here (cc): the port in C is neither built nor tested.");

/** The checks that read the sources and run nothing. */
const READING = [
  ["lint", "eslint", ["."]],
  ["format", "prettier", ["--check", "--log-level=warn", "."]],
  ["types", "tsc", ["--noEmit"]],
  [
    "import boundaries",
    "depcruise",
    [
      "--config",
      ".dependency-cruiser.cjs",
      "--output-type",
      "err",
      "app",
      "cli",
      "core",
      "page",
      "parcels",
      "runtime",
      "samples",
      "server",
      "storage",
      "ui",
      "views",
      "workers",
      "test",
    ],
  ],
];

/** One check after the other; what one prints is shown when it is done. */
async function readSources() {
  for (const [name, bin, args] of READING) {
    const { code, text } = await runBeside(bin, args);
    process.stdout.write(text);
    check(name, code);
  }
}

async function unitTests() {
  const report = join(results, "unit.json");
  rmSync(report, { force: true });
  const { code, text } = await runBeside("jest", ["--json", `--outputFile=${report}`, "--silent"]);
  process.stderr.write(text);
  counted("unit tests", code, report, (r) => ({ good: r.numPassedTests, bad: r.numFailedTests + r.numRuntimeErrorTestSuites }));
}

/** Builds the application beside other work; gives the exit code. */
async function built() {
  const { code, text } = await runScriptBeside("build.mjs");
  process.stdout.write(text);
  return code;
}

let buildCode = null;
if (part === "all") {
  // Two processors: the unit tests fill one; the other reads the sources and then, for the browser tests, builds.
  const readAndBuild = async () => {
    await readSources();
    buildCode = await built();
  };
  await Promise.all([readAndBuild(), unitTests()]);
} else if (part === "unit") await unitTests();

if (part !== "unit" && check("build", buildCode ?? (await built()))) {
  const browser = chromium();
  if (browser === null) {
    console.error("The browser tests need Chromium. Install it (on Debian: apt-get install chromium) or set CHROMIUM to its path.");
    check("browser tests", 1);
  } else {
    const report = join(results, "e2e.json");
    rmSync(report, { force: true });
    const code = runBin("playwright", ["test"], { CHROMIUM: browser });
    counted("browser tests", code, report, (r) => ({ good: r.stats.expected + r.stats.flaky, bad: r.stats.unexpected }));
  }
}

console.log(`${passed} passed, ${failed} failed`);
process.exit(failed > 0 ? 1 : 0);
