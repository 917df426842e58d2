/** `nodulum page`: a page that plays a layout by itself, from the disk too. */
import type { Command } from "commander";
import { playingPage } from "../core/exchange/playingPage";
import { compile } from "../core/format/compile";
import { pageScript } from "../parcels/carried";
import { CallError, isSameFile, layoutFrom, writeText } from "./inputs";
import { printText, type Streams } from "./output";

/** Makes a command the one that writes pages. */
export function addPage(command: Command, streams: Streams): void {
  command
    .argument("<file>")
    .option("-o, --output <file>", "output file (default: print)")
    .description("write a playable page: layout, runtime and test yard in one HTML file that needs no network")
    .action((file: string, { output }: { output?: string }) => {
      const layout = layoutFrom(streams, file);
      if (output !== undefined && isSameFile(output, file)) throw new CallError(`${output}: is the layout file itself; choose another output file`);
      const html = playingPage({ layout, played: compile(layout), script: pageScript() });
      if (output === undefined) printText(streams, html);
      else writeText(output, html);
    });
}
