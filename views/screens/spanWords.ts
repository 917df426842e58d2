/** Rows of the span chart in words. */
import type { PlayerCase } from "../../core/checks/grid";
import type { Layout } from "../../core/format/types";
import { momentName, nameOf } from "../document/names";
import type { SpanRow } from "../../core/checks/spanRows";

/** A face in a letter and its size. */
export const shortFace = ({ handed, playerSize }: PlayerCase) => `${handed === "left" ? "L" : "R"}${playerSize}`;

/** What it is about, its code, and the moment it holds in. */
export function rowWords(layout: Layout, { profile: { code, subjects, moment } }: SpanRow): string {
  const about = subjects.map((s) => nameOf(layout, s)).join(", ");
  return `${about || "layout"} · ${code}${moment === null ? "" : ` · ${momentName(layout, moment)}`}`;
}
