/** `npm run storm [-- PART COUNT SEED]`: kills, broken and hostile files; see storm.ts. */
import { build } from "esbuild";
import { existsSync } from "node:fs";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { ensureBuilt, ensureInstalled, root } from "./lib.mjs";

ensureInstalled();
// The whole of Chromium, as players of the game and users of the editor have it; `npm test` takes the quicker one.
if (existsSync("/usr/bin/chromium")) process.env.CHROMIUM ??= "/usr/bin/chromium";
if (ensureBuilt() !== 0) process.exit(1);
const outfile = join(root, ".cache", "storm.mjs");
await build({
  entryPoints: [join(root, "scripts", "storm.ts")],
  outfile,
  bundle: true,
  platform: "node",
  format: "esm",
  packages: "external",
  logLevel: "error",
});
await import(pathToFileURL(outfile).href);
