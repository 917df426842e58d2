/** `nodulum report`: everything about a layout on its screens as one printable HTML file. */
import { counted } from "../core/derived/counted";
import { Option, type Command } from "commander";
import { digestOfText } from "../core/format/digest";
import { writeLayout } from "../core/format/write";
import { makeReport } from "../core/report/gatherReport";
import { REPORT_PARTS, SHRINKS, type ReportPart } from "../core/report/reportSource";
import { PAPERS, type Paper } from "../core/report/style";
import { screensFrom, type ScreenOptions } from "./check";
import { CallError, isSameFile, layoutFrom, writeText } from "./inputs";
import { printMessage, printText, type Streams } from "./output";

interface ReportOptions extends ScreenOptions {
  output?: string;
  paper: Paper;
  scale: string;
  parts?: string;
}

/** Work that takes longer than this says how far it is, ms. */
const PATIENCE_MS = 1000;

/** Makes a command the one that writes reports. */
export function addReport(command: Command, streams: Streams): void {
  command
    .argument("<file>")
    .option("--screens <list.json>", "a JSON list of screens")
    .option("--screen <screen>", "a screen; repeatable", (value: string, all: string[]) => [...all, value], [] as string[])
    .addOption(new Option("--paper <paper>", "paper size").choices(PAPERS).default("a4"))
    .addOption(new Option("--scale <times>", "mm on the screen per mm on the contact sheet").choices(SHRINKS.map(String)).default("2"))
    .option("--parts <list>", `which parts, separated by commas: ${REPORT_PARTS.join(",")}; without, all`)
    .option("-o, --output <file>", "output file (default: print)")
    .description("write a printable report as one HTML file: layout, screens, findings, spans and misses (default screens: the built-in catalogue)")
    .action((file: string, options: ReportOptions) => {
      const layout = layoutFrom(streams, file);
      const { output } = options;
      if (output !== undefined && isSameFile(output, file)) throw new CallError(`${output}: is the layout file itself; choose another output file`);
      let told = performance.now();
      const html = makeReport(
        {
          layout,
          digest: digestOfText(writeLayout(layout)),
          date: new Date().toISOString().slice(0, 10),
          screens: screensFrom(layout, options),
          parts: partsFrom(options.parts),
          paper: options.paper,
          shrinks: SHRINKS.find((times) => String(times) === options.scale)!,
        },
        (done, all) => {
          if (performance.now() - told < PATIENCE_MS) return;
          told = performance.now();
          printMessage(streams, `${done} of ${counted(all, "part")} computed`);
        },
      );
      if (output === undefined) printText(streams, html);
      else writeText(output, html);
    });
}

function partsFrom(list: string | undefined): readonly ReportPart[] {
  if (list === undefined) return REPORT_PARTS;
  return list.split(",").map((word) => {
    const part = REPORT_PARTS.find((one) => one === word.trim());
    if (!part) throw new CallError(`--parts: "${word}" is not a part; write ${REPORT_PARTS.join(", ")}`);
    return part;
  });
}
