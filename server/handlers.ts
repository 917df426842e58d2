/**
 * The route handlers: `POST /api/check`, `/api/report`, `/api/compile`, `/api/settle`, `/api/handoff` and `GET /api/schema`. A request in, an answer out, both of the Fetch standard; what is computed is
 * computed by core. Nothing is kept of a request.
 */
import { fileTooLarge } from "../core/exchange/fileBytes";
import { layoutJsonSchema } from "../core/exchange/schema";
import { MOST_FILE_BYTES } from "../core/format/limits";
import { ok, type Problem, type Result } from "../core/engine/result";
import { readCheckRequest, type AnswerFormat } from "./checkRequest";
import { readHandOffRequest } from "./handOffRequest";
import { strangers } from "./query";
import { readReportRequest } from "./reportRequest";
import { readSettleRequest } from "./settleRequest";
import { readBody, type HeldBytes } from "./body";
import type { LayoutJob, LayoutSaid } from "./layoutThread";
import type { ThreadPool } from "./threadPool";

const TYPES: Readonly<Record<AnswerFormat, string>> = {
  json: "application/json",
  sarif: "application/sarif+json",
  junit: "application/xml",
  ndjson: "application/x-ndjson",
};
/** Work may take so long once a thread has started it, ms; the largest layout on the whole catalogue takes some seconds. @internal exported for its test */
export const MOST_MS = 20_000;

/** An answer that says why not: problems with their places, as everywhere. */
function refusal(status: number, problems: readonly Problem[], headers: Readonly<Record<string, string>> = {}): Response {
  return new Response(`${JSON.stringify({ problems }, null, 2)}\n`, { status, headers: { "Content-Type": "application/json", ...headers } });
}
const said = (message: string): readonly Problem[] => [{ path: "", message }];

/** What a route asks of the layout that it is sent. */
interface Asked {
  readonly job: LayoutJob;
  /** What it is called where it takes too long. */
  readonly word: "check" | "report" | "compiling" | "handing off" | "settling";
  readonly type: string;
  /** What the browser may do with it, where it is more than with other answers. */
  readonly policy?: string;
  /** What is sent where it is stopped on its way, given why; absent: nothing. */
  readonly cutShort?: (problems: readonly Problem[]) => string;
}

/** `POST /api/check`: a layout file in, its findings out. See docs/HTTP.md. */
export function postCheck(request: Request, desk: ServerContext): Promise<Response> {
  return postLayout(request, desk, (query) => {
    const asked = readCheckRequest(query);
    if (!asked.ok) return asked;
    const { format } = asked.value;
    const cutShort = format === "ndjson" ? (problems: readonly Problem[]) => `${JSON.stringify({ problems })}\n` : undefined;
    return ok({ job: { kind: "check", request: asked.value }, word: "check", type: TYPES[format], cutShort });
  });
}

/** `POST /api/report`: a layout file in, the report about it out, as HTML. */
export function postReport(request: Request, desk: ServerContext): Promise<Response> {
  return postLayout(request, desk, (query) => {
    const asked = readReportRequest(query);
    if (!asked.ok) return asked;
    const date = new Date().toISOString().slice(0, 10);
    return ok({
      job: { kind: "report", request: asked.value, date },
      word: "report",
      type: "text/html; charset=utf-8",
      policy: "default-src 'none'; style-src 'unsafe-inline'; sandbox",
    });
  });
}

/** `POST /api/compile`: a layout file in, the played file out. */
export function postCompile(request: Request, desk: ServerContext): Promise<Response> {
  return postLayout(request, desk, (query) => {
    const problems = strangers(query, []);
    return problems.length > 0 ? { ok: false, problems } : ok({ job: { kind: "compile" }, word: "compiling", type: "application/json" });
  });
}

/** `POST /api/settle`: a layout file in; how far it is and then what came of it out, a line each. */
export function postSettle(request: Request, desk: ServerContext): Promise<Response> {
  return postLayout(request, desk, (query) => {
    const asked = readSettleRequest(query);
    if (!asked.ok) return asked;
    const cutShort = (problems: readonly Problem[]) => `${JSON.stringify({ problems })}\n`;
    return ok({ job: { kind: "settle", request: asked.value }, word: "settling", type: TYPES.ndjson, cutShort });
  });
}

/** `POST /api/handoff`: a layout file in, chosen parcels out, as one zip. */
export function postHandOff(request: Request, desk: ServerContext): Promise<Response> {
  return postLayout(request, desk, (query) => {
    const asked = readHandOffRequest(query);
    if (!asked.ok) return asked;
    const date = new Date().toISOString().slice(0, 10);
    return ok({ job: { kind: "handoff", request: asked.value, date }, word: "handing off", type: "application/zip" });
  });
}

