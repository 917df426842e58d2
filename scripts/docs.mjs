/** `npm run docs`: writes the generated pages again. */
import { build } from "esbuild";
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { root } from "./lib.mjs";

const outfile = join(root, ".cache", "docs.mjs");
await build({ entryPoints: [join(root, "scripts", "docs.ts")], outfile, bundle: true, platform: "node", format: "esm", logLevel: "error" });
process.chdir(root);
await import(pathToFileURL(outfile).href);
