/** What a window does in a storm, one thing after the other: each deed makes one edit, waits until it is called saved, and only then counts on it. */
import type { Page } from "@playwright/test";

/** Whether something is there: once it is called saved it must be; until then it may. */
export type Presence = "there" | "gone" | "either";

/** What must hold after a kill. Places: where a control was confirmed last, or one that was tried since. */
export interface Facts {
  layout: string;
  readonly actions: Map<string, Presence>;
  readonly moments: Map<string, Presence>;
  /** The key of an action, by the action's name. */
  readonly keys: Map<string, { readonly code: string; presence: Presence }>;
  /** How many takes of the layout have been kept. */
  takes: number;
  readonly places: Map<string, { confirmed: string | null; tried: string[] }>;
}

/** What a window is in the middle of. */
export interface Doing {
  drag: boolean;
  writing: boolean;
  settle: boolean;
}

export interface DeedCounts {
  edits: number;
  confirmed: number;
  /** Gestures that were held while something else went on. */
  held: number;
  settled: number;
}

/** What the steps of one window share. */
export interface DeedWorld {
  readonly page: Page;
  /** 0: the first window, 1: the second. */
  readonly which: number;
  readonly facts: Facts;
  readonly doing: Doing;
  readonly counts: DeedCounts;
  readonly random: () => number;
  readonly newName: () => string;
}

/** Each window drags its own control, so that where it is is known. */
const DRAGGED = ["horn", "towline"] as const;

export const isSaved = (page: Page) =>
  page.waitForFunction(() => document.querySelector("[data-testid=saved-state]")?.textContent === "saved", undefined, { timeout: 600_000 });
export const placeOf = (page: Page, id: string) =>
  page
    .locator(`[data-control="${id}"] rect`)
    .first()
    .evaluate((rect) => `${Number(rect.getAttribute("x")).toFixed(2)} ${Number(rect.getAttribute("y")).toFixed(2)}`);
async function goTo(page: Page, path: string, name: string): Promise<void> {
  if (!page.url().endsWith(path)) await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name }).click();
}

/** Makes one edit and waits until it is saved. */
async function edited({ page, doing, counts }: DeedWorld, make: () => Promise<void>): Promise<void> {
  doing.writing = true;
  await make();
  counts.edits += 1;
  await isSaved(page);
  counts.confirmed += 1;
  doing.writing = false;
}

async function addAction(world: DeedWorld): Promise<string> {
  const { page, facts, newName } = world;
  await goTo(page, "/actions", "Actions");
  const name = newName();
  const field = page.getByLabel("Name of the new action");
  await field.fill(name);
  facts.actions.set(name, "either");
  await edited(world, async () => {
    await field.press("Enter");
    await page.getByLabel(`Code name of ${name}`, { exact: true }).waitFor();
  });
  facts.actions.set(name, "there");
  return name;
}

/** Adds an action and takes it back, or takes it back and makes it again. */
async function undo(world: DeedWorld): Promise<void> {
  const { page, facts, random } = world;
  const name = await addAction(world);
  const back = page.getByRole("button", { name: `Undo: add ${name}`, exact: false });
  if ((await back.count()) === 0) return;
  facts.actions.set(name, "either");
  await edited(world, async () => {
    await back.click();
    await page.getByLabel(`Code name of ${name}`, { exact: true }).waitFor({ state: "detached" });
  });
  facts.actions.set(name, "gone");
  const again = page.getByRole("button", { name: `Redo: add ${name}`, exact: false });
  if (random() < 0.5 || (await again.count()) === 0) return;
  facts.actions.set(name, "either");
  await edited(world, async () => {
    await again.click();
    await page.getByLabel(`Code name of ${name}`, { exact: true }).waitFor();
  });
  facts.actions.set(name, "there");
}

async function addMoment(world: DeedWorld): Promise<void> {
  const { page, facts, newName } = world;
  if (facts.moments.size > 20) return;
  await goTo(page, "/actions", "Actions");
  await page.getByRole("button", { name: "Moments…" }).click();
  const name = `moment ${newName()}`;
  const field = page.getByRole("dialog", { name: "Moments" }).getByLabel("Name of the new moment");
  await field.fill(name);
  facts.moments.set(name, "either");
  await edited(world, async () => {
    await field.press("Enter");
    await page.getByRole("dialog", { name: "Moments" }).getByText(name).first().waitFor({ state: "attached" });
  });
  facts.moments.set(name, "there");
  await page.keyboard.press("Escape");
}

