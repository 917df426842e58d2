/**
 * Proof that wishes cannot all be had, whatever is where. Every wish of one control that goes into it (frames, reach, sides) allows a convex
 * set of values, told by lines that go round it; a pair allows what lies outside a convex set, so wherever it is it is beyond one edge of any
 * polygon drawn inside that set. If no choice of edges leaves values that hold all lines, there are none. Faces, controls and wishes that remain
 * out, sides taken as small as they may become, polygons for curves: all of it only makes the proof harder, never wrong.
 */
import type { Shape } from "../engine/geometry/shape";
import { sharedPart, type WholeOf } from "./contact";
import { HIT, NUMBERS, VISUAL } from "./scenarios";
import { derivativeAt, numbersAt, variableTerms, type Derivative, type LayoutMotion, type Numbers } from "./layoutMotion";
import { placeWishes } from "./placeConstraints";
import { solveQuadratic, type LinearConstraint } from "./quadratic";
import { LEAST_SIDE } from "./variables";
import { aimFor, areaOn, areaPlace, visualOf, type FaceFacts, type FaceControl, type Constraint, type ConstraintContext } from "./constraints";

/** What a proof is about: some controls, the faces on which they must keep clear, the wishes that are asked for. */
export interface Claim {
  readonly motion: LayoutMotion;
  readonly facts: readonly FaceFacts[];
  readonly wishing: (facts: FaceFacts, numbers: Float64Array) => ConstraintContext;
  readonly ids: ReadonlySet<string>;
  /** The faces, by their places, on which pairs are looked at. */
  readonly faces: readonly number[];
}

/** A line that values have to hold, and the wish it represents. */
interface Line extends LinearConstraint {
  readonly word: string;
  readonly face: number;
}
/** A pair on a face: values hold one of these lines at least. */
interface Choice {
  readonly word: string;
  readonly face: number;
  readonly lines: readonly LinearConstraint[];
}

/** Wishes that cannot all be had: none of them can be omitted. `shortMm`: by how much they fall short at least. */
export interface Impossible {
  readonly wishes: readonly { readonly word: string; readonly face: number }[];
  readonly shortMm: number;
}

/** Corners of the polygon inside what a pair may not be in. */
const CORNERS = 8;
/** So many cases are gone through for a claim, fewer where each is larger; more, and nothing is proved, or what is proved is unchanged. */
const CASES = { effort: 5000, most: 800 };
const mostCases = (n: number) => Math.min(CASES.most, Math.round(CASES.effort / Math.max(1, n)));
/** Lines redrawn about where reach ends. */
const MOST_TANGENTS = 8;
/** A wish that is asked for may fall short by so little and yet be had, mm: what Settle itself leaves to spare. */
const SPARE_MM = 0.01;
/** Nothing falls short by more, mm. */
const MOST_SHORT_MM = 256;

/** Tries to prove that a claim's wishes cannot all be had; null where that is not proved. */
export function provedImpossible(claim: Claim): Impossible | null {
  const zero = new Float64Array(claim.motion.variables.length);
  const numbers = numbersAt(claim.motion, zero);
  const derivative = derivativeAt(claim.motion, zero, numbers);
  let lines = linesOf(claim, numbers, derivative);
  const every = choicesOf(claim, numbers, derivative);
  // An edge that alone leaves nothing is none to choose.
  const choices = every.map((choice) => ({
    ...choice,
    lines: choice.lines.filter((line) => valuesFor([...lines, line], [], zero.length, { left: 1 }) !== null),
  }));
  const cases = { left: mostCases(zero.length) };
  for (let turn = 0; turn < MOST_TANGENTS; turn += 1) {
    const found = valuesFor(lines, choices, zero.length, cases);
    if (found === "too many") return null;
    if (found === null) return leastSet(lines, choices, every, zero.length);
    // They hold the lines drawn so far; where reach is round, draw it again where they are.
    const there = numbersAt(claim.motion, found);
    const more = linesOf(claim, there, derivative, found).filter(
      ({ word, indexes, weights, bound }) => word.startsWith("reach/far") && at(found, indexes, weights) < bound - 1e-6,
    );
    if (more.length === 0) return null;
    lines = [...lines, ...more];
  }
  return null;
}

