/**
 * A storm: a browser is killed at random moments while layouts are edited in one or two windows, and opened again on what it had written.
 * What was confirmed as saved before a kill must be there after it.
 */
import { randomFrom } from "../test/random";
import { chromium, type BrowserContext, type LaunchOptions, type Page } from "@playwright/test";
import { readFileSync, readdirSync } from "node:fs";
import { isSaved, nextDeed, placeOf, type DeedCounts, type Doing, type Facts, type Presence } from "./stormDeeds";

/** How a storm blows. `seed`: the same gives the same order of steps, though not the same moments. */
export interface Storm {
  readonly kills: number;
  readonly seed: number;
  readonly baseURL: string;
  readonly folder: string;
  readonly launchOptions: LaunchOptions;
  readonly onKill?: (report: StormReport) => void;
}

/** What a storm did, and what was lost. */
export interface StormReport extends DeedCounts {
  kills: number;
  /** Of the kills, those with two windows open; in the middle of a drag; while something was being written. */
  inTwoWindows: number;
  inDrags: number;
  whileWriting: number;
  /** With Settle under way. */
  inSettle: number;
  readonly lost: string[];
  /** Deeds that could not be done though the browser was there. */
  readonly broken: string[];
}

/** A layout holds 200 actions; before that a fresh copy is begun. */
const MOST_ACTIONS = 150;

const stateOf = (page: Page) => page.getByTestId("saved-state");
const visible = (page: Page) => stateOf(page).waitFor({ timeout: 600_000 });

/** The open layout as the store has it, and how many takes are kept of it. */
const storedLayout = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<{ moments: string[]; keys: Record<string, string[]>; takes: number }>((resolve, reject) => {
        const opening = indexedDB.open("nodulum");
        opening.onerror = () => reject(opening.error!);
        opening.onsuccess = () => {
          const tx = opening.result.transaction(["layouts", "takes"]);
          const id = sessionStorage.getItem("nodulum.open")!;
          const [layout, takes] = [tx.objectStore("layouts").get(id), tx.objectStore("takes").index("layout").count(id)];
          tx.oncomplete = () => {
            opening.result.close();
            const { moments = [], actions = [] } = JSON.parse((layout.result as { text: string }).text) as {
              moments?: { name: string }[];
              actions?: { name: string; keys?: { code: string }[] }[];
            };
            const keys = Object.fromEntries(actions.map((action) => [action.name, (action.keys ?? []).map((key) => key.code)]));
            resolve({ moments: moments.map((moment) => moment.name), keys, takes: takes.result });
          };
        };
      }),
  );

/** Blows, and reports what was lost. */
export async function storm({ kills, seed, baseURL, folder, launchOptions, onKill = () => undefined }: Storm): Promise<StormReport> {
  const random = randomFrom(seed);
  const report: StormReport = {
    kills: 0,
    inTwoWindows: 0,
    inDrags: 0,
    whileWriting: 0,
    inSettle: 0,
    edits: 0,
    confirmed: 0,
    held: 0,
    settled: 0,
    lost: [],
    broken: [],
  };
  const facts: Facts = { layout: "Brackwater", actions: new Map(), moments: new Map(), keys: new Map(), takes: 0, places: new Map() };
  let names = 0;

  /** One window, until the browser is gone. */
  async function blow(page: Page, which: number, doing: Doing): Promise<void> {
    const world = { page, which, facts, doing, counts: report, random, newName: () => `w${which} ${(names += 1)}` };
    for (;;) await nextDeed(world);
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
      await page.locator('input[aria-label^="Code name of "]').evaluateAll((fields) => fields.map((field) => (field as HTMLInputElement).value)),
    );
    const wrong = (what: string, presence: Presence, isThere: boolean) => {
      if (presence === "there" && !isThere) report.lost.push(`${what} of ${facts.layout}`);
      if (presence === "gone" && isThere) report.lost.push(`that ${what} of ${facts.layout} was taken back`);
    };
    for (const [name, presence] of facts.actions) wrong(`the action “${name}”`, presence, there.has(name));
    const stored = await storedLayout(page);
    for (const [name, presence] of facts.moments) wrong(`“${name}”`, presence, stored.moments.includes(name));
    for (const [name, { code, presence }] of facts.keys) wrong(`${code} on “${name}”`, presence, (stored.keys[name] ?? []).includes(code));
    if (stored.takes < facts.takes) report.lost.push(`${facts.takes - stored.takes} takes of ${facts.layout}`);
    facts.takes = stored.takes;
    if ([...facts.actions.values()].includes("there") && (await page.getByRole("button", { name: /^Undo: / }).count()) === 0)
      report.lost.push(`the history of ${facts.layout}`);
    // From here on it is known what became of what was on its way.
    for (const name of [...facts.actions.keys(), ...[...there].filter((one) => /^w\d /.test(one))]) facts.actions.set(name, there.has(name) ? "there" : "gone");
    for (const name of facts.moments.keys()) facts.moments.set(name, stored.moments.includes(name) ? "there" : "gone");
    for (const [name, fact] of facts.keys) fact.presence = (stored.keys[name] ?? []).includes(fact.code) ? "there" : "gone";
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
    for (const known of [facts.actions, facts.moments, facts.keys, facts.places]) known.clear();
    facts.takes = 0;
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
    const doing = pages.map((): Doing => ({ drag: false, writing: false, settle: false }));
    const blowing = pages.map((page, which) =>
      blow(page, which, doing[which]).catch((error: unknown) => {
        // With the browser gone no deed can be finished; what else stops one is a fault.
        if (!isEnd(error)) report.broken.push(String(error).slice(0, 300));
      }),
    );
    // Two of three are killed some time after their first edit was confirmed, the third wherever it is.
    const before = report.confirmed;
    const broken = report.broken.length;
    while (i % 3 !== 2 && report.confirmed === before && report.broken.length === broken) await pause(20);
    await pause(150 + random() * 2500);
    report.kills += 1;
    if (pages.length > 1) report.inTwoWindows += 1;
    if (doing.some((d) => d.drag)) report.inDrags += 1;
    if (doing.some((d) => d.writing)) report.whileWriting += 1;
    if (doing.some((d) => d.settle)) report.inSettle += 1;
    await kill(context, folder);
    await Promise.all(blowing);
    onKill(report);
  }
  const context = await launch();
  await verify(context.pages()[0] ?? (await context.newPage()));
  await context.close();
  return report;
}

const pause = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const isEnd = (error: unknown): boolean => /closed|crashed|disconnected|ECONN/i.test(String(error));

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
