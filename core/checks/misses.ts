/**
 * Where touches meant for a control land, and who takes them (model of the file, "Misses"). Touches fall about the middle of a picture, normally
 * and independently across and down, the wider the larger the target: a dual normal model (Bi, Li and Zhai 2013; Bi and Zhai 2016).
 *
 * The share is an integral over the plane. Down, it is exact: along a column every area is one interval, between whose ends the stack is the
 * same, and the normal distribution has a closed integral. Across, the range is cut wherever an area or the screen begins or ends, and summed
 * by Gauss's and Kronrod's rules, a piece being halved until the two agree: curves that cross within a piece are not known beforehand.
 */
import { KINDS } from "../engine/kinds";
import { reachAt, contains, type Shape } from "../engine/geometry/shape";
import { centreOf, type Point } from "../engine/geometry/point";
import { touchArea } from "../engine/input/ready";
import type { PlayerView, Resolved, ResolvedControl } from "../engine/placement/resolve";
import { pxPerMm } from "../engine/placement/screen";
import { byId } from "../derived/byId";
import type { Control, Layout } from "../format/types";

/** What becomes of the touches meant for a control, as parts of 1: it gets them, others take them (by their ids), nothing takes them. */
export interface ControlMisses {
  readonly id: string;
  readonly hit: number;
  readonly taken: Readonly<Record<string, number>>;
  readonly nothing: number;
}

/** Shares below this are omitted. */
const LEAST_SHARE = 0.0005;
/** So many standard deviations to each side are looked at: beyond lie less than 1e-6 of all touches. */
const FAR = 5;
/** A piece is no wider than this to begin with, in standard deviations: within it a normal curve is as good as a polynomial. */
const PIECE = 3;
/** Where the two rules are farther apart than this in any share, a piece is halved, this many times at most. */
const AGREES = 2e-4;
const HALVINGS = 8;
/** Gauss and Kronrod, 7 and 15 points: places in 0…1, the weight of Kronrod's rule, that of Gauss's (QUADPACK, Piessens et al. 1983, qk15). */
const RULE: readonly (readonly [place: number, kronrod: number, gauss: number])[] = [
  [0, 0.209482141084728, 0.417959183673469],
  [0.207784955007898, 0.204432940075298, 0],
  [0.405845151377397, 0.190350578064785, 0.381830050505119],
  [0.586087235467691, 0.169004726639267, 0],
  [0.741531185599394, 0.140653259715525, 0.279705391489277],
  [0.864864423359769, 0.10479001032225, 0],
  [0.949107912342759, 0.063092092629979, 0.12948496616887],
  [0.991455371120813, 0.022935322010529, 0],
];

/** The part of a standard normal distribution below z, to 1.5e-7 (Abramowitz and Stegun, 7.1.26). @internal exported for its test */
export function normalShare(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) * Math.exp(-x * x);
  return z >= 0 ? 1 - tail / 2 : tail / 2;
}

/** Whether touches are meant for a control's picture: buttons, d-pads, and sticks but those that come to wherever the thumb lands. */
function isTarget(control: Control): boolean {
  const comesToThumb = control.kind === "stick" && control.feel.origin !== "fixed" && control.feel.landing !== undefined;
  return KINDS[control.kind].isTarget && !comesToThumb;
}

interface Area {
  readonly id: string;
  readonly shape: Shape;
  readonly own: boolean;
}
/** Where touches meant for a control fall, px: the middle and the standard deviations. */
interface Scatter {
  readonly x: number;
  readonly y: number;
  readonly sigmaX: number;
  readonly sigmaY: number;
}

/** Who is asked about: a hand, and a moment (null: every control shows). */
export type MissView = Pick<PlayerView, "handed" | "moment">;

/** What is aimed at in a moment: the glass, and of each target where touches meant for it fall. */
function targetsOn(
  layout: Layout,
  resolved: Resolved,
  { handed, moment }: MissView,
): { readonly glass: Glass; readonly targets: ReadonlyMap<string, Scatter> } {
  const controls = byId(layout.controls);
  const mm = pxPerMm(resolved.screen);
  const shown = resolved.controls.filter(({ id }) => moment === null || controls.get(id)!.moments.includes(moment));
  const areas = shown.map((at): Area => ({ id: at.id, shape: touchArea(at), own: at.sharing === "own" })).reverse();
  const { biasMm, baseMm2, perSize } = layout.limits.scatter;
  const scatterOf = ({ visual }: ResolvedControl): Scatter => {
    const centre = centreOf(visual);
    const sigma = (size: number, axis: 0 | 1) => Math.sqrt(baseMm2[axis] + perSize[axis] * (size / mm) ** 2) * mm;
    return {
      x: centre.x + (handed === "left" ? -biasMm[0] : biasMm[0]) * mm,
      y: centre.y + biasMm[1] * mm,
      sigmaX: sigma(visual.w, 0),
      sigmaY: sigma(visual.h, 1),
    };
  };
  const aimed = shown.filter(({ id }) => isTarget(controls.get(id)!));
  return {
    glass: { areas, w: resolved.screen.widthPx, h: resolved.screen.heightPx },
    targets: new Map(aimed.map((at) => [at.id, scatterOf(at)])),
  };
}

