/** What on a pad has just been moved: for binding by moving it (standard mapping of the W3C Gamepad API). */

/** A pad as it is at a moment: buttons 0…1, axes −1…1. */
export interface PadSnapshot {
  readonly buttons: readonly number[];
  readonly axes: readonly number[];
}

/** A button counts as pressed from here on, as in play (model.md). */
const PRESSED = 0.5;
/** A stick counts as moved when it is this far from where it lay: beyond what worn sticks drift, short of the rim. */
const MOVED = 0.6;

/**
 * The end that has been moved since `rest`, as `pad button 0`, `pad axis 1` or `pad stick left`; null where nothing has.
 * `wants`: whether a stick is taken whole or by the axis it was moved along most. Axes beyond the two sticks are always single.
 */
export function movedEnd(rest: PadSnapshot, now: PadSnapshot, wants: "stick" | "axis"): string | null {
  const button = now.buttons.findIndex((amount, i) => amount >= PRESSED && (rest.buttons[i] ?? 0) < PRESSED);
  if (button >= 0) return `pad button ${button}`;
  let most = -1;
  let far = MOVED;
  now.axes.forEach((at, i) => {
    const way = Math.abs(at - (rest.axes[i] ?? 0));
    if (way >= far) [most, far] = [i, way];
  });
  if (most < 0) return null;
  if (wants === "stick" && most < 4) return `pad stick ${most < 2 ? "left" : "right"}`;
  return `pad axis ${most}`;
}
