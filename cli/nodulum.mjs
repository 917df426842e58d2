#!/usr/bin/env node
// The command within a checkout: runs the bundle that was built with the project (dist/cli). Where a source has changed since, or nothing
// was built yet, it is built again first. The package made of dist/cli is the bundle alone.
import { existsSync, readdirSync, statSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");
const bundle = join(root, "dist", "cli", "nodulum.mjs");

function newest(dir) {
  let latest = 0;
  for (const entry of readdirSync(dir, { withFileTypes: true })) {
    const path = join(dir, entry.name);
    if (entry.isDirectory()) latest = Math.max(latest, newest(path));
    else if (/(?<!\.test)\.ts$/.test(entry.name)) latest = Math.max(latest, statSync(path).mtimeMs);
  }
  return latest;
}

if (!existsSync(bundle) || Math.max(...["core", "cli", "page", "runtime", "samples"].map((name) => newest(join(root, name)))) > statSync(bundle).mtimeMs) {
  try {
    const { buildCli } = await import("../scripts/build-cli.mjs");
    await buildCli();
  } catch (error) {
    if (error?.code !== "ERR_MODULE_NOT_FOUND") throw error;
    console.error("nodulum: packages are missing; run `npm install` in the project's folder first");
    process.exit(2);
  }
}
await import(pathToFileURL(bundle).href);
