/** Wishes of one control: on the screen, in the safe frame, large enough, in reach, with room for its travel, out of the system's strips. */
import { centreOf, magnitude, type Box } from "../engine/geometry/point";
import { clearance } from "../engine/geometry/distance";
import { areaOf, type Shape } from "../engine/geometry/shape";
import { commonArea } from "../engine/geometry/commonArea";
import { LEAST_LETTERS_MM, LETTER_PART, lettersIn, wordsOn } from "../checks/overflowingWords";
import type { ConstraintTarget } from "./aims";
import { gapContact, shareContactAlong } from "./contact";
import { HIT, NUMBERS, TRAVEL, VISUAL } from "./scenarios";
import { aimFor, areaOn, areaPlace, boxTerms, visualOf, type FaceControl, type Constraint, type ConstraintContext } from "./constraints";

type Terms = Constraint["terms"];

/** The wishes of every control of a face. */
export function* placeWishes(wishing: ConstraintContext): Iterable<Constraint> {
  for (const placed of wishing.facts.controls) {
    yield* within(wishing, placed);
    yield* large(wishing, placed);
    yield* reached(wishing, placed);
    if (placed.control.kind === "stick") yield* travels(wishing, placed);
    if (placed.control.kind === "stick" || placed.underlay) yield* fromStrips(wishing, placed);
    yield* pictured(wishing, placed);
    yield* readable(wishing, placed);
  }
}

/** A wish of a control: what it is about, how far it may go, and the way with its terms. */
const wish = (
  [wishing, placed]: readonly [ConstraintContext, FaceControl],
  code: Constraint["code"],
  { wanted, kept }: Pick<ConstraintTarget, "wanted" | "kept">,
  [value, terms]: readonly [number, Terms],
): Constraint => ({
  code,
  subjects: [placed.control.id],
  face: wishing.facts.index,
  wanted,
  kept,
  value,
  terms,
});

/** The four ways in which a box may leave a frame, by at most `most`. */
function inFrame(box: Box, frame: Box, most: number, at: number): { value: number; terms: Terms }[] {
  return [
    { value: box.x - frame.x + most, terms: [[at, 1]] },
    { value: box.y - frame.y + most, terms: [[at + 1, 1]] },
    { value: frame.x + frame.w - box.x - box.w + most, terms: [[at, -1], [at + 2, -1]] }, // prettier-ignore
    { value: frame.y + frame.h - box.y - box.h + most, terms: [[at + 1, -1], [at + 3, -1]] }, // prettier-ignore
  ];
}

function* within(wishing: ConstraintContext, placed: FaceControl): Iterable<Constraint> {
  const { facts, numbers } = wishing;
  const box = visualOf(numbers, placed);
  const at = placed.place * NUMBERS + VISUAL;
  const off = aimFor(wishing, "place/off-screen", [placed.control.id]);
  for (const { value, terms } of inFrame(box, facts.face.frames.screen, off.measure, at))
    yield wish([wishing, placed], "place/off-screen", off, [value, terms]);
  if (placed.control.kind === "touchpad" || placed.control.kind === "swipe") return;
  const unsafe = aimFor(wishing, "place/unsafe", [placed.control.id]);
  // What leaves the screen is not told to leave the safe frame too; back on the screen it has to be in the safe frame at once.
  for (const { value, terms } of inFrame(box, facts.face.frames.safe, unsafe.measure, at))
    yield wish([wishing, placed], "place/unsafe", off.wanted ? off : unsafe, [value, terms]);
}

function* large(wishing: ConstraintContext, placed: FaceControl): Iterable<Constraint> {
  const aim = aimFor(wishing, "touch/small", [placed.control.id]);
  for (const side of [2, 3]) {
    const at = placed.place * NUMBERS + HIT + side;
    yield wish([wishing, placed], "touch/small", aim, [wishing.numbers[at] - aim.measure, [[at, 1]]]);
  }
}

