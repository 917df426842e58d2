/** The script of the page that plays by itself (page/page.ts), as one text: what the command line carries, and what the application hands out. */
import { writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";

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

// Beside the built application, from where Hand off takes it.
if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) writeFileSync(join(root, "out", "nodulum-page.js"), await pageScript());
