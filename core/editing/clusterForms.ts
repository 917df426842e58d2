/** How controls of a cluster are set: pure figures, of sizes and a thumb. */
import type { Point } from "../engine/geometry/point";

export const CLUSTER_FORMS = ["arc", "ring", "row", "column"] as const;
/** How controls of a cluster are set: on an arc about the thumb, in a ring, in a row, in a column. */
export type ClusterForm = (typeof CLUSTER_FORMS)[number];

/** What a form is set about, px: the cluster's middle, and the thumb that reaches for it. */
export interface About {
  readonly middle: Point;
  readonly thumb: Point;
}

/**
 * Where boxes of given sizes are in a form, their common middle about (0, 0), px. An arc runs about `thumb`, at the
 * distance that the middle of the cluster has from it, so that every control is as easy to reach; the largest box comes
 * first, nearest the thumb's own line. Neighbours are `gap` px apart.
 */
export function formed(form: ClusterForm, sizes: readonly { readonly w: number; readonly h: number }[], gap: number, { middle, thumb }: About): Point[] {
  const n = sizes.length;
  if (n === 0) return [];
  const along = (i: number) => (form === "column" ? sizes[i].h : form === "row" ? sizes[i].w : Math.max(sizes[i].w, sizes[i].h));
  const total = sizes.reduce((sum, _, i) => sum + along(i), 0) + gap * (n - 1);
  if (form === "row" || form === "column") {
    let reached = -total / 2;
    return sizes.map((_, i) => {
      const at = reached + along(i) / 2;
      reached += along(i) + gap;
      return form === "row" ? { x: at, y: 0 } : { x: 0, y: at };
    });
  }
  if (form === "ring") {
    if (n === 1) return [{ x: 0, y: 0 }];
    // The chord between neighbours must be at least their common size and the gap.
    const chord = Math.max(...sizes.map((_, i) => (along(i) + along((i + 1) % n)) / 2)) + gap;
    const radius = chord / 2 / Math.sin(Math.PI / n);
    return sizes.map((_, i) => {
      const angle = -Math.PI / 2 + (2 * Math.PI * i) / n;
      return { x: Math.cos(angle) * radius, y: Math.sin(angle) * radius };
    });
  }
  const radius = Math.max(Math.hypot(middle.x - thumb.x, middle.y - thumb.y), total / Math.PI, 1);
  const home = Math.atan2(middle.y - thumb.y, middle.x - thumb.x);
  // Each step of the arc has a chord as long as the two half sizes and the gap.
  const steps = sizes.slice(1).map((_, i) => 2 * Math.asin(Math.min(1, ((along(i) + along(i + 1)) / 2 + gap) / 2 / radius)));
  const whole = steps.reduce((sum, s) => sum + s, 0);
  const turn = middle.x >= thumb.x ? 1 : -1;
  let angle = home - (turn * whole) / 2;
  const points = sizes.map((_, i) => {
    if (i > 0) angle += turn * steps[i - 1];
    return { x: Math.cos(angle) * radius, y: Math.sin(angle) * radius };
  });
  const centre = { x: Math.cos(home) * radius, y: Math.sin(home) * radius };
  return points.map((p) => ({ x: p.x - centre.x, y: p.y - centre.y }));
}
