/** The command line (model.md section 4): argument parsing and printing around core. Exit 0 done, 1 the layout falls short, 2 the call or a file is at fault. */
import { Command, CommanderError } from "commander";
import { printResolved } from "../core/exchange/resolved";
import { layoutJsonSchema } from "../core/exchange/schema";
import { jsonForTerminal } from "../core/exchange/terminal";
import { compile } from "../core/format/compile";
import { prepareLayout } from "../core/engine/placement/prepare";
import { resolve } from "../core/engine/placement/resolve";
import { addCheck, addSpans } from "./check";
import { addDiff } from "./diff";
import { addHandoff } from "./handoff";
import { addMisses } from "./misses";
import { CallError, isSameFile, layoutFrom, screenFrom, viewFrom, writeText, type ViewOptions } from "./inputs";
import { printJson, printMessage } from "./output";
import { addPage } from "./page";
import { addReplay } from "./replay";
import { addReport } from "./report";
import { addSettle } from "./settle";

// A reader that has seen enough (`| head`) closes the pipe: that is no fault.
process.stdout.on("error", (error: NodeJS.ErrnoException) => process.exit(error.code === "EPIPE" ? 0 : 2));

function withView(command: Command): Command {
  return command
    .option("--moment <id>", "only what this moment of the game shows")
    .option("--handed <hand>", "right or left", "right")
    .option("--player-size <factor>", "the player's own size", "1");
}

const program = new Command("nodulum")
  .description("Touch layouts for mobile games: where controls stand, what touches give, what falls short.")
  .exitOverride()
  .configureOutput({ writeErr: printMessage });

withView(program.command("resolve").argument("<file>").requiredOption("--screen <screen>", "WxH@ppi[+left,top,right,bottom]"))
  .description("print where everything stands on a screen, px")
  .action((file: string, options: ViewOptions & { screen: string }) => {
    const layout = layoutFrom(file);
    printJson(printResolved(resolve(prepareLayout(layout), screenFrom(options.screen), viewFrom(options, layout))));
  });

addReplay(withView(program.command("replay")));

program
  .command("compile")
  .argument("<file>")
  .option("-o, --output <file>", "where to write it; without, it is printed")
  .description("write the played file: what a game carries")
  .action((file: string, options: { output?: string }) => {
    const text = compile(layoutFrom(file));
    const { output } = options;
    // To a file or another program the bytes as they are; before somebody's eyes what a terminal would act upon is escaped.
    if (output === undefined) return void process.stdout.write(process.stdout.isTTY ? jsonForTerminal(text) : text);
    if (isSameFile(output, file)) throw new CallError(`${output}: this is the layout itself, which would be lost; name another file`);
    writeText(output, text);
  });

addCheck(withView(program.command("check")));
addSpans(withView(program.command("spans")));
addDiff(withView(program.command("diff")));
addMisses(withView(program.command("misses")));
addSettle(withView(program.command("settle")));
addReport(program.command("report"));
addPage(program.command("page"));
addHandoff(program.command("handoff"));

program
  .command("schema")
  .description("print the JSON Schema (2020-12) of the layout file")
  .action(() => printJson(layoutJsonSchema()));

try {
  await program.parseAsync();
} catch (error) {
  if (error instanceof CallError) printMessage(`nodulum: ${error.message}`);
  else if (!(error instanceof CommanderError)) throw error;
  const done = error instanceof CommanderError && error.exitCode === 0;
  process.exitCode = done ? 0 : 2;
}
