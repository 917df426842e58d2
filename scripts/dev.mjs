/** `npm run dev`: serves while one works on the code, the HTTP API as well. What Next does not bundle is built once, at the start. */
import { ensureInstalled, run, runBin, root } from "./lib.mjs";
import { join } from "node:path";

ensureInstalled();
for (const script of ["build-page.mjs", "build-server.mjs"]) if (run(process.execPath, [join(root, "scripts", script)]) !== 0) process.exit(1);
process.exit(runBin("next", ["dev", "-H", "127.0.0.1", "-p", process.env.PORT ?? "4310"], { NEXT_TELEMETRY_DISABLED: "1" }));
