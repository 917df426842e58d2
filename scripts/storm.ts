/** The long storm: starts the application, blows, and prints what it did and what was lost. Exit 1 where something was. */
import { spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import config from "../playwright.config";
import { storm, type StormReport } from "../e2e/stormRun";

const KILLS = 200;
const PORT = 4378;
const kills = Number(process.argv[2] ?? KILLS);
const seed = Number(process.argv[3] ?? Date.now() % 100_000);
if (!Number.isInteger(kills) || kills < 1 || !Number.isInteger(seed)) {
  console.error("Write npm run storm -- KILLS SEED, both whole numbers, such as npm run storm -- 200 7");
  process.exit(2);
}
const baseURL = `http://127.0.0.1:${PORT}`;
const server = spawn(process.execPath, [join("scripts", "serve.mjs"), String(PORT)], {
  stdio: "ignore",
});
process.on("exit", () => server.kill());
for (let i = 0; ; i += 1) {
  const up = await fetch(`${baseURL}/layout`).then(
    (answer) => answer.ok,
    () => false,
  );
  if (up) break;
  if (i > 100) throw new Error("the application did not start");
  await new Promise((resolve) => setTimeout(resolve, 200));
}

const line = (r: StormReport) =>
  `${r.kills} kills (${r.inTwoWindows} with two windows, ${r.inDrags} in the middle of a drag, ${r.whileWriting} while something was being written), ${r.edits} edits, ${r.confirmed} confirmed, ${r.lost.length} lost`;
console.log(`Storm of ${kills} kills, seed ${seed}.`);
const report = await storm({
  kills,
  seed,
  baseURL,
  folder: mkdtempSync(join(tmpdir(), "nodulum-storm-")),
  launchOptions: config.use!.launchOptions!,
  onKill: (r) => r.kills % 10 === 0 && console.log(line(r)),
});
console.log(line(report));
for (const lost of report.lost) console.log(`lost: ${lost}`);
process.exit(report.lost.length > 0 ? 1 : 0);
