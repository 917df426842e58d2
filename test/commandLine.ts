/** The command line as a caller has it, in a folder of its own. */
import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** A new folder; a file put into it, by its path; and a call, with what it printed and its exit code; `piped`: with something on standard input. */
export function commandLine() {
  const folder = mkdtempSync(join(tmpdir(), "nodulum-"));
  const put = (name: string, text: string) => {
    const path = join(folder, name);
    writeFileSync(path, text);
    return path;
  };
  const piped = (input: string, ...args: string[]) => {
    const done = spawnSync(process.execPath, [join(process.cwd(), "cli", "nodulum.mjs"), ...args], { encoding: "utf8", maxBuffer: 1 << 26, input });
    return { code: done.status, out: done.stdout, err: done.stderr };
  };
  const nodulum = (...args: string[]) => piped("", ...args);
  return { folder, put, nodulum, piped };
}
