/** Edits of the layout itself, and a layout started from nothing. */
import type { Result } from "../../engine/result";
import { defaultOrientation } from "../../format/dependent";
import { parseLayout } from "../../format/parse";
import { FILE_FORMAT, FILE_VERSION } from "../../format/schema/file";
import type { Layout, Scale } from "../../format/types";
import { checked } from "./checked";

/** An empty layout. Refused where a figure is out of range. */
export function newLayout(name: string, reference: { width: number; height: number }, scale: Partial<Scale> = {}): Result<Layout> {
  return parseLayout({ format: FILE_FORMAT, version: FILE_VERSION, name, reference, scale });
}

/** Changes fields of the layout itself. A new reference turns the orientation with it where that followed the old one. */
export function changeLayout(
  layout: Layout,
  change: Partial<Pick<Layout, "name" | "reference" | "scale" | "orientation" | "picture" | "playerSizes" | "limits" | "workbench" | "accepted" | "appear">>,
): Result<Layout> {
  const next = { ...layout, ...change };
  if (change.reference && !change.orientation && layout.orientation === defaultOrientation(layout.reference))
    next.orientation = defaultOrientation(change.reference);
  return checked(layout, next);
}