function* reached(wishing: ConstraintContext, placed: FaceControl): Iterable<Constraint> {
  const { facts, numbers } = wishing;
  const aim = aimFor(wishing, "reach/far", [placed.control.id]);
  const box = visualOf(numbers, placed);
  const centre = centreOf(box);
  const far = (p: { x: number; y: number }) =>
    placed.underlay ? Math.max(0, clearance(pointOf(p), areaOn(numbers, placed)).px) : magnitude(p.x - centre.x, p.y - centre.y);
  const pivot = facts.pivots.reduce((best, p) => (far(p) < far(best) ? p : best));
  const way = far(pivot);
  if (placed.underlay) {
    const { b } = gapContact(pointOf(pivot), areaOn(numbers, placed), 0);
    const terms = boxTerms(areaPlace(placed), b.map((n) => -n)); // prettier-ignore
    yield wish([wishing, placed], "reach/far", aim, [aim.measure - way, way > 0 ? terms : []]);
    return;
  }
  if (way <= 0) return;
  const [nx, ny] = [(centre.x - pivot.x) / way, (centre.y - pivot.y) / way];
  yield wish([wishing, placed], "reach/far", aim, [aim.measure - way, boxTerms(placed.place * NUMBERS + VISUAL, [-nx, -ny, -nx / 2, -ny / 2])]);
}

const pointOf = ({ x, y }: { x: number; y: number }): Shape => ({ shape: "box", x, y, w: 0, h: 0 });

function* travels(wishing: ConstraintContext, placed: FaceControl): Iterable<Constraint> {
  const { control, place } = placed;
  if (control.kind !== "stick") return;
  const { facts, numbers } = wishing;
  const at = place * NUMBERS + TRAVEL;
  const travel = numbers[at];
  const live = control.feel.outer - control.feel.inner;
  const fine = aimFor(wishing, "feel/fine", [control.id]);
  yield wish([wishing, placed], "feel/fine", fine, [live * travel - fine.measure, [[at, live]]]);
  if (control.feel.origin !== "fixed") return;
  const cut = aimFor(wishing, "feel/travel-cut", [control.id]);
  const { x, y } = centreOf(visualOf(numbers, placed));
  const { screen } = facts.face.frames;
  const v = place * NUMBERS + VISUAL;
  const sides: { value: number; terms: Terms }[] = [
    { value: x - travel - screen.x, terms: [[v, 1], [v + 2, 0.5], [at, -1]] }, // prettier-ignore
    { value: y - travel - screen.y, terms: [[v + 1, 1], [v + 3, 0.5], [at, -1]] }, // prettier-ignore
    { value: screen.x + screen.w - x - travel, terms: [[v, -1], [v + 2, -0.5], [at, -1]] }, // prettier-ignore
    { value: screen.y + screen.h - y - travel, terms: [[v + 1, -1], [v + 3, -0.5], [at, -1]] }, // prettier-ignore
  ];
  for (const { value, terms } of sides) yield wish([wishing, placed], "feel/travel-cut", cut, [value + cut.measure, terms]);
}

/** The strips where the system takes swipes for itself, mm. */
function stripsOf({ screen, frames, mm }: ConstraintContext["facts"]["face"]): Shape[] {
  const { w, h } = frames.screen;
  const [left, top, right, bottom] = [screen.edges.left / mm, screen.edges.top / mm, screen.edges.right / mm, screen.edges.bottom / mm];
  const strips: Shape[] = [
    { shape: "box", x: 0, y: 0, w: left, h },
    { shape: "box", x: w - right, y: 0, w: right, h },
    { shape: "box", x: 0, y: 0, w, h: top },
    { shape: "box", x: 0, y: h - bottom, w, h: bottom },
  ];
  return strips.filter((strip) => strip.w > 0 && strip.h > 0);
}

/** A share that stays this much under what is allowed: sums of samples are not exact. */
export const SHARE_SPARE = 1e-4;

