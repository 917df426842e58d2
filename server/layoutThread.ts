/** Work on a layout in its own thread, so that it can be stopped: bytes of a layout and what is asked in, pieces of the answer out. */
import { parentPort, workerData } from "node:worker_threads";
import { checkedPlayers, checkScreens, reportText } from "../core/exchange/checkReport";
import { textOfBytes } from "../core/exchange/fileBytes";
import { jsonForTerminal } from "../core/exchange/terminal";
import { digestOfText } from "../core/format/digest";
import { readJson } from "../core/format/parseJson";
import { parseLayout } from "../core/format/parse";
import type { Problem } from "../core/engine/result";
import type { Layout, Screen } from "../core/format/types";
import { writeLayout } from "../core/format/write";
import { makeReport } from "../core/report/gatherReport";
import { screensOfRequest, viewOfRequest, type CheckRequest } from "./checkRequest";
import { compile } from "../core/format/compile";
import { makeParcel } from "../parcels/makeParcel";
import type { Parcel } from "../parcels/parcel";
import { plainSource } from "../parcels/plainSource";
import { parcelZip } from "../parcels/parcelZip";
import { pageScript, portFiles, runtimeFiles } from "../parcels/carried";
import type { HandOffRequest } from "./handOffRequest";
import type { ReportRequest } from "./reportRequest";
import { settleSteps } from "../core/settle/settle";
import { settledData } from "../core/settle/describeResult";
import { settleRequestOf, type SettleQuery } from "./settleRequest";

/** What is asked of a layout; a report and what is handed off carry the date they are made on. */
export type LayoutJob =
  | { readonly kind: "check"; readonly request: CheckRequest }
  | { readonly kind: "compile" }
  | { readonly kind: "settle"; readonly request: SettleQuery }
  | { readonly kind: "report"; readonly request: ReportRequest; readonly date: string }
  | { readonly kind: "handoff"; readonly request: HandOffRequest; readonly date: string };
/** What the thread is given. */
export interface LayoutWork {
  /** The bytes of the layout file. */
  readonly bytes: Uint8Array<ArrayBuffer>;
  readonly job: LayoutJob;
}
/** What it says: refused with a status, or pieces of the answer and its end. */
export type LayoutSaid =
  | { readonly kind: "refused"; readonly status: 400 | 422; readonly problems: readonly Problem[] }
  | { readonly kind: "piece"; readonly content: string | Uint8Array }
  | { readonly kind: "end" };

async function* work({ bytes, job }: LayoutWork): AsyncGenerator<LayoutSaid> {
  const text = textOfBytes(bytes);
  if (!text.ok) return yield { kind: "refused", status: 400, problems: text.problems };
  const value = readJson(text.value);
  if (!value.ok) return yield { kind: "refused", status: 400, problems: value.problems };
  const layout = parseLayout(value.value);
  if (!layout.ok) return yield { kind: "refused", status: 422, problems: layout.problems };
  if (job.kind === "compile") {
    yield { kind: "piece", content: compile(layout.value) };
    return yield { kind: "end" };
  }
  const screens = screensOfRequest(layout.value, job.request);
  if (!screens.ok) return yield { kind: "refused", status: 400, problems: screens.problems };
  switch (job.kind) {
    case "settle":
      return yield* settle(layout.value, screens.value, job.request);
    case "check":
      return yield* check(layout.value, screens.value, job.request);
    case "report": {
      const { paper, shrinks, parts } = job.request;
      const digest = digestOfText(writeLayout(layout.value));
      yield { kind: "piece", content: makeReport({ layout: layout.value, digest, date: job.date, screens: screens.value, parts, paper, shrinks }) };
      return yield { kind: "end" };
    }
    case "handoff": {
      const { parcels: ids, direction, language, paper } = job.request;
      const told = { layout: layout.value, date: job.date, screens: screens.value, direction, language, paper, takes: () => Promise.resolve([]) };
      const source = plainSource({ ...told, pageScript, runtimeFiles, portFiles });
      const parcels: Parcel[] = [];
      for (const id of ids) parcels.push(await makeParcel(id, source));
      yield { kind: "piece", content: parcelZip(parcels) };
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
    for (const result of results) yield { kind: "piece", content: `${jsonForTerminal(JSON.stringify(result))}\n` };
  } else {
    const report = { file: "layout.nodulum.json", layout, results: [...results], known: () => false, failOn: request.failOn };
    yield { kind: "piece", content: reportText(request.format, report) };
  }
  yield { kind: "end" };
}

/** A line now and then that says how far it is, and a last one with what came of it. */
function* settle(layout: Layout, screens: readonly Screen[], query: SettleQuery): Generator<LayoutSaid> {
  const request = settleRequestOf(layout, screens, query);
  if (!request.ok) return yield { kind: "refused", status: 400, problems: request.problems };
  const line = (value: unknown): LayoutSaid => ({ kind: "piece", content: `${jsonForTerminal(JSON.stringify(value))}\n` });
  const steps = settleSteps(request.value);
  for (let step = steps.next(); ; step = steps.next()) {
    if (step.done) {
      yield line({ settled: settledData(step.value, true) });
      return yield { kind: "end" };
    }
    yield line({ progress: step.value });
  }
}

for await (const said of work(workerData as LayoutWork)) parentPort!.postMessage(said);
