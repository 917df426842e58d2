/** `nodulum replay`: what events give, tick by tick, from a trace or a take; a take held against its frames is a game's test of its controls. */
import { counted } from "../core/derived/counted";
import { existsSync } from "node:fs";
import type { Command } from "commander";
import { replayTicks, type TickOutput } from "../core/engine/input/advance";
import { prepareLayout } from "../core/engine/placement/prepare";
import { resolve } from "../core/engine/placement/resolve";
import { takeJunit } from "../core/exchange/junit";
import { readTake } from "../core/exchange/takeFile";
import { TAKES, TRACES } from "../core/format/limits";
import type { Layout } from "../core/format/types";
import { actionDifferences, firstDifference, type FrameDifference } from "../core/rehearsal/frameDifferences";
import { layoutDigest, stageOf, ticksOf, type Take } from "../core/rehearsal/take";
import { CallError, layoutFrom, orFail, screenFrom, readText, viewFrom, type ViewOptions } from "./inputs";
import { printJson, printMessage, printStream, printText, type Streams } from "./output";
import { eventsOf } from "./trace";

interface ReplayOptions extends ViewOptions {
  screen?: string;
  trace?: string;
  hz: string;
  take?: string;
  against?: string | true;
  format: string;
}
/** What a take says itself, and a trace does not. */
const OF_TRACES = ["screen", "trace", "hz", "handed", "playerSize", "moment"] as const;

/** Makes a command the one that replays. Exit 1 where a take and what it is held against differ. */
export function addReplay(command: Command, streams: Streams): void {
  command
    .argument("<file>")
    .option("--screen <screen>", "screen of the trace: WxH@ppi[+left,top,right,bottom]")
    .option("--trace <file>", "events, one JSON object per line; - reads standard input")
    .option("--hz <rate>", "ticks per second of the trace", "60")
    .option("--take <file>", "a take: events with screen, hand, size, rate and moment")
    .option("--against [take]", "compare the result with the take's frames, or with another take's")
    .option("--format <format>", "output format of --against: json or junit", "json")
    .description("print the value of every action per tick of a trace or a take, or compare a take with its frames")
    .action(async (file: string, options: ReplayOptions) => {
      if (options.take !== undefined) return playTake({ streams, command, file, options }, options.take);
      if (options.against !== undefined) throw new CallError("--against compares a take; give --take too");
      return playTrace(streams, file, options);
    });
}

async function playTrace(streams: Streams, file: string, options: ReplayOptions): Promise<void> {
  const { screen, trace } = options;
  if (trace === undefined) throw new CallError("nothing to replay: give --trace and --screen, or --take");
  if (screen === undefined) throw new CallError("--trace needs a screen: --screen WxH@ppi[+left,top,right,bottom]");
  const layout = layoutFrom(streams, file);
  const hz = Number(options.hz);
  if (!Number.isFinite(hz) || hz < 1 || hz > 1000) throw new CallError(`--hz: "${options.hz}" is not a rate from 1 to 1000`);
  const playerView = viewFrom(options, layout);
  const resolved = resolve(prepareLayout(layout), screenFrom(screen), { ...playerView, moment: null });
  // Read through once before anything is printed, so that a fault on the last line is reported in place of half a result.
  const events = eventsOf(trace, layout);
  for (const _event of events);
  await printStream(streams, replayTicks(layout, resolved, events, { hz, moment: playerView.moment }));
}

interface Call {
  readonly streams: Streams;
  readonly command: Command;
  readonly file: string;
  readonly options: ReplayOptions;
}

async function playTake({ streams, command, file, options }: Call, takeFile: string): Promise<void> {
  const wrong = OF_TRACES.find((name) => command.getOptionValueSource(name) === "cli");
  if (wrong !== undefined) {
    const option = wrong === "playerSize" ? "--player-size" : `--${wrong}`;
    throw new CallError(`${option} cannot be combined with --take: a take has its own screen, hand, size, rate and moment`);
  }
  const { against, format } = options;
  if (format !== "json" && format !== "junit") throw new CallError(`--format: "${format}" is not a format; write json or junit`);
  if (format === "junit" && against === undefined) throw new CallError("--format junit needs --against");
  const layout = layoutFrom(streams, file);
  const take = takeFrom(takeFile);
  const frames = framesFrom(streams, take, layout, takeFile);
  if (against === undefined) return printStream(streams, frames);
  const other = against === true ? take : takeFrom(against);
  if (other.frames === null) {
    const whose = against === true ? takeFile : against;
    throw new CallError(`${whose}: the take has no frames to compare; export it with frames`);
  }
  if (format === "junit") judgeActions(streams, take, other.frames, [...frames]);
  else judgeFrames(streams, other.frames, frames);
}

function takeFrom(file: string): Take {
  if (existsSync(file)) return orFail(readTake(readText(file, TRACES.bytes.most, TAKES.bytes.words)), file);
  throw new CallError(`${file}: there is no such file`);
}

/** The frames of a take on a layout. Another layout than its own is played all the same, and it is said. */
function framesFrom(streams: Streams, take: Take, layout: Layout, takeFile: string): Iterable<TickOutput> {
  const stage = orFail(stageOf(take, layout), takeFile);
  if (layoutDigest(layout) !== take.layout) printMessage(streams, `${takeFile}: notice: the take was recorded with another layout; it is played anyway`);
  return (function* () {
    for (const { t, values } of ticksOf(take, stage)) yield { t, values };
  })();
}

/** Prints the first difference, and says it. */
function judgeFrames(streams: Streams, was: readonly TickOutput[], is: Iterable<TickOutput>): void {
  const found = firstDifference(was, is);
  if (!found) return printMessage(streams, `${counted(was.length, "tick")}, the same`);
  printJson(streams, found);
  printMessage(streams, differenceText(found));
  streams.fallShort();
}

/** A difference in words. */
function differenceText({ tick, action, was, is }: FrameDifference): string {
  if (action === null) return `tick ${tick}: only one of the two has this tick`;
  return `tick ${tick}: ${action} was ${JSON.stringify(was)}, is ${JSON.stringify(is)}`;
}

/** Prints a case an action, that fails with its first difference. */
function judgeActions(streams: Streams, take: Take, was: readonly TickOutput[], is: readonly TickOutput[]): void {
  const differences = actionDifferences(was, is);
  printText(streams, takeJunit(take.name, differences, { was: was.length, is: is.length }));
  if (firstDifference(was, is)) streams.fallShort();
}
