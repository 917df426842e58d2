/**
 * A hit area contains its picture by shape, in each direction by as much as it did (a picture has the shape of its area); and it does not leave the
 * screen at a side where it did not.
 */
import { centreOf, type Point } from "../../engine/geometry/point";
import type { Shape } from "../../engine/geometry/shape";
import type { PlacedControl } from "../problem/scenarioData";
import { HIT, NUMBERS, VISUAL } from "../problem/scenarios";
import { AS_IT_WAS, boxTerms, ofControl, type Constraint, type ConstraintContext, type Terms } from "./constraint";
import { containment } from "./contact";

/** The directions of the sides, and those between them in which a round shape may stand out. */
const SIDES: readonly Point[] = [
  { x: -1, y: 0 },
  { x: 0, y: -1 },
  { x: 1, y: 0 },
  { x: 0, y: 1 },
];
const BETWEEN: readonly Point[] = [1, 2, 4, 5, 7, 8, 10, 11].map((twelfth) => ({ x: Math.cos((twelfth * Math.PI) / 6), y: Math.sin((twelfth * Math.PI) / 6) }));

const shapeAt = (numbers: Float64Array, at: number, shape: Shape["shape"]): Shape => ({
  shape,
  x: numbers[at],
  y: numbers[at + 1],
  w: numbers[at + 2],
  h: numbers[at + 3],
});

/** The direction from the middle of an area to the middle of its picture: there a circle in a circle stands out most. */
function towards(picture: Shape, area: Shape): readonly Point[] {
  const [p, q] = [centreOf(picture), centreOf(area)];
  const far = Math.hypot(p.x - q.x, p.y - q.y);
  return far > 1e-9 ? [{ x: (p.x - q.x) / far, y: (p.y - q.y) / far }] : [];
}

function* containmentConstraints(context: ConstraintContext, placed: PlacedControl): Iterable<Constraint> {
  const { numbers, data } = context;
  const base = placed.index * NUMBERS;
  const { shape } = placed.control.hit;
  const on = (where: Float64Array) => [shapeAt(where, base + VISUAL, shape), shapeAt(where, base + HIT, shape)] as const;
  const [picture, area] = on(numbers);
  const [pictureBefore, areaBefore] = on(data.origin);
  const along = (direction: Point) => {
    const now = containment(picture, area, direction);
    return { now, value: now.value - Math.min(0, containment(pictureBefore, areaBefore, direction).value) };
  };
  const held = (code: "held/picture" | "held/shape", { now, value }: ReturnType<typeof along>) => {
    const terms = [...boxTerms(base + VISUAL, now.a), ...boxTerms(base + HIT, now.b)];
    return ofControl(context, placed, code, { target: AS_IT_WAS, value, terms });
  };
  for (const side of SIDES) yield held("held/picture", along(side));
  if (shape === "box") return;
  for (const direction of [...towards(picture, area), ...BETWEEN]) yield held("held/shape", along(direction));
}

/** How far an area lies within the near edge of the screen along an axis, and within the far one. */
const withinScreen = (at: number, far: number): readonly { readonly constant: number; readonly terms: Terms }[] => [
  { constant: 0, terms: [[at, 1]] },
  { constant: far, terms: [[at, -1], [at + 2, -1]] }, // prettier-ignore
];

function* screenConstraints(context: ConstraintContext, placed: PlacedControl): Iterable<Constraint> {
  const { numbers, data } = context;
  const { screen } = data.scenario.frames;
  const at = placed.index * NUMBERS + HIT;
  for (const { constant, terms } of [...withinScreen(at, screen.w), ...withinScreen(at + 1, screen.h)]) {
    const room = (where: Float64Array) => terms.reduce((sum, [k, weight]) => sum + weight * where[k], constant);
    yield ofControl(context, placed, "held/screen", { target: AS_IT_WAS, value: room(numbers) - Math.min(0, room(data.origin)), terms });
  }
}

export function* pictureConstraints(context: ConstraintContext): Iterable<Constraint> {
  for (const placed of context.data.controls) {
    yield* containmentConstraints(context, placed);
    yield* screenConstraints(context, placed);
  }
}
