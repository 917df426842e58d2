/** `view/crowded`, `land/gap`: how much of a scenario the controls cover, and how much belongs to none. Evaluated only if the checks report one: they are expensive. */
import { KINDS } from "../../engine/kinds";
import { openFrame } from "../../checks/coverage";
import type { FindingCode } from "../../checks/finding";
import { coveredArea } from "../../engine/geometry/coveredArea";
import type { Shape } from "../../engine/geometry/shape";
import type { PlacedControl } from "../problem/scenarioData";
import { areaOn, areaPlace, targetFor, visualOf, visualPlace, type Constraint, type ConstraintContext, type Terms } from "./constraint";

/** The codes of these constraints. */
export const COVERAGE_CODES: readonly FindingCode[] = ["view/crowded", "land/gap"];

/** The step of a difference quotient, mm. */
const STEP_MM = 0.1;
/** A fraction stays below its limit by this much: sums of samples are not exact. */
const FRACTION_MARGIN = 0.0005;
/** The side of a box as a fraction of the side of an ellipse with the same area. */
const SAME_AREA = Math.sqrt(Math.PI / 4);

/** The coverage constraints of some codes, for each set of controls that are shown together. */
export function* coverageConstraints(context: ConstraintContext, codes: ReadonlySet<FindingCode>): Iterable<Constraint> {
  if (codes.size === 0) return;
  const { request, data } = context;
  const moments = request.moment === null ? request.layout.moments.map((m) => m.id) : [request.moment];
  const seen = new Set<string>();
  for (const moment of moments.length > 0 ? moments : [null]) {
    const shown = data.controls.filter(({ control }) => moment === null || control.moments.includes(moment));
    const key = shown.map(({ index }) => index).join();
    if (seen.has(key)) continue;
    seen.add(key);
    if (codes.has("view/crowded")) yield* uncrowded(context, shown);
    if (codes.has("land/gap")) yield* withoutGap(context, shown);
  }
}

/** A shape, and where its numbers begin. */
interface Piece {
  readonly shape: Shape;
  readonly at: number;
}

/** How the area that pieces cover within a shape changes with the numbers of some of them, mm² per mm. */
function slopes(within: Shape, pieces: readonly Piece[], isVariable: (piece: Piece) => boolean): Terms {
  const shapes = pieces.map(({ shape }) => shape);
  return pieces.flatMap((piece, i) =>
    isVariable(piece)
      ? (["x", "y", "w", "h"] as const).map((side, k) => {
          const covered = (change: number) => {
            const next = shapes.slice();
            next[i] = { ...piece.shape, [side]: piece.shape[side] + change };
            return coveredArea(within, next);
          };
          return [piece.at + k, (covered(STEP_MM) - covered(-STEP_MM)) / (2 * STEP_MM)] as const;
        })
      : [],
  );
}

/**
 * The constraint that a fraction of an area stays below its target, in mm: the fraction times the side of a square of that area. `growth`: terms
 * of the area behind the fraction, mm² per mm.
 */
function* fractionConstraint(
  context: ConstraintContext,
  code: FindingCode,
  { fraction, area, growth }: { readonly fraction: number; readonly area: number; readonly growth: () => Terms },
): Iterable<Constraint> {
  const { measure, kept, requested } = targetFor(context, code, []);
  const side = Math.sqrt(area);
  const value = (measure - (kept ? 0 : FRACTION_MARGIN) - fraction) * side;
  if (context.brief && value >= 0) return;
  const terms = growth().map(([at, slope]) => [at, (-slope / area) * side] as const);
  yield { code, subjects: [], scenario: context.data.index, requested, kept, value, terms };
}

function* uncrowded(context: ConstraintContext, shown: readonly PlacedControl[]): Iterable<Constraint> {
  const { data, numbers } = context;
  const screen: Shape = { shape: "box", ...data.scenario.frames.screen };
  const solid = shown.filter(({ control }) => !KINDS[control.kind].isField);
  const pieces = solid.map((placed): Piece => ({ shape: visualOf(numbers, placed), at: visualPlace(placed) }));
  const area = screen.w * screen.h;
  const covered = coveredArea(screen, pieces.map((p) => p.shape)); // prettier-ignore
  yield* fractionConstraint(context, "view/crowded", { fraction: covered / area, area, growth: () => slopes(screen, pieces, () => true) });
}

function* withoutGap(context: ConstraintContext, shown: readonly PlacedControl[]): Iterable<Constraint> {
  const { data, numbers } = context;
  const { frames, screen, mm } = data.scenario;
  const { left, top, right, bottom } = screen.edges;
  const open = openFrame(frames.safe, frames.screen, { left: left / mm, top: top / mm, right: right / mm, bottom: bottom / mm });
  const area = open.w * open.h;
  if (shown.filter((placed) => placed.underlay).length < 2 || area <= 0) return;
  const gap = area - coveredArea(open, shown.map((placed) => areaOn(numbers, placed))); // prettier-ignore
  const boxes = shown.map((placed): Piece => ({ shape: asBox(areaOn(numbers, placed)), at: areaPlace(placed) }));
  const ground = new Set(boxes.filter((_, i) => shown[i].underlay));
  const growth = () => slopes(open, boxes, (piece) => ground.has(piece)).map(([at, slope]) => [at, -slope] as const);
  yield* fractionConstraint(context, "land/gap", { fraction: gap / area, area, growth });
}

/** A box with the same area and centre: accurate enough for slopes, and fast. */
function asBox(shape: Shape): Shape {
  if (shape.shape === "box") return shape;
  const [w, h] = [shape.w * SAME_AREA, shape.h * SAME_AREA];
  return { shape: "box", x: shape.x + (shape.w - w) / 2, y: shape.y + (shape.h - h) / 2, w, h };
}
