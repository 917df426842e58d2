/** Where a copy of a control goes: a little inwards from its original, so that both can be seen. */
import { formatLength, lengthOf } from "../../core/layout/length";
import type { Control } from "../../core/layout/types";

/** How far a copy is set off, in layout units. */
const STEP_U = 24;

/** The control set off toward the middle of its frame; a span stays, for its edges are tied. */
export function shiftedCopy(control: Control): Control {
  const { placement } = control;
  if (placement.kind !== "pin") return control;
  const shift = (text: string, anchor: number) => {
    const { amount, unit } = lengthOf(text);
    const step = (unit === "u" || unit === "px" ? STEP_U : unit === "mm" ? 2 : 3) * (anchor > 0.5 ? -1 : 1);
    return formatLength(amount + step, unit);
  };
  const offset: [string, string] = [shift(placement.offset[0], placement.anchor[0]), shift(placement.offset[1], placement.anchor[1])];
  return { ...control, placement: { ...placement, offset } } as Control;
}
