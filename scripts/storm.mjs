/** `npm run storm [-- PART COUNT SEED]`: kills, broken and hostile files; see storm.ts. */
import { build } from "esbuild";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { ensureBuilt, ensureInstalled, root } from "./lib.mjs";

ensureInstalled();
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
