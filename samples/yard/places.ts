/**
 * Where the yard's bodies stand: discs of one size, as large as they can be, none of which a control's hit area, a landing area or a
 * keep-clear zone covers. Lengths in px of the screen.
 */
import type { Box, Point } from "../../core/engine/geometry/point";
import { framesOf } from "../../core/engine/placement/screen";
import type { Resolved } from "../../core/engine/placement/resolve";
import type { Screen } from "../../core/engine/types";

/** A place for a body. */
export interface Disc {
  readonly cx: number;
  readonly cy: number;
  readonly r: number;
}

/** The room a body's words need below its disc, and to each side of its middle, as parts of its radius. */
const LABEL_ROOM = 0.9;
const LABEL_SIDE = 1.45;
/** Places are tried this many to the screen's shorter side. */
const GRID = 40;
/** The largest and the smallest disc, as parts of the shorter side; between them the size is sought in this many halvings. */
const LARGEST = 0.17;
const SMALLEST = 0.015;
const TRIES = 6;

/** What covers the glass, by the boxes about it: what is seen (hit areas of what shows, and zones), and landing areas, in which nothing is seen. */
export interface Covers {
  readonly seen: readonly Box[];
  readonly landings: readonly Box[];
}

export function coversOf(resolved: Resolved, isShown: (id: string) => boolean): Covers {
  const boxOf = ({ x, y, w, h }: Box): Box => ({ x, y, w, h });
  const shown = resolved.controls.filter((c) => isShown(c.id));
  return { seen: [...shown.map((c) => boxOf(c.hit)), ...resolved.keepClear.map(boxOf)], landings: shown.flatMap((c) => (c.landing ? [boxOf(c.landing)] : [])) };
}

/** Whether a point is nearer to a box than so much. Squares are compared: this is asked millions of times. */
function isNear(box: Box, { x, y }: Point, px: number): boolean {
  const dx = Math.max(box.x - x, 0, x - box.x - box.w);
  const dy = Math.max(box.y - y, 0, y - box.y - box.h);
  return dx * dx + dy * dy < px * px;
}

/** Whether a body at a point, its words included, is covered by nothing and lies within a room. @internal exported for its test */
export function isFree({ cx, cy, r }: Disc, covers: readonly Box[], room: Box): boolean {
  if (cx - r * LABEL_SIDE < room.x || cx + r * LABEL_SIDE > room.x + room.w) return false;
  if (cy - r < room.y || cy + r * (1 + LABEL_ROOM) > room.y + room.h) return false;
  // The words below it are reported by three points of their line.
  const y = cy + r * (1 + LABEL_ROOM / 2);
  const middle = { x: cx, y: cy };
  const words = [
    { x: cx, y },
    { x: cx - 0.9 * r, y },
    { x: cx + 0.9 * r, y },
  ];
  for (const cover of covers) {
    if (isNear(cover, middle, r)) return false;
    for (const word of words) if (isNear(cover, word, r * 0.55)) return false;
  }
  return true;
}

/** Where bodies may be on a screen: within what notches and the system leave, clear of its round corners. */
export function roomOf(screen: Screen): Box {
  const { safe } = framesOf(screen);
  const corner = screen.cornerPx * 0.3;
  return { x: safe.x + corner, y: safe.y + corner, w: Math.max(0, safe.w - 2 * corner), h: Math.max(0, safe.h - 2 * corner) };
}

const apart = (a: Disc, b: Disc) => Math.abs(a.cx - b.cx) >= 2 * LABEL_SIDE * a.r || Math.abs(a.cy - b.cy) >= (2.05 + LABEL_ROOM) * a.r;

/** As many places of one size as fit, row by row, up to a count. */
function packed(r: number, count: number, covers: readonly Box[], room: Box): Disc[] {
  const { x, y, w, h } = room;
  const step = Math.min(w, h) / GRID;
  const placed: Disc[] = [];
  for (let cy = y + r; cy + r <= y + h && placed.length < count; cy += step)
    for (let cx = x + r; cx + r <= x + w && placed.length < count; cx += step) {
      const at = { cx, cy, r };
      if (placed.every((other) => apart(at, other)) && isFree(at, covers, room)) placed.push(at);
    }
  return placed;
}

/** Places for bodies; faint: they lie behind landing areas, and are drawn so that controls stand out. */
export interface Placing {
  readonly discs: readonly Disc[];
  readonly isFaint: boolean;
}

/** Bodies smaller than this, a part of the shorter side, are not read. */
const READABLE = 0.05;

/** Places that nothing covers; where landing areas leave too little, behind those. */
export function placing(count: number, { seen, landings }: Covers, room: Box): Placing {
  const clear = placesFor(count, [...seen, ...landings], room);
  const isRead = (discs: readonly Disc[]) => discs.length === count && (count === 0 || discs[0].r >= READABLE * Math.min(room.w, room.h));
  if (landings.length === 0 || isRead(clear)) return { discs: clear, isFaint: false };
  return { discs: placesFor(count, seen, room), isFaint: true };
}

/**
 * Places for this many bodies, all of one size: nearly the largest at which all of them fit. Where even the smallest do not (a screen that is
 * covered all over), as many as fit come; the others have no place.
 */
export function placesFor(count: number, covers: readonly Box[], room: Box): readonly Disc[] {
  const shorter = Math.min(room.w, room.h);
  if (count === 0 || shorter <= 0) return [];
  let [least, most] = [shorter * SMALLEST, shorter * LARGEST];
  let best: readonly Disc[] = packed(least, count, covers, room);
  for (let i = 0; i < TRIES && best.length === count; i += 1) {
    const r = (least + most) / 2;
    const placed = packed(r, count, covers, room);
    if (placed.length === count) [best, least] = [placed, r];
    else most = r;
  }
  return best;
}
