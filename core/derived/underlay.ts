/** Ground: what is meant to lie under other controls. */
import { KINDS } from "../engine/kinds";
import type { Control } from "../format/types";

/** Whether a control's area is ground: floating and trailing sticks, touchpads, swipes. */
export function isUnderlay(control: Control): boolean {
  return KINDS[control.kind].isField || (control.kind === "stick" && control.feel.origin !== "fixed");
}
