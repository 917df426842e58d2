/** Describes the result of Settle: as JSON data and as text. */
import { counted } from "../derived/counted";
import type { BareFinding } from "../checks/finding";
import { writeLayout } from "../format/write";
import { scenarioName, idNames } from "./scenarioName";
import type { SettledMove } from "./moves";
import type { ScenarioFinding } from "./verify";
import type { MissRate, SettleResult, SettleProgress } from "./result";

const mm = (length: number) => `${Math.abs(length).toFixed(Math.abs(length) < 0.1 ? 2 : 1)} mm`;
/** Shorter changes are omitted, mm. */
const LEAST_SHOWN_MM = 0.005;

/** Describes the change of a control: "1.2 mm left, 0.4 mm up; hit area 0.8 mm wider". */
export function moveWords(move: SettledMove): string {
  const part = (length: number, more: string, less: string) => (Math.abs(length) >= LEAST_SHOWN_MM ? [`${mm(length)} ${length > 0 ? more : less}`] : []);
  const sides = (wide: number, high: number) =>
    Math.abs(wide - high) < LEAST_SHOWN_MM ? part(wide, "larger", "smaller") : [...part(wide, "wider", "narrower"), ...part(high, "higher", "lower")];
  const named = (name: string, parts: readonly string[]) => (parts.length > 0 ? [`${name} ${parts.join(", ")}`] : []);
  const way = [...part(move.right, "right", "left"), ...part(move.down, "down", "up")];
  const own = [move.hitWider - move.wider, move.hitHigher - move.higher] as const;
  const words = [
    ...(way.length > 0 ? [way.join(", ")] : []),
    ...named("picture", sides(move.wider, move.higher)),
    ...named("hit area", sides(own[0], own[1])),
    ...named("travel", part(move.travelLonger, "longer", "shorter")),
    ...(move.landingChanged ? ["landing area changed"] : []),
    ...(move.raised ? ["drawn above the ground that covered it"] : []),
    ...move.words.map(({ was, is }) => `serves \`${is}\` instead of \`${was}\``),
  ];
  return words.length > 0 ? words.join("; ") : "by less than 0.01 mm on average";
}

/** Returns a line per remaining finding with the number of screens and players: "touch/overlap of `pump` and `horn` on Small 4:3, right hand, size 1 and 3 more". */
function remainingLines(settled: SettleResult): string[] {
  const groups = new Map<string, ScenarioFinding[]>();
  for (const one of settled.remaining) {
    const { severity, code, subjects } = one.finding;
    const key = JSON.stringify([severity, code, subjects]);
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups.values()].map((group) => {
    const { severity, code, subjects } = group[0].finding;
    const others = group.length > 1 ? ` and ${group.length - 1} more` : "";
    return `  ${severity} ${code}${subjects.length > 0 ? ` ${idNames(subjects)}` : ""} on ${scenarioName(settled.scenarios[group[0].scenario])}${others}`;
  });
}

/** Returns the result as text. */
export function describeResult(settled: SettleResult): string {
  const { kind, requested, remaining, cost, moves, misses, large, unsolved } = settled;
  const head = {
    clean: "nothing to settle: no requested finding was found",
    settled: `settled: ${counted(requested.length, "finding")} fixed, none added; total change ${cost.toFixed(2)} mm²`,
    partly: `partly settled: ${requested.length - remaining.length} of ${counted(requested.length, "finding")} fixed, none added; total change ${cost.toFixed(2)} mm²`,
    none: `no change found that makes nothing worse: ${counted(remaining.length, "finding remains", "findings remain")}`,
  }[kind];
  const lines = [head];
  for (const move of moves) {
    lines.push(`  ${move.id}: ${moveWords(move)}`);
    for (const { code, subjects, scenario, requested: isRequested } of move.reasons)
      lines.push(`    ${isRequested ? "for" : "limited by"} ${code} of ${idNames(subjects)} on ${scenarioName(settled.scenarios[scenario])}`);
    for (const { path, was, is } of move.fields) lines.push(`    ${path}: ${was} → ${is}`);
  }
  for (const { text, suggestions } of large) lines.push(`large change: ${text}`, ...suggestions.map((way) => `  instead: ${way.text}`));
  for (const { id, before, after } of (misses ?? []).slice(0, MOST_MISSES))
    lines.push(`  ${id}: worst misses ${rateText(before.rate)} → ${rateText(after.rate)}, on ${scenarioName(settled.scenarios[after.scenario])}`);
  if (remaining.length > 0) lines.push("remaining:", ...remainingLines(settled));
  for (const one of unsolved) lines.push(`${one.proved ? "impossible" : "none found"}: ${one.text}`, ...one.suggestions.map(({ text }) => `  option: ${text}`));
  return lines.join("\n");
}

/** The number of controls whose misses are listed, worst first. */
const MOST_MISSES = 5;
const rateText = (rate: number) => `${(rate * 100).toFixed(1)} %`;

const rounded = (n: number) => Number(n.toFixed(4));
const foundData = (settled: SettleResult, { scenario, finding }: ScenarioFinding) => ({ ...scenarioInfo(settled, scenario), ...findingData(finding) });
const rateData = (settled: SettleResult, { rate, scenario, moment }: MissRate) => ({ rate: rounded(rate), moment, ...scenarioInfo(settled, scenario) });
const scenarioInfo = ({ scenarios }: SettleResult, scenario: number) => ({ screen: scenarios[scenario].screen.name, ...scenarios[scenario].player });
const findingData = ({ code, severity, subjects, moment, measure }: BareFinding) => ({ code, severity, subjects, moment, measure });

/** Returns the result as JSON data. `withLayout`: includes the layout as in its file. */
export function settledData(settled: SettleResult, withLayout: boolean): unknown {
  const { kind, requested, remaining, cost, price, moves, misses, large, unsolved, layout } = settled;
  return {
    kind,
    asked: requested.length,
    cost: rounded(cost),
    price: rounded(price),
    moves: moves.map(({ reasons, fields, ...move }) => ({
      ...Object.fromEntries(Object.entries(move).map(([key, value]) => [key, typeof value === "number" ? rounded(value) : value])),
      fields,
      reasons: reasons.map(({ code, subjects, requested: wanted, scenario }) => ({ code, subjects, wanted, ...scenarioInfo(settled, scenario) })),
    })),
    ...(misses ? { misses: misses.map(({ id, before, after }) => ({ id, before: rateData(settled, before), after: rateData(settled, after) })) } : {}),
    large: large.map(({ kind: change, ids, text, suggestions }) => ({ kind: change, ids, text, waysOut: suggestions })),
    left: remaining.map((one) => foundData(settled, one)),
    noWays: unsolved.map(({ code, subjects, proved, text, constraints: wishes, shortMm, suggestions: waysOut, scenario }) => ({
      code,
      subjects,
      proved,
      text,
      wishes,
      shortMm,
      waysOut,
      ...scenarioInfo(settled, scenario),
    })),
    ...(withLayout ? { layout: JSON.parse(writeLayout(layout)) as unknown } : {}),
  };
}

/** Describes the progress. */
export const progressWords = ({ doing, remaining, missed }: SettleProgress): string =>
  missed === undefined ? `${doing}: ${counted(remaining, "finding")} remaining` : `${doing}: worst ${rateText(missed)}`;
