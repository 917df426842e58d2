/** Hostile files through the running application: each is brought in, and where it is taken, looked at in every view. What it did is measured. */
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from "node:fs";
import { createServer } from "node:http";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { chromium, type Browser, type CDPSession, type LaunchOptions, type Page } from "@playwright/test";
import { CANARY, hostileFile } from "./hostileFiles";

/** What a run was asked for. Files `seed`, `seed + 1`, …, `count` of them. */
export interface HostileOrder {
  readonly baseURL: string;
  readonly count: number;
  readonly seed: number;
  readonly launchOptions: LaunchOptions;
  readonly onFile?: (report: HostileReport) => void;
}

/** What a run found. Times are ms, from the file's choice to its answer and from view to view. Memory is that of the page's process at its highest, MiB: all of it, and what a file added to what was there before. */
export interface HostileReport {
  files: number;
  taken: number;
  slowest: { ms: number; what: string };
  most: { mib: number; what: string };
  added: { mib: number; what: string };
  /** What went wrong: a script that ran, an address that was asked, a page that broke or stood still. */
  readonly faults: string[];
}

/** One page is used for this many files, then a fresh browser begins with nothing kept. */
const FILES_A_PAGE = 20;
/** A page that has not answered by then is still, ms. */
const STILL_MS = 60_000;
const VIEWS = ["Screens", "Actions", "Rehearse", "Layout"];

const folder = mkdtempSync(join(tmpdir(), "hostile-"));
process.once("exit", () => rmSync(folder, { recursive: true, force: true }));

/** Brings hostile files in, one after the other. */
export async function hostileRun(order: HostileOrder): Promise<HostileReport> {
  const report: HostileReport = { files: 0, taken: 0, slowest: { ms: 0, what: "" }, most: { mib: 0, what: "" }, added: { mib: 0, what: "" }, faults: [] };
  const asked: string[] = [];
  const canary = createServer((request, response) => {
    asked.push(String(request.url));
    response.end();
  }).listen(Number(new URL(CANARY).port), "127.0.0.1");
  try {
    for (let from = 0; from < order.count; from += FILES_A_PAGE) {
      const browser = await chromium.launch(order.launchOptions);
      try {
        await onePage(browser, order, { from, report, asked });
      } finally {
        await browser.close();
      }
    }
  } finally {
    canary.close();
    canary.closeAllConnections();
  }
  return report;
}

async function onePage(
  browser: Browser,
  { baseURL, count, seed, onFile }: HostileOrder,
  { from, report, asked }: { from: number; report: HostileReport; asked: string[] },
) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, reducedMotion: "reduce", serviceWorkers: "block" });
  const page = await context.newPage();
  page.setDefaultTimeout(STILL_MS);
  const origin = new URL(baseURL).origin;
  let what = "";
  const fault = (text: string) => report.faults.push(`${what}: ${text}`);
  page.on("pageerror", (error) => fault(`an error nobody caught: ${error.message}`));
  page.on("crash", () => fault("the page crashed"));
  page.on("dialog", (dialog) => {
    fault(`a dialogue: ${dialog.message()}`);
    void dialog.dismiss();
  });
  page.on("request", (request) => {
    if (!request.url().startsWith("data:") && !request.url().startsWith("blob:") && new URL(request.url()).origin !== origin) fault(`asked ${request.url()}`);
  });
  await page.addInitScript(() => document.addEventListener("change", () => Object.assign(window, { chosenAt: performance.now() }), { capture: true }));
  const system = await browser.newBrowserCDPSession();
  const own = await context.newCDPSession(page);
  await page.goto(`${baseURL}/handoff`);
  for (let i = from; i < Math.min(count, from + FILES_A_PAGE); i += 1) {
    const file = hostileFile(seed + i);
    what = `file ${seed + i}, ${file.what}`;
    // What earlier files have left behind is not this one's.
    await own.send("HeapProfiler.collectGarbage");
    const before = await forgetPeak(system);
    const took = await bringIn(page, file.bytes, report);
    if (process.env.HOSTILE_SLOW && took > Number(process.env.HOSTILE_SLOW)) console.log(`${took.toFixed(0)} ms: ${what}`);
    if (took > report.slowest.ms) report.slowest = { ms: took, what };
    const mib = await memoryOf(system, "VmHWM");
    if (mib > report.most.mib) report.most = { mib, what };
    if (mib - before > report.added.mib) report.added = { mib: mib - before, what };
    if (await page.evaluate(() => "ran" in window)) fault("its script ran");
    for (const url of asked.splice(0)) fault(`asked ${url}`);
    report.files += 1;
    onFile?.(report);
  }
  await context.close();
}

/** Brings a file in; gives how long the slowest answer took, ms. */
async function bringIn(page: Page, bytes: Buffer, report: HostileReport): Promise<number> {
  const go = async (word: string): Promise<number> => {
    const begun = performance.now();
    await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: word }).click();
    // Two frames drawn: the view is.
    await page.evaluate(() => new Promise((resolve) => requestAnimationFrame(() => requestAnimationFrame(resolve))));
    return performance.now() - begun;
  };
  await go("Hand off");
  await page.getByLabel("Files to import").setInputFiles(onDisk(bytes));
  const refused = page.getByRole("region", { name: "Import", exact: true }).getByRole("alert");
  await refused
    .or(page.getByRole("region", { name: "Ledger" }))
    .first()
    .waitFor();
  // From the moment the page has the file; how it came to the page is the test driver's own business.
  let slowest = await page.evaluate(() => performance.now() - (window as unknown as { chosenAt: number }).chosenAt);
  if (await refused.isVisible()) return slowest;
  report.taken += 1;
  for (const view of VIEWS) slowest = Math.max(slowest, await go(view));
  return slowest;
}

/** The file as a user has it, on the disk: given as bytes, the test driver would write it out in the page as base64, and that would be measured with it. */
function onDisk(bytes: Buffer): string {
  const path = join(folder, "hostile.nodulum.json");
  writeFileSync(path, bytes);
  return path;
}

/** The page processes there are. */
const pageProcesses = async (system: CDPSession) => (await system.send("SystemInfo.getProcessInfo")).processInfo.filter((p) => p.type === "renderer");

/** The memory of the largest page process there is, MiB: as it is now (VmRSS), or as it was at its highest since that was last forgotten (VmHWM). */
async function memoryOf(system: CDPSession, which: "VmRSS" | "VmHWM"): Promise<number> {
  const sizes = (await pageProcesses(system)).map(({ id }) => {
    try {
      return Number(new RegExp(`${which}:\\s+(\\d+) kB`).exec(readFileSync(`/proc/${id}/status`, "utf8"))?.[1] ?? 0) / 1024;
    } catch {
      return 0;
    }
  });
  return Math.max(0, ...sizes);
}

/** Begins to look for the highest again (proc(5), clear_refs); gives what is there now, MiB. */
async function forgetPeak(system: CDPSession): Promise<number> {
  for (const { id } of await pageProcesses(system)) {
    try {
      writeFileSync(`/proc/${id}/clear_refs`, "5");
    } catch {
      // Where that is not allowed, the highest of all files is reported.
    }
  }
  return memoryOf(system, "VmRSS");
}
