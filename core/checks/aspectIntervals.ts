/**
 * Over which aspect ratios each finding holds.
 *
 * The diagonal, the density and the insets in millimetres stay while the aspect a = W/H runs; the height is
 * diagonal·ppi/√(a²+1). Everything placed moves continuously with a but at the ends of arrangements, so the set of findings
 * changes at isolated aspects. The range is cut at the ends of arrangements; each piece is looked at in steps narrower than
 * the narrowest interval that may not be missed, and wherever two neighbouring steps differ in a finding the
 * border between them is found by bisection. Nothing is assumed of how a finding depends on the aspect: arrangement ends,
 * clamps, corners of frames and thresholds of severity all show themselves as such borders.
 */
import { LENGTH_SLACK, BORDER_ASPECT, HALF_OPEN_ASPECT } from "../engine/geometry/tolerances";
import type { Layout, Screen } from "../format/types";
import { plainScreen } from "../engine/placement/screen";
import { PLAIN_PLAYER_VIEW, type PlayerView } from "../engine/placement/resolve";
import { bareFindings } from "./check";
import { FINDING_CODES, isWorse, SEVERITIES, type BareFinding, type FindingCode, type FindingMeasure, type Severity } from "./finding";

/** What stays while the aspect runs. */
export interface AspectRange {
  readonly diagonalInches: number;
  readonly ppi: number;
  readonly from: number;
  readonly to: number;
  readonly insetsMm: { readonly left: number; readonly top: number; readonly right: number; readonly bottom: number };
}

/** A finding over aspects: closed intervals in order, the worst severity in them, the worst measure and where it is. */
export interface AspectIntervals {
  readonly code: FindingCode;
  readonly subjects: readonly string[];
  readonly moment: string | null;
  readonly severity: Severity;
  readonly intervals: readonly (readonly [number, number])[];
  readonly worst: { readonly aspect: number; readonly value: number; readonly unit: FindingMeasure["unit"] } | null;
}
/** The same with its measure along the range: aspects and values in the order of the aspects. Of what has no measure there are none. */
export interface AspectProfile extends AspectIntervals {
  readonly points: readonly (readonly [aspect: number, value: number])[];
}

/** A closed interval of 0.002 holds at least one look at this step. A finding that is gone for less than a step may be reported as one interval. */
const STEP = 0.0019;

/** The screen of an aspect; not rounded to whole px. */
export function screenAt(range: Omit<AspectRange, "from" | "to">, aspect: number): Screen {
  const heightPx = (range.diagonalInches * range.ppi) / Math.sqrt(aspect * aspect + 1);
  const mm = range.ppi / 25.4;
  const { left, top, right, bottom } = range.insetsMm;
  return {
    ...plainScreen(`aspect ${aspect.toFixed(3)}`, aspect * heightPx, heightPx, range.ppi),
    insets: { left: left * mm, top: top * mm, right: right * mm, bottom: bottom * mm },
  };
}

type Look = ReadonlyMap<string, BareFinding>;
interface Gathered {
  readonly first: BareFinding;
  severity: Severity;
  intervals: [number, number][];
  worst: { aspect: number; value: number; unit: FindingMeasure["unit"] } | null;
  points: [number, number][];
}

const keyOf = (f: BareFinding) => `${f.code}\n${f.subjects.join("\n")}\n${f.moment ?? ""}`;

/** The findings of a layout over a range of aspects, in the order of findings. */
export function findAspectIntervals(layout: Layout, range: AspectRange, playerView: PlayerView = PLAIN_PLAYER_VIEW): AspectIntervals[] {
  return gatherAspects(layout, range, playerView).map(toAspectIntervals).sort(inFindingOrder);
}

/** The same, each with its measure along the range: at every aspect that was looked at. */
export function findAspectProfiles(layout: Layout, range: AspectRange, playerView: PlayerView = PLAIN_PLAYER_VIEW): AspectProfile[] {
  return gatherAspects(layout, range, playerView)
    .map((one) => ({ ...toAspectIntervals(one), points: one.points.sort(([a], [b]) => a - b) }))
    .sort(inFindingOrder);
}

function gatherAspects(layout: Layout, range: AspectRange, playerView: PlayerView): Gathered[] {
  const lookAt = (aspect: number): Look => new Map(bareFindings(layout, screenAt(range, aspect), playerView).map((f) => [keyOf(f), f]));
  const gathered = new Map<string, Gathered>();
  const see = (look: Look, aspect: number) => {
    for (const [key, f] of look) note(gathered, key, f, aspect);
    return look;
  };
  const seen = (aspect: number) => see(lookAt(aspect), aspect);
  for (const [from, to] of pieces(layout, range)) {
    const steps = Math.max(1, Math.ceil((to - from) / STEP));
    const open = new Map<string, number>();
    let before = seen(from);
    let at = from;
    for (const key of before.keys()) open.set(key, from);
    for (let i = 1; i <= steps; i += 1) {
      const next = i === steps ? to : from + ((to - from) * i) / steps;
      const look = seen(next);
      for (const border of borders({ look: before, aspect: at }, { look, aspect: next }, seen)) {
        if (border.begins) open.set(border.key, border.aspect);
        else {
          gathered.get(border.key)!.intervals.push([open.get(border.key)!, border.aspect]);
          open.delete(border.key);
        }
      }
      before = look;
      at = next;
    }
    for (const [key, start] of open) gathered.get(key)!.intervals.push([start, to]);
  }
  return [...gathered.values()];
}

