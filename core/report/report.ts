/**
 * The report: one printable document about a layout, whole in one HTML file, which needs no network and runs nothing. Every number of it is
 * made by the same computation as the views and the command line; see docs/REPORT.md.
 */
import { counted } from "../derived/counted";
import { faceWords } from "../checks/faceWords";
import { cellOf, facedFindings } from "../checks/grid";
import { element, escaped } from "../drawing/svgElement";
import { documentHtml } from "./document";
import type { ReportedScreen } from "./reportedScreen";
import { contactSheetPart, drawnPart, screensPart } from "./drawnParts";
import { PART_WORDS, REPORT_PARTS, type ReportPart, type ReportSource } from "./reportSource";
import { reportStyle } from "./style";
import { findingsPart, gridPart, missesPart, spansPart } from "./tableParts";

/** The document. */
export function reportHtml(source: ReportSource): string {
  const { layout, paper, parts } = source;
  const inside: Readonly<Record<ReportPart, () => string>> = {
    layout: () => drawnPart(source),
    screens: () => screensPart(source),
    sheet: () => contactSheetPart(source),
    grid: () => gridPart(source),
    spans: () => spansPart(source),
    misses: () => missesPart(source),
    findings: () => findingsPart(source),
  };
  const told = REPORT_PARTS.filter((part) => parts.includes(part))
    .map((part) => element("section", { id: `part-${part}` }, element("h2", {}, escaped(PART_WORDS[part])) + inside[part]()))
    .join("\n");
  return documentHtml({ title: `${layout.name}: report`, style: reportStyle(paper), content: `${head(source)}\n${told}` });
}

/** All findings of a report that nobody lives with, the same of several faces of a screen once. */
const openOn = ({ faces }: ReportedScreen) => cellOf(facedFindings(faces));

function head({ layout, digest, date, faces, screens }: ReportSource): string {
  const cells = screens.map(openOn);
  const on = (severity: "blocker" | "warning") => cells.filter((cell) => (cell?.tally[severity] ?? 0) > 0).length;
  const verdict =
    on("blocker") > 0
      ? element("p", { class: "blocker" }, `■ blockers on ${on("blocker")} of ${counted(screens.length, "screen")}`)
      : on("warning") > 0
        ? element("p", { class: "warning" }, `◆ no blockers; warnings on ${on("warning")} of ${counted(screens.length, "screen")}`)
        : element("p", {}, `No blockers and no warnings on ${counted(screens.length, "screen")}`);
  const rows: readonly (readonly [string, string])[] = [
    ["made on", escaped(date)],
    ["digest", element("code", {}, digest)],
    ["judged on", `${counted(screens.length, "screen")}, each for ${faces.map((face) => escaped(faceWords(face))).join("; ")}`],
    [
      "holds",
      `${counted(layout.controls.length, "control")}, ${counted(layout.actions.length, "action")}, ${counted(layout.moments.length, "moment")}, ${counted(layout.arrangements.length, "arrangement")}`,
    ],
  ];
  return element(
    "header",
    {},
    element("h1", {}, escaped(layout.name)) +
      verdict +
      element("dl", {}, rows.map(([name, value]) => element("dt", {}, name) + element("dd", {}, value)).join("")),
  );
}
