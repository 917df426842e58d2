/** Describes the result of Settle: as JSON data and as text. */
import { counted } from "../derived/counted";
import type { BareFinding } from "../checks/finding";
import { writeLayout } from "../format/write";
import { faceName, idNames } from "./faceName";
import type { SettledMove } from "./moves";
import type { FaceFound } from "./outcome";
import type { MissRate, SettleResult, SettleProgress } from "./settleResult";

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

/** Returns a line per remaining finding with the number of screens and players: "touch/overlap of `pump` and `horn` on 4 faces, first Small 4:3, …". */
function leftLines(settled: SettleResult): string[] {
  const groups = new Map<string, FaceFound[]>();
  for (const one of settled.left) {
    const { severity, code, subjects } = one.finding;
    const key = JSON.stringify([severity, code, subjects]);
    groups.set(key, [...(groups.get(key) ?? []), one]);
  }
  return [...groups.values()].map((group) => {
    const { severity, code, subjects } = group[0].finding;
    const others = group.length > 1 ? ` and ${group.length - 1} more` : "";
    return `  ${severity} ${code}${subjects.length > 0 ? ` ${idNames(subjects)}` : ""} on ${faceName(settled.faces[group[0].face])}${others}`;
  });
}

/** Returns the result as text. */
export function describeResult(settled: SettleResult): string {
  const { kind, asked, left, cost, moves, misses, noWays } = settled;
  const head = {
    clean: "nothing to settle: no requested finding was found",
    settled: `settled: ${counted(asked.length, "finding")} fixed, none added; total change ${cost.toFixed(2)} mm²`,
    partly: `partly settled: ${asked.length - left.length} of ${counted(asked.length, "finding")} fixed, none added; total change ${cost.toFixed(2)} mm²`,
    none: `no change found that makes nothing worse: ${counted(left.length, "finding remains", "findings remain")}`,
  }[kind];
  const lines = [head];
  for (const move of moves) {
    lines.push(`  ${move.id}: ${moveWords(move)}`);
    for (const { code, subjects, face, wanted } of move.reasons)
      lines.push(`    ${wanted ? "for" : "limited by"} ${code} of ${idNames(subjects)} on ${faceName(settled.faces[face])}`);
    for (const { path, was, is } of move.fields) lines.push(`    ${path}: ${was} → ${is}`);
  }
  for (const { id, before, after } of (misses ?? []).slice(0, MOST_MISSES))
    lines.push(`  ${id}: worst misses ${rateText(before.rate)} → ${rateText(after.rate)}, on ${faceName(settled.faces[after.face])}`);
  if (left.length > 0) lines.push("remaining:", ...leftLines(settled));
  for (const noWay of noWays)
    lines.push(`${noWay.proved ? "impossible" : "none found"}: ${noWay.text}`, ...noWay.waysOut.map(({ text }) => `  option: ${text}`));
  return lines.join("\n");
}

/** The number of controls whose misses are listed, worst first. */
const MOST_MISSES = 5;
const rateText = (rate: number) => `${(rate * 100).toFixed(1)} %`;

const rounded = (n: number) => Number(n.toFixed(4));
const foundData = (settled: SettleResult, { face, finding }: FaceFound) => ({ ...faceData(settled, face), ...findingData(finding) });
const rateData = (settled: SettleResult, { rate, face, moment }: MissRate) => ({ rate: rounded(rate), moment, ...faceData(settled, face) });
const faceData = ({ faces }: SettleResult, face: number) => ({ screen: faces[face].screen.name, ...faces[face].face });
const findingData = ({ code, severity, subjects, moment, measure }: BareFinding) => ({ code, severity, subjects, moment, measure });

/** Returns the result as JSON data. `withLayout`: includes the layout as in its file. */
export function settledData(settled: SettleResult, withLayout: boolean): unknown {
  const { kind, asked, left, cost, moves, misses, noWays, layout } = settled;
  return {
    kind,
    asked: asked.length,
    cost: rounded(cost),
    moves: moves.map(({ reasons, fields, ...move }) => ({
      ...Object.fromEntries(Object.entries(move).map(([key, value]) => [key, typeof value === "number" ? rounded(value) : value])),
      fields,
      reasons: reasons.map(({ face, ...reason }) => ({ ...reason, ...faceData(settled, face) })),
    })),
    ...(misses ? { misses: misses.map(({ id, before, after }) => ({ id, before: rateData(settled, before), after: rateData(settled, after) })) } : {}),
    left: left.map((one) => foundData(settled, one)),
    noWays: noWays.map(({ face, parts: _parts, ...noWay }) => ({ ...noWay, ...faceData(settled, face) })),
    ...(withLayout ? { layout: JSON.parse(writeLayout(layout)) as unknown } : {}),
  };
}

/** Describes the progress. */
export const progressWords = ({ doing, left, missed }: SettleProgress): string =>
  missed === undefined ? `${doing}: ${counted(left, "finding")} remaining` : `${doing}: worst ${rateText(missed)}`;
