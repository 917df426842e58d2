/**
 * Where touches meant for a control land, and who takes them (model of the file, "Misses"). Touches fall about the middle of a picture, normally
 * and independently across and down, the wider the larger the target: a dual normal model (Bi, Li and Zhai 2013; Bi and Zhai 2016).
 *
 * The share is an integral over the plane. Down, it is exact: along a column every area is one interval, between whose ends the stack is the
 * same, and the normal distribution has a closed integral. Across, the range is cut wherever an area or the screen begins or ends, and summed
 * by Gauss's rule of ten points in each piece, narrow enough for the curved ends of ellipses.
 */
import { reachAt, contains, type Shape } from "../engine/geometry/shape";
import { centreOf, type Point } from "../engine/geometry/point";
import { touchArea } from "../engine/input/ready";
import type { PlayerView, Resolved } from "../engine/placement/resolve";
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

/** Shares below this are left out. */
const LEAST_SHARE = 0.0005;
/** So many standard deviations to each side are looked at: beyond lie less than 1e-6 of all touches. */
const FAR = 5;
/** A piece is no wider than this, in standard deviations: within it a normal curve is as good as a polynomial. */
const PIECE = 1.25;
/** Gauss–Legendre, ten points: places in −1…1 and weights (Abramowitz and Stegun, table 25.4). */
const GAUSS: readonly (readonly [number, number])[] = [
  [0.1488743389816312, 0.2955242247147529],
  [0.4333953941292472, 0.2692667193099963],
  [0.6794095682990244, 0.219086362515982],
  [0.8650633666889845, 0.1494513491505806],
  [0.9739065285171717, 0.0666713443086881],
].flatMap(([x, w]): [number, number][] => [
  [-x, w],
  [x, w],
]);

/** The part of a standard normal distribution below z, to 1.5e-7 (Abramowitz and Stegun, 7.1.26). */
export function normalShare(z: number): number {
  const x = Math.abs(z) / Math.SQRT2;
  const t = 1 / (1 + 0.3275911 * x);
  const tail = t * (0.254829592 + t * (-0.284496736 + t * (1.421413741 + t * (-1.453152027 + t * 1.061405429)))) * Math.exp(-x * x);
  return z >= 0 ? 1 - tail / 2 : tail / 2;
}

