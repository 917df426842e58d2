/**
 * Proof that constraints cannot all be satisfied, whatever the values of the variables.
 *
 * The constraints of one control (frames, reach, sides) allow a convex set of values, enclosed by lines. A pair allows what lies outside a convex
 * set: so it lies beyond at least one edge of a polygon inside that set. If no choice of edges leaves values that satisfy all lines, the
 * constraints are infeasible. Scenarios, controls and constraints that are left out, sides at their smallest, and polygons instead of curves only
 * make the proof harder, never wrong.
 *
 * A line holds for all values only where a length depends linearly on them. A hit area with a least side has a kink: its side is the larger of two
 * lengths, so `touch/small` is a choice between them, and other lines of its sides are left out. Controls with other kinks (clamped sizes,
 * percentages of the shorter side) are left out.
 */
import { byId } from "../derived/byId";
import type { Shape } from "../engine/geometry/shape";
import { lengthOf } from "../engine/placement/length";
import { ownEntry } from "../engine/playerChanges";
import type { Hit, Layout } from "../format/types";
import { areaOn, areaPlace, targetFor, visualOf, visualPlace, type Constraint, type ConstraintContext } from "./constraints/constraint";
import { sharedPart, type WholeOf } from "./constraints/contact";
import { controlConstraints } from "./constraints/families";
import { derivativeAt, numbersAt, variableTerms, type Derivative, type LayoutMotion, type Numbers } from "./linearize";
import type { PlacedControl, ScenarioData } from "./problem/scenarioData";
import { HIT, NUMBERS, VISUAL } from "./problem/scenarios";
import { hitOf, slotKey, slotUnder } from "./problem/slots";
import { LEAST_SIDE } from "./problem/variables";
import { solveQuadratic, type LinearConstraint } from "./qp";

/** What a proof is about: some controls, the scenarios in which their pairs are considered, and the constraints. */
export interface Claim {
  readonly motion: LayoutMotion;
  readonly data: readonly ScenarioData[];
  readonly context: (data: ScenarioData, numbers: Float64Array) => ConstraintContext;
  readonly ids: ReadonlySet<string>;
  /** The scenarios, by their places, in which pairs are considered. */
  readonly scenarios: readonly number[];
}

/** A linear constraint, and the key of the finding or relation it stands for. */
interface Line extends LinearConstraint {
  readonly key: string;
  readonly scenario: number;
}
/** A pair in a scenario: values satisfy at least one of these lines. */
interface Choice {
  readonly key: string;
  readonly scenario: number;
  readonly lines: readonly LinearConstraint[];
}

/** Constraints that cannot all be satisfied; none of them can be left out. `shortMm`: by how much they are violated at least. */
export interface Infeasible {
  readonly constraints: readonly { readonly key: string; readonly scenario: number }[];
  readonly shortMm: number;
}

/** Corners of the polygon inside the forbidden set of a pair. */
const CORNERS = 8;
/** How many cases are examined for a claim, fewer if each is larger. If there are more, nothing is proved, or a proof is not reduced further. */
const CASES = { effort: 5000, most: 800 };
const mostCases = (n: number) => Math.min(CASES.most, Math.round(CASES.effort / Math.max(1, n)));
/** How often tangents of reach circles are added. */
const MOST_TANGENTS = 8;
/** A violation up to this, mm, counts as none: the margin of Settle itself. */
const SPARE_MM = 0.01;
/** The largest violation that is reported, mm. */
const MOST_SHORT_MM = 256;

