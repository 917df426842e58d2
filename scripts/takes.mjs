/** `npm run takes`: plays the samples' takes again and writes them. */
import { build } from "esbuild";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { root } from "./lib.mjs";

const outfile = join(root, ".cache", "takes.mjs");
await build({ entryPoints: [join(root, "scripts", "sampleTakes.ts")], outfile, bundle: true, platform: "node", format: "esm", logLevel: "error" });
process.chdir(root);
await import(pathToFileURL(outfile).href);
