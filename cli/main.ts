/** The process of the command line: its arguments, its streams and its exit code. */
import { run } from "./run";

const { stdout, stderr } = process;
// A reader that has seen enough (`| head`) closes the pipe: that is no fault.
stdout.on("error", (error: NodeJS.ErrnoException) => process.exit(error.code === "EPIPE" ? 0 : 2));

process.exitCode = await run(process.argv.slice(2), {
  isTerminal: stdout.isTTY,
  write: (text) => stdout.write(text),
  drained: () => new Promise((resolve) => stdout.once("drain", resolve)),
  writeError: (text) => void stderr.write(text),
});
