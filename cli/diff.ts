/** `nodulum diff`: what changed between two layouts, in lines for a review or as data. */
import type { Command } from "commander";
import { compare, drawnFor } from "../core/versions/compare";
import { lineForTerminal } from "../core/exchange/terminal";
import { printJson, printText, type Streams } from "./output";
import { CallError, layoutFrom, screenFrom, viewFrom, type ViewOptions } from "./inputs";

interface DiffOptions extends ViewOptions {
  screen?: string;
  format: string;
}

/** Makes a command the one that compares. Exit 0 where nothing differs, 1 where something does. */
export function addDiff(command: Command, streams: Streams): void {
  command
    .argument("<old>")
    .argument("<new>")
    .option("--screen <screen>", "screen for moves and sizes, WxH@ppi[+left,top,right,bottom] (default: design screen of the new layout)")
    .option("--format <format>", "text or json", "text")
    .description("list the differences between two layouts: added, removed, moved, resized, and each changed field")
    .action((old: string, next: string, options: DiffOptions) => {
      const { format } = options;
      if (format !== "text" && format !== "json") throw new CallError(`--format: "${format}" is not a format; write text or json`);
      const [before, after] = [layoutFrom(streams, old), layoutFrom(streams, next)];
      const screen = options.screen === undefined ? drawnFor(after) : screenFrom(options.screen);
      const differences = compare(before, after, { screen, playerView: viewFrom(options, after) });
      if (format === "json") printJson(streams, { screen: screen.name, differences });
      else if (differences.length > 0) printText(streams, differences.map((d) => lineForTerminal(d.text)).join("\n"));
      if (differences.length > 0) streams.fallShort();
    });
}
