/** An icon that a control's word, or the action it serves, may represent. */
import type { Control } from "../../../core/format/types";
import { iconFor } from "../../../core/editing/iconFor";
import { ICONS } from "../../../runtime/icons";

/** The icon to propose where one control without an icon is selected; null where none comes to mind. */
export function proposedIcon(controls: readonly Control[]): string | null {
  if (controls.length !== 1 || controls[0].look.icon !== undefined) return null;
  const [{ look, name, serves }] = controls;
  return iconFor([look.label, ...serves.map((s) => s.action), name], Object.keys(ICONS));
}
