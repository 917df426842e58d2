/** Taps: a touch that came and went quickly without going anywhere. Sticks, touchpads, swipes and dials tell them. */
import { magnitude } from "../geometry/point";
import { LENGTH_SLACK, TIME_SLACK } from "../geometry/tolerances";
import type { TapFeel } from "../types";
import type { Contact } from "./events";

/** Where and when a touch began, screen px and ms, and whether it has stayed near. Replaced, never changed. */
export interface TapTrace {
  readonly x: number;
  readonly y: number;
  readonly t: number;
  readonly isNear: boolean;
}
/** What of a control is needed to tell a tap. */
interface Tapped {
  readonly feel: TapFeel;
  readonly mmPx: number;
}

/** A touch begins. */
export const tapBegun = ({ x, y, t }: Contact): TapTrace => ({ x, y, t, isNear: true });

/** It goes to another point. */
export function tapMoved(trace: TapTrace, { feel, mmPx }: Tapped, { x, y }: Contact): TapTrace {
  const isNear = trace.isNear && magnitude(x - trace.x, y - trace.y) <= feel.tapMm * mmPx + LENGTH_SLACK;
  return isNear === trace.isNear ? trace : { ...trace, isNear };
}

/** Whether it was a tap, where it is lifted. */
export const isTap = (trace: TapTrace, { feel }: Tapped, { t }: Contact): boolean => trace.isNear && feel.tapMs > 0 && t - trace.t <= feel.tapMs + TIME_SLACK;
