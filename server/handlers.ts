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
import type { LayoutJob, LayoutSaid, LayoutWork } from "./layoutThread";

/** Does a check or a report somewhere it can be stopped; ends (unsaid) where the signal says so. */
export type RunWork = (work: LayoutWork, signal: AbortSignal) => AsyncIterable<LayoutSaid>;

const TYPES: Readonly<Record<AnswerFormat, string>> = {
  json: "application/json",
  sarif: "application/sarif+json",
  junit: "application/xml",
  ndjson: "application/x-ndjson",
};
/** A check or a report may take so long, ms; the largest layout on the whole catalogue takes some seconds. */
export const MOST_MS = 20_000;

/** An answer that says why not: problems with their places, as everywhere. */
function refusal(status: number, problems: readonly Problem[], headers: Readonly<Record<string, string>> = {}): Response {
  return new Response(`${JSON.stringify({ problems }, null, 2)}\n`, { status, headers: { "Content-Type": "application/json", ...headers } });
}
const said = (message: string): readonly Problem[] => [{ path: "", message }];

/** Of a body that is too large so much is still listened to, unkept, that whoever sends it can hear the answer, bytes. */
const HEARD_OUT_BYTES = 4 * MOST_FILE_BYTES;

/** The body, as long as it is no larger than a layout may be; null where it is. */
async function bodyOf(request: Request): Promise<Uint8Array | null> {
  let pieces: Uint8Array[] = [];
  let size = 0;
  for await (const piece of (request.body ?? []) as AsyncIterable<Uint8Array>) {
    size += piece.length;
    if (size <= MOST_FILE_BYTES) pieces.push(piece);
    else pieces = [];
    if (size > HEARD_OUT_BYTES) break;
  }
  if (size > MOST_FILE_BYTES) return null;
  const bytes = new Uint8Array(size);
  let at = 0;
  for (const piece of pieces) {
    bytes.set(piece, at);
    at += piece.length;
  }
  return bytes;
}

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
export function postCheck(request: Request, run: RunWork, mostMs?: number): Promise<Response> {
  return postLayout(request, { run, mostMs }, (query) => {
    const asked = readCheckRequest(query);
    if (!asked.ok) return asked;
    const { format } = asked.value;
    const cutShort = format === "ndjson" ? (problems: readonly Problem[]) => `${JSON.stringify({ problems })}\n` : undefined;
    return ok({ job: { kind: "check", request: asked.value }, word: "check", type: TYPES[format], cutShort });
  });
}

/** `POST /api/report`: a layout file in, the report about it out, as HTML. */
export function postReport(request: Request, run: RunWork, mostMs?: number): Promise<Response> {
  return postLayout(request, { run, mostMs }, (query) => {
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
export function postCompile(request: Request, run: RunWork, mostMs?: number): Promise<Response> {
  return postLayout(request, { run, mostMs }, (query) => {
    const problems = strangers(query, []);
    return problems.length > 0 ? { ok: false, problems } : ok({ job: { kind: "compile" }, word: "compiling", type: "application/json" });
  });
}

/** `POST /api/settle`: a layout file in; how far it is and then what came of it out, a line each. */
export function postSettle(request: Request, run: RunWork, mostMs?: number): Promise<Response> {
  return postLayout(request, { run, mostMs }, (query) => {
    const asked = readSettleRequest(query);
    if (!asked.ok) return asked;
    const cutShort = (problems: readonly Problem[]) => `${JSON.stringify({ problems })}\n`;
    return ok({ job: { kind: "settle", request: asked.value }, word: "settling", type: TYPES.ndjson, cutShort });
  });
}

/** `POST /api/handoff`: a layout file in, chosen parcels out, as one zip. */
export function postHandOff(request: Request, run: RunWork, mostMs?: number): Promise<Response> {
  return postLayout(request, { run, mostMs }, (query) => {
    const asked = readHandOffRequest(query);
    if (!asked.ok) return asked;
    const date = new Date().toISOString().slice(0, 10);
    return ok({ job: { kind: "handoff", request: asked.value, date }, word: "handing off", type: "application/zip" });
  });
}

interface Running {
  readonly run: RunWork;
  readonly mostMs?: number;
}

async function postLayout(request: Request, { run, mostMs = MOST_MS }: Running, read: (query: URLSearchParams) => Result<Asked>): Promise<Response> {
  // A page elsewhere can send plain texts without being asked for leave; JSON it cannot.
  if (!/^application\/(?:[\w.+-]+\+)?json\b/i.test(request.headers.get("content-type") ?? "")) return refusal(415, said("send the layout as application/json"));
  const asked = read(new URL(request.url).searchParams);
  if (!asked.ok) return refusal(400, asked.problems);
  const { job, word, type, policy, cutShort } = asked.value;
  const bytes = await bodyOf(request);
  if (bytes === null)
    return refusal(413, said(fileTooLarge(Number(request.headers.get("content-length") ?? 0) || MOST_FILE_BYTES + 1)), { Connection: "close" });
  const ending = new AbortController();
  const timer = setTimeout(() => ending.abort(), mostMs);
  const pieces = run({ bytes, job }, ending.signal)[Symbol.asyncIterator]();
  // Whoever asked has gone away: nobody wants the answer.
  request.signal.addEventListener("abort", () => ending.abort());
  if (request.signal.aborted) ending.abort();
  const tooLong = () => said(`the ${word} took longer than ${mostMs / 1000} s and was stopped; ask for fewer screens, or use the command line`);
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
    if (first.done) return refusal(503, said(`the ${word} ended without an answer; it may have needed more memory than it is given`));
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
        return controller.error(new Error("it was stopped on its way"));
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
