/** What a report may tell, and all that it is made from. */
import type { AspectProfile, AspectRange } from "../checks/aspectIntervals";
import type { PlayerCase } from "../checks/grid";
import type { Layout } from "../format/types";
import type { ReportedScreen } from "./reportedScreen";
import type { Paper } from "./style";

export const REPORT_PARTS = ["layout", "screens", "sheet", "grid", "spans", "misses", "findings"] as const;
/** What a report may tell. */
export type ReportPart = (typeof REPORT_PARTS)[number];
export const PART_WORDS: Readonly<Record<ReportPart, string>> = {
  layout: "Layout",
  screens: "Screens",
  sheet: "Contact sheet",
  grid: "Grid of findings",
  spans: "Findings by aspect ratio",
  misses: "Misses",
  findings: "Findings",
};

/** mm of the screen a mm of the paper on the contact sheet: life size, a half, a third. */
export const SHRINKS = [1, 2, 3] as const;

/** All that a report is made from. */
export interface ReportSource {
  readonly layout: Layout;
  /** SHA-256 of the layout's file. */
  readonly digest: string;
  /** When it is made, as it is written: "2026-11-26". */
  readonly date: string;
  readonly faces: readonly PlayerCase[];
  readonly screens: readonly ReportedScreen[];
  /** The spans, face by face, over a range; null: not told. */
  readonly spans: { readonly range: AspectRange; readonly faces: readonly (readonly AspectProfile[])[] } | null;
  readonly parts: readonly ReportPart[];
  readonly paper: Paper;
  readonly shrinks: (typeof SHRINKS)[number];
}
