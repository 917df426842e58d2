/** The script of the page that plays by itself (page/page.ts), as one text: what the command line carries, and what the application hands out. */
import { readFileSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { runtimeFiles } from "./build-runtime.mjs";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");

export async function pageScript() {
  const { build } = await import("esbuild");
  const { outputFiles } = await build({
    entryPoints: [join(root, "page", "page.ts")],
    bundle: true,
    minify: true,
    format: "iife",
    target: "es2022",
    write: false,
    logLevel: "error",
    legalComments: "none",
  });
  return outputFiles[0].text;
}

/** What the parcel of the port in C holds, by the paths in it. */
export function portFiles() {
  const port = join(root, "ports", "c99");
  const files = { "nodulum.h": "nodulum.h", "trace.h": "trace.h", "example/play.c": "example/play.c", "README.md": "../README.md", LICENSE: "../../LICENSE" };
  return Object.fromEntries(Object.entries(files).map(([path, file]) => [path, readFileSync(join(port, file), "utf8")]));
}

/** What is built apart and carried by others as text, by the names they know it under. */
export const carried = async () => ({
  PAGE_SCRIPT: JSON.stringify(await pageScript()),
  RUNTIME_FILES: JSON.stringify(await runtimeFiles()),
  PORT_FILES: JSON.stringify(portFiles()),
});

// Among the files of the application, from where Hand off takes them.
if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) {
  writeFileSync(join(root, "public", "nodulum-page.js"), await pageScript());
  writeFileSync(join(root, "public", "nodulum-runtime.json"), JSON.stringify(await runtimeFiles()));
  writeFileSync(join(root, "public", "nodulum-c99.json"), JSON.stringify(portFiles()));
}