function* fromStrips(wishing: ConstraintContext, placed: FaceControl): Iterable<Constraint> {
  const aim = aimFor(wishing, "touch/edge", [placed.control.id]);
  const area = areaOn(wishing.numbers, placed);
  const whole = areaOf(area);
  if (!(whole > 0)) return;
  const strips = stripsOf(wishing.facts.face);
  const spare = aim.kept ? 0 : SHARE_SPARE;
  const parts = strips.map((strip) => commonArea(area, strip) / whole);
  const all = parts.reduce((a, b) => a + b, 0);
  if (wishing.brief && all <= aim.measure - spare) return;
  for (const [i, strip] of strips.entries()) {
    // Several strips share what is allowed as they share the area now.
    const share = all > 0 ? (aim.measure - spare) * Math.max(0.25, parts[i] / all) : (aim.measure - spare) / 2;
    const inward = { x: strip.w < strip.h ? (strip.x > 0 ? 1 : -1) : 0, y: strip.w < strip.h ? 0 : strip.y > 0 ? 1 : -1 };
    const contact = shareContactAlong(area, strip, { of: "a", share }, inward);
    if (contact) yield wish([wishing, placed], "touch/edge", aim, [contact.value, boxTerms(areaPlace(placed), contact.a)]);
  }
}

/** A word that fits its control goes on fitting; the letters of one that does not fit become no smaller. */
function* readable(wishing: ConstraintContext, placed: FaceControl): Iterable<Constraint> {
  const { facts, numbers } = wishing;
  const { control, place } = placed;
  if (control.look.hideAtRest === "all" && control.kind !== "button") return;
  const { w, h } = visualOf(numbers, placed);
  const at = place * NUMBERS + VISUAL;
  /** How a part of the shorter side changes with both sides. */
  const ofShorter = (part: number): Terms => [[w <= h ? at + 2 : at + 3, part]];
  for (const [, word] of wordsOn(control)) {
    const now = lettersIn({ w, h }, word, 1);
    const before = lettersIn(visualOf(facts.origin, placed), word, 1);
    const fitted = before.em >= before.wanted;
    const bySide: Terms = now.em < Math.min(w, h) * LETTER_PART ? [[at + 2, now.em / w]] : ofShorter(LETTER_PART);
    const terms = fitted && now.wanted < LEAST_LETTERS_MM ? [...bySide, ...ofShorter(-LETTER_PART)] : bySide;
    yield wish([wishing, placed], "look/overflow", { wanted: false, kept: !fitted }, [now.em - (fitted ? now.wanted : before.em), terms]);
  }
}

/** How far each side of a hit area lies outside its picture, and the numbers that say so. */
const OVERHANG: readonly (readonly (readonly [number, number])[])[] = [
  [[VISUAL, 1], [HIT, -1]], // prettier-ignore
  [[VISUAL + 1, 1], [HIT + 1, -1]], // prettier-ignore
  [[HIT, 1], [HIT + 2, 1], [VISUAL, -1], [VISUAL + 2, -1]], // prettier-ignore
  [[HIT + 1, 1], [HIT + 3, 1], [VISUAL + 1, -1], [VISUAL + 3, -1]], // prettier-ignore
];

/** A hit area goes on holding its picture, on each side as far as it did. */
function* pictured(wishing: ConstraintContext, placed: FaceControl): Iterable<Constraint> {
  const { numbers, facts } = wishing;
  const base = placed.place * NUMBERS;
  for (const side of OVERHANG) {
    const terms = side.map(([k, part]) => [base + k, part] as const);
    const over = (line: Float64Array) => terms.reduce((sum, [k, part]) => sum + part * line[k], 0);
    yield wish([wishing, placed], "held/picture", { wanted: false, kept: true }, [over(numbers) - Math.min(0, over(facts.origin)), terms]);
  }
  // As much of it as is wanted stays on the screen, for over the edge there is no thumb.
  const { screen } = facts.face.frames;
  const wanted = facts.thresholds["touch/small"]!.at(-1)!.measure;
  for (const [axis, side, far] of [
    [0, 2, screen.w],
    [1, 3, screen.h],
  ] as const) {
    // prettier-ignore
    const at = base + HIT + axis;
    const parts: { seen: (line: Float64Array) => number; terms: Terms }[] = [
      { seen: (line) => line[at] + line[base + HIT + side], terms: [[at, 1], [base + HIT + side, 1]] }, // prettier-ignore
      { seen: (line) => far - line[at], terms: [[at, -1]] },
    ];
    for (const { seen, terms } of parts)
      yield wish([wishing, placed], "held/screen", { wanted: false, kept: true }, [seen(numbers) - Math.min(wanted, seen(facts.origin)), terms]);
  }
}
