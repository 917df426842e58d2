/**
 * The long storm, in parts:
 *
 *   kills    a browser killed over and over while it edits
 *   core     broken layout files and event streams through the core
 *   c99      the same through the port in C under sanitizers, and both engines side by side
 *   settle   layouts of every kind settled, and judged by the checks
 *   laws     the unit tests, each law tried this many times as often
 *   browser  the browser tests in the whole of Chromium, with what `npm test` leaves out: larger jobs, and axe in every dialogue; this many times
 *   files    hostile files through the browser
 *   long     a source folder of 100,000 files, and this many minutes of rehearsal at eight times speed
 *
 * Without a name all of them. Prints what was done and what went wrong; exit 1 where something did.
 */
import { fork, spawn } from "node:child_process";
import { mkdtempSync } from "node:fs";
import { availableParallelism, tmpdir } from "node:os";
import { join } from "node:path";
import { fileURLToPath } from "node:url";
import config from "../playwright.config";
import { hostileRun, type HostileReport } from "../e2e/hostileRun";
import { longRun } from "../e2e/longRun";
import { storm, type StormReport } from "../e2e/stormRun";
import { stormCore, type CoreReport } from "./stormCore";

const PORT = 4378;
const baseURL = `http://127.0.0.1:${PORT}`;
const launchOptions = config.use!.launchOptions!;
const PARTS = { kills: 200, core: 1_000_000, c99: 1_000_000, settle: 300, laws: 10, browser: 1, files: 500, long: 60 } as const;
type Part = keyof typeof PARTS;

/** Serves the application for the time of some work. */
async function served<T>(work: () => Promise<T>): Promise<T> {
  const server = spawn(process.execPath, [join("scripts", "server.mjs"), String(PORT)], { stdio: "ignore" });
  process.on("exit", () => server.kill());
  try {
    for (let i = 0; ; i += 1) {
      const up = await fetch(`${baseURL}/layout`).then(
        (answer) => answer.ok,
        () => false,
      );
      if (up) break;
      if (i > 100) throw new Error("the application did not start");
      await new Promise((resolve) => setTimeout(resolve, 200));
    }
    return await work();
  } finally {
    server.kill();
  }
}

async function kills(count: number, seed: number): Promise<readonly string[]> {
  const line = (r: StormReport) =>
    `${r.kills} kills (${r.inTwoWindows} with two windows, ${r.inDrags} in the middle of a drag, ${r.whileWriting} while something was being written, ${r.inSettle} with Settle under way), ${r.edits} edits, ${r.confirmed} confirmed, ${r.held} of them drags held while others went on, ${r.settled} by Settle, ${r.lost.length} lost`;
  const folder = mkdtempSync(join(tmpdir(), "nodulum-storm-"));
  const report = await served(() => storm({ kills: count, seed, baseURL, folder, launchOptions, onKill: (r) => r.kills % 10 === 0 && console.log(line(r)) }));
  console.log(line(report));
  // A storm in which hardly anything was confirmed has shown nothing.
  const few = report.confirmed < count / 2 ? [`only ${report.confirmed} edits were confirmed in ${count} kills`] : [];
  return [...report.lost.map((lost) => `lost: ${lost}`), ...report.broken.map((one) => `could not go on: ${one}`), ...few];
}

async function files(count: number, seed: number): Promise<readonly string[]> {
  const line = (r: HostileReport) =>
    `${r.files} hostile files, ${r.taken} taken, ${r.faults.length} faults; slowest answer ${(r.slowest.ms / 1000).toFixed(2)} s (${r.slowest.what}), most memory ${r.most.mib.toFixed(0)} MiB (${r.most.what}), added by one file ${r.added.mib.toFixed(0)} MiB (${r.added.what})`;
  const report = await served(() => hostileRun({ count, seed, baseURL, launchOptions, onFile: (r) => r.files % 20 === 0 && console.log(line(r)) }));
  console.log(line(report));
  return report.faults;
}

async function long(minutes: number): Promise<readonly string[]> {
  const { folder, rehearsal, faults } = await served(() => longRun(minutes, baseURL, launchOptions));
  console.log(
    `a folder of source: ${folder.said}, in ${folder.seconds.toFixed(1)} s; the page was never silent for longer than ${folder.longestMs.toFixed(0)} ms`,
  );
  console.log(
    `${rehearsal.minutes.toFixed(0)} minutes of play at eight times speed: ${rehearsal.beforeMb.toFixed(1)} MB before, ${rehearsal.afterMb.toFixed(1)} MB after`,
  );
  return faults;
}

