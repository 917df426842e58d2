/**
 * A storm: a browser is killed at random moments while layouts are edited in one or two windows, and opened again on what it had written.
 * What was confirmed as saved before a kill must be there after it.
 */
import { chromium, type BrowserContext, type LaunchOptions, type Page } from "@playwright/test";
import { readFileSync, readdirSync } from "node:fs";

/** How a storm blows. `seed`: the same gives the same order of deeds, though not the same moments. */
export interface Storm {
  readonly kills: number;
  readonly seed: number;
  readonly baseURL: string;
  readonly folder: string;
  readonly launchOptions: LaunchOptions;
  readonly onKill?: (report: StormReport) => void;
}

/** What a storm did, and what was lost. */
export interface StormReport {
  kills: number;
  /** Of the kills, those with two windows open; in the middle of a drag; while something was being written. */
  inTwoWindows: number;
  inDrags: number;
  whileWriting: number;
  edits: number;
  confirmed: number;
  readonly lost: string[];
}

/** What must hold after a kill: actions that are there, and where controls stand: at the place that was confirmed last, or one that was tried since. */
interface Facts {
  layout: string;
  readonly actions: Set<string>;
  readonly places: Map<string, { confirmed: string | null; tried: string[] }>;
}

/** The numbers of a seed, 0 to 1 (mulberry32). */
function randomOf(seed: number): () => number {
  let state = seed >>> 0;
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

/** Each window drags a control of its own, so that where it stands is known. */
const DRAGGED = ["horn", "towline"] as const;
/** A layout holds 200 actions; before that a fresh copy is begun. */
const MOST_ACTIONS = 150;

const stateOf = (page: Page) => page.getByTestId("saved-state");
const visible = (page: Page) => stateOf(page).waitFor({ timeout: 60_000 });
const isSaved = (page: Page) =>
  page.waitForFunction(() => document.querySelector("[data-testid=saved-state]")?.textContent === "saved", undefined, { timeout: 60_000 });
const placeOf = (page: Page, id: string) =>
  page
    .locator(`[data-control="${id}"] rect`)
    .first()
    .evaluate((rect) => `${Number(rect.getAttribute("x")).toFixed(2)} ${Number(rect.getAttribute("y")).toFixed(2)}`);

/** Blows, and tells what was lost. */
export async function storm({ kills, seed, baseURL, folder, launchOptions, onKill = () => undefined }: Storm): Promise<StormReport> {
  const random = randomOf(seed);
  const report: StormReport = { kills: 0, inTwoWindows: 0, inDrags: 0, whileWriting: 0, edits: 0, confirmed: 0, lost: [] };
  const facts: Facts = { layout: "Brackwater", actions: new Set(), places: new Map() };
  let names = 0;

  /** One window, until the browser is gone. */
  async function blow(page: Page, which: number, doing: { drag: boolean; writing: boolean }): Promise<void> {
    for (;;) {
      const deed = random();
      if (deed < 0.5) {
        if (!page.url().endsWith("/actions")) await page.getByRole("link", { name: "Actions" }).click();
        const name = `w${which} ${(names += 1)}`;
        const field = page.getByLabel("Name of the new action");
        await field.fill(name);
        doing.writing = true;
        await field.press("Enter");
        report.edits += 1;
        await page.getByLabel(`Word of ${name}`, { exact: true }).waitFor();
        await isSaved(page);
        facts.actions.add(name);
        report.confirmed += 1;
        doing.writing = false;
      } else if (deed < 0.85) {
        if (!page.url().endsWith("/layout")) await page.getByRole("link", { name: "Layout" }).click();
        const id = DRAGGED[which];
        const known = facts.places.get(id) ?? { confirmed: null, tried: [] };
        facts.places.set(id, known);
        const box = (await page.locator(`[data-control="${id}"] rect`).first().boundingBox())!;
        const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
        await page.mouse.move(x, y);
        await page.mouse.down();
        doing.drag = true;
        await page.mouse.move(x + (random() - 0.5) * 50, y + (random() - 0.5) * 50, { steps: 5 });
        const tried = await placeOf(page, id);
        known.tried.push(tried);
        doing.drag = false;
        doing.writing = true;
        await page.mouse.up();
        report.edits += 1;
        const place = await placeOf(page, id);
        known.tried.push(place);
        await isSaved(page);
        known.confirmed = place;
        known.tried = [];
        report.confirmed += 1;
        doing.writing = false;
      } else {
        await page.getByRole("link", { name: ["Rehearse", "Screens", "Hand off"][Math.floor(random() * 3)] }).click();
        await page.waitForTimeout(50 + random() * 150);
      }
    }
  }

  /** What must be there, looked for in a browser that has just been opened again. */
  async function verify(page: Page): Promise<void> {
    await page.goto(`${baseURL}/layout`);
    await visible(page);
    for (const [id, { confirmed, tried }] of facts.places) {
      if (confirmed === null) continue;
      const place = await placeOf(page, id);
      if (place !== confirmed && !tried.includes(place)) report.lost.push(`${id} of ${facts.layout} stood at ${confirmed}, and stands at ${place}`);
      facts.places.set(id, { confirmed: place, tried: [] });
    }
    await page.getByRole("link", { name: "Actions" }).click();
    await page.getByLabel("Name of the new action").waitFor();
    const there = new Set(
      await page.locator('input[aria-label^="Word of "]').evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value)),
    );
    for (const name of facts.actions) if (!there.has(name)) report.lost.push(`the action “${name}” of ${facts.layout}`);
    if (facts.actions.size > 0 && (await page.getByRole("button", { name: /^Undo: / }).count()) === 0) report.lost.push(`the history of ${facts.layout}`);
    for (const name of there) if (/^w\d /.test(name)) facts.actions.add(name);
    if (facts.actions.size > MOST_ACTIONS) await beginAnew(page);
  }

  /** Another copy of the sample, for what the one before had no more room for. */
  async function beginAnew(page: Page): Promise<void> {
    await page.getByRole("button", { name: /^Layouts; open/ }).click();
    await page.getByRole("menuitem", { name: "Brackwater, first draft" }).waitFor();
    await page
      .getByRole("menuitem", { name: /^Brackwater, first draft/ })
      .first()
      .click();
    await page.getByRole("button", { name: /^Layouts; open: Brackwater, first draft$/ }).waitFor();
    await page.getByRole("button", { name: /^Layouts; open/ }).click();
    await page.getByRole("menuitem", { name: "Duplicate" }).click();
    facts.layout = `storm ${report.kills}`;
    await page.getByRole("button", { name: /^Layouts; open: .*copy$/ }).waitFor();
    await page.getByRole("button", { name: /^Layouts; open/ }).click();
    await page.getByRole("menuitem", { name: "Rename…" }).click();
    await page.getByRole("dialog").getByLabel("Name").fill(facts.layout);
    await page.keyboard.press("Enter");
    await page.getByRole("button", { name: `Layouts; open: ${facts.layout}`, exact: true }).waitFor();
    await isSaved(page);
    facts.actions.clear();
    facts.places.clear();
  }

  const launch = () => chromium.launchPersistentContext(folder, { ...launchOptions, viewport: { width: 1280, height: 800 }, reducedMotion: "reduce" });
  for (let i = 0; i < kills; i += 1) {
    const context = await launch();
    const first = context.pages()[0] ?? (await context.newPage());
    await verify(first);
    const pages = [first];
    if (i % 2 === 1) {
      pages.push(await context.newPage());
      await pages[1].goto(`${baseURL}/actions`);
      await visible(pages[1]);
    }
    const doing = pages.map(() => ({ drag: false, writing: false }));
    const blowing = pages.map((page, which) => blow(page, which, doing[which]).catch(() => undefined));
    await new Promise((resolve) => setTimeout(resolve, 150 + random() * 2500));
    report.kills += 1;
    if (pages.length > 1) report.inTwoWindows += 1;
    if (doing.some((d) => d.drag)) report.inDrags += 1;
    if (doing.some((d) => d.writing)) report.whileWriting += 1;
    await kill(context, folder);
    await Promise.all(blowing);
    onKill(report);
  }
  const context = await launch();
  await verify(context.pages()[0] ?? (await context.newPage()));
  await context.close();
  return report;
}

/** Ends a browser at once, with no chance to write anything more. */
async function kill(context: BrowserContext, folder: string): Promise<void> {
  const gone = new Promise((resolve) => context.once("close", resolve));
  for (const pid of processesOf(folder)) {
    try {
      process.kill(pid, "SIGKILL");
    } catch {
      // It is gone already.
    }
  }
  await gone;
}

/** The processes of the browser that works in a folder. */
function processesOf(folder: string): number[] {
  return readdirSync("/proc").flatMap((name) => {
    if (!/^\d+$/.test(name) || Number(name) === process.pid) return [];
    try {
      return readFileSync(`/proc/${name}/cmdline`, "utf8").includes(`--user-data-dir=${folder}`) ? [Number(name)] : [];
    } catch {
      return [];
    }
  });
}
