/** The commands that judge: `check` on screens, `spans` over aspect ratios. */
import { counted } from "../core/derived/counted";
import { Option, type Command } from "commander";
import { findAspectIntervals } from "../core/checks/aspectIntervals";
import { readBaseline } from "../core/exchange/baseline";
import { checkedPlayers, checkScreens, REPORT_FORMATS, reportText, type CheckedPlayer, type ReportFormat } from "../core/exchange/checkReport";
import { fallsShort, type Known, type CheckedScreen } from "../core/exchange/checkText";
import { readScreens } from "../core/exchange/screens";
import type { Layout, Screen } from "../core/format/types";
import { catalogueFor } from "../core/checks/catalogue";
import { printJson, printMessage, printText, type Streams } from "./output";
import { CallError, layoutFrom, orFail, screenFrom, readText, viewFrom, type ViewOptions } from "./inputs";

/** Work that takes longer than this says how far it is, ms. */
const PATIENCE_MS = 1000;

/** The screens that are asked for. */
export interface ScreenOptions {
  screens?: string;
  screen: string[];
}

interface CheckOptions extends ViewOptions, ScreenOptions {
  format: ReportFormat;
  failOn: "blocker" | "warning";
  players?: "all";
  baseline?: string;
}

/** Adds `check`. */
export function addCheck(command: Command, streams: Streams): void {
  command
    .argument("<file>")
    .option("--screens <list.json>", "a JSON list of screens")
    .option("--screen <screen>", "a screen; repeatable", (value: string, all: string[]) => [...all, value], [] as string[])
    .addOption(new Option("--format <format>", "output format").choices(REPORT_FORMATS).default("text"))
    .addOption(new Option("--fail-on <severity>", "lowest severity that makes the command fail").choices(["blocker", "warning"]).default("blocker"))
    .addOption(new Option("--players <which>", "both hands, with the smallest and the largest player size").choices(["all"]))
    .option("--baseline <old.json>", "an older result (--format json); its findings do not make the command fail")
    .description("print the findings on each screen (default: the built-in catalogue)")
    .action((file: string, options: CheckOptions) => {
      const layout = layoutFrom(streams, file);
      const known: Known = options.baseline === undefined ? () => false : orFail(readBaseline(readText(options.baseline)), options.baseline);
      const results = judge(streams, layout, screensFrom(layout, options), checkedPlayers(layout, viewFrom(options, layout), options.players === "all"));
      printText(streams, reportText(options.format, { file, layout, results, known, failOn: options.failOn }));
      if (fallsShort(results, options.failOn, known)) streams.fallShort();
    });
}

/** The screens of a list and those named one by one; without either, the shipped catalogue. */
export function screensFrom(layout: Layout, options: ScreenOptions): Screen[] {
  const listed = options.screens === undefined ? [] : orFail(readScreens(readText(options.screens)), options.screens);
  const named = options.screen.map(screenFrom);
  return listed.length + named.length > 0 || options.screens !== undefined ? [...listed, ...named] : catalogueFor(layout.orientation);
}

/** Checks, and says now and then how far it is. */
function judge(streams: Streams, layout: Layout, screens: readonly Screen[], players: readonly CheckedPlayer[]): CheckedScreen[] {
  let told = performance.now();
  const results: CheckedScreen[] = [];
  for (const result of checkScreens(layout, screens, players)) {
    results.push(result);
    const now = performance.now();
    if (now - told < PATIENCE_MS) continue;
    told = now;
    printMessage(streams, `${results.length} of ${counted(screens.length * players.length, "screen")} checked`);
  }
  return results;
}

interface SpanOptions extends ViewOptions {
  diagonal: string;
  ppi: string;
  from: string;
  to: string;
  insetsMm: string;
}

/** Adds `spans`. */
export function addSpans(command: Command, streams: Streams): void {
  command
    .argument("<file>")
    .requiredOption("--diagonal <inches>", "the screen's diagonal, inches")
    .requiredOption("--ppi <n>", "pixels per inch")
    .requiredOption("--from <aspect>", "smallest aspect ratio, width by height")
    .requiredOption("--to <aspect>", "largest aspect ratio")
    .option("--insets-mm <l,t,r,b>", "insets in mm", "0,0,0,0")
    .description("print the aspect ratios of each finding")
    .action((file: string, options: SpanOptions) => {
      const layout = layoutFrom(streams, file);
      const from = positive("from", options.from);
      const to = positive("to", options.to);
      if (from >= to) throw new CallError(`--from ${from} must be less than --to ${to}`);
      if (to / from > 20) throw new CallError(`--from ${from} --to ${to}: the largest aspect ratio must be at most 20 times the smallest`);
      const insets = options.insetsMm.split(",").map(Number);
      if (insets.length !== 4 || insets.some((n) => !(n >= 0))) throw new CallError(`--insets-mm: "${options.insetsMm}" is not four lengths such as 4,0,4,2`);
      const [left, top, right, bottom] = insets;
      const range = {
        diagonalInches: positive("diagonal", options.diagonal),
        ppi: positive("ppi", options.ppi),
        from,
        to,
        insetsMm: { left, top, right, bottom },
      };
      printJson(streams, { from, to, spans: findAspectIntervals(layout, range, viewFrom(options, layout)) });
    });
}

function positive(name: string, text: string): number {
  const value = Number(text);
  if (!(value > 0) || !Number.isFinite(value)) throw new CallError(`--${name}: "${text}" is not a number above 0`);
  return value;
}
