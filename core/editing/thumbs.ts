/** Where the thumbs are that hold the device. */
import type { Point } from "../engine/geometry/point";
import type { Layout, Screen } from "../format/types";
import { pxPerMm } from "../engine/placement/screen";

/** The pivots of the thumbs of the grip in use, px: about where they join the hands at the lower corners. */
export function thumbPivots(layout: Pick<Layout, "limits">, screen: Screen): Point[] {
  const y = screen.heightPx - layout.limits.gripUpMm * pxPerMm(screen);
  const left = { x: 0, y };
  const right = { x: screen.widthPx, y };
  switch (layout.limits.grip) {
    case "two-thumbs":
      return [left, right];
    case "left-thumb":
      return [left];
    case "right-thumb":
      return [right];
  }
}

/** The thumb nearest to a point, px: its pivot. */
export function nearestThumb(layout: Pick<Layout, "limits">, screen: Screen, point: Point): Point {
  const far = (p: Point) => Math.hypot(p.x - point.x, p.y - point.y);
  return thumbPivots(layout, screen).reduce((best, p) => (far(p) < far(best) ? p : best));
}