/** Tries to prove that the constraints of a claim cannot all be satisfied; null if that is not proved. */
export function provedInfeasible(given: Claim): Infeasible | null {
  const claim = { ...given, ids: new Set([...given.ids].filter((id) => !isCurved(given.motion, id))) };
  const zero = new Float64Array(claim.motion.variables.length);
  const numbers = numbersAt(claim.motion, zero);
  const derivative = derivativeAt(claim.motion, zero, numbers);
  let lines = linesOf(claim, numbers, derivative);
  const every = [...choicesOf(claim, numbers, derivative), ...smallChoicesOf(claim)];
  // An edge that leaves no values even alone is no choice.
  const choices = every.map((choice) => ({
    ...choice,
    lines: choice.lines.filter((line) => valuesFor([...lines, line], [], zero.length, { left: 1 }) !== null),
  }));
  const cases = { left: mostCases(zero.length) };
  for (let turn = 0; turn < MOST_TANGENTS; turn += 1) {
    const found = valuesFor(lines, choices, zero.length, cases);
    if (found === "too many") return null;
    if (found === null) return leastSet(lines, every, zero.length);
    // They satisfy the lines so far; reach is round, so its tangent is added where they are.
    const there = numbersAt(claim.motion, found);
    const more = linesOf(claim, there, derivative, found).filter(
      ({ key, indexes, weights, bound }) => key.startsWith("reach/far") && at(found, indexes, weights) < bound - 1e-6,
    );
    if (more.length === 0) return null;
    lines = [...lines, ...more];
  }
  return null;
}

const at = (values: Float64Array, indexes: readonly number[], weights: readonly number[]) =>
  indexes.reduce((sum, index, k) => sum + weights[k] * values[index], 0);

/** The constraints that allow a convex set. */
const CONVEX = new Set<Constraint["code"]>([
  "place/off-screen",
  "place/unsafe",
  "touch/small",
  "reach/far",
  "feel/fine",
  "feel/travel-cut",
  "held/picture",
  "held/screen",
]);

/** The constraints about sides of a hit area. */
const OF_AREA_SIDES = new Set<Constraint["code"]>(["touch/small", "held/picture", "held/screen"]);

/** The hit areas of a control: in the base, and as overridden. */
function hitsOf({ layout }: LayoutMotion, id: string): readonly Hit[] {
  const control = byId(layout.controls).get(id);
  return control ? [control.hit, ...layout.arrangements.flatMap(({ overrides }) => ownEntry(overrides, id)?.hit ?? [])] : [];
}

const hasLeastSide = (motion: LayoutMotion, id: string): boolean => hitsOf(motion, id).some(({ minMm }) => minMm > 0);

/** Whether lengths of a control do not depend linearly on the variables, beside a least side: its own size changes and is clamped, or is measured by its shorter side. */
function isCurved(motion: LayoutMotion, id: string): boolean {
  const { layout, variables } = motion;
  const sized = variables.filter(({ parts }) => parts.some(({ slot, field }) => slot.kind === "place" && slot.id === id && (field === "w" || field === "h")));
  const control = byId(layout.controls).get(id);
  if (!control || sized.length === 0) return false;
  const placements = [control.placement, ...layout.arrangements.flatMap(({ overrides }) => ownEntry(overrides, id)?.placement ?? [])];
  if (placements.some((placement) => placement.kind === "pin" && placement.clamp !== undefined)) return true;
  const lengths = [
    ...hitsOf(motion, id).flatMap(({ size = [], grow, shift }) => [...size, grow, ...shift]),
    ...(control.kind === "stick" ? [control.feel.travel] : []),
  ];
  const isByShorter = lengths.some((text) => ["%min", "%max"].includes(lengthOf(text).unit) && lengthOf(text).amount !== 0);
  // Sides that change together stay in proportion: the shorter one stays the shorter one.
  return isByShorter && sized.length > 1;
}

