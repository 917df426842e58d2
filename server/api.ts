/** What the server answers besides files: the routes, by path and method. */
import { getSchema, postCheck } from "./handlers";
import { createRunCheck } from "./runCheck";

/** A route: the only method it takes, and what answers. */
export interface Route {
  readonly method: "GET" | "POST";
  readonly handle: (request: Request) => Promise<Response> | Response;
}

/** The routes; `thread`: the built file of the check's thread; `mostMs`: how long a check may take. */
export function createRoutes(thread: URL, mostMs?: number): ReadonlyMap<string, Route> {
  const run = createRunCheck(thread);
  return new Map<string, Route>([
    ["/api/check", { method: "POST", handle: (request) => postCheck(request, run, mostMs) }],
    ["/api/schema", { method: "GET", handle: getSchema }],
  ]);
}
