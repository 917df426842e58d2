/** What the server answers besides files: the routes, by path and method. */
import { getSchema, postCheck, postCompile, postHandOff, postReport, postSettle } from "./handlers";
import { createHeldBytes, MOST_HELD_BYTES } from "./body";
import { createCollector } from "./collect";
import { createThreadPool } from "./threadPool";

/** A route: the only method it takes, and what answers. */
export interface Route {
  readonly method: "GET" | "POST";
  readonly handle: (request: Request) => Promise<Response> | Response;
}

/** The routes; `thread`: the built file of the thread that works layouts; `mostMs`: how long each may take. */
export function createRoutes(thread: URL, mostMs?: number): ReadonlyMap<string, Route> {
  const desk = { pool: createThreadPool(thread), held: createHeldBytes(MOST_HELD_BYTES, createCollector()), mostMs };
  return new Map<string, Route>([
    ["/api/check", { method: "POST", handle: (request) => postCheck(request, desk) }],
    ["/api/report", { method: "POST", handle: (request) => postReport(request, desk) }],
    ["/api/compile", { method: "POST", handle: (request) => postCompile(request, desk) }],
    ["/api/settle", { method: "POST", handle: (request) => postSettle(request, desk) }],
    ["/api/handoff", { method: "POST", handle: (request) => postHandOff(request, desk) }],
    ["/api/schema", { method: "GET", handle: getSchema }],
  ]);
}
