/** The handles of a box, and what a drag of each makes of it. */
import type { Box } from "../../core/engine/geometry/point";
import { snapEdge, type Guide, type SnapTargets } from "../../core/editing/snap";

export const HANDLES = [
  { key: "nw", fx: 0, fy: 0, cursor: "nwse-resize" },
  { key: "n", fx: 0.5, fy: 0, cursor: "ns-resize" },
  { key: "ne", fx: 1, fy: 0, cursor: "nesw-resize" },
  { key: "e", fx: 1, fy: 0.5, cursor: "ew-resize" },
  { key: "se", fx: 1, fy: 1, cursor: "nwse-resize" },
  { key: "s", fx: 0.5, fy: 1, cursor: "ns-resize" },
  { key: "sw", fx: 0, fy: 1, cursor: "nesw-resize" },
  { key: "w", fx: 0, fy: 0.5, cursor: "ew-resize" },
] as const;
export type HandleKey = (typeof HANDLES)[number]["key"];

/** A drag of a handle: how far it has gone, px; no side becomes less than `least`; `keep`: the proportion stays. */
export interface HandleDrag {
  readonly key: HandleKey;
  readonly dx: number;
  readonly dy: number;
  readonly least: number;
  readonly keep: boolean;
}

/** The box after its handle has gone by (dx, dy); the opposite side or corner stays. `keep`: the proportion stays too. No side becomes less than `least`. */
export function draggedBox(box: Box, { key, dx, dy, least, keep }: HandleDrag): Box {
  const handle = HANDLES.find((h) => h.key === key)!;
  const signX = handle.fx * 2 - 1;
  const signY = handle.fy * 2 - 1;
  let w = Math.max(least, box.w + signX * dx);
  let h = Math.max(least, box.h + signY * dy);
  if (keep && box.w > 0 && box.h > 0) {
    const wish = signX === 0 ? h / box.h : signY === 0 ? w / box.w : Math.max(w / box.w, h / box.h);
    const growth = Math.max(wish, least / Math.min(box.w, box.h));
    w = box.w * growth;
    h = box.h * growth;
  } else if (signX === 0) w = box.w;
  else if (signY === 0) h = box.h;
  return sized(box, handle, w, h);
}

/** The box with other sides, what is opposite to the handle held still. */
function sized(box: Box, { fx, fy }: { fx: number; fy: number }, w: number, h: number): Box {
  return { x: box.x + (fx === 0 ? box.w - w : fx === 0.5 ? (box.w - w) / 2 : 0), y: box.y + (fy === 0 ? box.h - h : fy === 0.5 ? (box.h - h) / 2 : 0), w, h };
}

/** The same with the dragged edges snapped; of a kept proportion the edge along x leads. */
export function snappedBox(box: Box, drag: HandleDrag, targets: SnapTargets): { box: Box; guides: Guide[] } {
  const { key, least, keep } = drag;
  const handle = HANDLES.find((h) => h.key === key)!;
  const free = draggedBox(box, drag);
  const end = (f: number) => (f === 0 ? "from" : "to");
  const x = handle.fx === 0.5 ? null : snapEdge(free, "x", end(handle.fx), targets);
  const y = handle.fy === 0.5 || (keep && x) ? null : snapEdge(free, "y", end(handle.fy), targets);
  if (!x && !y) return { box: free, guides: [] };
  const w = free.w + (handle.fx * 2 - 1) * (x?.shift ?? 0);
  const h = free.h + (handle.fy * 2 - 1) * (y?.shift ?? 0);
  if (w < least || h < least) return { box: free, guides: [] };
  const guides = [x, y].flatMap((s) => (s ? [s.guide] : []));
  if (!keep) return { box: sized(box, handle, w, h), guides };
  const growth = x ? w / box.w : h / box.h;
  return { box: sized(box, handle, box.w * growth, box.h * growth), guides };
}
