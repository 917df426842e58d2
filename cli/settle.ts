/** `nodulum settle`: the least change that takes away what is found, on all chosen screens at once. */
import { Option, type Command } from "commander";
import { FINDING_CODES, SEVERITIES, type FindingCode, type Severity } from "../core/checks/finding";
import { checkedPlayers } from "../core/exchange/checkReport";
import type { Layout } from "../core/format/types";
import { writeLayout } from "../core/format/write";
import { CHANGEABLES, MOST_MISS_MM, readChangeables, readCodes, SETTLED_CODES, USUALLY_CHANGEABLE, type SettleRequest } from "../core/settle/request";
import { settleSteps } from "../core/settle/settle";
import type { SettleResult } from "../core/settle/result";
import { progressWords, settledData, describeResult } from "../core/settle/describeResult";
import { screensFrom, type ScreenOptions } from "./check";
import { CallError, layoutFrom, orFail, viewFrom, writeText, type ViewOptions } from "./inputs";
import { printJson, printMessage, printText, type Streams } from "./output";
import { lineForTerminal } from "../core/exchange/terminal";

interface SettleOptions extends ViewOptions, ScreenOptions {
  players?: "all";
  codes?: string;
  severity: Severity;
  change?: string;
  misses?: string;
  notes: "stay" | "grow";
  lock: string[];
  weight: string[];
  format: "text" | "json";
  output?: string;
}

const gathered = (value: string, all: string[]) => [...all, value];
/** The same for ids, several of which may be in one, comma by comma. */
const gatheredIds = (value: string, all: string[]) => [...all, ...value.split(",")];
/** How far it is is reported so often, ms. */
const PATIENCE_MS = 1000;

/** Adds `settle`. */
export function addSettle(command: Command, streams: Streams): void {
  command
    .argument("<file>")
    .option("--screens <list.json>", "a JSON list of screens")
    .option("--screen <screen>", "a screen; repeatable", gathered, [] as string[])
    .addOption(new Option("--players <which>", "both hands, with the smallest and the largest player size").choices(["all"]))
    .option("--codes <list>", `what is to go, comma by comma: codes, or families such as touch/* (${SETTLED_CODES.join(", ")})`)
    .addOption(new Option("--severity <severity>", "lowest severity to fix").choices(SEVERITIES).default("warning"))
    .option("--change <list>", `what may change, comma by comma: ${CHANGEABLES.join(", ")} (all but word)`)
    .addOption(new Option("--notes <which>", "whether notes stay as they are, or may come and grow").choices(["stay", "grow"]).default("stay"))
    .option("--misses <mm>", "once nothing more can go: what is missed worst is missed less, by a change of so many mm at the most")
    .option("--lock <id>", "a control or cluster of which nothing changes; several comma by comma, or given several times", gatheredIds, [] as string[])
    .option("--weight <id=number>", "what a change of a control costs, 1 where nothing is told; may be given several times", gathered, [] as string[])
    .addOption(new Option("--format <format>", "output format").choices(["text", "json"]).default("text"))
    .option("-o, --output <file>", "where the settled layout is written; without, nothing is")
    .description("find the least change of places and sizes after which nothing of the chosen kind is found on any of the screens")
    .action((file: string, options: SettleOptions) => {
      const layout = layoutFrom(streams, file);
      const settled = watched(streams, requestFrom(layout, options));
      if (options.output !== undefined) writeText(options.output, writeLayout(settled.layout));
      if (options.format === "json") printJson(streams, settledData(settled, options.output === undefined));
      else printText(streams, describeResult(settled).split("\n").map(lineForTerminal).join("\n"));
      if (options.output === undefined && settled.layout !== layout)
        printMessage(streams, "nothing was written; name a file with -o to keep the settled layout");
      if (settled.kind === "partly" || settled.kind === "none") streams.fallShort();
    });
}

function requestFrom(layout: Layout, options: SettleOptions): SettleRequest {
  const view = viewFrom(options, layout);
  const screens = screensFrom(layout, options);
  if (screens.length === 0) throw new CallError("--screens: the list is empty; name at least one screen");
  const known = new Set([...layout.controls, ...layout.clusters].map(({ id }) => id));
  const lacking = (id: string, option: string) => new CallError(`${option}: there is no control or cluster "${id}" in this layout`);
  for (const id of options.lock) if (!known.has(id)) throw lacking(id, "--lock");
  const weights = Object.fromEntries(
    options.weight.map((text) => {
      const [, id, amount] = /^(.+)=(\d+(?:\.\d+)?)$/.exec(text) ?? [];
      if (id === undefined || !(Number(amount) > 0))
        throw new CallError(`--weight: "${text}" is not a weight; write ID=NUMBER with a number above 0, such as pump=5`);
      if (!layout.controls.some((c) => c.id === id)) throw lacking(id, "--weight");
      return [id, Number(amount)] as const;
    }),
  );
  const codes: readonly FindingCode[] = options.codes === undefined ? SETTLED_CODES : orFail(readCodes(options.codes), "--codes");
  return {
    layout,
    screens,
    faces: checkedPlayers(layout, view, options.players === "all").map(({ playerView: { handed, playerSize } }) => ({ handed, playerSize })),
    moment: view.moment,
    codes: FINDING_CODES.filter((code) => codes.includes(code)),
    severities: SEVERITIES.slice(0, SEVERITIES.indexOf(options.severity) + 1),
    held: options.lock,
    changeable: options.change === undefined ? USUALLY_CHANGEABLE : orFail(readChangeables(options.change), "--change"),
    notesMayGrow: options.notes === "grow",
    missMm: missMmFrom(options.misses),
    weights,
  };
}

/** How far things may go to be missed less, mm. */
function missMmFrom(text: string | undefined): number {
  if (text === undefined) return 0;
  const mm = Number(text);
  if (!(mm > 0 && mm <= MOST_MISS_MM)) throw new CallError(`--misses: "${text}" is no change in mm; write a number above 0, at most ${MOST_MISS_MM}`);
  return mm;
}

/** Settles, and says now and then how far it is. */
function watched(streams: Streams, request: SettleRequest): SettleResult {
  let told = performance.now();
  const steps = settleSteps(request);
  for (;;) {
    const step = steps.next();
    if (step.done) return step.value;
    const now = performance.now();
    if (now - told < PATIENCE_MS) continue;
    told = now;
    printMessage(streams, progressWords(step.value));
  }
}