/** Whether touches are meant for a control's picture: buttons, d-pads, and sticks but those that come to wherever the thumb lands. */
function isTarget(control: Control): boolean {
  if (control.kind === "button" || control.kind === "dpad") return true;
  return control.kind === "stick" && !(control.feel.origin !== "fixed" && control.feel.landing !== undefined);
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

/** What becomes of the touches meant for each control that shows in a moment (null: every one), in the order of the file. `resolved` is of that screen and player, every moment shown. */
export function missesOn(layout: Layout, resolved: Resolved, { handed, moment }: Pick<PlayerView, "handed" | "moment">): ControlMisses[] {
  const controls = byId(layout.controls);
  const mm = pxPerMm(resolved.screen);
  const shown = resolved.controls.filter(({ id }) => moment === null || controls.get(id)!.moments.includes(moment));
  const areas = shown.map((at): Area => ({ id: at.id, shape: touchArea(at), own: at.sharing === "own" })).reverse();
  const { biasMm, baseMm2, perSize } = layout.limits.scatter;
  return shown
    .filter(({ id }) => isTarget(controls.get(id)!))
    .map((at) => {
      const centre = centreOf(at.visual);
      const sigma = (size: number, axis: 0 | 1) => Math.sqrt(baseMm2[axis] + perSize[axis] * (size / mm) ** 2) * mm;
      const scatter: Scatter = {
        x: centre.x + (handed === "left" ? -biasMm[0] : biasMm[0]) * mm,
        y: centre.y + biasMm[1] * mm,
        sigmaX: sigma(at.visual.w, 0),
        sigmaY: sigma(at.visual.h, 1),
      };
      return missesOf(at.id, scatter, { areas, w: resolved.screen.widthPx, h: resolved.screen.heightPx });
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
  const shares = new Map<string, number>();
  const give = (taker: string, share: number) => void shares.set(taker, (shares.get(taker) ?? 0) + share);
  if (sigmaX <= 0) addColumn(x, 1, { id, scatter, glass, near, give });
  else
    for (const [from, to] of pieces(scatter, near, glass.w)) {
      const [middle, half] = [(from + to) / 2, (to - from) / 2];
      for (const [place, weight] of GAUSS) {
        const at = middle + half * place;
        const z = (at - x) / sigmaX;
        const density = Math.exp((-z * z) / 2) / (sigmaX * Math.sqrt(2 * Math.PI));
        addColumn(at, weight * half * density, { id, scatter, glass, near, give });
      }
    }
  const hit = shares.get(id) ?? 0;
  const others = [...shares].filter(([taker, share]) => taker !== id && share >= LEAST_SHARE);
  const sum = [...shares.values()].reduce((a, b) => a + b, 0);
  return { id, hit, taken: Object.fromEntries(others), nothing: Math.max(0, 1 - sum) };
}

/** The range across cut where an area, a curve of one, or the screen begins or ends, and into pieces narrow enough. */
function pieces({ x, sigmaX }: Scatter, near: readonly Area[], width: number): [number, number][] {
  const [from, to] = [Math.max(0, x - FAR * sigmaX), Math.min(width, x + FAR * sigmaX)];
  if (!(from < to)) return [];
  const cuts = near.flatMap(({ shape }) => {
    const radius = shape.shape === "capsule" ? Math.min(shape.w, shape.h) / 2 : 0;
    const ends = [shape.x, shape.x + shape.w, shape.x + radius, shape.x + shape.w - radius];
    // The steep ends of a curve have pieces of their own.
    const steep = shape.shape === "box" ? [] : [0.02, 0.1].flatMap((part) => [shape.x + part * shape.w, shape.x + (1 - part) * shape.w]);
    return [...ends, ...steep];
  });
  const sorted = [from, ...[...new Set(cuts)].filter((c) => c > from && c < to).sort((a, b) => a - b), to];
  return sorted.slice(1).flatMap((end, i): [number, number][] => {
    const start = sorted[i];
    const count = Math.max(1, Math.ceil((end - start) / (PIECE * sigmaX)));
    return Array.from({ length: count }, (_, n): [number, number] => [start + ((end - start) * n) / count, start + ((end - start) * (n + 1)) / count]);
  });
}

interface Column {
  readonly id: string;
  readonly scatter: Scatter;
  readonly glass: Glass;
  readonly near: readonly Area[];
  readonly give: (taker: string, share: number) => void;
}

/** Adds what a column gives to each taker: between the ends of the areas the stack is the same. */
function addColumn(x: number, weight: number, { id, scatter: { y, sigmaY }, glass, near, give }: Column): void {
  const across = near.flatMap((area) => {
    const reach = reachAt(area.shape, x);
    const middle = area.shape.y + area.shape.h / 2;
    return reach < 0 ? [] : [{ area, from: Math.max(0, middle - reach), to: Math.min(glass.h, middle + reach) }];
  });
  const ends = [...new Set(across.flatMap(({ from, to }) => (from < to ? [from, to] : [])))].sort((a, b) => a - b);
  for (let i = 0; i + 1 < ends.length; i += 1) {
    const middle = (ends[i] + ends[i + 1]) / 2;
    const taker = takerOf(
      id,
      across.filter(({ from, to }) => from <= middle && middle <= to).map(({ area }) => area),
    );
    if (taker === null) continue;
    const part = sigmaY > 0 ? normalShare((ends[i + 1] - y) / sigmaY) - normalShare((ends[i] - y) / sigmaY) : y >= ends[i] && y <= ends[i + 1] ? 1 : 0;
    give(taker, weight * part);
  }
}

/** Who takes a touch where these areas are, top first: the one meant where it is in the stack, else the top one. */
function takerOf(id: string, areas: readonly Area[]): string | null {
  for (const area of areas) {
    if (area.id === id) return id;
    if (area.own) break;
  }
  return areas.length > 0 ? areas[0].id : null;
}

/** Who has a touch at a point where nothing is held: for those who draw single touches. Null: nothing, or beyond the screen. */
export function takerAt(id: string, { x, y }: Point, { areas, w, h }: Glass): string | null {
  if (x < 0 || y < 0 || x > w || y > h) return null;
  return takerOf(
    id,
    areas.filter(({ shape }) => contains(shape, x, y)),
  );
}
