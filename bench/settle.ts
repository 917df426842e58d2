/** How well and how fast Settle settles: the first draft of Brackwater, and layouts that a careless hand has spoiled. */
import { catalogueFor } from "../core/checks/catalogue";
import { changesOf } from "../core/checks/findingChanges";
import { bareFindings } from "../core/checks/check";
import { settle } from "../core/settle/settle";
import type { SettleResult } from "../core/settle/result";
import type { SettleRequest } from "../core/settle/request";
import { leastByRandomSearch } from "../test/randomSearch";
import { fixedCases } from "./settleCases";
import { sampleLayouts } from "../test/samples";
import { BOTH_HANDS, countAsked, requestFor, spoiledLayout, type Size } from "../test/spoiled";

/** So many spoiled layouts, of which this many are held against the search. */
const LAYOUTS = 200;
const SEARCHED = 40;
const SMALL: Size = { controls: 9, screens: 6, moments: 1 };

const seconds = (ms: number) => `${(ms / 1000).toFixed(2)} s`;
const median = (list: readonly number[]) => [...list].sort((a, b) => a - b)[Math.floor(list.length / 2)];

/** How many findings a settled layout has that are new or worse, by the checks alone. */
function worseIn({ layout, screens, faces, moment }: SettleRequest, settled: SettleResult): number {
  let worse = 0;
  for (const screen of screens)
    for (const face of faces) {
      const [was, is] = [layout, settled.layout].map((one) => bareFindings(one, screen, { ...face, moment }));
      worse += changesOf(was, is).filter(({ kind }) => kind === "new" || kind === "worse").length;
    }
  return worse;
}

function* spoiled(from: number, size: Size): Generator<SettleRequest> {
  for (let seed = from; ; seed += 1) {
    const one = spoiledLayout(seed, size);
    if (one && countAsked(one.request) > 0) yield one.request;
  }
}

function take(many: Generator<SettleRequest>, most: number): SettleRequest[] {
  return Array.from({ length: most }, () => many.next().value as SettleRequest);
}

function timed(request: SettleRequest): { readonly settled: SettleResult; readonly ms: number } {
  const began = performance.now();
  const settled = settle(request);
  return { settled, ms: performance.now() - began };
}

const requests = take(spoiled(1, SMALL), LAYOUTS);
const results = requests.map((request) => ({ request, ...timed(request) }));
const whole = results.filter(({ settled }) => settled.kind === "settled");
const worse = results.reduce((sum, { request, settled }) => sum + worseIn(request, settled), 0);
console.log(
  `settle: of ${LAYOUTS} spoiled layouts (up to ${SMALL.controls} controls, ${SMALL.screens} screens, both hands) ${whole.length} mended whole, ${worse} findings made worse anywhere; ${seconds(median(results.map(({ ms }) => ms)))} each (median), ${seconds(Math.max(...results.map(({ ms }) => ms)))} at the most`,
);

const ratios = whole
  .slice(0, SEARCHED)
  .map(({ request, settled }, i) => settled.price / leastByRandomSearch(request, { seed: i + 1, throws: 250, steps: 400 }));
const within = ratios.filter((ratio) => ratio <= 1.05).length;
const found = ratios.filter((ratio) => ratio > 0);
console.log(
  `  the change against the least that a random search of 250 throws finds: within 5 % in ${within} of ${ratios.length} (aim nine of ten); the search found something in ${found.length}, and there the change is ${median(found).toFixed(3)} of its (median), ${Math.max(...found).toFixed(3)} at the most`,
);

console.log("  ten fixed cases, change against the best known:");
for (const { name, request, best } of fixedCases()) {
  const { settled, ms } = timed(request);
  const against = (measure: "cost" | "price") => `${measure} ${settled[measure].toFixed(3)} mm² (${(settled[measure] / best[measure]).toFixed(3)} of the best)`;
  console.log(`    ${name}: ${settled.remaining.length} left, ${against("cost")}, ${against("price")}; ${seconds(ms)}`);
}

for (const [size, aim] of [
  [{ controls: 20, screens: 24, moments: 3 }, 3],
  [{ controls: 60, screens: 24, moments: 8 }, 20],
] as const) {
  const times = take(spoiled(100, size), 6).map((request) => timed(request).ms);
  console.log(
    `  ${size.controls} controls, 24 screens, both hands: ${seconds(median(times))} (median of 6), ${seconds(Math.max(...times))} at the most (aim ${aim} s)`,
  );
}

const draft = sampleLayouts()[2];
for (const [words, faces] of [
  ["right hand", [BOTH_HANDS[0]]],
  ["both hands", BOTH_HANDS],
] as const) {
  const { settled, ms } = timed(requestFor(draft, catalogueFor("landscape"), faces));
  console.log(
    `  Brackwater, first draft, 24 screens, ${words}: ${settled.requested.length} findings, ${settled.remaining.length} left (${settled.remaining.filter(({ finding }) => finding.severity === "blocker").length} blockers), ${settled.unsolved.filter(({ proved }) => proved).length} of ${settled.unsolved.length} proved to have no way; ${seconds(ms)}`,
  );
}
