/**
 * `npm run build:cli`, also after every `npm install`: the command line as one file without packages, in dist/cli, ready for
 * `npm pack ./dist/cli`. What it is on (commander, zod, papaparse, a hash) is inside; esbuild, next and react are not needed to run it.
 */
import { build } from "esbuild";
import { copyFileSync, mkdirSync, readFileSync, renameSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";
import { fileURLToPath, pathToFileURL } from "node:url";
import { carried } from "./build-page.mjs";

const root = join(dirname(fileURLToPath(import.meta.url)), "..");

/** Builds it again. Written next to and then put in place, so that one who starts it meanwhile finds a whole one. */
export async function buildCli() {
  const out = join(root, "dist", "cli");
  mkdirSync(out, { recursive: true });
  const outfile = join(out, `nodulum.${process.pid}.mjs`);
  await build({
    define: await carried(),
    entryPoints: [join(root, "cli", "main.ts")],
    outfile,
    bundle: true,
    platform: "node",
    format: "esm",
    target: "node20",
    logLevel: "error",
    banner: {
      js: "#!/usr/bin/env node\nimport { createRequire as __createRequire } from 'node:module';\nconst require = __createRequire(import.meta.url);",
    },
  });
  renameSync(outfile, join(out, "nodulum.mjs"));
  const { version, description, license, engines } = JSON.parse(readFileSync(join(root, "package.json"), "utf8"));
  const own = {
    name: "nodulum",
    version,
    description,
    license,
    type: "module",
    engines,
    bin: { nodulum: "./nodulum.mjs" },
    files: ["nodulum.mjs", "THIRD-PARTY.md"],
  };
  writeFileSync(join(out, "package.json"), `${JSON.stringify(own, null, 2)}\n`);
  writeFileSync(
    join(out, "README.md"),
    "# nodulum\n\nThe command line of Nodulum: where controls stand, what touches give, what falls short. `npx nodulum --help` lists the commands.\n",
  );
  for (const file of ["LICENSE", "THIRD-PARTY.md"]) copyFileSync(join(root, file), join(out, file));
}

if (process.argv[1] && import.meta.url === pathToFileURL(process.argv[1]).href) await buildCli();
