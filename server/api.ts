/** What the server answers besides files: the routes, by path and method. */
import { getSchema, postCheck, postCompile, postHandOff, postReport, postSettle } from "./handlers";
import { createRunWork } from "./runWork";

/** A route: the only method it takes, and what answers. */
export interface Route {
  readonly method: "GET" | "POST";
  readonly handle: (request: Request) => Promise<Response> | Response;
}

/** The routes; `thread`: the built file of the thread that works layouts; `mostMs`: how long each may take. */
export function createRoutes(thread: URL, mostMs?: number): ReadonlyMap<string, Route> {
  const run = createRunWork(thread);
  return new Map<string, Route>([
    ["/api/check", { method: "POST", handle: (request) => postCheck(request, run, mostMs) }],
    ["/api/report", { method: "POST", handle: (request) => postReport(request, run, mostMs) }],
    ["/api/compile", { method: "POST", handle: (request) => postCompile(request, run, mostMs) }],
    ["/api/settle", { method: "POST", handle: (request) => postSettle(request, run, mostMs) }],
    ["/api/handoff", { method: "POST", handle: (request) => postHandOff(request, run, mostMs) }],
    ["/api/schema", { method: "GET", handle: getSchema }],
  ]);
}
