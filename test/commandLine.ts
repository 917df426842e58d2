/** The command line as a caller has it, in its own folder. */
import { spawnSync } from "node:child_process";
import { mkdtempSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";

/** What a call printed, and its exit code. */
export interface Called {
  readonly code: number | null;
  readonly out: string;
  readonly err: string;
}

/** A call as its own process, with something on standard input: slow, and for what only a process has. */
export function spawnNodulum(input: string, ...words: readonly string[]): Called {
  const done = spawnSync(process.execPath, [join(process.cwd(), "cli", "nodulum.mjs"), ...words], { encoding: "utf8", maxBuffer: 1 << 27, input });
  return { code: done.status, out: done.stdout, err: done.stderr };
}

/** A call within this process. */
async function runNodulum(...words: readonly string[]): Promise<Called> {
  const { run } = await import("../cli/run");
  let [out, err] = ["", ""];
  const code = await run(words, {
    isTerminal: false,
    write: (text) => ((out += text), true),
    drained: () => Promise.resolve(),
    writeError: (text) => void (err += text),
  });
  return { code, out, err };
}

/** A new folder; a file put into it, by its path; and a call. */
export function commandLine() {
  const folder = mkdtempSync(join(tmpdir(), "nodulum-"));
  const put = (name: string, content: string | Uint8Array) => {
    const path = join(folder, name);
    writeFileSync(path, content);
    return path;
  };
  return { folder, put, nodulum: runNodulum };
}
