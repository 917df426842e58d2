/** The rows of the span chart: a finding a row, faces that agree as one. */
import type { AspectProfile, AspectRange } from "./aspectIntervals";
import { findingKey } from "./grid";
import { FINDING_CODES, SEVERITIES } from "./finding";
import type { Layout } from "../format/types";

export interface SpanRow {
  readonly profile: AspectProfile;
  /** The faces it holds for in these intervals, by their places. */
  readonly faces: readonly number[];
}

/** Ends this near are the same: spans are found to 0.0005. */
const SAME_ASPECT = 0.0005;

const sameIntervals = (a: AspectProfile, b: AspectProfile) =>
  a.severity === b.severity &&
  a.intervals.length === b.intervals.length &&
  a.intervals.every(([from, to], i) => Math.abs(from - b.intervals[i][0]) <= SAME_ASPECT && Math.abs(to - b.intervals[i][1]) <= SAME_ASPECT);

/** Rows of all faces that have been computed, in the order of findings; a finding is once for each set of intervals it has. */
export function spanRows(faces: readonly (readonly AspectProfile[] | null)[]): readonly SpanRow[] {
  const rows: { profile: AspectProfile; faces: number[] }[] = [];
  faces.forEach((profiles, face) => {
    for (const profile of profiles ?? []) {
      const key = findingKey(profile);
      const same = rows.find((row) => findingKey(row.profile) === key && sameIntervals(row.profile, profile));
      if (same) same.faces.push(face);
      else rows.push({ profile, faces: [face] });
    }
  });
  const grave = ({ profile }: SpanRow) => SEVERITIES.indexOf(profile.severity) * 100 + FINDING_CODES.indexOf(profile.code);
  return rows.sort((a, b) => grave(a) - grave(b) || (findingKey(a.profile) < findingKey(b.profile) ? -1 : 1));
}

/** The aspects that screens of a layout may have: 0.38 to 2.6, as far as it may be held that way. */
export function aspectsOf({ orientation }: Pick<Layout, "orientation">): Pick<AspectRange, "from" | "to"> {
  switch (orientation) {
    case "landscape":
      return { from: 1, to: 2.6 };
    case "portrait":
      return { from: 0.38, to: 1 };
    case "both":
      return { from: 0.38, to: 2.6 };
  }
}

/** Findings whose measure is worse the less it is. */
const LESS: ReadonlySet<string> = new Set(["touch/small", "touch/close", "feel/fine", "look/faint", "look/overflow"]);

/** A change of a measure that fills a row, at least, as a part of the measure. */
const LEAST_CHANGE = 0.25;

/** How high a bar is at a value, 0.2…1: the worse the higher, against the its own most row. */
export function barHeight({ code, points }: Pick<AspectProfile, "code" | "points">, value: number): number {
  const values = points.map(([, v]) => v);
  const [least, most] = [Math.min(...values), Math.max(...values)];
  // What hardly changes is drawn flat: the noise of an area that is summed numerically is no finding.
  const span = Math.max(most - least, LEAST_CHANGE * Math.abs(most));
  if (!(span > 0)) return 0.7;
  const part = (LESS.has(code) ? most - value : value - least) / span;
  return 0.2 + 0.8 * Math.min(1, part + (1 - (most - least) / span) / 2);
}
