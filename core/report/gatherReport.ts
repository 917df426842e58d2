/** A report from beginning to end, for those who wait for it in one place: the command line and the server. */
import type { AspectRange } from "../checks/aspectIntervals";
import { facesOf, type PlayerCase } from "../checks/grid";
import { aspectsOf } from "../checks/spanRows";
import type { Layout, Screen } from "../format/types";
import { reportScreen, reportSpans, type ReportedScreen } from "./reportedScreen";
import { reportHtml } from "./report";
import { REPORT_PARTS, type ReportPart, type ReportSource } from "./reportSource";

/** The screens that the span chart runs over, unless others are wanted: a phone of 6.1 inches. */
export const SPAN_SIZE: Omit<AspectRange, "from" | "to"> = { diagonalInches: 6.1, ppi: 420, insetsMm: { left: 4, top: 0, right: 4, bottom: 2 } };

/** What is asked of a report; what is omitted is as usual. */
export interface ReportAsked extends Pick<ReportSource, "layout" | "digest" | "date"> {
  readonly screens: readonly Screen[];
  readonly faces?: readonly PlayerCase[];
  readonly parts?: readonly ReportPart[];
  readonly paper?: ReportSource["paper"];
  readonly shrinks?: ReportSource["shrinks"];
}

/** The range of the span chart of a layout. */
export const spanRange = (layout: Layout): AspectRange => ({ ...SPAN_SIZE, ...aspectsOf(layout) });

/** Works it out; before each screen and each face of the spans `step` says how much has been done, of how much. */
export function makeReport(asked: ReportAsked, step: (done: number, all: number) => void = () => undefined): string {
  const { layout, screens, faces = facesOf(layout), parts = REPORT_PARTS } = asked;
  const spanFaces = parts.includes("spans") ? faces : [];
  const all = screens.length + spanFaces.length;
  const told: ReportedScreen[] = screens.map((screen, i) => {
    step(i, all);
    return reportScreen(layout, screen, faces);
  });
  const range = spanRange(layout);
  const spans = spanFaces.map((face, i) => {
    step(screens.length + i, all);
    return reportSpans(layout, range, face);
  });
  const { digest, date, paper = "a4", shrinks = 2 } = asked;
  return reportHtml({ layout, digest, date, faces, screens: told, spans: spans.length > 0 ? { range, faces: spans } : null, parts, paper, shrinks });
}