const at = (values: Float64Array, indexes: readonly number[], weights: readonly number[]) =>
  indexes.reduce((sum, index, k) => sum + weights[k] * values[index], 0);

const ROUND = new Set<Constraint["code"]>([
  "place/off-screen",
  "place/unsafe",
  "touch/small",
  "reach/far",
  "feel/fine",
  "feel/travel-cut",
  "held/picture",
  "held/screen",
]);

/** The lines of the controls' own wishes on every face, drawn where all is at `numbers` (values `from`), by derivatives at the beginning. */
function linesOf(claim: Claim, numbers: Numbers, derivative: Derivative, from?: Float64Array): Line[] {
  const lines = new Map<string, Line>();
  const add = (word: string, face: number, terms: Constraint["terms"], room: number) => {
    const row = variableTerms(derivative, face, terms);
    const moved = from ? at(from, row.indexes, row.weights) : 0;
    const bound = moved - room - SPARE_MM;
    if (row.indexes.length === 0) {
      // Nothing moves it: it holds, or it does not.
      if (room < -SPARE_MM) lines.set(`${word} fixed`, { word, face, indexes: [0], weights: [0], bound: 1 });
      return;
    }
    const length = Math.hypot(...row.weights);
    const key = `${word} ${row.indexes.map((i, k) => `${i}:${(row.weights[k] / length).toFixed(4)}`).join()}`;
    const line = { word, face, indexes: row.indexes, weights: row.weights.map((w) => w / length), bound: bound / length };
    const known = lines.get(key);
    if (!known || known.bound < line.bound) lines.set(key, line);
  };
  for (const facts of claim.facts) {
    const own = { ...facts, controls: facts.controls.filter(({ control }) => claim.ids.has(control.id)) };
    for (const wish of placeWishes(claim.wishing(own, numbers[facts.index])))
      if (ROUND.has(wish.code)) add(`${wish.code} ${wish.subjects.join(" ")}`, facts.index, wish.terms, wish.value);
  }
  claim.motion.variables.forEach(({ low, high, parts }, i) => {
    const word = `range ${parts[0].slot.id}`;
    lines.set(`${word} ${i} low`, { word, face: -1, indexes: [i], weights: [1], bound: low });
    lines.set(`${word} ${i} high`, { word, face: -1, indexes: [i], weights: [-1], bound: -high });
  });
  return [...lines.values()];
}

/** What pairs of the controls, and controls and zones, have to choose from on the faces of the claim. */
function choicesOf(claim: Claim, numbers: Numbers, derivative: Derivative): Choice[] {
  return claim.faces.flatMap((index) => {
    const facts = claim.facts.find((f) => f.index === index)!;
    const line = numbers[index];
    const wishing = claim.wishing(facts, line);
    const has = (s: FaceControl) => claim.ids.has(s.control.id) && !s.underlay;
    const choice = (word: string, a: readonly [Shape, number], b: readonly [Shape, number | null], whole: { of: WholeOf; share: number }): Choice[] => {
      const now = { x: b[0].x + b[0].w / 2 - a[0].x - a[0].w / 2, y: b[0].y + b[0].h / 2 - a[0].y - a[0].h / 2 };
      const edges = edgesInside(a[0], b[0], { ...whole, towards: Math.atan2(now.y, now.x) });
      if (!edges) return [];
      const lines = edges.map(({ x, y, bound }): LinearConstraint => {
        const middle = (from: number, sign: number) => [[from, sign * x], [from + 1, sign * y], [from + 2, (sign * x) / 2], [from + 3, (sign * y) / 2]] as const; // prettier-ignore
        const row = variableTerms(derivative, index, [...middle(a[1], -1), ...(b[1] === null ? [] : middle(b[1], 1))]);
        return { ...row, bound: bound - x * now.x - y * now.y - SPARE_MM };
      });
      return [{ word, face: index, lines }];
    };
    const pairs = facts.pairs
      .filter(([a, b]) => has(a) && has(b))
      .flatMap(([a, b]) => {
        const { measure } = aimFor(wishing, "touch/overlap", [a.control.id, b.control.id]);
        const word = `touch/overlap ${a.control.id} ${b.control.id}`;
        return choice(word, [leastArea(line, a, wishing), areaPlace(a)], [leastArea(line, b, wishing), areaPlace(b)], { of: "smaller", share: measure });
      });
    const zones = facts.zones.flatMap((zone) =>
      facts.controls.filter(has).flatMap((one) => {
        const { measure } = aimFor(wishing, "view/covered", [one.control.id, zone.id]);
        const word = `view/covered ${one.control.id} ${zone.id}`;
        const box = visualOf(line, one);
        return choice(word, [shrunk(box, LEAST_SIDE * box.w, LEAST_SIDE * box.h), one.place * NUMBERS + VISUAL], [zone.box, null], { of: "b", share: measure });
      }),
    );
    return [...pairs, ...zones];
  });
}

