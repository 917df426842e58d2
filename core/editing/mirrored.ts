/** The left-handed rule of model.md section 1, applied to the file's own values: what a player sees mirrored, written down as it would have to be laid out. */
import { formatLength, lengthOf } from "../engine/placement/length";
import type { Control, Placement } from "../format/types";
import type { Box } from "../engine/geometry/point";

const turned = (length: string): string => {
  const { amount, unit } = lengthOf(length);
  return formatLength(-amount, unit);
};

/** A fraction of a frame, from the other side; free of the last digit that 1 − 0.95 would leave. */
export const fromOtherSide = (fraction: number): number => Number((1 - fraction).toFixed(12));

/** A placement mirrored in its frame. Twice is the same again. */
export function mirrorPlacement<P extends Placement>(placement: P): P {
  if (placement.kind === "pin") {
    const { anchor, pivot, offset } = placement;
    return { ...placement, anchor: [fromOtherSide(anchor[0]), anchor[1]], pivot: [fromOtherSide(pivot[0]), pivot[1]], offset: [turned(offset[0]), offset[1]] };
  }
  const { from, to, inset } = placement;
  return {
    ...placement,
    from: [fromOtherSide(to[0]), from[1]],
    to: [fromOtherSide(from[0]), to[1]],
    inset: { ...inset, left: inset.right, right: inset.left },
  };
}

/** A control mirrored: its place, its hit area's shift, its landing area. What it gives is not. */
export function mirrorControl(control: Control): Control {
  const hit = { ...control.hit, shift: [turned(control.hit.shift[0]), control.hit.shift[1]] as [string, string] };
  const mirrored = { ...control, placement: mirrorPlacement(control.placement), hit } as Control;
  if (mirrored.kind !== "stick" || !mirrored.feel.landing) return mirrored;
  return { ...mirrored, feel: { ...mirrored.feel, landing: mirrorPlacement(mirrored.feel.landing) } };
}

/** A box mirrored in a frame, px. */
export function mirrorBox<B extends Box>(box: B, frame: Box): B {
  return { ...box, x: 2 * frame.x + frame.w - box.x - box.w };
}
