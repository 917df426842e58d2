/** Findings as JUnit XML, as continuous-integration servers read it: a suite a screen, a case a finding. */
import { counted } from "../derived/counted";
import { xmlForTerminal } from "./terminal";
import type { Finding } from "../checks/finding";
import type { ActionDifference } from "../rehearsal/frameDifferences";
import type { CheckedScreen } from "./checkText";

const ESCAPES: Readonly<Record<string, string>> = { "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;", "'": "&apos;" };

/** Text for XML 1.0: the five signs escaped, characters that XML forbids omitted. */
function xmlText(text: string): string {
  // XML 1.0, section 2.2: tab, line feed, carriage return and everything from space on, less the surrogates, FFFE and FFFF.
  const sound = text.replace(/[^\u0009\u000a\u000d\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu, "").replace(/[&<>"']/g, (sign) => ESCAPES[sign]);
  return xmlForTerminal(sound);
}

/** The report. `fails` says which findings fail their case; the others are passed with their text as output, accepted ones skipped with their reason. A screen without findings is one passed case. */
export function junitReport(layoutName: string, screens: readonly CheckedScreen[], fails: (screen: string, finding: Finding) => boolean): string {
  let tests = 0;
  let failures = 0;
  let skipped = 0;
  const suites = screens.map(({ name, findings, notJudged = {} }) => {
    let suiteFailures = 0;
    let suiteSkipped = 0;
    const cases = findings.map((f) => {
      const title = xmlText([f.code, ...f.subjects, ...(f.moment ? [`in ${f.moment}`] : [])].join(" "));
      const open = `    <testcase classname="${xmlText(name)}" name="${title}">`;
      if (f.accepted !== null) {
        suiteSkipped += 1;
        return `${open}<skipped message="${xmlText(`accepted: ${f.accepted}`)}"/></testcase>`;
      }
      if (!fails(name, f)) return `${open}<system-out>${xmlText(`${f.severity}: ${f.text}`)}</system-out></testcase>`;
      suiteFailures += 1;
      return `${open}<failure type="${xmlText(f.severity)}" message="${xmlText(f.text)}"/></testcase>`;
    });
    if (cases.length === 0) cases.push(`    <testcase classname="${xmlText(name)}" name="no findings"/>`);
    const said = Object.entries(notJudged).map(([code, why]) => `${code} not judged: ${why}`);
    const notes = said.length === 0 ? "" : `    <system-out>${xmlText(said.join("; "))}</system-out>\n`;
    tests += cases.length;
    failures += suiteFailures;
    skipped += suiteSkipped;
    return `  <testsuite name="${xmlText(name)}" tests="${cases.length}" failures="${suiteFailures}" errors="0" skipped="${suiteSkipped}">\n${cases.join("\n")}\n${notes}  </testsuite>`;
  });
  return `<?xml version="1.0" encoding="UTF-8"?>\n<testsuites name="${xmlText(layoutName)}" tests="${tests}" failures="${failures}" errors="0" skipped="${skipped}">\n${suites.join("\n")}\n</testsuites>\n`;
}

/** What was held against what: how many ticks each has. */
interface Lengths {
  readonly was: number;
  readonly is: number;
}

/** A take held against frames: a suite the take, a case an action, and one for the number of ticks. */
export function takeJunit(name: string, differences: readonly ActionDifference[], lengths: Lengths): string {
  const suite = xmlText(name);
  const passedOr = (title: string, failure: string | null) => {
    const open = `    <testcase classname="${suite}" name="${xmlText(title)}"`;
    return failure === null ? `${open}/>` : `${open}><failure type="difference" message="${xmlText(failure)}"/></testcase>`;
  };
  const failures = [
    lengths.was === lengths.is ? null : `was ${counted(lengths.was, "tick")}, is ${lengths.is}`,
    ...differences.map(({ firstTick, was, is, most }) =>
      firstTick === null ? null : `tick ${firstTick}: was ${JSON.stringify(was)}, is ${JSON.stringify(is)}; at most ${most} apart`,
    ),
  ];
  const cases = failures.map((failure, i) => passedOr(i === 0 ? "number of ticks" : differences[i - 1].action, failure));
  const failed = failures.filter((f) => f !== null).length;
  const counts = `tests="${cases.length}" failures="${failed}" errors="0" skipped="0"`;
  return `<?xml version="1.0" encoding="UTF-8"?>\n<testsuites name="${suite}" ${counts}>\n  <testsuite name="${suite}" ${counts}>\n${cases.join("\n")}\n  </testsuite>\n</testsuites>\n`;
}
