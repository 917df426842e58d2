/** A check in a thread of its own, so that it can be stopped: bytes of a layout and what is asked in, pieces of the answer out. */
import { parentPort, workerData } from "node:worker_threads";
import { checkedPlayers, checkScreens, reportText } from "../core/exchange/checkReport";
import { textOfBytes } from "../core/exchange/fileBytes";
import { jsonForTerminal } from "../core/exchange/terminal";
import { readJson } from "../core/format/json";
import { parseLayout } from "../core/format/parse";
import type { Problem } from "../core/engine/result";
import { screensOfRequest, viewOfRequest, type CheckRequest } from "./checkRequest";

/** What the thread is given. */
export interface CheckWork {
  readonly bytes: Uint8Array;
  readonly request: CheckRequest;
}
/** What it says: refused with a status, or pieces of the answer and its end. */
export type CheckSaid =
  | { readonly kind: "refused"; readonly status: 400 | 422; readonly problems: readonly Problem[] }
  | { readonly kind: "piece"; readonly text: string }
  | { readonly kind: "end" };

function* work({ bytes, request }: CheckWork): Generator<CheckSaid> {
  const text = textOfBytes(bytes);
  if (!text.ok) return yield { kind: "refused", status: 400, problems: text.problems };
  const value = readJson(text.value);
  if (!value.ok) return yield { kind: "refused", status: 400, problems: value.problems };
  const layout = parseLayout(value.value);
  if (!layout.ok) return yield { kind: "refused", status: 422, problems: layout.problems };
  const screens = screensOfRequest(layout.value, request);
  if (!screens.ok) return yield { kind: "refused", status: 400, problems: screens.problems };
  const view = viewOfRequest(layout.value, request);
  if (!view.ok) return yield { kind: "refused", status: 400, problems: view.problems };
  const players = checkedPlayers(layout.value, view.value, request.allPlayers);
  const results = checkScreens(layout.value, screens.value, players);
  if (request.format === "ndjson") {
    for (const result of results) yield { kind: "piece", text: `${jsonForTerminal(JSON.stringify(result))}\n` };
  } else {
    const report = { file: "layout.nodulum.json", layout: layout.value, results: [...results], known: () => false, failOn: request.failOn };
    yield { kind: "piece", text: reportText(request.format, report) };
  }
  yield { kind: "end" };
}

for (const said of work(workerData as CheckWork)) parentPort!.postMessage(said);