/**
 * What becomes of the touches meant for each control that shows in a moment, in the order of the file. `resolved` is of that screen and
 * player, every moment shown. `only`: those of these controls alone.
 */
export function missesOn(layout: Layout, resolved: Resolved, view: MissView, only?: ReadonlySet<string>): ControlMisses[] {
  const { glass, targets } = targetsOn(layout, resolved, view);
  return [...targets].filter(([id]) => !only || only.has(id)).map(([id, scatter]) => missesOf(id, scatter, glass));
}

/** A single touch meant for a control: where it falls, px, and who takes it. */
export interface MeantTouch extends Point {
  readonly taker: string | null;
}

/** The angle between two points of a sunflower: no two are in a line. */
const GOLDEN = Math.PI * (3 - Math.sqrt(5));

/**
 * So many touches meant for a control, as they would scatter: laid out evenly along a spiral, each as likely as the next, so that the same
 * layout always shows the same touches (Vogel 1979; distances by the Rayleigh distribution). None where no touch is meant for it.
 */
export function meantTouches(layout: Layout, resolved: Resolved, view: MissView, { id, count }: { readonly id: string; readonly count: number }): MeantTouch[] {
  const { glass, targets } = targetsOn(layout, resolved, view);
  const scatter = targets.get(id);
  if (!scatter) return [];
  return Array.from({ length: count }, (_, i) => {
    const reach = Math.sqrt(-2 * Math.log(1 - (i + 0.5) / count));
    const point = { x: scatter.x + scatter.sigmaX * reach * Math.cos(i * GOLDEN), y: scatter.y + scatter.sigmaY * reach * Math.sin(i * GOLDEN) };
    return { ...point, taker: takerAt(id, point, glass) };
  });
}

interface Glass {
  /** Top first. */
  readonly areas: readonly Area[];
  readonly w: number;
  readonly h: number;
}

function missesOf(id: string, scatter: Scatter, glass: Glass): ControlMisses {
  const { x, y, sigmaX, sigmaY } = scatter;
  const near = glass.areas.filter(
    ({ shape }) => shape.x <= x + FAR * sigmaX && shape.x + shape.w >= x - FAR * sigmaX && shape.y <= y + FAR * sigmaY && shape.y + shape.h >= y - FAR * sigmaY,
  );
  const aim: Aim = { meant: near.findIndex((area) => area.id === id), scatter, glass, near };
  const shares = new Float64Array(near.length);
  if (sigmaX > 0) for (const [from, to] of pieces(scatter, near, glass.w)) addPiece(aim, [from, to], shares, HALVINGS);
  else if (x >= 0 && x <= glass.w) addColumn(aim, x, (taker, part) => void (shares[taker] += part));
  const taken: Record<string, number> = {};
  near.forEach((area, i) => {
    if (i !== aim.meant && shares[i] >= LEAST_SHARE) taken[area.id] = shares[i];
  });
  const sum = shares.reduce((all, share) => all + share, 0);
  return { id, hit: aim.meant < 0 ? 0 : Math.min(1, shares[aim.meant]), taken, nothing: Math.max(0, 1 - sum) };
}

/** The range across cut where an area, a curve of one, or the screen begins or ends, and into pieces narrow enough to begin with. */
function pieces({ x, y, sigmaX, sigmaY }: Scatter, near: readonly Area[], width: number): [number, number][] {
  const [from, to] = [Math.max(0, x - FAR * sigmaX), Math.min(width, x + FAR * sigmaX)];
  if (!(from < to)) return [];
  const heights = [-3, 0, 3].map((times) => y + times * sigmaY);
  const cuts = near.flatMap(({ shape }) => [shape.x, shape.x + shape.w, ...heights.flatMap((height) => crossings(shape, height))]);
  const sorted = [from, ...[...new Set(cuts)].filter((c) => c > from && c < to).sort((a, b) => a - b), to];
  return sorted.slice(1).flatMap((end, i): [number, number][] => {
    const start = sorted[i];
    const count = Math.max(1, Math.ceil((end - start) / (PIECE * sigmaX)));
    return Array.from({ length: count }, (_, n): [number, number] => [start + ((end - start) * n) / count, start + ((end - start) * (n + 1)) / count]);
  });
}

