/** A check or a report in a thread of its own, so that it can be stopped: bytes of a layout and what is asked in, pieces of the answer out. */
import { parentPort, workerData } from "node:worker_threads";
import { checkedPlayers, checkScreens, reportText } from "../core/exchange/checkReport";
import { textOfBytes } from "../core/exchange/fileBytes";
import { jsonForTerminal } from "../core/exchange/terminal";
import { digestOfText } from "../core/format/digest";
import { readJson } from "../core/format/json";
import { parseLayout } from "../core/format/parse";
import type { Problem } from "../core/engine/result";
import type { Layout, Screen } from "../core/format/types";
import { writeLayout } from "../core/format/write";
import { makeReport } from "../core/report/gatherReport";
import { screensOfRequest, viewOfRequest, type CheckRequest } from "./checkRequest";
import type { ReportRequest } from "./reportRequest";

/** What is asked of a layout; a report carries the date it is made on. */
export type LayoutJob =
  { readonly kind: "check"; readonly request: CheckRequest } | { readonly kind: "report"; readonly request: ReportRequest; readonly date: string };
/** What the thread is given. */
export interface LayoutWork {
  readonly bytes: Uint8Array;
  readonly job: LayoutJob;
}
/** What it says: refused with a status, or pieces of the answer and its end. */
export type LayoutSaid =
  | { readonly kind: "refused"; readonly status: 400 | 422; readonly problems: readonly Problem[] }
  | { readonly kind: "piece"; readonly text: string }
  | { readonly kind: "end" };

function* work({ bytes, job }: LayoutWork): Generator<LayoutSaid> {
  const text = textOfBytes(bytes);
  if (!text.ok) return yield { kind: "refused", status: 400, problems: text.problems };
  const value = readJson(text.value);
  if (!value.ok) return yield { kind: "refused", status: 400, problems: value.problems };
  const layout = parseLayout(value.value);
  if (!layout.ok) return yield { kind: "refused", status: 422, problems: layout.problems };
  const screens = screensOfRequest(layout.value, job.request);
  if (!screens.ok) return yield { kind: "refused", status: 400, problems: screens.problems };
  switch (job.kind) {
    case "check":
      return yield* check(layout.value, screens.value, job.request);
    case "report": {
      const { paper, shrinks, parts } = job.request;
      const digest = digestOfText(writeLayout(layout.value));
      yield { kind: "piece", text: makeReport({ layout: layout.value, digest, date: job.date, screens: screens.value, parts, paper, shrinks }) };
      return yield { kind: "end" };
    }
  }
}

function* check(layout: Layout, screens: readonly Screen[], request: CheckRequest): Generator<LayoutSaid> {
  const view = viewOfRequest(layout, request);
  if (!view.ok) return yield { kind: "refused", status: 400, problems: view.problems };
  const players = checkedPlayers(layout, view.value, request.allPlayers);
  const results = checkScreens(layout, screens, players);
  if (request.format === "ndjson") {
    for (const result of results) yield { kind: "piece", text: `${jsonForTerminal(JSON.stringify(result))}\n` };
  } else {
    const report = { file: "layout.nodulum.json", layout, results: [...results], known: () => false, failOn: request.failOn };
    yield { kind: "piece", text: reportText(request.format, report) };
  }
  yield { kind: "end" };
}

for (const said of work(workerData as LayoutWork)) parentPort!.postMessage(said);
