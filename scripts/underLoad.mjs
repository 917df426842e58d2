/**
 * `node scripts/underLoad.mjs COUNT COMMAND [ARGUMENTS…]`: runs a command next to this many processes that keep a processor busy, and ends as it ends.
 * By this the tests are shown to pass on a machine that has other work to do.
 */
import { spawn } from "node:child_process";

const [count, command, ...words] = process.argv.slice(2);
if (!(Number(count) >= 1) || command === undefined) {
  console.error("Write node scripts/underLoad.mjs COUNT COMMAND [ARGUMENTS…], such as node scripts/underLoad.mjs 3 npm test.");
  process.exit(2);
}
const busy = Array.from({ length: Number(count) }, () => spawn(process.execPath, ["-e", "for (;;);"], { stdio: "ignore" }));
process.on("exit", () => busy.forEach((child) => child.kill("SIGKILL")));
for (const signal of ["SIGINT", "SIGTERM", "SIGHUP"]) process.on(signal, () => process.exit(1));
spawn(command, words, { stdio: "inherit" }).on("close", (code) => process.exit(code ?? 1));
