/** What all routes of a process share. */
import { join } from "node:path";
import { pathToFileURL } from "node:url";
import { createHeldBytes, MOST_HELD_BYTES } from "./body";
import { createCollector } from "./collect";
import type { ServerContext } from "./handlers";
import { createThreadPool } from "./threadPool";

/** Next bundles each route by itself, with these modules in each: the process keeps the one desk under this name. */
const KEPT = Symbol.for("nodulum.desk");
const kept = globalThis as { [KEPT]?: ServerContext };

/**
 * The desk of this process. Its threads run dist/server/layoutThread.mjs of the folder the process was started in. NODULUM_WORK_SECONDS says how
 * long work on one layout may take, s.
 */
export function desk(): ServerContext {
  return (kept[KEPT] ??= createDesk());
}

function createDesk(): ServerContext {
  const seconds = Number(process.env.NODULUM_WORK_SECONDS);
  return {
    pool: createThreadPool(pathToFileURL(join(process.cwd(), "dist", "server", "layoutThread.mjs"))),
    held: createHeldBytes(MOST_HELD_BYTES, createCollector()),
    mostMs: seconds > 0 ? seconds * 1000 : undefined,
  };
}
