/** The changes of a settled layout, control by control: how far, how much, which fields of the file, and why. */
import { byId } from "../derived/byId";
import { isUnderlay } from "../derived/underlay";
import type { FindingCode } from "../checks/finding";
import type { Control, Layout } from "../format/types";
import { HIT, LANDING, NUMBERS, numbersOn, TRAVEL, VISUAL, type Scenario } from "./problem/scenarios";
import type { ActiveConstraint } from "./step";
import type { ScenarioFinding } from "./verify";
import { isFixedRelation } from "./constraints/constraint";

/** A reason for a move: a finding in a scenario, or (misses) that touches meant for the control it names miss it there. */
export interface MoveReason {
  readonly code: FindingCode | "misses";
  readonly subjects: readonly string[];
  readonly scenario: number;
  /** Whether it was requested to go; else the move avoids it. */
  readonly requested: boolean;
}

/** A changed length in the file. */
export interface LengthChange {
  readonly path: string;
  readonly was: string;
  readonly is: string;
}

/** The changes of one control. Lengths in mm, means over the scenarios it is in, for the right hand. */
export interface SettledMove {
  readonly id: string;
  readonly right: number;
  readonly down: number;
  /** The longest movement in any scenario. */
  readonly farthest: number;
  readonly wider: number;
  readonly higher: number;
  readonly hitWider: number;
  readonly hitHigher: number;
  readonly travelLonger: number;
  readonly landingChanged: boolean;
  /** Whether it is now drawn above ground that covered it. */
  readonly raised: boolean;
  /** Corrected action names of its wires. */
  readonly words: readonly { readonly was: string; readonly is: string }[];
  readonly fields: readonly LengthChange[];
  /** Most active first. */
  readonly reasons: readonly MoveReason[];
}

/** Smaller changes in every scenario are none, mm. */
const STILL_MM = 0.0005;
/** The number of reasons that are reported. */
const MOST_REASONS = 3;

/** The causes of the moves: the requested findings, and the active constraints of the second version. */
export interface MoveReasons {
  readonly requested: readonly ScenarioFinding[];
  readonly active: readonly ActiveConstraint[];
  /** Controls whose misses were reduced, and the scenario in which each was missed most. */
  readonly missed?: ReadonlyMap<string, number>;
}

/** The moves from one version of a layout to another, in the order of the file. */
export function movesBetween(before: Layout, after: Layout, scenarios: readonly Scenario[], causes: MoveReasons): SettledMove[] {
  const oldPlaces = placesOf(before);
  const newPlaces = placesOf(after);
  const was = scenarios.map((scenario) => numbersOn(before, scenario, oldPlaces));
  const is = scenarios.map((scenario) => numbersOn(after, scenario, newPlaces));
  const changed = byId(after.controls);
  return before.controls.flatMap((control) => {
    const next = changed.get(control.id)!;
    const [from, to] = [oldPlaces.get(control.id)! * NUMBERS, newPlaces.get(control.id)! * NUMBERS];
    const there = scenarios.flatMap((scenario, f) =>
      Number.isNaN(was[f][from]) ? [] : [{ scenario, old: was[f].subarray(from, from + NUMBERS), now: is[f].subarray(to, to + NUMBERS) }],
    );
    const mean = (change: (one: (typeof there)[number]) => number) => there.reduce((sum, one) => sum + change(one), 0) / Math.max(1, there.length);
    const by = (number: number) => mean(({ old, now }) => now[number] - old[number]);
    const way = ({ old, now, scenario }: (typeof there)[number]) => {
      const x = now[VISUAL] + now[VISUAL + 2] / 2 - old[VISUAL] - old[VISUAL + 2] / 2;
      return { x: scenario.mirrored ? -x : x, y: now[VISUAL + 1] + now[VISUAL + 3] / 2 - old[VISUAL + 1] - old[VISUAL + 3] / 2 };
    };
    const raised = underlayAbove(before, control).some((id) => !underlayAbove(after, next).includes(id));
    const most = there.reduce((max, one) => Math.max(max, ...one.now.map((n, k) => Math.abs(n - one.old[k]) || 0)), 0);
    const words = control.serves.flatMap(({ action: was }, i) => (next.serves[i]?.action === was ? [] : [{ was, is: next.serves[i]?.action ?? "" }]));
    if (most < STILL_MM && !raised && words.length === 0) return [];
    const move: SettledMove = {
      id: control.id,
      right: mean((one) => way(one).x),
      down: mean((one) => way(one).y),
      farthest: there.reduce((max, one) => Math.max(max, Math.hypot(way(one).x, way(one).y)), 0),
      wider: by(VISUAL + 2),
      higher: by(VISUAL + 3),
      hitWider: by(HIT + 2),
      hitHigher: by(HIT + 3),
      travelLonger: control.kind === "stick" ? by(TRAVEL) : 0,
      landingChanged: there.some(({ old, now }) => [0, 1, 2, 3].some((k) => Math.abs(now[LANDING + k] - old[LANDING + k]) > STILL_MM)),
      raised,
      words,
      fields: fieldChanges(before, after, control.id),
      reasons: reasonsFor(control.id, to, causes, raised),
    };
    return [move];
  });
}

