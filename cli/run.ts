/** The command line (model.md section 4): argument parsing and printing around core. */
import { Command, CommanderError } from "commander";
import { printResolved } from "../core/exchange/resolvedData";
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
import { printJson, printMessage, type OutputStreams, type Streams } from "./output";
import { addPage } from "./page";
import { addReplay } from "./replay";
import { addReport } from "./report";
import { addSettle } from "./settle";

function withView(command: Command): Command {
  return command
    .option("--moment <id>", "only this moment of the game")
    .option("--handed <hand>", "right or left", "right")
    .option("--player-size <factor>", "player size", "1");
}

/** The program with all its commands. One program runs one call. */
function createProgram(streams: Streams): Command {
  const program = new Command("nodulum")
    .description("Touch layouts for mobile games: positions, input values and checks.")
    .exitOverride()
    .configureOutput({ writeOut: (text) => void streams.write(text), writeErr: (text) => printMessage(streams, text) });

  withView(program.command("resolve").argument("<file>").requiredOption("--screen <screen>", "WxH@ppi[+left,top,right,bottom]"))
    .description("print the position of everything on a screen, in px")
    .action((file: string, options: ViewOptions & { screen: string }) => {
      const layout = layoutFrom(streams, file);
      printJson(streams, printResolved(resolve(prepareLayout(layout), screenFrom(options.screen), viewFrom(options, layout))));
    });

  addReplay(withView(program.command("replay")), streams);

  program
    .command("compile")
    .argument("<file>")
    .option("-o, --output <file>", "output file (default: print)")
    .description("write the played file: the file that a game loads")
    .action((file: string, options: { output?: string }) => {
      const text = compile(layoutFrom(streams, file));
      const { output } = options;
      // To a file or another program the bytes as they are; before somebody's eyes what a terminal would act on is escaped.
      if (output === undefined) return void streams.write(streams.isTerminal ? jsonForTerminal(text) : text);
      if (isSameFile(output, file)) throw new CallError(`${output}: is the layout file itself; choose another output file`);
      writeText(output, text);
    });

  addCheck(withView(program.command("check")), streams);
  addSpans(withView(program.command("spans")), streams);
  addDiff(withView(program.command("diff")), streams);
  addMisses(withView(program.command("misses")), streams);
  addSettle(withView(program.command("settle")), streams);
  addReport(program.command("report"), streams);
  addPage(program.command("page"), streams);
  addHandoff(program.command("handoff"), streams);

  program
    .command("schema")
    .description("print the JSON Schema (2020-12) of the layout file")
    .action(() => printJson(streams, layoutJsonSchema()));
  return program;
}

/**
 * Runs one call of the command line, such as `["check", "main.nodulum.json"]`, and returns its exit code: 0 done, 1 the layout falls short, 2 the
 * call or a file is at fault.
 */
export async function run(words: readonly string[], streams: OutputStreams): Promise<0 | 1 | 2> {
  let isShort = false;
  try {
    await createProgram({ ...streams, fallShort: () => (isShort = true) }).parseAsync(words, { from: "user" });
  } catch (error) {
    if (error instanceof CallError) printMessage(streams, `nodulum: ${error.message}`);
    else if (!(error instanceof CommanderError)) throw error;
    return error instanceof CommanderError && error.exitCode === 0 ? 0 : 2;
  }
  return isShort ? 1 : 0;
}
