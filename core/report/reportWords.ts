/** What several parts of a report say in the same words. */
import { tallyOf, type Finding } from "../checks/finding";
import { byId, nameById } from "../derived/byId";
import { aspectOf, pxPerMm } from "../engine/placement/screen";
import { element } from "../drawing/svgElement";
import type { Layout } from "../format/types";
import type { ReportedScreen } from "./reportedScreen";

/** The name of what a finding is about; of an action the word itself. */
export const nameIn = (layout: Layout, id: string): string => nameById(layout, id) ?? id;

/** The name of a moment; of one that is not there its id. */
export const momentIn = (layout: Layout, id: string): string => byId(layout.moments).get(id)?.name ?? id;

/** The screen in mm, across and down. */
export function sizeWords({ screen }: ReportedScreen): string {
  const mm = pxPerMm(screen);
  return `${(screen.widthPx / mm).toFixed(0)} × ${(screen.heightPx / mm).toFixed(0)} mm`;
}
export const aspectWords = ({ screen }: ReportedScreen): string => aspectOf(screen).toFixed(3);

/** A tally in marks and figures; a tick where nothing is open. */
export function tallyMarks(findings: readonly Pick<Finding, "severity" | "accepted">[]): string {
  const tally = tallyOf(findings);
  const marks = (
    [
      ["blocker", "■"],
      ["warning", "◆"],
      ["note", "○"],
    ] as const
  ).flatMap(([severity, sign]) => (tally[severity] > 0 ? [element("span", { class: severity }, `${sign} ${tally[severity]}`)] : []));
  return marks.length > 0 ? marks.join(" ") : "✓";
}
