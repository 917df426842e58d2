/**
 * Computes how far hit areas can grow before they meet (“Grow hit areas”).
 *
 * A hit area grows by the same length on every side. Two controls that grow by the same length meet at the border of their Voronoi cells.
 * So a control grows until it meets a neighbour that grows as far, the safe frame, a keep-clear zone, or a landing area above it. The
 * smallest growth over all screens applies. Then no two areas overlap, whichever of them grow.
 */
import { byId } from "../derived/byId";
import { resolvedOn } from "../derived/resolved";
import { isUnderlay } from "../derived/underlay";
import { coveredArea } from "../engine/geometry/coveredArea";
import { clearance } from "../engine/geometry/distance";
import type { Box } from "../engine/geometry/point";
import type { Shape } from "../engine/geometry/shape";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import { formatLength } from "../engine/placement/length";
import { touchArea } from "../engine/input/ready";
import { PLAIN_PLAYER_VIEW, type Resolved } from "../engine/placement/resolve";
import { framesOf, pxPerMm } from "../engine/placement/screen";
import { ok, refused, type Result } from "../engine/result";
import type { Control, Hit, Layout, Screen } from "../format/types";
import { changeHit } from "./edits/controls";
import { overrideIn } from "./placeables";

/** Maximum growth, mm; a larger hit area does not help a thumb. */
const MOST_MM = 30;
/** The result is rounded down to this step, mm; the search is finer. */
const STEP_MM = 0.01;

/** The growth of a hit area. `arrangement`: the arrangement whose override changes, or null for the base. `growMm`: the new value of `grow`, before clamps. */
export interface NeighbourGrowth {
  readonly id: string;
  readonly arrangement: string | null;
  readonly growMm: number;
}

/** A hit area on a screen without growth, and the px that each mm of growth adds on each side. */
interface Growing {
  readonly control: Control;
  readonly index: number;
  readonly bare: Shape;
  readonly pxPerGrownMm: number;
  readonly leastPx: number;
}

/** Returns the area extended by `mm` on every side, with sides of at least the control's minimum. */
function grown({ bare, pxPerGrownMm, leastPx }: Growing, mm: number): Shape {
  const w = Math.max(bare.w + 2 * mm * pxPerGrownMm, leastPx);
  const h = Math.max(bare.h + 2 * mm * pxPerGrownMm, leastPx);
  return { shape: bare.shape, x: bare.x + (bare.w - w) / 2, y: bare.y + (bare.h - h) / 2, w, h };
}

/** Returns the largest growth, mm in whole steps, at which a condition holds; 0 if it never holds. */
function largest(holds: (mm: number) => boolean): number {
  if (!holds(0)) return 0;
  if (holds(MOST_MM)) return MOST_MM;
  let [low, high] = [0, MOST_MM];
  while (high - low > STEP_MM / 16) {
    const middle = (low + high) / 2;
    if (holds(middle)) low = middle;
    else high = middle;
  }
  // Whole steps, so that exact results are not lost to the search's tolerance.
  const even = Number((Math.round(low / STEP_MM) * STEP_MM).toFixed(2));
  return holds(even) ? even : Number((Math.floor(low / STEP_MM) * STEP_MM).toFixed(2));
}

const overlaps = (a: Shape, b: Shape) => clearance(a, b).px < -LENGTH_SLACK;
const boxShape = ({ x, y, w, h }: Box): Shape => ({ shape: "box", x, y, w, h });
const isInside = (a: Box, b: Box) =>
  a.x >= b.x - LENGTH_SLACK && a.y >= b.y - LENGTH_SLACK && a.x + a.w <= b.x + b.w + LENGTH_SLACK && a.y + a.h <= b.y + b.h + LENGTH_SLACK;
/** Whether two items are visible in a common moment, or always if there are no moments. */
const meet = (layout: Layout, a: readonly string[], b: readonly string[]) => layout.moments.length === 0 || a.some((moment) => b.includes(moment));

/** Returns the layout with `grow` and `minMm` set to 0 in the base and all arrangements. */
function withoutGrowth(layout: Layout): Layout {
  const bare = (hit: Hit): Hit => ({ ...hit, grow: "0mm", minMm: 0 });
  return {
    ...layout,
    controls: layout.controls.map((c) => ({ ...c, hit: bare(c.hit) })),
    arrangements: layout.arrangements.map((a) => ({
      ...a,
      overrides: Object.fromEntries(Object.entries(a.overrides).map(([id, o]) => [id, o.hit ? { ...o, hit: bare(o.hit) } : o])),
    })),
  };
}

