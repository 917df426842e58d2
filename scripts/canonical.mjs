/** `npm run canonical -- FILE…`: rewrites layout files in canonical form, for files edited by hand. */
import { build } from "esbuild";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { root } from "./lib.mjs";

const outfile = join(root, ".cache", "canonical.mjs");
await build({ entryPoints: [join(root, "scripts", "canonical.ts")], outfile, bundle: true, platform: "node", format: "esm", logLevel: "error" });
await import(pathToFileURL(outfile).href);