/** `touch/small` of hit areas with a least side: a side reaches the target by itself, or the least side does. */
function smallChoicesOf(claim: Claim): Choice[] {
  const { motion } = claim;
  const floored = [...claim.ids].filter((id) => hasLeastSide(motion, id));
  if (floored.length === 0) return [];
  const zero = new Float64Array(motion.variables.length);
  const bare = { ...motion, layout: withoutLeastSides(motion.layout) };
  const numbers = numbersAt(bare, zero);
  const derivative = derivativeAt(bare, zero, numbers);
  return claim.scenarios.flatMap((scenario) => {
    const data = claim.data.find(({ index }) => index === scenario)!;
    const context = claim.context(data, numbers[scenario]);
    return data.controls
      .filter(({ control }) => floored.includes(control.id))
      .flatMap(({ control: { id }, index }) => {
        const { measure } = targetFor(context, "touch/small", [id]);
        const least = leastSideLine(motion, data, id, measure);
        if (least === "reached") return [];
        return [2, 3].map((side): Choice => {
          const at = index * NUMBERS + HIT + side;
          const room = numbers[scenario][at] - measure;
          const row = variableTerms(derivative, scenario, [[at, 1]]);
          const itself = row.indexes.length > 0 || room >= -SPARE_MM ? [{ ...row, bound: -room - SPARE_MM }] : [];
          return { key: `touch/small ${id}`, scenario, lines: [...itself, ...least] };
        });
      });
  });
}

const withoutLeastSides = (layout: Layout): Layout => ({
  ...layout,
  controls: layout.controls.map((c) => ({ ...c, hit: { ...c.hit, minMm: 0 } })),
  arrangements: layout.arrangements.map((a) => ({
    ...a,
    overrides: Object.fromEntries(Object.entries(a.overrides).map(([id, o]) => [id, o.hit ? { ...o, hit: { ...o.hit, minMm: 0 } } : o])),
  })),
});

/** The line by which the least side reaches a target; none if no variable changes it. */
function leastSideLine({ layout, variables }: LayoutMotion, { scenario }: ScenarioData, id: string, target: number): readonly LinearConstraint[] | "reached" {
  const slot = slotUnder(layout, scenario.arrangement, "hit", id);
  const room = hitOf(layout, slot).minMm - target;
  if (room >= -SPARE_MM) return "reached";
  const index = variables.findIndex(({ parts }) => parts.some((part) => part.field === "minMm" && slotKey(part.slot) === slotKey(slot)));
  return index < 0 ? [] : [{ indexes: [index], weights: [variables[index].perMm], bound: -room - SPARE_MM }];
}

/** The lines of the controls' own constraints in every scenario, tangents at `numbers` (values `from`), by the derivatives at the start. */
function linesOf(claim: Claim, numbers: Numbers, derivative: Derivative, from?: Float64Array): Line[] {
  const lines = new Map<string, Line>();
  const add = (finding: string, scenario: number, terms: Constraint["terms"], room: number) => {
    const row = variableTerms(derivative, scenario, terms);
    const moved = from ? at(from, row.indexes, row.weights) : 0;
    const bound = moved - room - SPARE_MM;
    if (row.indexes.length === 0) {
      // No variable changes it.
      if (room < -SPARE_MM) lines.set(`${finding} fixed`, { key: finding, scenario, indexes: [0], weights: [0], bound: 1 });
      return;
    }
    const length = Math.hypot(...row.weights);
    const key = `${finding} ${row.indexes.map((i, k) => `${i}:${(row.weights[k] / length).toFixed(4)}`).join()}`;
    const line = { key: finding, scenario, indexes: row.indexes, weights: row.weights.map((w) => w / length), bound: bound / length };
    const known = lines.get(key);
    if (!known || known.bound < line.bound) lines.set(key, line);
  };
  for (const data of claim.data) {
    const own = { ...data, controls: data.controls.filter(({ control }) => claim.ids.has(control.id)) };
    for (const { code, subjects, terms, value } of controlConstraints(claim.context(own, numbers[data.index])))
      if (CONVEX.has(code) && !(OF_AREA_SIDES.has(code) && hasLeastSide(claim.motion, subjects[0])))
        add(`${code} ${subjects.join(" ")}`, data.index, terms, value);
  }
  claim.motion.variables.forEach(({ low, high, parts }, i) => {
    const key = `range ${parts[0].slot.id}`;
    lines.set(`${key} ${i} low`, { key, scenario: -1, indexes: [i], weights: [1], bound: low });
    lines.set(`${key} ${i} high`, { key, scenario: -1, indexes: [i], weights: [-1], bound: -high });
  });
  return [...lines.values()];
}

