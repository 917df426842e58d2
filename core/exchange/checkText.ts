/** Findings as text for a terminal, and the question whether a layout falls short. */
import { counted } from "../derived/counted";
import { lineForTerminal } from "./terminal";
import { tallyOf, type Finding, type Severity } from "../checks/finding";

/** The findings of one screen. */
export interface CheckedScreen {
  readonly name: string;
  readonly findings: readonly Finding[];
  /** Codes that were not judged on it, each with the reason. */
  readonly notJudged?: Readonly<Record<string, string>>;
}

const MARK: Readonly<Record<Severity, string>> = { blocker: "■", warning: "◆", note: "○" };

/** Whether a severity is as severe as `failOn` or more. */
export function isGrave(severity: string, failOn: "blocker" | "warning"): boolean {
  return severity === "blocker" || (failOn === "warning" && severity === "warning");
}

/** Tells what a baseline had found already. */
export type Known = (screen: string, finding: Finding) => boolean;
const NOTHING_KNOWN: Known = () => false;

/** Whether any finding that is neither accepted nor known is as severe as `failOn` or more. */
export function fallsShort(screens: readonly CheckedScreen[], failOn: "blocker" | "warning", known: Known = NOTHING_KNOWN): boolean {
  return screens.some((s) => s.findings.some((f) => f.accepted === null && isGrave(f.severity, failOn) && !known(s.name, f)));
}

/** A report for reading: a heading a screen, a line a finding, a summary. */
export function textReport(screens: readonly CheckedScreen[], known: Known = NOTHING_KNOWN): string {
  const lines: string[] = [];
  for (const { name, findings, notJudged = {} } of screens) {
    lines.push(`${name}: ${findings.length === 0 ? "no findings" : ""}`.trimEnd());
    for (const f of findings) {
      const moment = f.moment ? ` [${f.moment}]` : "";
      const accepted = f.accepted !== null ? ` (accepted: ${f.accepted})` : known(name, f) ? " (known)" : "";
      lines.push(`  ${MARK[f.severity]} ${f.severity} ${f.code}${moment}: ${f.text}${accepted}`);
    }
    for (const [code, why] of Object.entries(notJudged)) lines.push(`  – ${code} not judged: ${why}`);
  }
  const all = tallyOf(screens.flatMap((s) => s.findings));
  lines.push(`${counted(screens.length, "screen")}: ${counted(all.blocker, "blocker")}, ${counted(all.warning, "warning")}, ${counted(all.note, "note")}`);
  return `${lines.map(lineForTerminal).join("\n")}\n`;
}