/** The range cut where arrangements begin and end, a hair to each side, for they are half-open. */
function pieces(layout: Layout, range: AspectRange): [number, number][] {
  const cuts = new Set<number>();
  const shortSide = (aspect: number) => (range.diagonalInches * 25.4 * Math.min(1, aspect)) / Math.sqrt(aspect * aspect + 1);
  for (const { when } of layout.arrangements) {
    for (const cut of [when.aspect?.min, when.aspect?.max]) if (cut !== undefined) cuts.add(cut);
    for (const mm of [when.shortSideMm?.min, when.shortSideMm?.max]) {
      if (mm === undefined) continue;
      // shortSide rises up to a = 1 and falls after it: at most one crossing to each side.
      for (const [low, high] of [
        [range.from, Math.min(1, range.to)],
        [Math.max(1, range.from), range.to],
      ] as const) {
        if (low >= high || (shortSide(low) - mm) * (shortSide(high) - mm) > 0) continue;
        let [a, b] = [low, high];
        for (let i = 0; i < 60; i += 1) {
          const middle = (a + b) / 2;
          if ((shortSide(a) - mm) * (shortSide(middle) - mm) <= 0) b = middle;
          else a = middle;
        }
        cuts.add((a + b) / 2);
      }
    }
  }
  // An arrangement's end counts as reached within 1e-9 (a slack of lengths), so a piece ends well before it.
  const inside = [...cuts].filter((c) => c > range.from && c < range.to).sort((x, y) => x - y);
  const starts = [range.from, ...inside];
  const ends = [...inside.map((c) => c - HALF_OPEN_ASPECT), range.to];
  return starts.map((start, i) => [Math.min(start + (i === 0 ? 0 : LENGTH_SLACK), ends[i]), ends[i]]);
}

interface Border {
  readonly key: string;
  readonly begins: boolean;
  readonly aspect: number;
}

/** A look at the findings at one aspect. */
interface Seen {
  readonly look: Look;
  readonly aspect: number;
}

/** Where findings begin or end between two looks, in order. The looks on the way are shared by all of them. */
function borders(first: Seen, last: Seen, lookAt: (aspect: number) => Look): Border[] {
  const { look: before, aspect: from } = first;
  const { look: after, aspect: to } = last;
  const changed = new Set<string>();
  for (const key of before.keys()) if (!after.has(key)) changed.add(key);
  for (const key of after.keys()) if (!before.has(key)) changed.add(key);
  if (changed.size === 0) return [];
  if (to - from <= BORDER_ASPECT) return [...changed].map((key) => ({ key, begins: after.has(key), aspect: after.has(key) ? to : from }));
  const aspect = (from + to) / 2;
  const middle = { look: lookAt(aspect), aspect };
  return [...borders(first, middle, lookAt), ...borders(middle, last, lookAt)];
}

function note(gathered: Map<string, Gathered>, key: string, f: BareFinding, aspect: number): void {
  let entry = gathered.get(key);
  if (!entry) gathered.set(key, (entry = { first: f, severity: f.severity, intervals: [], worst: null, points: [] }));
  if (SEVERITIES.indexOf(f.severity) < SEVERITIES.indexOf(entry.severity)) entry.severity = f.severity;
  if (!f.measure) return;
  entry.points.push([aspect, f.measure.value]);
  if (entry.worst === null || isWorse(f.code, f.measure, entry.worst)) entry.worst = { aspect, value: f.measure.value, unit: f.measure.unit };
}

/** Intervals that meet at the end of an arrangement are one. */
function toAspectIntervals({ first, severity, intervals, worst }: Gathered): AspectIntervals {
  const joined: [number, number][] = [];
  for (const [from, to] of intervals) {
    const last = joined[joined.length - 1];
    if (last && from - last[1] <= 2 * HALF_OPEN_ASPECT) last[1] = to;
    else joined.push([from, to]);
  }
  return { code: first.code, subjects: first.subjects, moment: first.moment, severity, intervals: joined, worst };
}

function inFindingOrder(a: AspectIntervals, b: AspectIntervals): number {
  return (
    SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity) ||
    FINDING_CODES.indexOf(a.code) - FINDING_CODES.indexOf(b.code) ||
    (a.subjects.join("\n") < b.subjects.join("\n") ? -1 : a.subjects.join("\n") > b.subjects.join("\n") ? 1 : 0)
  );
}