/** The choices of pairs of controls, and of controls and zones, in the scenarios of the claim. */
function choicesOf(claim: Claim, numbers: Numbers, derivative: Derivative): Choice[] {
  return claim.scenarios.flatMap((index) => {
    const data = claim.data.find((one) => one.index === index)!;
    const line = numbers[index];
    const context = claim.context(data, line);
    const has = (s: PlacedControl) => claim.ids.has(s.control.id) && !s.underlay;
    const choice = (key: string, a: readonly [Shape, number], b: readonly [Shape, number | null], whole: { of: WholeOf; share: number }): Choice[] => {
      const now = { x: b[0].x + b[0].w / 2 - a[0].x - a[0].w / 2, y: b[0].y + b[0].h / 2 - a[0].y - a[0].h / 2 };
      const edges = edgesInside(a[0], b[0], { ...whole, towards: Math.atan2(now.y, now.x) });
      if (!edges) return [];
      const lines = edges.map(({ x, y, bound }): LinearConstraint => {
        const middle = (from: number, sign: number) => [[from, sign * x], [from + 1, sign * y], [from + 2, (sign * x) / 2], [from + 3, (sign * y) / 2]] as const; // prettier-ignore
        const row = variableTerms(derivative, index, [...middle(a[1], -1), ...(b[1] === null ? [] : middle(b[1], 1))]);
        return { ...row, bound: bound - x * now.x - y * now.y - SPARE_MM };
      });
      return [{ key, scenario: index, lines }];
    };
    const pairs = data.pairs
      .filter(([a, b]) => has(a) && has(b))
      .flatMap(([a, b]) => {
        const { measure } = targetFor(context, "touch/overlap", [a.control.id, b.control.id]);
        const key = `touch/overlap ${a.control.id} ${b.control.id}`;
        return choice(key, [leastArea(line, a, context), areaPlace(a)], [leastArea(line, b, context), areaPlace(b)], { of: "smaller", share: measure });
      });
    const zones = data.zones.flatMap((zone) =>
      data.controls.filter(has).flatMap((one) => {
        const { measure } = targetFor(context, "view/covered", [one.control.id, zone.id]);
        const key = `view/covered ${one.control.id} ${zone.id}`;
        const box = visualOf(line, one);
        return choice(key, [shrunk(box, LEAST_SIDE * box.w, LEAST_SIDE * box.h), visualPlace(one)], [zone.box, null], { of: "b", share: measure });
      }),
    );
    return [...pairs, ...zones];
  });
}

const shrunk = (shape: Shape, w: number, h: number): Shape => ({ ...shape, x: shape.x + (shape.w - w) / 2, y: shape.y + (shape.h - h) / 2, w, h });

/** The smallest that an area may become: as its picture shrinks, but not below its target. */
function leastArea(line: Float64Array, placed: PlacedControl, context: ConstraintContext): Shape {
  const area = areaOn(line, placed);
  const at = placed.index * NUMBERS;
  const { measure } = targetFor(context, "touch/small", [placed.control.id]);
  const side = (now: number, picture: number) => Math.min(now, Math.max(LEAST_SIDE * Math.min(picture, now), Math.min(measure, now)));
  return shrunk(area, side(line[at + HIT + 2], line[at + VISUAL + 2]), side(line[at + HIT + 3], line[at + VISUAL + 3]));
}

