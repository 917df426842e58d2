/**
 * The map: every screen there could be, by aspect across and diagonal down, each cell a screen at its middle, judged like any other. Density
 * and insets in mm stay the same. It is computed from coarse to fine, so that the whole is seen before its detail.
 */
import type { Layout, Screen } from "../format/types";
import { screenAt, type AspectRange } from "./aspectIntervals";
import { bareFindings } from "./check";
import { isWorse, SEVERITIES, type BareFinding, type Severity } from "./finding";
import { isMoreSevere, type PlayerCase } from "./grid";

/** What a map spans: aspects, and diagonals in inches. */
export interface MapRange extends Omit<AspectRange, "diagonalInches"> {
  readonly fromInches: number;
  readonly toInches: number;
}

/** Columns and rows of a map, coarse first; each cell of one is four of the next. */
export const MAP_LEVELS = [
  { columns: 8, rows: 6 },
  { columns: 16, rows: 12 },
  { columns: 32, rows: 24 },
  { columns: 64, rows: 48 },
] as const;
/** How finely a map is divided. */
export type MapLevel = (typeof MAP_LEVELS)[number];

/** A finding of a cell over all its faces: the worst of them. `key` reports it apart from others of the map. */
export interface MapFinding {
  readonly key: string;
  readonly code: BareFinding["code"];
  readonly subjects: readonly string[];
  readonly severity: Severity;
  readonly measure: BareFinding["measure"];
}
/** What is found in a cell, worst first; what somebody lives with is omitted. */
export type MapCell = readonly MapFinding[];

/** The aspect and the diagonal in the middle of a cell; row 0 has the largest screens. */
export function middleOf(range: MapRange, { columns, rows }: MapLevel, column: number, row: number): { readonly aspect: number; readonly inches: number } {
  return {
    aspect: range.from + ((column + 0.5) / columns) * (range.to - range.from),
    inches: range.toInches - ((row + 0.5) / rows) * (range.toInches - range.fromInches),
  };
}

/** The screen of a place on the map; not rounded to whole px. */
export function mapScreen({ ppi, insetsMm }: MapRange, { aspect, inches }: { readonly aspect: number; readonly inches: number }): Screen {
  return screenAt({ diagonalInches: inches, ppi, insetsMm }, aspect);
}

/** What is found on a screen of the map, over all faces. @internal exported for its test */
export function mapCell(layout: Layout, screen: Screen, faces: readonly PlayerCase[]): MapCell {
  const worst = new Map<string, BareFinding>();
  for (const face of faces)
    for (const finding of bareFindings(layout, screen, { ...face, moment: null })) {
      if (finding.accepted !== null) continue;
      const key = `${finding.code} ${finding.subjects.join(" ")}`.trim();
      const known = worst.get(key);
      if (!known || isMoreSevere(finding, known)) worst.set(key, finding);
    }
  return [...worst]
    .sort(([, a], [, b]) => (isMoreSevere(a, b) ? -1 : isMoreSevere(b, a) ? 1 : 0))
    .map(([key, { code, subjects, severity, measure }]) => ({ key, code, subjects, severity, measure }));
}

/** The cells of one row. */
export function mapRow(
  layout: Layout,
  range: MapRange,
  { level, row, faces }: { readonly level: MapLevel; readonly row: number; readonly faces: readonly PlayerCase[] },
): MapCell[] {
  return Array.from({ length: level.columns }, (_, column) => mapCell(layout, mapScreen(range, middleOf(range, level, column, row)), faces));
}

/** Every finding of a map, by how many cells it is in, the most first: what contours can be drawn of has a measure. */
export function findingsOfMap(
  rows: readonly (readonly MapCell[] | null)[],
): readonly { readonly key: string; readonly finding: MapFinding; readonly cells: number }[] {
  const found = new Map<string, { finding: MapFinding; cells: number }>();
  for (const cell of rows.flatMap((row) => row ?? []))
    for (const finding of cell) {
      const known = found.get(finding.key);
      if (!known) found.set(finding.key, { finding, cells: 1 });
      else {
        known.cells += 1;
        const worse = SEVERITIES.indexOf(finding.severity) - SEVERITIES.indexOf(known.finding.severity);
        if (worse < 0 || (worse === 0 && isWorse(finding.code, finding.measure, known.finding.measure))) known.finding = finding;
      }
    }
  return [...found].map(([key, one]) => ({ key, ...one })).sort((a, b) => b.cells - a.cells || (a.key < b.key ? -1 : 1));
}
