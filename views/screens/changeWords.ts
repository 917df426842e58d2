/** Changes of findings in words and marks. */
import { CHANGE_KINDS, type ChangeKind, type ChangeTally, type FaceChange, type FindingChange } from "../../core/checks/findingChanges";
import { measureWords } from "../../core/checks/faceWords";

/** Its own mark for each way a finding changes, so that none hangs on a colour. */
export const CHANGE_MARK: Readonly<Record<ChangeKind, string>> = { new: "+", worse: "↑", better: "↓", resolved: "−" };
export const CHANGE_CLASS: Readonly<Record<ChangeKind, string>> = {
  new: "text-blocker",
  worse: "text-warning",
  better: "text-accent",
  resolved: "text-accent",
};

/** "2 new, 1 gone"; empty where nothing changed. */
export const changesWords = (tally: ChangeTally): string => CHANGE_KINDS.flatMap((kind) => (tally[kind] > 0 ? [`${tally[kind]} ${kind}`] : [])).join(", ");

/** "+2 −1". */
export const changeMarks = (tally: ChangeTally): string =>
  CHANGE_KINDS.flatMap((kind) => (tally[kind] > 0 ? [`${CHANGE_MARK[kind]}${tally[kind]}`] : [])).join(" ");

/** From what to what: "5.2 mm → 7.0 mm", "warning → blocker"; of what is new or gone its severity and measure. */
export function fromTo({ was, is }: FindingChange): string {
  if (!was || !is) {
    const { severity, measure } = (was ?? is)!;
    return [severity, measureWords(measure)].filter(Boolean).join(", ");
  }
  const severity = was.severity === is.severity ? is.severity : `${was.severity} → ${is.severity}`;
  const [before, after] = [measureWords(was.measure), measureWords(is.measure)];
  if (before !== after) return `${severity}, ${before} → ${after}`;
  if (was.moment === is.moment || was.severity !== is.severity) return [severity, after].filter(Boolean).join(", ");
  return `${severity}, ${is.moment === null ? "now in every moment" : "no longer in every moment"}`;
}

/** What a change is about, as rows of the table: its subjects, or nothing of the layout. */
export function changeSubjects({ change }: FaceChange): readonly (string | null)[] {
  const { subjects } = (change.is ?? change.was)!;
  return subjects.length > 0 ? subjects : [null];
}