/** `layout`: with its minimum sizes; `resolved`: of the layout without growth. */
function growingOn(layout: Layout, resolved: Resolved, mm: number): Growing[] {
  const known = byId(layout.controls);
  return resolved.controls.flatMap((at) => {
    const control = known.get(at.id);
    if (!control) return [];
    const hit = overrideIn(layout, resolved.arrangement, at.id)?.hit ?? control.hit;
    return [{ control, index: layout.controls.indexOf(control), bare: at.hit, pxPerGrownMm: at.k * mm, leastPx: hit.minMm * mm }];
  });
}

/** A screen with its controls and zones without growth. */
interface OnScreen {
  readonly layout: Layout;
  readonly resolved: Resolved;
  readonly screen: Screen;
  readonly all: readonly Growing[];
}

/** Returns how far a hit area can grow on one screen, mm. */
function roomOn({ layout, resolved, screen, all }: OnScreen, own: Growing): number {
  const safe = framesOf(screen, layout.picture).safe;
  const zones = byId(layout.keepClear);
  const walls = [
    ...resolved.keepClear.filter((z) => meet(layout, own.control.moments, zones.get(z.id)?.moments ?? [])).map(boxShape),
    ...resolved.controls.flatMap((at) => {
      const other = all.find((g) => g.control.id === at.id);
      const above = other !== undefined && other.index > own.index && meet(layout, own.control.moments, other.control.moments);
      return at.landing && above ? [boxShape(at.landing)] : [];
    }),
  ].filter((wall) => !overlaps(grown(own, 0), wall));
  // Ground is ignored, and so are areas that already overlap without growth.
  const neighbours = all.filter(
    (other) =>
      other !== own && !isUnderlay(other.control) && meet(layout, own.control.moments, other.control.moments) && !overlaps(grown(own, 0), grown(other, 0)),
  );
  return largest((mm) => {
    const area = grown(own, mm);
    return isInside(area, safe) && !walls.some((wall) => overlaps(area, wall)) && !neighbours.some((other) => overlaps(area, grown(other, mm)));
  });
}

/** Returns how far the hit areas of some controls can grow on all screens. Ground (landing areas, swipe fields) is omitted. */
export function neighbourGrowth(layout: Layout, ids: readonly string[], screens: readonly Screen[]): NeighbourGrowth[] {
  const bare = withoutGrowth(layout);
  const found = new Map<string, NeighbourGrowth>();
  for (const screen of screens) {
    const resolved = resolvedOn(bare, screen, PLAIN_PLAYER_VIEW);
    const all = growingOn(layout, resolved, pxPerMm(screen));
    for (const own of all) {
      const { id } = own.control;
      if (!ids.includes(id) || isUnderlay(own.control)) continue;
      const arrangement = overrideIn(bare, resolved.arrangement, id)?.hit ? resolved.arrangement : null;
      const key = JSON.stringify([id, arrangement]);
      const growMm = Math.min(found.get(key)?.growMm ?? MOST_MM, roomOn({ layout: bare, resolved, screen, all }, own));
      found.set(key, { id, arrangement, growMm });
    }
  }
  return [...found.values()];
}

/** Applies the growth to the hit areas; pictures do not change. Returns an error if nothing can grow. */
export function applyNeighbourGrowth(layout: Layout, found: readonly NeighbourGrowth[]): Result<Layout> {
  if (found.length === 0) return refused("controls", "none of these has a hit area that can grow on these screens");
  return found.reduce<Result<Layout>>(
    (r, room) => (r.ok ? changeHit(r.value, room.id, { grow: formatLength(room.growMm, "mm") }, room.arrangement) : r),
    ok(layout),
  );
}

/** Returns the share (0…1) of the safe frame outside all hit areas, landing areas and keep-clear zones. */
export function unclaimedPart(layout: Layout, screen: Screen): number {
  const resolved = resolvedOn(layout, screen, PLAIN_PLAYER_VIEW);
  const safe = boxShape(framesOf(screen, layout.picture).safe);
  if (!(safe.w * safe.h > 0)) return 0;
  return 1 - coveredArea(safe, [...resolved.controls.map(touchArea), ...resolved.keepClear.map(boxShape)]) / (safe.w * safe.h);
}
