/** What differs between two versions of a layout, in a line. */
import { tellingDifferences, type Difference } from "../../core/versions/compare";

const SUMMED = [
  ["moved", "moved"],
  ["sized", "of another size"],
  ["came", "new"],
  ["went", "removed"],
] as const;

/** What differs, in a line: "4 moved, 1 new, 3 other changes". */
export function differenceSummary(differences: readonly Difference[]): string {
  const counts = SUMMED.map(([what, word]) => [differences.filter((d) => d.what === what).length, word] as const);
  const fields = tellingDifferences(differences).filter((d) => !SUMMED.some(([what]) => what === d.what)).length;
  const parts = [...counts, [fields, fields === 1 ? "other change" : "other changes"] as const].filter(([n]) => n > 0).map(([n, word]) => `${n} ${word}`);
  return parts.length === 0 ? "no differences" : parts.join(", ");
}