/** Tests, with figures of the storm's own; `what` they are about is reported where they fail. */
function tested(what: string, paths: readonly string[], figures: Readonly<Record<string, string>>): Promise<readonly string[]> {
  const patience = ["--testTimeout", String(24 * 3_600_000)];
  const child = spawn(process.execPath, [join("node_modules", "jest", "bin", "jest.js"), ...paths, ...patience], {
    stdio: "inherit",
    env: { ...process.env, ...figures },
  });
  return new Promise((resolve) => child.on("close", (code) => resolve(code === 0 ? [] : [`${what}: the tests ended with ${code}`])));
}

/** The tests of the port in C, with as many broken files as are asked for and all cases side by side. */
const c99 = (times: number) => tested("the port in C", ["ports"], { NODULUM_C99_FUZZ: String(times), NODULUM_C99_RUNS: "2000", NODULUM_C99_BROKEN: "5000" });

/** The laws of Settle, with this many layouts of every kind. */
const settle = (times: number) => tested("settle", ["core/settle/settle.test"], { NODULUM_SETTLE_RUNS: String(times) });

/** The laws of the unit tests, each tried this many times as often. */
const laws = (times: number) => tested("the laws", [], { NODULUM_TIMES: String(times) });

/** The browser tests in the whole of Chromium, this many times. */
function browser(times: number): Promise<readonly string[]> {
  const child = spawn(process.execPath, [join("node_modules", "@playwright", "test", "cli.js"), "test", `--repeat-each=${times}`, "--reporter=line"], {
    stdio: "inherit",
    env: { ...process.env, NODULUM_TIMES: "1" },
  });
  return new Promise((resolve) => child.on("close", (code) => resolve(code === 0 ? [] : [`the browser tests ended with ${code}`])));
}

const coreLine = (r: CoreReport) =>
  `${r.times} files, ${r.filesTaken} taken, and ${r.times} streams, ${r.tracesTaken} taken; slowest ${r.slowestMs.toFixed(0)} ms (seed ${r.slowestSeed}), most memory ${r.mostMib.toFixed(0)} MiB`;

/** As many processes as there are processors, each with its part of the seeds. */
async function core(times: number, seed: number): Promise<readonly string[]> {
  const processes = Math.min(availableParallelism(), times);
  const share = Math.ceil(times / processes);
  const parts = Array.from({ length: processes }, (_, i) => {
    const count = Math.min(share, times - i * share);
    return new Promise<{ report: CoreReport | null; fault: string | null }>((resolve) => {
      const child = fork(fileURLToPath(import.meta.url), ["core-part", String(count), String(seed + i * share)], {
        stdio: ["ignore", "inherit", "pipe", "ipc"],
      });
      let report: CoreReport | null = null;
      let complaint = "";
      child.on("message", (message) => (report = message as CoreReport));
      child.stderr!.on("data", (piece) => (complaint += String(piece)));
      child.on("exit", (code) => resolve({ report, fault: code === 0 ? null : complaint.slice(0, 2000) }));
    });
  });
  const done = await Promise.all(parts);
  const reports = done.flatMap(({ report }) => (report ? [report] : []));
  const sum = (of: (r: CoreReport) => number) => reports.reduce((all, r) => all + of(r), 0);
  const [slowest] = [...reports].sort((a, b) => b.slowestMs - a.slowestMs);
  if (slowest)
    console.log(
      coreLine({
        ...slowest,
        times: sum((r) => r.times),
        filesTaken: sum((r) => r.filesTaken),
        tracesTaken: sum((r) => r.tracesTaken),
        mostMib: Math.max(...reports.map((r) => r.mostMib)),
      }),
    );
  return done.flatMap(({ fault }) => (fault === null ? [] : [fault]));
}

const RUN: Readonly<Record<Part, (count: number, seed: number) => Promise<readonly string[]>>> = { kills, core, c99, settle, laws, browser, files, long };

const [asked, ...figures] = process.argv.slice(2);
if (asked === "core-part") {
  const report = stormCore(Number(figures[0]), Number(figures[1]), (r) => console.log(coreLine(r)));
  process.send!(report);
  process.disconnect();
} else {
  const [count, seed = Date.now() % 100_000] = figures.map(Number);
  const wrong = (asked !== undefined && !Object.hasOwn(RUN, asked)) || figures.some((f) => !Number.isInteger(Number(f)) || Number(f) < 1);
  if (wrong) {
    console.error(
      "Write npm run storm, or npm run storm -- PART COUNT SEED: a part is kills, core, c99, settle, laws, browser, files or long, both figures whole, such as npm run storm -- kills 200 7",
    );
    process.exit(2);
  }
  const faults: string[] = [];
  for (const part of asked === undefined ? (Object.keys(PARTS) as Part[]) : [asked as Part]) {
    const times = count ?? PARTS[part];
    console.log(`${part}: ${times}, seed ${seed}`);
    faults.push(...(await RUN[part](times, seed)));
  }
  for (const fault of faults) console.log(fault);
  process.exit(faults.length > 0 ? 1 : 0);
}