/** Where the curved ends of an area pass a height: near a steep end all that matters may happen within a px. */
function crossings({ shape, x, y, w, h }: Shape, height: number): readonly number[] {
  if (shape === "box") return [];
  const radius = Math.min(w, h) / 2;
  const [halfW, halfH] = shape === "ellipse" ? [w / 2, h / 2] : [radius, radius];
  // A capsule's ends are halves of circles: what lies between them is straight.
  const [straightW, straightH] = [w / 2 - halfW, h / 2 - halfH];
  const off = Math.max(0, Math.abs(height - y - h / 2) - straightH);
  if (!(off < halfH)) return [];
  const reach = straightW + halfW * Math.sqrt(1 - (off / halfH) ** 2);
  return [x + w / 2 - reach, x + w / 2 + reach];
}

/** Touches meant for one control, and the areas near to where they fall, top first. `meant`: its own among them, −1 where it is not near. */
interface Aim {
  readonly meant: number;
  readonly scatter: Scatter;
  readonly glass: Glass;
  readonly near: readonly Area[];
}

/** Adds what a piece gives to each area near: by the finer rule where it agrees with the coarser, else by its halves. */
function addPiece(aim: Aim, [from, to]: readonly [number, number], shares: Float64Array, halvings: number): void {
  const { x, sigmaX } = aim.scatter;
  const [middle, half] = [(from + to) / 2, (to - from) / 2];
  const [fine, coarse] = [new Float64Array(shares.length), new Float64Array(shares.length)];
  for (const [place, kronrod, gauss] of RULE)
    for (const side of place === 0 ? [0] : [-place, place]) {
      const z = (middle + half * side - x) / sigmaX;
      const density = (half * Math.exp((-z * z) / 2)) / (sigmaX * Math.sqrt(2 * Math.PI));
      addColumn(aim, middle + half * side, (taker, part) => {
        fine[taker] += kronrod * density * part;
        coarse[taker] += gauss * density * part;
      });
    }
  if (halvings > 0 && fine.some((share, i) => Math.abs(share - coarse[i]) > AGREES)) {
    addPiece(aim, [from, middle], shares, halvings - 1);
    addPiece(aim, [middle, to], shares, halvings - 1);
  } else fine.forEach((share, i) => (shares[i] += share));
}

/** Tells what a column gives to each taker, by its place among the areas near: between the ends of the areas the stack is the same. */
function addColumn({ meant, scatter: { y, sigmaY }, glass, near }: Aim, x: number, give: (taker: number, part: number) => void): void {
  const across: Across[] = [];
  const ends: number[] = [];
  for (let place = 0; place < near.length; place += 1) {
    const { shape, own } = near[place];
    const reach = reachAt(shape, x);
    if (reach < 0) continue;
    const middle = shape.y + shape.h / 2;
    const [from, to] = [Math.max(0, middle - reach), Math.min(glass.h, middle + reach)];
    if (from > to) continue;
    across.push({ place, own, from, to });
    if (from < to) ends.push(from, to);
  }
  ends.sort((a, b) => a - b);
  let below = ends.length > 0 ? partBelow(ends[0], y, sigmaY) : 0;
  for (let i = 0; i + 1 < ends.length; i += 1) {
    if (ends[i] === ends[i + 1]) continue;
    const above = partBelow(ends[i + 1], y, sigmaY);
    const taker = takerAcross(meant, across, (ends[i] + ends[i + 1]) / 2);
    if (taker >= 0) give(taker, above - below);
    below = above;
  }
}

/** An area along a column. */
interface Across {
  readonly place: number;
  readonly own: boolean;
  readonly from: number;
  readonly to: number;
}

/** The part of all touches that fall above a height; without a spread all fall at once. */
const partBelow = (at: number, y: number, sigmaY: number): number => (sigmaY > 0 ? normalShare((at - y) / sigmaY) : at > y ? 1 : 0);

/** Who takes a touch at a height of a column: the one meant where it is in the stack, else the top one; −1: nobody. */
function takerAcross(meant: number, across: readonly Across[], at: number): number {
  let top = -1;
  for (const { place, own, from, to } of across) {
    if (at < from || at > to) continue;
    if (place === meant) return place;
    if (top < 0) top = place;
    if (own) break;
  }
  return top;
}

/** Who takes a touch where these areas are, top first: the one meant where it is in the stack, else the top one. */
function takerOf(id: string, areas: readonly Area[]): string | null {
  for (const area of areas) {
    if (area.id === id) return id;
    if (area.own) break;
  }
  return areas.length > 0 ? areas[0].id : null;
}

/** Who has a touch at a point where nothing is held: for those who draw single touches. Null: nothing, or beyond the screen. @internal exported for its test */
export function takerAt(id: string, { x, y }: Point, { areas, w, h }: Glass): string | null {
  if (x < 0 || y < 0 || x > w || y > h) return null;
  return takerOf(
    id,
    areas.filter(({ shape }) => contains(shape, x, y)),
  );
}
