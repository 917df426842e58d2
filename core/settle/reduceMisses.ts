/**
 * Reduces misses after the findings, within an allowed change. The miss rate of the worst control has a
 * slope in every variable that moves it or a control that takes its touches. A step goes down that slope as far as the
 * constraints allow (attempt.ts). It is kept if the checks find nothing worse and no other control is missed more.
 */
import { missesOn } from "../checks/misses";
import { resolvedOn } from "../derived/resolved";
import type { Layout } from "../format/types";
import type { Scenario } from "./problem/scenarios";
import type { MissChange, MissRate, SettleProgress } from "./result";
import type { Attempt } from "./attempt";
import { withValues } from "./problem/variables";

/** The worst miss rate of each control, by id; controls that no touch is meant for have none. */
export type MissRates = ReadonlyMap<string, MissRate>;

/** The result. `movedFor`: by control that is missed less, the scenario in which it is missed most. */
export interface Lowered {
  readonly layout: Layout;
  readonly movedFor: ReadonlyMap<string, number>;
}

/** Rates below this are not reduced: one touch in two hundred. */
const SELDOM = 0.005;
/** The least gain of a step, as a fraction of all touches. */
const FELT = 0.0005;
/** The first step down a slope, mm, and the shortest. */
const STEP_MM = { first: 1, last: 0.2 };
/** The step of a difference quotient, mm. */
const PROBE_MM = 0.3;
/** Variables with a slope below this fraction of the steepest one do not change. */
const STEEP = 0.05;
/** The number of steps that are tried. */
const MOST_STEPS = 40;

/** The moments that show different controls; null for a layout without moments. */
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

/** The worst miss rate of each control. `only`: of these. */
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

/** The change of each control's rate, the worst rate before first. */
export function missChanges(before: MissRates, after: MissRates): readonly MissChange[] {
  const all = [...before].flatMap(([id, was]) => {
    const is = after.get(id);
    return is ? [{ id, before: was, after: is }] : [];
  });
  return all.sort((a, b) => b.before.rate - a.before.rate);
}

/** A version on the way. */
interface Standing {
  readonly values: Float64Array;
  readonly layout: Layout;
  readonly rates: MissRates;
}

/** Reduces the worst misses of an attempt's layout; the attempt has no requests, so that all constraints only keep holding. */
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

/** One step down the slope of a control's misses; null if it gains nothing, or if another control is missed more. */
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

/** The slope of a control's miss rate in a scenario for each variable, per mm; 0 for variables that move neither it nor a control that takes its touches. */
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