const placesOf = ({ controls }: Layout): ReadonlyMap<string, number> => new Map(controls.map(({ id }, i) => [id, i]));

/** The ground drawn above a control. */
function underlayAbove({ controls }: Layout, control: Control): string[] {
  const at = controls.findIndex(({ id }) => id === control.id);
  return isUnderlay(control) ? [] : controls.slice(at + 1).flatMap((c) => (isUnderlay(c) ? [c.id] : []));
}

/**
 * Why a control moved: what covered it; then the active constraints about it or its numbers (which begin at a place), most active first. If none
 * is active any more, what was requested of it.
 */
function reasonsFor(id: string, at: number, { requested, active, missed = new Map() }: MoveReasons, raised: boolean): MoveReason[] {
  const own = requested
    .filter(({ finding }) => finding.subjects.includes(id))
    .map(({ scenario, finding: { code, subjects } }): MoveReason => ({ code, subjects, scenario, requested: true }));
  const about = active.filter(({ constraint }) => constraint.subjects.includes(id) || constraint.terms.some(([n]) => n >= at && n < at + NUMBERS));
  const sorted = [...about].sort((a, b) => Number(b.constraint.requested) - Number(a.constraint.requested) || b.multiplier - a.multiplier);
  const constraints = sorted.flatMap(({ constraint }): MoveReason[] => {
    const { code, subjects, scenario, requested: isRequested } = constraint;
    return isFixedRelation(code) ? [] : [{ code, subjects, scenario, requested: isRequested }];
  });
  // Its own misses are a reason to move; those of others only if there is no other reason.
  const misses = [...missed].map(([meant, scenario]): MoveReason => ({ code: "misses", subjects: [meant], scenario, requested: true }));
  const mine = misses.filter(({ subjects }) => subjects[0] === id);
  // If only limits are active, what was requested of it comes first.
  const told = constraints.some((one) => one.requested) ? constraints : [...own.slice(0, 1), ...constraints];
  const found = [...own.filter(({ code }) => raised && code === "touch/buried"), ...mine, ...(constraints.length > 0 || raised ? told : own)];
  const all = found.length > 0 ? found : misses;
  const key = ({ code, subjects }: MoveReason) => `${code} ${subjects.join(" ")}`;
  return all.filter((one, i) => all.findIndex((other) => key(other) === key(one)) === i).slice(0, MOST_REASONS);
}

/** The changed lengths of a control, of its cluster, and of the overrides of both in arrangements. */
function fieldChanges(before: Layout, after: Layout, id: string): LengthChange[] {
  const changes: LengthChange[] = [];
  const compare = (path: string, was: unknown, is: unknown): void => {
    if (path.endsWith(".minMm") && was !== is) changes.push({ path, was: `${String(was)}mm`, is: `${String(is)}mm` });
    else if (typeof was === "string" && typeof is === "string") {
      if (was !== is) changes.push({ path, was, is });
    } else if (typeof was === "object" && was !== null && typeof is === "object" && is !== null && was !== is)
      for (const key of Object.keys(was))
        compare(Array.isArray(was) ? `${path}[${key}]` : `${path}.${key}`, (was as Record<string, unknown>)[key], (is as Record<string, unknown>)[key]);
  };
  compare(`controls[${before.controls.findIndex((c) => c.id === id)}]`, byId(before.controls).get(id), byId(after.controls).get(id));
  const { frame } = byId(before.controls).get(id)!.placement;
  const home = typeof frame === "object" ? frame.cluster : null;
  if (home !== null) compare(`clusters[${before.clusters.findIndex((c) => c.id === home)}]`, byId(before.clusters).get(home), byId(after.clusters).get(home));
  before.arrangements.forEach((arrangement, i) => {
    for (const one of home === null ? [id] : [id, home])
      compare(`arrangements[${i}].overrides.${one}`, arrangement.overrides[one], after.arrangements[i].overrides[one]);
  });
  return changes;
}
