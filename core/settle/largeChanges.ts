/** Changes that a person would hesitate to make: each in one sentence, with what can be done instead. */
import type { Layout } from "../format/types";
import type { SettledMove } from "./moves";
import { ARRANGED_MM, gapDifference, middle, offLine, relationsIn } from "./problem/relations";
import { isShownWith } from "./problem/scenarioData";
import { NUMBERS, numbersOn, VISUAL, type Scenario } from "./problem/scenarios";
import { findingKey } from "./problem/targets";
import type { SettleRequest } from "./request";
import { idNames, scenarioName } from "./scenarioName";
import type { Suggestion } from "./suggest/suggest";
import type { ScenarioFinding } from "./verify";

/** A longer move is large, mm; */
const FAR_MM = 10;
/** and so is a side that changes by more than this fraction. */
const MUCH = 0.2;
/** What counts as rounding when relations are compared, mm. */
const ROUNDING_MM = 0.01;

/** A large change. `ids`: the controls that it is about. */
export interface LargeChange {
  readonly kind: "move" | "size" | "row" | "gaps";
  readonly ids: readonly string[];
  /** One sentence. */
  readonly text: string;
  /** What can be done instead: an arrangement for the screens that ask for the change, or accepting the findings that do. */
  readonly suggestions: readonly Suggestion[];
}

/** A change in words. */
type Told = Omit<LargeChange, "suggestions">;
/** What of a result is needed. */
interface Settled {
  readonly layout: Layout;
  readonly scenarios: readonly Scenario[];
  readonly requested: readonly ScenarioFinding[];
  readonly moves: readonly SettledMove[];
}

/** Where everything was and is, scenario by scenario. */
interface Positions {
  readonly was: readonly Float64Array[];
  readonly is: readonly Float64Array[];
  readonly indexes: ReadonlyMap<string, number>;
}

/** The large changes of a result: moves and sizes in the order of the file, then rows and gaps. */
export function largeChangesOf(request: SettleRequest, settled: Settled): LargeChange[] {
  const indexes = new Map(request.layout.controls.map(({ id }, i) => [id, i]));
  const [was, is] = [request.layout, settled.layout].map((layout) => {
    const places = new Map(layout.controls.map(({ id }) => [id, indexes.get(id)!]));
    return settled.scenarios.map((scenario) => numbersOn(layout, scenario, places));
  });
  const at = { was, is, indexes };
  const all = [...settled.moves.flatMap((move) => [...farMove(settled, move, at), ...muchSize(move, at)]), ...brokenRelations(request, at)];
  return all.map((told) => ({ ...told, suggestions: suggestionsInstead(request, settled, told) }));
}

function farMove({ scenarios }: Settled, { id, farthest }: SettledMove, { was, is, indexes }: Positions): Told[] {
  if (farthest <= FAR_MM) return [];
  const control = indexes.get(id)!;
  const far = scenarios.map((_, f) => Math.hypot(...([0, 1] as const).map((axis) => middle(is[f], control, axis) - middle(was[f], control, axis))) || 0);
  const where = scenarios[far.indexOf(Math.max(...far))];
  return [{ kind: "move", ids: [id], text: `\`${id}\` moves ${farthest.toFixed(1)} mm on ${scenarioName(where)}` }];
}

function muchSize({ id }: SettledMove, { was, is, indexes }: Positions): Told[] {
  const at = indexes.get(id)! * NUMBERS + VISUAL;
  const parts = was.flatMap((line, f) => [2, 3].map((side) => is[f][at + side] / line[at + side] - 1)).filter(Number.isFinite);
  const most = parts.reduce((a, b) => (Math.abs(b) > Math.abs(a) ? b : a), 0);
  if (Math.abs(most) <= MUCH) return [];
  return [{ kind: "size", ids: [id], text: `\`${id}\` becomes ${Math.round(Math.abs(most) * 100)} % ${most > 0 ? "larger" : "smaller"}` }];
}

/** The rows, columns and equal gaps that are none any more. */
function brokenRelations(request: SettleRequest, { was, is }: Positions): Told[] {
  const { controls } = request.layout;
  const { rows, gaps } = relationsIn(request.layout, was, (a, b) => isShownWith(request, controls[a], controls[b]));
  const isBroken = (measure: (line: Float64Array) => number) => is.some((line) => Math.abs(measure(line)) > ARRANGED_MM + ROUNDING_MM);
  const idsOf = (places: readonly number[]) => places.map((place) => controls[place].id);
  return [
    ...rows
      .filter((row) => isBroken((line) => offLine(line, row)))
      .map(({ pair, across }): Told => {
        const ids = idsOf(pair);
        return { kind: "row", ids, text: `${idNames(ids)} are no longer in a ${across === 1 ? "row" : "column"}` };
      }),
    ...gaps
      .filter((gap) => isBroken((line) => gapDifference(line, gap)))
      .map(({ three }): Told => {
        const ids = idsOf(three);
        return { kind: "gaps", ids, text: `the gaps between ${idNames(ids)} are no longer equal` };
      }),
  ];
}

/** The findings that ask for a change, and the screens they are on: an arrangement for those, or living with the findings. */
function suggestionsInstead(request: SettleRequest, { scenarios, requested, moves }: Settled, { ids, text }: Told): Suggestion[] {
  const reasons = moves.flatMap((move) => (ids.includes(move.id) ? move.reasons.filter((reason) => reason.requested && reason.code !== "misses") : []));
  const wanted = new Set(reasons.map(({ code, subjects }) => findingKey(code as Exclude<typeof code, "misses">, subjects)));
  const asking = requested.filter(({ finding: { code, subjects } }) => wanted.has(findingKey(code, subjects)));
  if (asking.length === 0) return [];
  const names = [...new Set(asking.map(({ scenario }) => scenarios[scenario].screen.name))];
  const findings = [...new Map(asking.map(({ finding: { code, subjects } }) => [findingKey(code, subjects), { code, subjects }])).values()];
  const accepting: Suggestion = {
    kind: "accept",
    findings,
    reason: `settling it: ${text.replaceAll("`", "")}`,
    text: `accept ${findings.map(({ code, subjects }) => `${code} of ${idNames(subjects)}`).join(" and ")}`,
    costMm2: null,
  };
  if (names.length === request.screens.length) return [accepting];
  return [{ kind: "arrangement", screens: names, text: `an arrangement for ${names.join("; ")}`, costMm2: null }, accepting];
}
