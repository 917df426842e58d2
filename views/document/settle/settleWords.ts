/** What Settle says of its moves, in the words of the interface. */
import { counted } from "../../../core/derived/counted";
import { faceWords } from "../../../core/checks/faceWords";
import type { FindingTally, Severity } from "../../../core/checks/finding";
import { findingKey, type JudgedScreen } from "../../../core/checks/grid";
import type { Scenario } from "../../../core/settle/problem/scenarios";
import type { MoveReason, SettledMove } from "../../../core/settle/moves";
import type { Suggestion } from "../../../core/settle/suggest/suggest";
import type { ScenarioFinding } from "../../../core/settle/verify";
import type { Layout } from "../../../core/format/types";
import { nameOf } from "../names";

/** What a finding of a code asks for, said of `id`; `other` is the second thing it names. */
function constraintWords(code: MoveReason["code"], other: string): string {
  switch (code) {
    case "place/off-screen":
      return "on the screen";
    case "place/unsafe":
      return "in the safe frame";
    case "touch/overlap":
      return `clear of ${other}`;
    case "touch/buried":
      return "not covered by ground";
    case "touch/small":
      return "large enough";
    case "touch/edge":
      return "out of the system’s strips";
    case "touch/steals":
      return `clear of ${other}, which takes taps`;
    case "touch/close":
      return `the gap to ${other}`;
    case "feel/travel-cut":
      return "its travel on the screen";
    case "feel/fine":
      return "enough travel";
    case "reach/far":
      return "within reach";
    case "view/covered":
      return `${other} visible`;
    case "view/crowded":
      return "the view unobstructed";
    case "land/gap":
      return "no gap between landing areas";
    case "misses":
      return other === "" ? "missed less" : `fewer misses on ${other}`;
    default:
      return code;
  }
}

/** "Small 4:3, right hand"; with its size where that is not 1. */
export function scenarioName({ screen, player }: Pick<Scenario, "screen" | "player">): string {
  return `${screen.name}, ${player.playerSize === 1 ? `${player.handed} hand` : faceWords(player)}`;
}

/** Why a control moved: "for: clear of Horn on Small 4:3, right hand". */
export function reasonWords(
  reason: MoveReason,
  id: string,
  { layout, scenarios }: { readonly layout: Layout; readonly scenarios: readonly Scenario[] },
): string {
  const other = reason.subjects.find((subject) => subject !== id);
  const lead = reason.requested ? "for" : "limited by";
  return `${lead}: ${constraintWords(reason.code, other === undefined ? "" : nameOf(layout, other))} · ${scenarioName(scenarios[reason.scenario])}`;
}

/** Findings of several screens by severity; the same one on several screens and faces counts once. */
export function distinctTally(screens: readonly JudgedScreen[]): FindingTally {
  const seen = { blocker: new Set<string>(), warning: new Set<string>(), note: new Set<string>() };
  for (const { faces } of screens) for (const list of faces) for (const f of list) if (f.accepted === null) seen[f.severity].add(findingKey(f));
  return { blocker: seen.blocker.size, warning: seen.warning.size, note: seen.note.size };
}

/** On how many of the screens something of a severity is found. */
export const screensWith = (screens: readonly JudgedScreen[], severity: Severity): number =>
  screens.filter(({ faces }) => faces.some((list) => list.some((f) => f.accepted === null && f.severity === severity))).length;

/** Remaining findings, grouped by code and subjects, in their order. */
export function remainingGroups(remaining: readonly ScenarioFinding[]): readonly (readonly ScenarioFinding[])[] {
  const groups = new Map<string, ScenarioFinding[]>();
  for (const one of remaining) {
    const { code, subjects } = one.finding;
    const key = `${code}\n${subjects.join("\n")}`;
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return [...groups.values()];
}

const listed = (words: readonly string[]) => (words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} and ${words[words.length - 1]}`);

/** What went, in a line: "2 blockers and 5 warnings gone"; of nothing: "nothing fixed". */
export function goneWords(before: FindingTally, after: FindingTally): string {
  const parts = (["blocker", "warning", "note"] as const).flatMap((s) => (before[s] > after[s] ? [counted(before[s] - after[s], s)] : []));
  return parts.length > 0 ? `${listed(parts)} fixed` : "nothing fixed";
}

/** How much has moved: "7 changed, 3.2 mm at most". */
export function movedWords(moves: readonly SettledMove[]): string {
  const farthest = moves.reduce((most, { farthest: way }) => Math.max(most, way), 0);
  return moves.length === 0 ? "no changes" : `${moves.length} changed${farthest >= 0.05 ? `, ${farthest.toFixed(1)} mm at the most` : ""}`;
}

/** A way out in a few words. */
export function wayWords(layout: Layout, way: Suggestion): string {
  switch (way.kind) {
    case "arrangement":
      return way.screens.length === 1 ? `an arrangement for ${way.screens[0]}` : `an arrangement for these ${way.screens.length} screens`;
    case "smaller-targets":
      return `targets of ${way.minTargetMm} mm`;
    case "notes":
      return "allow new and worse notes";
    case "accept":
      return way.findings.length === 1
        ? `accept ${way.findings[0].code} of ${listed(way.findings[0].subjects.map((id) => nameOf(layout, id)))}`
        : `accept these ${way.findings.length} findings`;
    case "one-less":
      return `${nameOf(layout, way.ids[0])} in another moment`;
  }
}
