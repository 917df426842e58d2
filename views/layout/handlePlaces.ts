/** The handles of a box, and what a drag of each makes of it. */
import type { Box } from "../../core/geometry/point";

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

/** The box after its handle has gone by (dx, dy); the opposite side or corner stays. Corners keep the proportion. No side becomes less than `least`. */
export function draggedBox(box: Box, key: HandleKey, dx: number, dy: number, least: number): Box {
  const handle = HANDLES.find((h) => h.key === key)!;
  const signX = handle.fx * 2 - 1;
  const signY = handle.fy * 2 - 1;
  let w = Math.max(least, box.w + signX * dx);
  let h = Math.max(least, box.h + signY * dy);
  if (signX !== 0 && signY !== 0) {
    const growth = Math.max(w / box.w, h / box.h, least / Math.min(box.w, box.h));
    w = box.w * growth;
    h = box.h * growth;
  } else if (signX === 0) w = box.w;
  else h = box.h;
  return { x: signX < 0 ? box.x + box.w - w : box.x, y: signY < 0 ? box.y + box.h - h : box.y, w, h };
}
