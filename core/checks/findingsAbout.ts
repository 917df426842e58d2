/** What is found of some controls on screens, for players: asked where controls have just been made. */
import { resolvedOn } from "../derived/resolved";
import type { Layout, Screen } from "../format/types";
import { findingsOfSome, type WordedFinding } from "./check";
import { checkContext, nearTo } from "./context";
import { playersWords } from "./faceWords";
import { isWorse, SEVERITIES } from "./finding";
import type { PlayerCase } from "./grid";
import type { Say } from "./say";

/** A finding, and the screen and player for whom it is worst. */
export interface FindingAbout {
  readonly finding: WordedFinding;
  readonly screen: Screen;
  readonly player: PlayerCase;
}

const rank = ({ severity }: WordedFinding) => SEVERITIES.indexOf(severity);
const isMoreSevere = (a: WordedFinding, b: WordedFinding) => rank(a) < rank(b) || (rank(a) === rank(b) && isWorse(a.code, a.measure, b.measure));

/** The findings that name one of the controls, each once, worst first. Accepted ones, and what their wires alone decide, are omitted. */
export function findingsAbout(layout: Layout, ids: readonly string[], screens: readonly Screen[], players: readonly PlayerCase[]): FindingAbout[] {
  const about = new Set(ids);
  const worst = new Map<string, FindingAbout>();
  for (const screen of screens)
    for (const player of players) {
      const view = { ...player, moment: null };
      const context = checkContext(layout, resolvedOn(layout, screen, view));
      const own = context.placed.filter(({ control }) => about.has(control.id));
      const found = [
        ...findingsOfSome({ ...context, placed: own }, view, "alone"),
        ...findingsOfSome({ ...context, placed: nearTo(context, own), about }, view, "together"),
      ];
      for (const finding of found) {
        if (finding.accepted !== null || finding.code.startsWith("bind/") || !finding.subjects.some((id) => about.has(id))) continue;
        const key = `${finding.code} ${finding.subjects.join(" ")}`;
        const before = worst.get(key);
        if (!before || isMoreSevere(finding, before.finding)) worst.set(key, { finding, screen, player });
      }
    }
  return [...worst.values()].sort((a, b) => rank(a.finding) - rank(b.finding));
}

/** The worst of some findings in a sentence, with for whom, and how many more there are; empty for none. */
export function saidAbout(found: readonly FindingAbout[], say: Say): string {
  if (found.length === 0) return "";
  const [{ finding, player }] = found;
  const more = found.length > 1 ? ` (${found.length - 1} more)` : "";
  return `${finding.severity[0].toUpperCase()}${finding.severity.slice(1)}, ${playersWords([player])}: ${finding.word(say).replaceAll("`", "")}${more}.`;
}