/** What the routes share: the threads, the bytes that wait for them, and how long work may take, ms. */
export interface ServerContext {
  readonly pool: ThreadPool;
  readonly held: HeldBytes;
  readonly mostMs?: number;
}

/** When whoever is sent away may ask again, s. */
const RETRY_AFTER_S = 5;
const busy = () => refusal(429, said(`too many requests; retry in ${RETRY_AFTER_S} seconds`), { "Retry-After": String(RETRY_AFTER_S), Connection: "close" });

async function postLayout(
  request: Request,
  { pool, held, mostMs = MOST_MS }: ServerContext,
  read: (query: URLSearchParams) => Result<Asked>,
): Promise<Response> {
  // A page elsewhere can send plain texts without being asked for leave; JSON it cannot.
  if (!/^application\/(?:[\w.+-]+\+)?json\b/i.test(request.headers.get("content-type") ?? "")) return refusal(415, said("send the layout as application/json"));
  const asked = read(new URL(request.url).searchParams);
  if (!asked.ok) return refusal(400, asked.problems);
  const body = await readBody(request, held, pool.isFull());
  if (body.kind === "large")
    return refusal(413, said(fileTooLarge(Number(request.headers.get("content-length") ?? 0) || MOST_FILE_BYTES + 1)), { Connection: "close" });
  if (body.kind === "busy") return busy();
  const ending = new AbortController();
  // Whoever asked has gone away: nobody wants the answer.
  request.signal.addEventListener("abort", () => ending.abort());
  if (request.signal.aborted) ending.abort();
  const events = pool.run({ bytes: body.bytes, job: asked.value.job }, ending.signal)[Symbol.asyncIterator]();
  const turn = await events.next().finally(body.release);
  if (!turn.done && turn.value.kind === "full") return busy();
  const timer = setTimeout(() => ending.abort(), mostMs);
  return answerOf(events as AsyncIterator<LayoutSaid>, asked.value, { ending, timer, mostMs });
}

/** Work that a thread has started, and what ends it. */
interface Started {
  readonly ending: AbortController;
  readonly timer: ReturnType<typeof setTimeout>;
  readonly mostMs: number;
}

async function answerOf(pieces: AsyncIterator<LayoutSaid>, { word, type, policy, cutShort }: Asked, { ending, timer, mostMs }: Started): Promise<Response> {
  const tooLong = () => said(`the ${word} took longer than ${mostMs / 1000} s and was stopped; request fewer screens, or use the command line`);
  const first = await pieces.next();
  /** Nothing more is wanted: the thread makes room for the next. */
  const close = () => {
    clearTimeout(timer);
    ending.abort();
    void pieces.return?.();
  };
  if (first.done || first.value.kind === "refused") {
    const isStopped = ending.signal.aborted;
    close();
    if (isStopped) return refusal(503, tooLong());
    if (first.done) return refusal(503, said(`the ${word} failed without a result; it may have run out of memory`));
    return refusal(first.value.kind === "refused" ? first.value.status : 500, first.value.kind === "refused" ? first.value.problems : []);
  }
  return new Response(streamOf(pieces, { first, cutShort: cutShort?.(tooLong()) ?? null, close }), {
    status: 200,
    headers: { "Content-Type": type, ...(policy ? { "Content-Security-Policy": policy } : {}) },
  });
}

interface Streamed {
  readonly first: IteratorResult<LayoutSaid>;
  /** What is sent where it was stopped on its way; null: nothing. */
  readonly cutShort: string | null;
  readonly close: () => void;
}

const encoder = new TextEncoder();
const bytesOfPiece = (content: string | Uint8Array): Uint8Array => (typeof content === "string" ? encoder.encode(content) : content);

/** The pieces of an answer as they come. Where they end too early the answer breaks off: what has been sent is true, and it is not all. */
function streamOf(pieces: AsyncIterator<LayoutSaid>, { first, cutShort, close }: Streamed): ReadableStream<Uint8Array> {
  let next = first;
  return new ReadableStream<Uint8Array>({
    async pull(controller) {
      if (next.done) {
        close();
        if (cutShort !== null) controller.enqueue(bytesOfPiece(cutShort));
        return controller.error(new Error("the request was stopped"));
      }
      if (next.value.kind === "end") {
        close();
        return controller.close();
      }
      if (next.value.kind === "piece") controller.enqueue(bytesOfPiece(next.value.content));
      next = await pieces.next();
    },
    cancel: close,
  });
}

let schema: string | null = null;
/** `GET /api/schema`: the JSON Schema (2020-12) of the layout file. */
export function getSchema(): Response {
  schema ??= `${JSON.stringify(layoutJsonSchema(), null, 2)}\n`;
  return new Response(schema, { status: 200, headers: { "Content-Type": "application/schema+json" } });
}
