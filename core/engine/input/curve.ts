/** Response curves: from how far the thumb has gone (0…1, dead zone taken off) to how much the stick gives (0…1). */
import { clampTo } from "../geometry/point";
import { LENGTH_SLACK } from "../geometry/tolerances";
import type { Curve } from "../types";

/** The curve's value at an argument 0…1; arguments under 1e-9 count as 0. */
export function curveAt(curve: Curve, argument: number): number {
  const u = argument < LENGTH_SLACK ? 0 : argument;
  switch (curve.kind) {
    case "linear":
      return u;
    case "power":
      return Math.pow(u, curve.exponent);
    case "bezier":
      return clampTo(bezierAt(curve, u), 0, 1);
    case "full":
      return u > 0 ? 1 : 0;
  }
}

/** CSS cubic-bezier (CSS Easing Functions Level 1, section 2.2): the y of the curve where its x is `x`. x1, x2 lie in 0…1, so x rises with t and bisection cannot fail. */
function bezierAt({ x1, y1, x2, y2 }: Curve & { kind: "bezier" }, x: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const along = (a: number, b: number, t: number) => 3 * (1 - t) * (1 - t) * t * a + 3 * (1 - t) * t * t * b + t * t * t;
  let low = 0;
  let high = 1;
  let t = x;
  for (let i = 0; i < 60; i += 1) {
    const off = along(x1, x2, t) - x;
    if (Math.abs(off) < 1e-14) break;
    if (off > 0) high = t;
    else low = t;
    const slope = 3 * (1 - t) * (1 - t) * x1 + 6 * (1 - t) * t * (x2 - x1) + 3 * t * t * (1 - x2);
    const newton = slope > 1e-9 ? t - off / slope : -1;
    t = newton > low && newton < high ? newton : (low + high) / 2;
  }
  return along(y1, y2, t);
}
