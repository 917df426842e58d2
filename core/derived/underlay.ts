/** Ground: what is meant to lie under other controls. */
import type { Control } from "../format/types";

/** Whether a control's area is ground: floating and trailing sticks, touchpads, swipes. */
export function isUnderlay(control: Control): boolean {
  return control.kind === "touchpad" || control.kind === "swipe" || (control.kind === "stick" && control.feel.origin !== "fixed");
}