/** The edges of a polygon inside the forbidden set of two shapes: x·dx + y·dy ≥ `bound` is beyond an edge. Null if they may be anywhere. */
function edgesInside(
  a: Shape,
  b: Shape,
  { of, share, towards }: { readonly of: WholeOf; readonly share: number; readonly towards: number },
): { x: number; y: number; bound: number }[] | null {
  const about = (x: number, y: number): Shape => ({ ...b, x: a.x + (a.w - b.w) / 2 + x, y: a.y + (a.h - b.h) / 2 + y });
  if (sharedPart(a, about(0, 0), of) < share) return null;
  // One corner lies in the present direction: so a pair that cannot move is reported exactly.
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

/** Values that satisfy all lines and one line of each choice; null if there are none, "too many" if there are too many cases. */
function valuesFor(lines: readonly LinearConstraint[], choices: readonly Choice[], n: number, cases: { left: number }): Float64Array | null | "too many" {
  if (cases.left <= 0) return "too many";
  cases.left -= 1;
  const values = nearestTo0(lines, n);
  if (!values) return null;
  const ordered = [...choices].sort((a, b) => a.lines.length - b.lines.length);
  const open = ordered.find((choice) => choice.lines.every(({ indexes, weights, bound }) => at(values, indexes, weights) < bound - 1e-6));
  if (!open) return values;
  const others = choices.filter((choice) => choice !== open);
  // Nearest edges first: if there are values, they are found sooner.
  const near = [...open.lines].sort((a, b) => a.bound - at(values, a.indexes, a.weights) - (b.bound - at(values, b.indexes, b.weights)));
  for (const line of near) {
    const found = valuesFor([...lines, line], others, n, cases);
    if (found !== null) return found;
  }
  return null;
}

/** The smallest values that satisfy all lines; null if there are none. Few lines are active: they are added as they are violated. */
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
    // Neither found nor excluded: this proves nothing.
    if (!solution.isExact) return values;
  }
}

/**
 * The constraints that a proof needs: one after the other is left out if the proof still holds. And by how much they are violated at least.
 * `every`: the choices with all their edges, since constraints that may be violated can choose edges that leave no values now.
 */
function leastSet(lines: readonly Line[], every: readonly Choice[], n: number): Infeasible | null {
  const left = { short: mostCases(n), fewer: 6 * mostCases(n) };
  const holds = (some: readonly LinearConstraint[], pairs: readonly Choice[], of: keyof typeof left) => {
    const cases = { left: left[of] };
    const found = valuesFor(some, pairs, n, cases);
    left[of] = cases.left;
    return found !== null;
  };
  // With fewer lines an edge that was no choice may be one again.
  let [keptLines, keptChoices] = [lines, every];
  for (const choice of every) {
    const rest = keptChoices.filter((one) => one !== choice);
    if (!holds(keptLines, rest, "fewer")) keptChoices = rest;
  }
  // Constraints that seldom matter are left out together if possible.
  for (const isSeldom of [(key: string) => /^(?:held|reach|feel|place\/off)/.test(key), (key: string) => key.startsWith("range")]) {
    const rest = keptLines.filter((line) => !isSeldom(line.key));
    if (rest.length < keptLines.length && !holds(rest, keptChoices, "fewer")) keptLines = rest;
  }
  for (const key of new Set(keptLines.map((line) => line.key))) {
    const rest = keptLines.filter((line) => line.key !== key);
    if (!holds(rest, keptChoices, "fewer")) keptLines = rest;
  }
  // Of each remaining constraint, only the scenarios that matter.
  for (const line of keptChoices.length === 0 ? keptLines : []) {
    const rest = keptLines.filter((one) => one !== line);
    if (!holds(rest, keptChoices, "fewer")) keptLines = rest;
  }
  const isKept = ({ key, scenario }: Choice) => keptChoices.some((one) => one.key === key && one.scenario === scenario);
  let [low, high] = [0, MOST_SHORT_MM];
  for (let i = 0; i < 14 && left.short > 0; i += 1) {
    const middle = (low + high) / 2;
    const eased = keptLines.map((line) => (line.key.startsWith("range") ? line : { ...line, bound: line.bound - middle }));
    const pairs = every.filter(isKept).map((choice) => ({ ...choice, lines: choice.lines.map((line) => ({ ...line, bound: line.bound - middle })) }));
    if (holds(eased, pairs, "short")) high = middle;
    else low = middle;
  }
  const constraints = new Map<string, { key: string; scenario: number }>();
  for (const { key, scenario } of [...keptChoices, ...keptLines]) {
    const place = keptChoices.length === 0 ? `${key} ${scenario}` : key;
    if (!key.startsWith("range") && !constraints.has(place)) constraints.set(place, { key, scenario });
  }
  return constraints.size === 0 ? null : { constraints: [...constraints.values()], shortMm: low };
}
