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
    .option("-o, --output <file>", "where to write it; without, it is printed")
    .description("write a page that plays by itself: the layout, the runtime and a test yard in one HTML file, without network")
    .action((file: string, { output }: { output?: string }) => {
      const layout = layoutFrom(streams, file);
      if (output !== undefined && isSameFile(output, file)) throw new CallError(`${output}: this is the layout itself, which would be lost; name another file`);
      const html = playingPage({ layout, played: compile(layout), script: pageScript() });
      if (output === undefined) printText(streams, html);
      else writeText(output, html);
    });
}
