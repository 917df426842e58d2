/**
 * Missed less: once nothing more can be taken away, what is missed worst is missed less, within a change that is allowed. The part of the touches
 * that go astray has a slope in every variable that moves the control or whoever takes its touches; a step is made down that slope, as far as all
 * that has to stay allows (attempt.ts), and kept where the checks find nothing worse and nobody else is missed more than the one it is made for.
 */
import { missesOn } from "../checks/misses";
import { resolvedOn } from "../derived/resolved";
import type { Layout } from "../format/types";
import type { Scenario } from "./problem/scenarios";
import type { MissChange, MissRate, SettleProgress } from "./result";
import type { Attempt } from "./attempt";
import { withValues } from "./problem/variables";

/** How each control is missed at its worst, by its id; controls that no touch is meant for have none. */
export type MissRates = ReadonlyMap<string, MissRate>;

/** What came of it. `movedFor`: by the control that is missed less, the scenario in which it is missed most. */
export interface Lowered {
  readonly layout: Layout;
  readonly movedFor: ReadonlyMap<string, number>;
}

/** What is missed less often than this is missed seldom enough: one touch in two hundred. */
const SELDOM = 0.005;
/** A step has to gain so much, as a part of all touches. */
const FELT = 0.0005;
/** The first step down a slope, mm, and the shortest. */
const STEP_MM = { first: 1, last: 0.2 };
/** A variable is changed so much to learn its slope, mm. */
const PROBE_MM = 0.3;
/** A variable whose slope is less than this part of the steepest stays. */
const STEEP = 0.05;
/** So many steps are tried. */
const MOST_STEPS = 40;

/** The moments in which different controls show: each with what is looked at. A layout without moments has the one that is null. */
function momentsOf(layout: Layout, moment: string | null): readonly (string | null)[] {
  if (layout.moments.length === 0) return [null];
  const seen = new Set<string>();
  return layout.moments.flatMap(({ id }) => {
    const shown = layout.controls.flatMap((c) => (c.moments.includes(id) ? [c.id] : [])).join("\n");
    if ((moment !== null && moment !== id) || seen.has(shown)) return [];
    seen.add(shown);
    return [id];
  });
}

/** How each control is missed at its worst. `only`: these alone. */
export function missRates(layout: Layout, scenarios: readonly Scenario[], moment: string | null, only?: ReadonlySet<string>): MissRates {
  const worst = new Map<string, MissRate>();
  const moments = momentsOf(layout, moment);
  scenarios.forEach((scenario, index) => {
    const resolved = resolvedOn(layout, scenario.screen, scenario.view);
    for (const at of moments)
      for (const { id, hit } of missesOn(layout, resolved, { handed: scenario.player.handed, moment: at }, only))
        if (1 - hit > (worst.get(id)?.rate ?? -1)) worst.set(id, { rate: 1 - hit, scenario: index, moment: at });
  });
  return worst;
}

/** What became of each control, the worst before first. */
export function missChanges(before: MissRates, after: MissRates): readonly MissChange[] {
  const all = [...before].flatMap(([id, was]) => {
    const is = after.get(id);
    return is ? [{ id, before: was, after: is }] : [];
  });
  return all.sort((a, b) => b.before.rate - a.before.rate);
}

/** Where a descent of misses is. */
interface Standing {
  readonly values: Float64Array;
  readonly layout: Layout;
  readonly rates: MissRates;
}

/** Lowers the worst misses of the layout that a run of Settle is about; `attempt` has no requests: everything only keeps holding. */
export function* reduceMissesSteps(
  attempt: Attempt,
  scenarios: readonly Scenario[],
  { moment, remaining }: { readonly moment: string | null; readonly remaining: number },
): Generator<SettleProgress, Lowered, void> {
  const { layout } = attempt.motion;
  let here: Standing = { values: new Float64Array(attempt.motion.variables.length), layout, rates: missRates(layout, scenarios, moment) };
  const frozen = new Set<string>();
  const movedFor = new Map<string, number>();
  let step = STEP_MM.first;
  for (let tries = 0; tries < MOST_STEPS; tries += 1) {
    const worst = [...here.rates].filter(([id, { rate }]) => !frozen.has(id) && rate > SELDOM).sort(([, a], [, b]) => b.rate - a.rate)[0];
    if (!worst) break;
    const [id, rate] = worst;
    yield { doing: "reducing misses", remaining, programs: attempt.programs, missed: rate.rate };
    const next = stepDown(attempt, { here, id, rate, step }, scenarios, moment);
    if (next) {
      movedFor.set(id, movedFor.get(id) ?? rate.scenario);
      here = next;
      step = STEP_MM.first;
    } else if (step / 2 >= STEP_MM.last) step /= 2;
    else {
      frozen.add(id);
      step = STEP_MM.first;
    }
  }
  return { layout: here.layout, movedFor };
}

interface Down {
  readonly here: Standing;
  readonly id: string;
  readonly rate: MissRate;
  readonly step: number;
}

/** One step down the slope of a control's misses; null where nothing is gained by it, or somebody else would lose by it. */
function stepDown(attempt: Attempt, { here, id, rate, step }: Down, scenarios: readonly Scenario[], moment: string | null): Standing | null {
  const slopes = slopesOf(attempt, here.values, id, { scenario: scenarios[rate.scenario], moment: rate.moment, rate: rate.rate });
  const steepest = slopes.reduce((most, slope) => Math.max(most, Math.abs(slope)), 0);
  if (!(steepest > 0)) return null;
  const { variables } = attempt.motion;
  const target = here.values.map((value, v) => {
    const slope = Math.abs(slopes[v]) < STEEP * steepest ? 0 : slopes[v];
    return Math.min(variables[v].high, Math.max(variables[v].low, value - (step * slope) / steepest));
  });
  if (target.every((value, v) => value === here.values[v])) return null;
  const near = attempt.nearTo(target);
  if (!near) return null;
  const own = missRates(near.layout, scenarios, moment, new Set([id])).get(id);
  if (!own || own.rate > rate.rate - FELT) return null;
  const rates = missRates(near.layout, scenarios, moment);
  const isWorse = [...rates].some(([other, now]) => now.rate > Math.max(here.rates.get(other)?.rate ?? 1, own.rate) + FELT);
  return isWorse ? null : { values: near.values, layout: near.layout, rates };
}

/** How a control's misses in a scenario change with each variable, by a mm of it. Only what moves it, or whoever is drawn there, has a slope. */
function slopesOf(
  attempt: Attempt,
  values: Float64Array,
  id: string,
  { scenario, moment, rate }: { readonly scenario: Scenario; readonly moment: string | null; readonly rate: number },
): Float64Array {
  const { motion } = attempt;
  const only = new Set([id]);
  const missed = (layout: Layout) => {
    const resolved = resolvedOn(layout, scenario.screen, scenario.view);
    return missesOn(layout, resolved, { handed: scenario.player.handed, moment }, only)[0];
  };
  const now = missed(withValues(motion.layout, motion.variables, values, false));
  const concerned = new Set([id, ...Object.keys(now?.taken ?? {})].flatMap((one) => motion.places.get(one) ?? []));
  return Float64Array.from(motion.variables, ({ high, kind }, v) => {
    if (kind === "travel" || !motion.moved[v].some((c) => concerned.has(c))) return 0;
    const probe = values[v] + PROBE_MM <= high ? PROBE_MM : -PROBE_MM;
    const changed = values.slice();
    changed[v] += probe;
    const there = missed(withValues(motion.layout, motion.variables, changed, false));
    return there ? (1 - there.hit - rate) / probe : 0;
  });
}