/** Binds a key to an action that it has just added. */
async function bind(world: DeedWorld): Promise<void> {
  const { page, facts, random } = world;
  const name = await addAction(world);
  const code = ["KeyJ", "KeyK", "KeyL", "KeyU", "KeyI"][Math.floor(random() * 5)];
  await page.getByRole("button", { name: `Bind a key, mouse or pad input to ${name}` }).click();
  const popover = page.getByRole("dialog", { name: `Bind an input to ${name}` });
  await popover.waitFor();
  const fact = { code, presence: "either" as Presence };
  facts.keys.set(name, fact);
  await edited(world, async () => {
    await page.keyboard.press(code);
    await popover.waitFor({ state: "detached" });
  });
  fact.presence = "there";
}

/** Drags a control; as often as not it is held for a while, in the middle of which other windows go on. */
async function drag(world: DeedWorld): Promise<void> {
  const { page, which, facts, doing, counts, random } = world;
  await goTo(page, "/layout", "Layout");
  const id = DRAGGED[which];
  const known = facts.places.get(id) ?? { confirmed: null, tried: [] };
  facts.places.set(id, known);
  // While the view is redrawn it may be gone for a moment.
  const rect = page.locator(`[data-control="${id}"] rect`).first();
  let box = await rect.boundingBox();
  while (!box) box = await rect.boundingBox();
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  await page.mouse.move(x, y);
  await page.mouse.down();
  doing.drag = true;
  const moves = random() < 0.5 ? 1 : 4;
  if (moves > 1) counts.held += 1;
  for (let i = 0; i < moves; i += 1) {
    await page.mouse.move(x + (random() - 0.5) * 50, y + (random() - 0.5) * 50, { steps: 5 });
    // Once the movement is drawn: where it is let go is where it is now.
    await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
    known.tried.push(await placeOf(page, id));
    if (moves > 1) await page.waitForTimeout(random() * 200);
  }
  doing.drag = false;
  await edited(world, async () => {
    await page.mouse.up();
    known.tried.push(await placeOf(page, id));
  });
  known.confirmed = known.tried.at(-1)!;
  known.tried = [];
}

/** Asks Settle; it is stopped on its way, or taken where it is ready. What it moves is not known any more. */
async function settle(world: DeedWorld): Promise<void> {
  const { page, facts, doing, counts, random } = world;
  await goTo(page, "/layout", "Layout");
  await page.getByTestId("glass").waitFor();
  await page.keyboard.press("Escape");
  doing.settle = true;
  await page.keyboard.press("y");
  const panel = page.getByRole("region", { name: "Settle", exact: true }).first();
  await panel.waitFor();
  await page.waitForTimeout(200 + random() * 1500);
  const take = panel.getByRole("button", { name: "Apply", exact: true });
  if ((await take.count()) > 0 && (await take.isEnabled())) {
    facts.places.clear();
    await edited(world, () => take.click());
    counts.settled += 1;
  } else await page.keyboard.press("Escape");
  doing.settle = false;
  if ((await panel.count()) > 0) await panel.getByRole("button", { name: "Close" }).first().click();
}

/** Plays the horn with a pin, and keeps what was played. */
async function keepTake(world: DeedWorld): Promise<void> {
  const { page, facts } = world;
  await goTo(page, "/rehearse", "Rehearse");
  await page.getByLabel("Pin a finger on a control").selectOption({ label: "horn" });
  await page.getByRole("button", { name: "Remove pin 1" }).click();
  const before = await page.locator("[data-take]").count();
  await edited(world, async () => {
    await page.getByRole("button", { name: "keep last 30 s" }).click();
    await page.waitForFunction((count) => document.querySelectorAll("[data-take]").length > count, before, { timeout: 600_000 });
  });
  facts.takes += 1;
}

async function look({ page, random }: DeedWorld): Promise<void> {
  await page
    .getByRole("navigation", { name: "Views" })
    .getByRole("link", { name: ["Rehearse", "Screens", "Hand off"][Math.floor(random() * 3)] })
    .click();
  await page.waitForTimeout(50 + random() * 150);
}

/** The steps, and how often each is done, of a hundred. */
const DEEDS: readonly (readonly [part: number, deed: (world: DeedWorld) => Promise<unknown>])[] = [
  [28, addAction],
  [26, drag],
  [12, undo],
  [8, addMoment],
  [8, bind],
  [6, settle],
  [6, keepTake],
  [6, look],
];

/** Does the next deed, as chance has it. */
export async function nextDeed(world: DeedWorld): Promise<void> {
  let left = world.random() * 100;
  for (const [part, deed] of DEEDS) {
    left -= part;
    if (left < 0) return void (await deed(world));
  }
}
