/** How far a box leaves a frame. */
import type { Box } from "../engine/geometry/point";

/** How far a box leaves a frame at the side where it leaves it most, px, and the name of that side; 0 inside. */
export function outside(box: Box, frame: Box): { readonly px: number; readonly side: "left" | "top" | "right" | "bottom" } {
  const sides = [
    ["left", frame.x - box.x],
    ["top", frame.y - box.y],
    ["right", box.x + box.w - frame.x - frame.w],
    ["bottom", box.y + box.h - frame.y - frame.h],
  ] as const;
  const [side, px] = sides.reduce((worst, next) => (next[1] > worst[1] ? next : worst));
  return { px: Math.max(0, px), side };
}
