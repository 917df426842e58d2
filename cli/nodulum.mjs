#!/usr/bin/env node
// The command: bundles cli/main.ts when a source is newer than the last bundle, then runs it.
import { existsSync, mkdirSync, readdirSync, statSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const bundle = join(root, ".cache", "cli", "nodulum.mjs");

function newest(dir) {
  let latest = 0;
  for (const entry of readdirSync(dir, { withFileTypes: true })) {
    const path = join(dir, entry.name);
    if (entry.isDirectory()) latest = Math.max(latest, newest(path));
    else if (/\.(ts|mjs)$/.test(entry.name)) latest = Math.max(latest, statSync(path).mtimeMs);
  }
  return latest;
}

if (!existsSync(bundle) || Math.max(newest(join(root, "core")), newest(join(root, "cli"))) > statSync(bundle).mtimeMs) {
  let esbuild;
  try {
    esbuild = await import("esbuild");
  } catch {
    console.error("nodulum: packages are missing; run `npm install` in the project's folder first");
    process.exit(2);
  }
  mkdirSync(dirname(bundle), { recursive: true });
  await esbuild.build({
    entryPoints: [join(root, "cli", "main.ts")],
    outfile: bundle,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    logLevel: "error",
    banner: { js: "import { createRequire as __createRequire } from 'node:module'; const require = __createRequire(import.meta.url);" },
  });
}
await import(pathToFileURL(bundle).href);
