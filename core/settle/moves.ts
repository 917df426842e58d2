/** What a settled layout changed, told control by control: how far, how much, which fields of the file, and what asked for it. */
import { byId } from "../derived/byId";
import { isUnderlay } from "../derived/underlay";
import type { FindingCode } from "../checks/finding";
import type { Control, Layout } from "../format/types";
import { HIT, LANDING, NUMBERS, numbersOn, TRAVEL, VISUAL, type Scenario } from "./scenarios";
import type { ActiveConstraint } from "./nextStep";
import type { FaceFound } from "./outcome";
import { isHeld } from "./constraints";

/** A finding on a face that asked for a move; misses: that touches meant for the control it names go astray there. */
export interface MoveReason {
  readonly code: FindingCode | "misses";
  readonly subjects: readonly string[];
  readonly face: number;
  /** Whether it was there and had to go, or would have come. */
  readonly wanted: boolean;
}

/** A length in the file that has changed. */
export interface LengthChange {
  readonly path: string;
  readonly was: string;
  readonly is: string;
}

/** What became of one control. Lengths in mm, means over the faces it is on, as the right hand sees them. */
export interface SettledMove {
  readonly id: string;
  readonly right: number;
  readonly down: number;
  /** The longest way on any face. */
  readonly farthest: number;
  readonly wider: number;
  readonly higher: number;
  readonly hitWider: number;
  readonly hitHigher: number;
  readonly travelLonger: number;
  readonly landingChanged: boolean;
  /** Whether it is drawn above ground that lay above it. */
  readonly raised: boolean;
  /** Actions that its wires name otherwise. */
  readonly words: readonly { readonly was: string; readonly is: string }[];
  readonly fields: readonly LengthChange[];
  /** What pressed most, first. */
  readonly reasons: readonly MoveReason[];
}

/** What has moved less than this, mm, on every face, has not. */
const STILL_MM = 0.0005;
/** So many reasons are reported. */
const MOST_REASONS = 3;

/** What asked for the moves: the findings that were to go, and the wishes that held the second version where it is. */
export interface MoveReasons {
  readonly asked: readonly FaceFound[];
  readonly pressing: readonly ActiveConstraint[];
  /** Controls that were to be missed less, and the face each was missed worst on. */
  readonly missed?: ReadonlyMap<string, number>;
}

/** The moves from one version of a layout to another, in the order of the file. */
export function movesBetween(before: Layout, after: Layout, faces: readonly Scenario[], asking: MoveReasons): SettledMove[] {
  const oldPlaces = placesOf(before);
  const newPlaces = placesOf(after);
  const was = faces.map((face) => numbersOn(before, face, oldPlaces));
  const is = faces.map((face) => numbersOn(after, face, newPlaces));
  const changed = byId(after.controls);
  return before.controls.flatMap((control) => {
    const next = changed.get(control.id)!;
    const [from, to] = [oldPlaces.get(control.id)! * NUMBERS, newPlaces.get(control.id)! * NUMBERS];
    const there = faces.flatMap((face, f) =>
      Number.isNaN(was[f][from]) ? [] : [{ face, old: was[f].subarray(from, from + NUMBERS), now: is[f].subarray(to, to + NUMBERS) }],
    );
    const mean = (change: (one: (typeof there)[number]) => number) => there.reduce((sum, one) => sum + change(one), 0) / Math.max(1, there.length);
    const by = (number: number) => mean(({ old, now }) => now[number] - old[number]);
    const way = ({ old, now, face }: (typeof there)[number]) => {
      const x = now[VISUAL] + now[VISUAL + 2] / 2 - old[VISUAL] - old[VISUAL + 2] / 2;
      return { x: face.mirrored ? -x : x, y: now[VISUAL + 1] + now[VISUAL + 3] / 2 - old[VISUAL + 1] - old[VISUAL + 3] / 2 };
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
      reasons: reasonsFor(control.id, to, asking, raised),
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

/** Why a control moved: what lay on it, then the wishes that speak of it or of its numbers (which begin at a place), those that press most first; where none presses any more, what was to go from it. */
function reasonsFor(id: string, at: number, { asked, pressing, missed = new Map() }: MoveReasons, raised: boolean): MoveReason[] {
  const own = asked
    .filter(({ finding }) => finding.subjects.includes(id))
    .map(({ face, finding: { code, subjects } }): MoveReason => ({ code, subjects, face, wanted: true }));
  const speaks = pressing.filter(({ wish }) => wish.subjects.includes(id) || wish.terms.some(([n]) => n >= at && n < at + NUMBERS));
  const sorted = [...speaks].sort((a, b) => Number(b.wish.wanted) - Number(a.wish.wanted) || b.multiplier - a.multiplier);
  const wishes = sorted.flatMap(({ wish: { code, subjects, face, wanted } }) => (isHeld(code) ? [] : [{ code, subjects, face, wanted }]));
  // Its own misses are a reason to move; those of others where nothing else is.
  const misses = [...missed].map(([meant, face]): MoveReason => ({ code: "misses", subjects: [meant], face, wanted: true }));
  const mine = misses.filter(({ subjects }) => subjects[0] === id);
  // Where all that presses is what holds it, what was to go from it is reported before that.
  const told = wishes.some(({ wanted }) => wanted) ? wishes : [...own.slice(0, 1), ...wishes];
  const found = [...own.filter(({ code }) => raised && code === "touch/buried"), ...mine, ...(wishes.length > 0 || raised ? told : own)];
  const all = found.length > 0 ? found : misses;
  const word = ({ code, subjects }: MoveReason) => `${code} ${subjects.join(" ")}`;
  return all.filter((one, i) => all.findIndex((other) => word(other) === word(one)) === i).slice(0, MOST_REASONS);
}

/** The lengths of a control, of the cluster it is in, and of what arrangements change about either, that have changed. */
function fieldChanges(before: Layout, after: Layout, id: string): LengthChange[] {
  const changes: LengthChange[] = [];
  const compare = (path: string, was: unknown, is: unknown): void => {
    if (typeof was === "string" && typeof is === "string") {
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
