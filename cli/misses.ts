/** `nodulum misses`: where touches meant for each control land, and who takes them. */
import type { Command } from "commander";
import { missesOn } from "../core/checks/misses";
import { resolve } from "../core/engine/placement/resolve";
import { prepareLayout } from "../core/engine/placement/prepare";
import { layoutFrom, screenFrom, viewFrom, type ViewOptions } from "./inputs";
import { printJson, type Streams } from "./output";

/** Makes a command the one that reports misses. */
export function addMisses(command: Command, streams: Streams): void {
  command
    .argument("<file>")
    .requiredOption("--screen <screen>", "WxH@ppi[+left,top,right,bottom]")
    .description("print the share of touches that each control gets, and which controls get the rest, from 0 to 1")
    .action((file: string, options: ViewOptions & { screen: string }) => {
      const layout = layoutFrom(streams, file);
      const playerView = viewFrom(options, layout);
      const resolved = resolve(prepareLayout(layout), screenFrom(options.screen), { ...playerView, moment: null });
      printJson(streams, { screen: resolved.screen, controls: missesOn(layout, resolved, playerView) });
    });
}
