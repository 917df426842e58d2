/** What starting and testing share: installing what is missing or stale, building what has changed. Node built-ins only: it runs before anything is installed. */
import { spawn, spawnSync } from "node:child_process";
import { createHash } from "node:crypto";
import { appendFileSync, existsSync, mkdirSync, readFileSync, readdirSync, writeFileSync } from "node:fs";
import { dirname, join, relative, sep } from "node:path";
import { fileURLToPath } from "node:url";
import { writeServiceWorker } from "./offline.mjs";

export const root = join(dirname(fileURLToPath(import.meta.url)), "..");

/** Runs a command, its output shown; gives its exit code. */
export function run(command, args, env = {}) {
  const done = spawnSync(command, args, { cwd: root, stdio: "inherit", env: { ...process.env, ...env } });
  return done.status ?? 1;
}

/** Runs a package's own command from node_modules. */
export function runBin(name, args, env = {}) {
  return run(process.execPath, [join(root, "node_modules", ...binPath(name)), ...args], env);
}

/** Runs a package's own command next to others, by Node with flags; gives its exit code and all it has printed, which `log`, a file, has as it comes. */
export const runBeside = (name, args, { flags = [], env = {}, log = null } = {}) =>
  nodeBeside([...flags, join(root, "node_modules", ...binPath(name)), ...args], env, log);

/** Runs a script of this folder next to others, likewise. */
export const runScriptBeside = (name) => nodeBeside([join(root, "scripts", name)]);

function nodeBeside(args, env = {}, log = null) {
  return new Promise((resolve) => {
    const child = spawn(process.execPath, args, { cwd: root, env: { ...process.env, ...env } });
    let text = "";
    if (log) writeFileSync(log, "");
    for (const stream of [child.stdout, child.stderr])
      stream.on("data", (piece) => {
        text += piece;
        if (log) appendFileSync(log, piece);
      });
    child.on("error", (error) => resolve({ code: 1, text: String(error) }));
    child.on("close", (code) => resolve({ code: code ?? 1, text }));
  });
}

function binPath(name) {
  const paths = {
    next: ["next", "dist", "bin", "next"],
    oxlint: ["oxlint", "bin", "oxlint"],
    oxfmt: ["oxfmt", "bin", "oxfmt"],
    tsc: ["typescript-7", "bin", "tsc"],
    knip: ["knip", "bin", "knip.js"],
    jest: ["jest", "bin", "jest.js"],
    depcruise: ["dependency-cruiser", "bin", "dependency-cruise.mjs"],
    playwright: ["@playwright", "test", "cli.js"],
  };
  return paths[name];
}

const hashOf = (text) => createHash("sha256").update(text).digest("hex");
const stampMatches = (file, value) => existsSync(file) && readFileSync(file, "utf8") === value;

/**
 * Installs packages when they are missing or the lock file has changed since. Exits with a clear line where that fails.
 * `npm install` and not `npm ci`: the lock leaves out optional binaries of other platforms where a registry does not carry them, and `ci` refuses such a lock.
 */
export function ensureInstalled() {
  const [major] = process.versions.node.split(".").map(Number);
  if (major < 20) {
    console.error(`Nodulum needs Node 20 or newer; this is ${process.versions.node}.`);
    process.exit(1);
  }
  const stamp = join(root, "node_modules", ".nodulum-installed");
  const lock = hashOf(readFileSync(join(root, "package-lock.json"), "utf8"));
  if (stampMatches(stamp, lock)) return;
  console.log("Installing packages…");
  const code = run("npm", ["install", "--no-save", "--no-audit", "--no-fund", "--loglevel=error"]);
  if (code !== 0) {
    console.error("The packages could not be installed; see npm's message above. Is the package registry within reach?");
    process.exit(1);
  }
  writeFileSync(stamp, lock);
}

const SOURCES = ["app", "core", "page", "parcels", "ports", "public", "runtime", "samples", "server", "storage", "ui", "views", "workers"];
const CONFIGS = [
  "scripts/build-page.mjs",
  "scripts/build-runtime.mjs",
  "scripts/build-server.mjs",
  "scripts/built.mjs",
  "scripts/offline.mjs",
  "scripts/service-worker.js",
  "next.config.mjs",
  "postcss.config.mjs",
  "tsconfig.json",
  "package-lock.json",
];

function filesUnder(dir) {
  return readdirSync(dir, { withFileTypes: true })
    .sort((a, b) => (a.name < b.name ? -1 : 1))
    .flatMap((entry) => (entry.isDirectory() ? filesUnder(join(dir, entry.name)) : [join(dir, entry.name)]));
}

/** Files of public/ that the build makes. */
const isMade = (file) => /^public\/(?:nodulum-[^/]*|sw\.js)$/.test(relative(root, file).split(sep).join("/"));

/** A digest of everything the build is made from. */
function sourceDigest() {
  const hash = createHash("sha256");
  const files = [...SOURCES.flatMap((dir) => filesUnder(join(root, dir))), ...CONFIGS.map((file) => join(root, file))];
  for (const file of files) {
    if (/\.test\.tsx?$|\.ndjson$/.test(file) || file.includes(join("c99", "build")) || isMade(file)) continue;
    hash.update(relative(root, file)).update(readFileSync(file));
  }
  return hash.digest("hex");
}

/** Builds the application when its sources have changed; gives the exit code. */
export function ensureBuilt() {
  const stamp = join(root, ".next", "nodulum-built");
  const digest = sourceDigest();
  if (stampMatches(stamp, digest) && existsSync(join(root, "public", "sw.js")) && existsSync(join(root, "dist", "server", "layoutThread.mjs"))) return 0;
  console.log("Building…");
  const script = (name) => run(process.execPath, [join(root, "scripts", name)]);
  const code = script("build-page.mjs") || script("build-server.mjs") || runBin("next", ["build"], { NEXT_TELEMETRY_DISABLED: "1" });
  if (code === 0) {
    writeServiceWorker();
    mkdirSync(dirname(stamp), { recursive: true });
    writeFileSync(stamp, digest);
  }
  return code;
}