const shrunk = (shape: Shape, w: number, h: number): Shape => ({ ...shape, x: shape.x + (shape.w - w) / 2, y: shape.y + (shape.h - h) / 2, w, h });

/** The least that an area may become: as its picture shrinks, but no smaller than a target has to be. */
function leastArea(line: Float64Array, placed: FaceControl, wishing: ConstraintContext): Shape {
  const area = areaOn(line, placed);
  const at = placed.place * NUMBERS;
  const { measure } = aimFor(wishing, "touch/small", [placed.control.id]);
  const side = (now: number, picture: number) => Math.min(now, Math.max(LEAST_SIDE * Math.min(picture, now), Math.min(measure, now)));
  return shrunk(area, side(line[at + HIT + 2], line[at + VISUAL + 2]), side(line[at + HIT + 3], line[at + VISUAL + 3]));
}

/** The edges of a polygon inside what two shapes may not be in: x·dx + y·dy at least `bound` is beyond an edge. Null where they may be anywhere. */
function edgesInside(
  a: Shape,
  b: Shape,
  { of, share, towards }: { readonly of: WholeOf; readonly share: number; readonly towards: number },
): { x: number; y: number; bound: number }[] | null {
  const about = (x: number, y: number): Shape => ({ ...b, x: a.x + (a.w - b.w) / 2 + x, y: a.y + (a.h - b.h) / 2 + y });
  if (sharedPart(a, about(0, 0), of) < share) return null;
  // One corner is where they lie now: what cannot be moved at all is reported to the last digit.
  const turn = (2 * Math.PI) / CORNERS;
  const angles = Array.from({ length: CORNERS }, (_, k) => towards + k * turn);
  const corners = angles.map((angle) => {
    const [x, y] = [Math.cos(angle), Math.sin(angle)];
    let [low, high] = [0, a.w + a.h + b.w + b.h];
    for (let i = 0; i < 40; i += 1) {
      const middle = (low + high) / 2;
      if (sharedPart(a, about(middle * x, middle * y), of) >= share) low = middle;
      else high = middle;
    }
    return { x: low * x, y: low * y };
  });
  return corners.map((p, k) => {
    const q = corners[(k + 1) % corners.length];
    const length = Math.hypot(q.x - p.x, q.y - p.y) || 1;
    const [x, y] = [(q.y - p.y) / length, (p.x - q.x) / length];
    return { x, y, bound: x * p.x + y * p.y };
  });
}

/** Values that hold all lines and one of each choice; null where there are none, or that there are too many cases to say. */
function valuesFor(lines: readonly LinearConstraint[], choices: readonly Choice[], n: number, cases: { left: number }): Float64Array | null | "too many" {
  if (cases.left <= 0) return "too many";
  cases.left -= 1;
  const values = nearestTo0(lines, n);
  if (!values) return null;
  const ordered = [...choices].sort((a, b) => a.lines.length - b.lines.length);
  const open = ordered.find((choice) => choice.lines.every(({ indexes, weights, bound }) => at(values, indexes, weights) < bound - 1e-6));
  if (!open) return values;
  const others = choices.filter((choice) => choice !== open);
  // The edges that are nearest first: if there are values, they are found sooner.
  const near = [...open.lines].sort((a, b) => a.bound - at(values, a.indexes, a.weights) - (b.bound - at(values, b.indexes, b.weights)));
  for (const line of near) {
    const found = valuesFor([...lines, line], others, n, cases);
    if (found !== null) return found;
  }
  return null;
}

