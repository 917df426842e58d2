/** A check of a layout on screens, for one player or all, as whoever asked wants it told: the same for the command line and over HTTP. */
import { whyFaintNotJudged } from "../checks/backdrop";
import { checkScreen } from "../checks/check";
import type { Finding } from "../checks/finding";
import type { PlayerView } from "../engine/placement/resolve";
import type { Layout, Screen } from "../format/types";
import { junitReport } from "./junit";
import { isGrave, textReport, type Known, type CheckedScreen } from "./checkText";
import { sarifLog } from "./sarif";
import { jsonForTerminal } from "./terminal";

export const REPORT_FORMATS = ["text", "json", "junit", "sarif"] as const;
export type ReportFormat = (typeof REPORT_FORMATS)[number];

/** A player that is judged for. `suffix`: what is added to the screen's name; empty for the only player. */
export interface CheckedPlayer {
  readonly suffix: string;
  readonly playerView: PlayerView;
}

/** The one player that is asked for, or both hands and the smallest and the largest size. */
export function checkedPlayers(layout: Layout, playerView: PlayerView, all: boolean): readonly CheckedPlayer[] {
  if (!all) return [{ suffix: "", playerView }];
  const sizes = [...new Set([layout.playerSizes.min, layout.playerSizes.max])];
  const hands = ["right", "left"] as const;
  return hands.flatMap((handed) =>
    sizes.map((playerSize) => ({ suffix: `, ${handed} hand, size ${playerSize}`, playerView: { ...playerView, handed, playerSize } })),
  );
}

/** The findings of each screen for each player, as they are wanted: the players of a screen after each other. */
export function* checkScreens(layout: Layout, screens: readonly Screen[], players: readonly CheckedPlayer[]): Generator<CheckedScreen> {
  for (const screen of screens)
    for (const [i, { suffix, playerView }] of players.entries()) {
      // Said once of a screen, whoever it is judged for.
      const notJudged = i === 0 ? whyFaintNotJudged(layout.workbench) : null;
      yield {
        name: screen.name + suffix,
        findings: checkScreen(layout, screen, playerView),
        ...(notJudged !== null && { notJudged: { "look/faint": notJudged } }),
      };
    }
}

/** The results as JSON: the findings of each screen, then what was not judged on which screen, and why. */
function jsonReport(results: readonly CheckedScreen[]): unknown {
  const notJudged = results.flatMap(({ name, notJudged: codes = {} }) => Object.entries(codes).map(([code, why]) => ({ screen: name, code, why })));
  return { screens: results.map(({ name, findings }) => ({ name, findings })), ...(notJudged.length > 0 && { notJudged }) };
}

/** What is reported of a check. `file`: the layout's file, as it is named; `known`: what an older check had found already. */
export interface CheckReport {
  readonly file: string;
  readonly layout: Layout;
  readonly results: readonly CheckedScreen[];
  readonly known: Known;
  readonly failOn: "blocker" | "warning";
}

/** The report in a format. */
export function reportText(format: ReportFormat, { file, layout, results, known, failOn }: CheckReport): string {
  const fails = (screen: string, f: Finding) => isGrave(f.severity, failOn) && !known(screen, f);
  switch (format) {
    case "text":
      return textReport(results, known);
    case "json":
      return jsonForTerminal(JSON.stringify(jsonReport(results), null, 2));
    case "junit":
      return junitReport(layout.name, results, fails);
    case "sarif":
      return jsonForTerminal(JSON.stringify(sarifLog(file.replaceAll("\\", "/"), results, known), null, 2));
  }
}
