/** Checks whether the thumbs of the grip reach the controls and can press together sets at the same time. */
import { clearance, distanceTo } from "../engine/geometry/distance";
import { centreOf, type Point, magnitude } from "../engine/geometry/point";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import { byName } from "../derived/byId";
import { layoutIndexOf } from "../derived/layoutIndex";
import { thumbPivots } from "../editing/thumbs";
import type { Check, CheckContext, MomentContext, PlacedControl } from "./context";
import { mmText, type CheckResult } from "./finding";

/** One thumb can press two buttons at most this far apart, mm. */
const ONE_THUMB_GAP_MM = 3;

function thumbOf(s: PlacedControl, pivots: readonly Point[]): number {
  const c = centreOf(s.at.visual);
  let best = 0;
  pivots.forEach((p, i) => {
    if (magnitude(p.x - c.x, p.y - c.y) < magnitude(pivots[best].x - c.x, pivots[best].y - c.y)) best = i;
  });
  return best;
}

function* once(context: CheckContext): Iterable<CheckResult> {
  const { layout, placed, mm, screenName } = context;
  const pivots = thumbPivots(context.layout, context.resolved.screen);
  for (const { control, at, area, underlay } of placed) {
    const centre = centreOf(at.visual);
    const far = (p: Point) => (underlay ? distanceTo(area, p) : magnitude(p.x - centre.x, p.y - centre.y));
    const value = Math.min(...pivots.map(far)) / mm;
    if (value <= layout.limits.comfortMm + LENGTH_SLACK) continue;
    const stretched = value > layout.limits.stretchMm + LENGTH_SLACK;
    yield {
      code: "reach/far",
      severity: stretched ? "warning" : "note",
      subjects: [control.id],
      measure: { value, unit: "mm" },
      text: (say) =>
        `${say(control.id)} is ${mmText(value)} from the nearest thumb on ${screenName}; ${stretched ? `${mmText(layout.limits.stretchMm)} is the farthest` : `up to ${mmText(layout.limits.comfortMm)} is comfortable`}`,
    };
  }
}

/** Whether a thumb can hold two controls: close buttons, one of them with slide in. */
function isOneThumbPair(a: PlacedControl, b: PlacedControl, mm: number): boolean {
  if (a.control.kind !== "button" || b.control.kind !== "button") return false;
  if (!a.control.feel.slideIn && !b.control.feel.slideIn) return false;
  return clearance(a.area, b.area).px <= ONE_THUMB_GAP_MM * mm + LENGTH_SLACK;
}

/** What a thumb can hold: one control or one pair; computed on demand. */
interface Thumb {
  readonly controls: readonly PlacedControl[];
  readonly pairs: () => readonly (readonly [PlacedControl, PlacedControl])[];
}

function thumbsOf({ layout, resolved, shown, mm }: MomentContext): readonly Thumb[] {
  const pivots = thumbPivots(layout, resolved.screen);
  return pivots.map((_, thumb) => {
    const controls = shown.filter((s) => thumbOf(s, pivots) === thumb);
    let pairs: (readonly [PlacedControl, PlacedControl])[] | null = null;
    return {
      controls,
      pairs: () => (pairs ??= controls.flatMap((a, i) => controls.slice(i + 1).flatMap((b) => (isOneThumbPair(a, b, mm) ? [[a, b] as const] : [])))),
    };
  });
}

/**
 * Whether the thumbs can press all actions of a set at the same time. `given`: the actions that a control serves, one bit each. A thumb holds
 * one control or one pair, so it can give one of a few bit sets; the thumbs together must give all bits. This covers all combinations without
 * enumerating them: 200 controls for 8 actions have 200⁸ combinations but at most 256 bit sets.
 */
function canGive(thumbs: readonly Thumb[], given: (control: PlacedControl) => number, all: number): boolean {
  const byThumb = (withPairs: boolean) =>
    thumbs.map(({ controls, pairs }) => {
      const sets = new Set([0, ...controls.map(given)]);
      if (withPairs) for (const [a, b] of pairs()) sets.add(given(a) | given(b));
      return sets;
    });
  const reaches = (sets: readonly ReadonlySet<number>[]) => {
    let sums = new Set([0]);
    for (const more of sets) {
      const next = new Set<number>();
      for (const sum of sums) for (const bits of more) next.add(sum | bits);
      sums = next;
    }
    return sums.has(all);
  };
  return reaches(byThumb(false)) || reaches(byThumb(true));
}

/** Cached results by visible controls and set: most moments of a game show the same controls. */
const judged = new WeakMap<CheckContext["placed"], Map<string, boolean>>();
function keptAnswer({ placed }: CheckContext, key: string, make: () => boolean): boolean {
  const known = judged.get(placed) ?? new Map<string, boolean>();
  judged.set(placed, known);
  const before = known.get(key);
  if (before !== undefined) return before;
  const answer = make();
  known.set(key, answer);
  return answer;
}

function* inMoment(context: MomentContext): Iterable<CheckResult> {
  const { layout, shown, moment, screenName } = context;
  const actions = byName(layout.actions);
  const { servers } = layoutIndexOf(layout);
  let thumbs: readonly Thumb[] | null = null;
  const shownKey = shown.map((s) => s.index).join();
  for (const set of layout.together) {
    if (moment !== null && set.actions.some((name) => actions.get(name)?.moments.includes(moment) === false)) continue;
    const serving = set.actions.map((name) => servers.get(name));
    // bind/unserved reports unserved actions; this checks only the thumbs.
    if (!serving.every((ids) => ids !== undefined && shown.some((s) => ids.has(s.control.id)))) continue;
    const can = keptAnswer(context, `${set.id} ${shownKey}`, () => {
      const bits = new Map(shown.map((s) => [s, serving.reduce((sum, ids, i) => (ids!.has(s.control.id) ? sum | (1 << i) : sum), 0)]));
      return canGive((thumbs ??= thumbsOf(context)), (s) => bits.get(s)!, (1 << serving.length) - 1);
    });
    if (!can)
      yield {
        code: "reach/one-thumb",
        severity: "warning",
        subjects: [set.id],
        measure: null,
        text: () =>
          `${set.actions.map((name) => `\`${name}\``).join(" and ")} are wanted at once, and no thumb is free for all of them on ${screenName}; move one to the other side, or let one slide in beside the other`,
      };
  }
}

export const reaches: Check = { once, inMoment };
