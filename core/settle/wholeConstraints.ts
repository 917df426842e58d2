/** Wishes of a face as a whole: how much the controls cover of it, how much of it answers to none. Looked at only where one has come up, for they cost. */
import { coveredArea } from "../engine/geometry/coveredArea";
import type { Shape } from "../engine/geometry/shape";
import { openFrame } from "../checks/coverage";
import type { FindingCode } from "../checks/finding";
import { NUMBERS, VISUAL } from "./scenarios";
import { aimFor, areaOn, areaPlace, visualOf, type FaceControl, type Constraint, type ConstraintContext } from "./constraints";

/** The codes of these wishes. */
export const WHOLE_CODES: readonly FindingCode[] = ["view/crowded", "land/gap"];

/** A derivative is taken over so much, mm. */
const STEP_MM = 0.1;
/** A share stays this much from what is allowed: sums of samples are not exact. */
const SPARE = 0.0005;
/** The side of the box that has an ellipse's area, as a part of the ellipse's own. */
const SAME_AREA = Math.sqrt(Math.PI / 4);

/** The wishes of a face for some of these codes, moment by moment. */
export function* wholeWishes(wishing: ConstraintContext, codes: ReadonlySet<FindingCode>): Iterable<Constraint> {
  if (codes.size === 0) return;
  const { request, facts } = wishing;
  const moments = request.moment === null ? request.layout.moments.map((m) => m.id) : [request.moment];
  const seen = new Set<string>();
  for (const moment of moments.length > 0 ? moments : [null]) {
    const shown = facts.controls.filter(({ control }) => moment === null || control.moments.includes(moment));
    const word = shown.map(({ place }) => place).join();
    if (seen.has(word)) continue;
    seen.add(word);
    if (codes.has("view/crowded")) yield* uncrowded(wishing, shown);
    if (codes.has("land/gap")) yield* gapless(wishing, shown);
  }
}

/** A box among others, and where its numbers stand. */
interface Piece {
  readonly shape: Shape;
  readonly at: number;
}

/** How the area that pieces cover within a box changes with the numbers of some of them, mm² a mm. */
function slopes(within: Shape, pieces: readonly Piece[], changing: (piece: Piece) => boolean): (readonly [number, number])[] {
  const shapes = pieces.map(({ shape }) => shape);
  return pieces.flatMap((piece, i) =>
    changing(piece)
      ? (["x", "y", "w", "h"] as const).map((side, k) => {
          const at = (by: number) => {
            const next = shapes.slice();
            next[i] = { ...piece.shape, [side]: piece.shape[side] + by };
            return coveredArea(within, next);
          };
          return [piece.at + k, (at(STEP_MM) - at(-STEP_MM)) / (2 * STEP_MM)] as const;
        })
      : [],
  );
}

function* uncrowded(wishing: ConstraintContext, shown: readonly FaceControl[]): Iterable<Constraint> {
  const { facts, numbers } = wishing;
  const screen: Shape = { shape: "box", ...facts.face.frames.screen };
  const solid = shown.filter(({ control }) => control.kind !== "touchpad" && control.kind !== "swipe");
  const pieces = solid.map((one): Piece => ({ shape: visualOf(numbers, one), at: one.place * NUMBERS + VISUAL }));
  const whole = screen.w * screen.h;
  const cover = coveredArea(screen, pieces.map((p) => p.shape)) / whole; // prettier-ignore
  const aim = aimFor(wishing, "view/crowded", []);
  const side = Math.sqrt(whole);
  const value = (aim.measure - (aim.kept ? 0 : SPARE) - cover) * side;
  if (wishing.brief && value >= 0) return;
  const terms = slopes(screen, pieces, () => true).map(([at, slope]) => [at, (-slope / whole) * side] as const);
  yield { code: "view/crowded", subjects: [], face: facts.index, wanted: aim.wanted, kept: aim.kept, value, terms };
}

function* gapless(wishing: ConstraintContext, shown: readonly FaceControl[]): Iterable<Constraint> {
  const { facts, numbers } = wishing;
  const { frames, screen, mm } = facts.face;
  const { left, top, right, bottom } = screen.edges;
  const open = openFrame(frames.safe, frames.screen, { left: left / mm, top: top / mm, right: right / mm, bottom: bottom / mm });
  const whole = open.w * open.h;
  if (shown.filter((s) => s.underlay).length < 2 || whole <= 0) return;
  const gap = 1 - coveredArea(open, shown.map((one) => areaOn(numbers, one))) / whole; // prettier-ignore
  const aim = aimFor(wishing, "land/gap", []);
  const boxes = shown.map((one): Piece & { underlay: boolean } => ({ shape: asBox(areaOn(numbers, one)), at: areaPlace(one), underlay: one.underlay }));
  const side = Math.sqrt(whole);
  const value = (aim.measure - (aim.kept ? 0 : SPARE) - gap) * side;
  if (wishing.brief && value >= 0) return;
  const terms = slopes(open, boxes, (piece) => boxes.some((b) => b === piece && b.underlay)).map(([at, slope]) => [at, (slope / whole) * side] as const);
  yield { code: "land/gap", subjects: [], face: facts.index, wanted: aim.wanted, kept: aim.kept, value, terms };
}

/** A box of the same area about the same middle: enough to tell how the whole changes, and quick. */
function asBox(shape: Shape): Shape {
  if (shape.shape === "box") return shape;
  const [w, h] = [shape.w * SAME_AREA, shape.h * SAME_AREA];
  return { shape: "box", x: shape.x + (shape.w - w) / 2, y: shape.y + (shape.h - h) / 2, w, h };
}
