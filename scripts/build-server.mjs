/** Builds the thread in which the route handlers work on layouts into one file that runs with Node alone. */
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { root } from "./lib.mjs";
import { carried } from "./build-page.mjs";

/** Where it is built to. */
export const serverFolder = join(root, "dist", "server");

export async function buildServer(outdir = serverFolder) {
  const { build } = await import("esbuild");
  await build({
    define: await carried(),
    entryPoints: { layoutThread: join(root, "server", "layoutThread.ts") },
    outdir,
    outExtension: { ".js": ".mjs" },
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    logLevel: "error",
  });
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) await buildServer();
