/** `npm run fuzz [-- TIMES SEED]`. */
import { build } from "esbuild";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { root } from "./lib.mjs";

const outfile = join(root, ".cache", "fuzz.mjs");
await build({ entryPoints: [join(root, "scripts", "fuzz.ts")], outfile, bundle: true, platform: "node", format: "esm", logLevel: "error" });
await import(pathToFileURL(outfile).href);
