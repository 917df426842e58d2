/** Whether the thumbs that hold the device reach what they must, and can do at once what is wanted at once. */
import { clearance, distanceTo } from "../engine/geometry/distance";
import { centreOf, type Point, magnitude } from "../engine/geometry/point";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import { byName } from "../derived/byId";
import { layoutIndexOf } from "../derived/layoutIndex";
import { thumbPivots } from "../editing/thumbs";
import type { Check, CheckContext, MomentContext, PlacedControl } from "./context";
import { mmText, type Found } from "./finding";

/** One thumb lies on two buttons at once when they are at most this far apart, mm. */
const ONE_THUMB_GAP_MM = 3;

function thumbOf(s: PlacedControl, pivots: readonly Point[]): number {
  const c = centreOf(s.at.visual);
  let best = 0;
  pivots.forEach((p, i) => {
    if (magnitude(p.x - c.x, p.y - c.y) < magnitude(pivots[best].x - c.x, pivots[best].y - c.y)) best = i;
  });
  return best;
}

function* once(context: CheckContext): Iterable<Found> {
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

/** Whether a thumb can hold all of these at once. */
function oneThumb(onThumb: readonly PlacedControl[], mm: number): boolean {
  if (onThumb.length <= 1) return true;
  if (onThumb.length > 2) return false;
  const [a, b] = onThumb;
  if (a.control.kind !== "button" || b.control.kind !== "button") return false;
  if (!a.control.feel.slideIn && !b.control.feel.slideIn) return false;
  return clearance(a.area, b.area).px <= ONE_THUMB_GAP_MM * mm + LENGTH_SLACK;
}

function* inMoment(context: MomentContext): Iterable<Found> {
  const { layout, shown, mm, moment, screenName } = context;
  const pivots = thumbPivots(context.layout, context.resolved.screen);
  const actions = byName(layout.actions);
  const { servers } = layoutIndexOf(layout);
  for (const set of layout.together) {
    if (moment !== null && set.actions.some((name) => actions.get(name)?.moments.includes(moment) === false)) continue;
    const choices = set.actions.map((name) => shown.filter((s) => servers.get(name)?.has(s.control.id)));
    // What nothing serves is said by bind/unserved; here only whether thumbs suffice.
    if (choices.some((choice) => choice.length === 0)) continue;
    const hands: PlacedControl[][] = pivots.map(() => []);
    const give = (i: number): boolean => {
      if (i === choices.length) return true;
      return choices[i].some((choice) => {
        const hand = hands[thumbOf(choice, pivots)];
        if (hand.includes(choice)) return give(i + 1);
        hand.push(choice);
        const possible = oneThumb(hand, mm) && give(i + 1);
        hand.pop();
        return possible;
      });
    };
    if (!give(0))
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
