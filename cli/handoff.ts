/** `nodulum handoff`: chosen parcels into a folder, or as one zip. */
import { counted } from "../core/derived/counted";
import { mkdirSync, writeFileSync } from "node:fs";
import { dirname, join, resolve, sep } from "node:path";
import { Option, type Command } from "commander";
import { CONSTANT_LANGUAGES, type ConstantLanguage } from "../core/exchange/constants";
import { fileNamesOnce } from "../core/exchange/fileName";
import { readTake, TAKE_FILE, writeTake } from "../core/exchange/takeFile";
import { problemText } from "../core/engine/result";
import { TAKES } from "../core/format/limits";
import type { Layout } from "../core/format/types";
import { Y_DIRECTIONS, type YDirection } from "../core/exchange/boxDirection";
import { takeFrames } from "../core/rehearsal/take";
import { PAPERS, type Paper } from "../core/report/style";
import { makeParcel } from "../parcels/makeParcel";
import { PARCEL_IDS, type Parcel, type ParcelId } from "../parcels/parcel";
import { plainSource } from "../parcels/plainSource";
import type { TakeFile } from "../parcels/parcelSource";
import { parcelFolder, parcelZip } from "../parcels/parcelZip";
import { pageScript, portFiles, runtimeFiles } from "../parcels/carried";
import { screensFrom, type ScreenOptions } from "./check";
import { CallError, isSameFile, layoutFrom, orFail, readText } from "./inputs";
import { printMessage, type Streams } from "./output";

interface HandOffOptions extends ScreenOptions {
  parcels?: string;
  output?: string;
  zip?: string;
  y: YDirection;
  language: ConstantLanguage;
  paper: Paper;
  take: string[];
}

/** Work that takes longer than this says how far it is, ms. */
const PATIENCE_MS = 1000;

/** Makes a command the one that hands off. */
export function addHandoff(command: Command, streams: Streams): void {
  const several = (value: string, all: string[]) => [...all, value];
  command
    .argument("<file>")
    .option("--parcels <list>", `which, separated by commas: ${PARCEL_IDS.join(",")}; without, all`)
    .option("--screens <list.json>", "a JSON list of screens, for drawings, tables, sheet and report")
    .option("--screen <screen>", "a screen; repeatable", several, [] as string[])
    .addOption(new Option("--y <direction>", "direction of y in the tables").choices(Y_DIRECTIONS).default("down"))
    .addOption(new Option("--language <language>", "programming language of the constants").choices(CONSTANT_LANGUAGES).default("typescript"))
    .addOption(new Option("--paper <paper>", "paper size of sheet and report").choices(PAPERS).default("a4"))
    .option("--take <take.json>", "a take to include; repeatable", several, [] as string[])
    .option("-o, --output <folder>", "output folder, one folder per parcel; created if missing")
    .option("--zip <file>", "write one zip instead")
    .description("export parcels: files for the game, people, tables and tests (default screens: the built-in catalogue)")
    .action(async (file: string, options: HandOffOptions) => {
      const { output, zip } = options;
      if ((output === undefined) === (zip === undefined)) throw new CallError("no output: give -o FOLDER or --zip FILE");
      const layout = layoutFrom(streams, file);
      if (zip !== undefined && isSameFile(zip, file)) throw new CallError(`${zip}: is the layout file itself; choose another output file`);
      const screens = screensFrom(layout, options);
      if (screens.length === 0) throw new CallError("--screens: the list is empty; add a screen");
      let told = performance.now();
      const source = plainSource({
        ...{ layout, screens, pageScript, runtimeFiles, portFiles },
        ...{ date: new Date().toISOString().slice(0, 10), direction: options.y, language: options.language, paper: options.paper },
        takes: () => Promise.resolve(takesFrom(options.take, layout)),
        step: (done, all) => {
          if (performance.now() - told < PATIENCE_MS) return;
          told = performance.now();
          printMessage(streams, `report: ${done} of ${counted(all, "part")} computed`);
        },
      });
      const parcels: Parcel[] = [];
      for (const id of parcelsFrom(options.parcels)) parcels.push(await makeParcel(id, source));
      if (zip !== undefined) written(zip, parcelZip(parcels));
      else for (const [path, content] of parcelFolder(parcels)) written(within(output!, path), content);
      for (const line of parcels.flatMap(({ leftOut }) => leftOut)) printMessage(streams, `not included: ${line}`);
    });
}

function parcelsFrom(list: string | undefined): readonly ParcelId[] {
  if (list === undefined) return PARCEL_IDS;
  const ids = list.split(",").map((word) => {
    const id = PARCEL_IDS.find((one) => one === word.trim());
    if (!id) throw new CallError(`--parcels: "${word}" is not a parcel; write ${PARCEL_IDS.join(", ")}`);
    return id;
  });
  return [...new Set(ids)];
}

/** Takes as they are handed off: with the frames that this layout gives for them. Two of the same name are two files. */
function takesFrom(paths: readonly string[], layout: Layout): readonly TakeFile[] {
  const fileName = fileNamesOnce();
  return paths.map((path) => {
    const take = orFail(readTake(readText(path, TAKES.bytes.most, TAKES.bytes.words)), path);
    const frames = takeFrames(take, layout);
    if (!frames.ok) throw new CallError(`${path}: ${problemText(frames.problems)}`);
    return { path: fileName(take.name, TAKE_FILE), text: writeTake({ ...take, frames: frames.value }) };
  });
}

/** A path below a folder; one that leads out of it is a fault of ours. */
function within(folder: string, path: string): string {
  const whole = resolve(join(folder, path));
  if (!whole.startsWith(resolve(folder) + sep)) throw new CallError(`${path}: is outside the folder`);
  return whole;
}

function written(file: string, content: string | Uint8Array): void {
  try {
    mkdirSync(dirname(file), { recursive: true });
    writeFileSync(file, content);
  } catch (error) {
    throw new CallError(`${file}: cannot be written (${(error as NodeJS.ErrnoException).code ?? "unknown"})`);
  }
}
