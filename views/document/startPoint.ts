/** Where things grow that nobody has given a place. */
import { KINDS } from "../../core/engine/kinds";
import type { Point } from "../../core/engine/geometry/point";
import type { ControlKind } from "../../core/format/types";
import type { EditContext } from "../../core/editing/placing";

/** Where something grows that is put down by key: on the side of the thumb that will most likely want it. */
export function startPoint(context: EditContext, kind: ControlKind | "zone"): Point {
  const { widthPx: w, heightPx: h } = context.screen;
  if (kind === "zone") return { x: w / 2, y: h * 0.15 };
  return { x: KINDS[kind].side === "left" ? w * 0.16 : w * 0.84, y: h * 0.7 };
}
