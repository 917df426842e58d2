/** Aligning and spacing out: pure figures on boxes, then one edit for all of them. */
import type { Box } from "../engine/geometry/point";
import { refused, type Result } from "../engine/result";
import type { Layout } from "../format/types";
import { placeAll, type EditContext } from "./placing";
import { framesOf } from "../engine/placement/screen";
import { placeableBox, placeableOf } from "./placeables";

export const ALIGNMENTS = ["left", "centre", "right", "top", "middle", "bottom"] as const;
/** left, centre, right: along x; top, middle, bottom: along y. */
export type Alignment = (typeof ALIGNMENTS)[number];

/** The smallest box that holds all of them; null for none. */
export function boundsOf(boxes: readonly Box[]): Box | null {
  if (boxes.length === 0) return null;
  const x = Math.min(...boxes.map((b) => b.x));
  const y = Math.min(...boxes.map((b) => b.y));
  return { x, y, w: Math.max(...boxes.map((b) => b.x + b.w)) - x, h: Math.max(...boxes.map((b) => b.y + b.h)) - y };
}

/** A box aligned within another. @internal exported for its test */
export function alignedBox(box: Box, within: Box, to: Alignment): Box {
  switch (to) {
    case "left":
      return { ...box, x: within.x };
    case "centre":
      return { ...box, x: within.x + (within.w - box.w) / 2 };
    case "right":
      return { ...box, x: within.x + within.w - box.w };
    case "top":
      return { ...box, y: within.y };
    case "middle":
      return { ...box, y: within.y + (within.h - box.h) / 2 };
    case "bottom":
      return { ...box, y: within.y + within.h - box.h };
  }
}

/** Boxes with equal gaps between neighbours along an axis; the first and the last stay. Fewer than three stay as they are. @internal exported for its test */
export function spacedOut(boxes: readonly Box[], axis: "x" | "y"): Box[] {
  if (boxes.length < 3) return [...boxes];
  const [at, side] = axis === "x" ? (["x", "w"] as const) : (["y", "h"] as const);
  const order = [...boxes.keys()].sort((a, b) => boxes[a][at] + boxes[a][side] / 2 - boxes[b][at] - boxes[b][side] / 2);
  const first = boxes[order[0]];
  const last = boxes[order[order.length - 1]];
  const gap = (last[at] + last[side] - first[at] - boxes.reduce((sum, b) => sum + b[side], 0)) / (boxes.length - 1);
  const out = [...boxes];
  let reached = first[at];
  for (const i of order) {
    out[i] = { ...boxes[i], [at]: reached };
    reached += boxes[i][side] + gap;
  }
  return out;
}

function boxesOf(context: EditContext, keys: readonly string[]): (readonly [string, Box])[] {
  return keys.flatMap((key) => {
    const placeable = placeableOf(context.layout, key);
    const box = placeable && placeableBox(context.resolved, placeable);
    return box ? [[key, box] as const] : [];
  });
}

/** Aligns placeables with each other's common box, or a single one with the safe frame. */
export function alignTo(context: EditContext, keys: readonly string[], to: Alignment): Result<Layout> {
  const boxes = boxesOf(context, keys);
  const within = boxes.length === 1 ? framesOf(context.screen, context.layout.picture).safe : boundsOf(boxes.map(([, box]) => box));
  if (!within) return refused("align", "it is not visible on this screen");
  return placeAll(
    context,
    boxes.map(([key, box]) => [key, alignedBox(box, within, to)] as const),
    false,
  );
}

/** Gives three placeables or more equal gaps along an axis. */
export function distribute(context: EditContext, keys: readonly string[], axis: "x" | "y"): Result<Layout> {
  const boxes = boxesOf(context, keys);
  if (boxes.length < 3) return refused("distribute", "equal gaps need at least three controls");
  const out = spacedOut(
    boxes.map(([, box]) => box),
    axis,
  );
  return placeAll(
    context,
    boxes.map(([key], i) => [key, out[i]] as const),
    false,
  );
}