/** The least values that hold all lines; null where none do. Few of the lines press: they are taken in as they are broken. */
function nearestTo0(lines: readonly LinearConstraint[], n: number): Float64Array | null {
  const square = Array.from({ length: n }, (_, i) => Float64Array.from({ length: n }, (_, j) => (i === j ? 1 : 0)));
  const open = new Set(lines);
  const taken: LinearConstraint[] = [];
  for (let values = new Float64Array(n); ;) {
    const broken = [...open].filter(({ indexes, weights, bound }) => at(values, indexes, weights) < bound - 1e-7);
    if (broken.length === 0) return values;
    for (const line of broken) open.delete(line);
    taken.push(...broken);
    const solution = solveQuadratic(square, new Float64Array(n), taken);
    if (!solution) return null;
    values = Float64Array.from(solution.values);
    // Neither found nor ruled out: nothing is proved by it.
    if (!solution.isExact) return values;
  }
}

/** Of the wishes, one finding after the other omitted, those that the proof does not do without; and by how much these fall short at least. `every`: the choices with all their edges, for what falls short may choose edges that leave nothing now. */
function leastSet(lines: readonly Line[], choices: readonly Choice[], every: readonly Choice[], n: number): Impossible | null {
  const left = { short: mostCases(n), fewer: 6 * mostCases(n) };
  const holds = (some: readonly LinearConstraint[], pairs: readonly Choice[], of: keyof typeof left) => {
    const cases = { left: left[of] };
    const found = valuesFor(some, pairs, n, cases);
    left[of] = cases.left;
    return found !== null;
  };
  let [keptLines, keptChoices] = [lines, choices];
  for (const choice of choices) {
    const rest = keptChoices.filter((one) => one !== choice);
    if (!holds(keptLines, rest, "fewer")) keptChoices = rest;
  }
  // What seldom matters goes at once where it does not.
  for (const isSeldom of [(word: string) => /^(?:held|reach|feel|place\/off)/.test(word), (word: string) => word.startsWith("range")]) {
    const rest = keptLines.filter((line) => !isSeldom(line.word));
    if (rest.length < keptLines.length && !holds(rest, keptChoices, "fewer")) keptLines = rest;
  }
  for (const word of new Set(keptLines.map((line) => line.word))) {
    const rest = keptLines.filter((line) => line.word !== word);
    if (!holds(rest, keptChoices, "fewer")) keptLines = rest;
  }
  // Of the rest of a wish, only the faces that matter.
  for (const line of keptChoices.length === 0 ? keptLines : []) {
    const rest = keptLines.filter((one) => one !== line);
    if (!holds(rest, keptChoices, "fewer")) keptLines = rest;
  }
  const isKept = ({ word, face }: Choice) => keptChoices.some((one) => one.word === word && one.face === face);
  let [low, high] = [0, MOST_SHORT_MM];
  for (let i = 0; i < 14 && left.short > 0; i += 1) {
    const middle = (low + high) / 2;
    const eased = keptLines.map((line) => (line.word.startsWith("range") ? line : { ...line, bound: line.bound - middle }));
    const pairs = every.filter(isKept).map((choice) => ({ ...choice, lines: choice.lines.map((line) => ({ ...line, bound: line.bound - middle })) }));
    if (holds(eased, pairs, "short")) high = middle;
    else low = middle;
  }
  const wishes = new Map<string, { word: string; face: number }>();
  for (const { word, face } of [...keptChoices, ...keptLines]) {
    const key = keptChoices.length === 0 ? `${word} ${face}` : word;
    if (!word.startsWith("range") && !wishes.has(key)) wishes.set(key, { word, face });
  }
  return wishes.size === 0 ? null : { wishes: [...wishes.values()], shortMm: low };
}
