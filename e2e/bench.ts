/** What the browser tests do by hand, over and over. */
import AxeBuilder from "@axe-core/playwright";
import { expect, type Locator, type Page } from "@playwright/test";
import { isStorm } from "../test/repeated";

export interface Place {
  readonly x: number;
  readonly y: number;
}

export const glass = (page: Page): Locator => page.getByTestId("glass");
export const control = (page: Page, id: string): Locator => page.locator(`[data-control="${id}"]`);
/** The visual box of a control, without the words about it. */
export const visual = (page: Page, id: string): Locator => control(page, id).locator("rect");
export const saved = (page: Page) => expect(page.getByTestId("saved-state")).toHaveText("saved");

/** Opens the application and waits for it to stand. */
export async function open(page: Page, path = "/layout"): Promise<void> {
  await page.goto(path);
  await expect(page.getByTestId("saved-state")).toBeVisible();
}

/** Chooses from the menu of layouts. */
export async function fromMenu(page: Page, item: string, exact = false): Promise<void> {
  await page.getByRole("button", { name: /^Layouts; open/ }).click();
  await page.getByRole("menuitem", { name: item, exact }).click();
}

/** Opens a layout of the menu, and waits until it is the open one: what is typed before goes to the one that was. */
export async function openLayout(page: Page, name: string, exact = false): Promise<void> {
  await fromMenu(page, name, exact);
  await expect(page.getByRole("button", { name: new RegExp(`^Layouts; open: ${name}${exact ? "$" : ""}`) })).toBeVisible();
}

/** A point of the glass, given as fractions of its sides. */
export async function onGlass(page: Page, fx: number, fy: number): Promise<Place> {
  const box = (await glass(page).boundingBox())!;
  return { x: box.x + box.width * fx, y: box.y + box.height * fy };
}

/** Where a control's visual box is, px of the screen: free of the width of its outline. */
export async function placeOf(page: Page, id: string): Promise<{ x: number; y: number; w: number; h: number }> {
  const rect = visual(page, id);
  return { x: await figure(rect, "x"), y: await figure(rect, "y"), w: await figure(rect, "width"), h: await figure(rect, "height") };
}

/** The middle of an element. */
export async function middle(of: Locator): Promise<Place> {
  const box = (await of.boundingBox())!;
  return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
}

/** A drag by real pointer events, in steps. */
export async function drag(page: Page, from: Place, to: Place, steps = 6): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps });
  await page.mouse.up();
}

/** Drags an action from the ledger onto the glass. */
export async function dragFromLedger(page: Page, action: string, fx: number, fy: number): Promise<void> {
  const row = page.getByRole("region", { name: "Ledger" }).getByRole("button", { name: new RegExp(`^${action}\\b`) });
  await drag(page, await middle(row), await onGlass(page, fx, fy));
}

/** Types into a field of the tray and leaves it. */
export async function typeInto(page: Page, column: string, field: string, value: string): Promise<void> {
  const input = page.getByRole("region", { name: column, exact: true }).getByRole("textbox", { name: field, exact: true });
  await input.fill(value);
  await input.press("Enter");
}

/** What the card of the selected control says it is tied to: the point, as fractions, and the frame. */
export async function expectTied(page: Page, point: string, frame: "safe" | "screen" | "picture"): Promise<void> {
  const card = page.getByRole("region", { name: "Place", exact: true });
  await expect(card.getByRole("combobox", { name: "Anchor" })).toHaveValue(point);
  await expect(card.getByRole("combobox", { name: "Frame" })).toHaveValue(frame);
}

/** Opens the fold of a card in which what is seldom used is. */
export async function more(page: Page, column: string): Promise<void> {
  const fold = page.getByRole("region", { name: column, exact: true }).getByRole("button", { name: /^(\+\s*)?more/ });
  if ((await fold.getAttribute("aria-expanded")) === "false") await fold.click();
}

/** The bar of buttons for what is selected. */
export const selectionBar = (page: Page): Locator => page.getByRole("toolbar", { name: "What is selected" });

/** Starts an empty layout of a name. */
export async function startLayout(page: Page, name: string): Promise<void> {
  await fromMenu(page, "New layout…");
  const dialogue = page.getByRole("dialog", { name: "New layout" });
  await dialogue.getByLabel("Name of the game").fill(name);
  await dialogue.getByRole("button", { name: "Open on the bench" }).click();
  await expect(page.getByRole("button", { name: `Layouts; open: ${name}` })).toBeVisible();
  await expect(page).toHaveURL(/\/layout$/);
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Actions" }).click();
}

/** Adds an action by typing it in. */
export async function addAction(page: Page, name: string, kind: string): Promise<void> {
  await page.getByLabel("Name of the new action").fill(name);
  await page.getByLabel("Kind of the new action").selectOption(kind);
  await page.getByLabel("Name of the new action").press("Enter");
  await expect(page.getByLabel(`Code name of ${name}`, { exact: true })).toHaveValue(name);
}

/** Exports the layout file and gives its text. */
export async function exportText(page: Page): Promise<string> {
  await page.locator('[data-parcel="layout"]').click();
  const take = page.getByRole("button", { name: "Download the layout file" });
  await expect(take).toBeEnabled();
  const waiting = page.waitForEvent("download");
  // By key: the history may lie over that edge of the window.
  await take.press("Enter");
  const stream = await (await waiting).createReadStream();
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks).toString("utf8");
}

/** The number an SVG attribute holds. */
export async function figure(of: Locator, attribute: string): Promise<number> {
  return Number(await of.getAttribute(attribute));
}

/** As noViolations, in the storm alone: within `npm test` each view is looked at once in each theme (views.spec.ts). */
export async function noViolationsInStorm(page: Page, where = ""): Promise<void> {
  if (isStorm) await noViolations(page, where);
}

/** What axe finds against WCAG 2.2 A and AA: nothing. Only violations are computed in full; the rest would take most of the time. */
export async function noViolations(page: Page, where = ""): Promise<void> {
  const axe = new AxeBuilder({ page }).options({ resultTypes: ["violations"] }).withTags(["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"]);
  const { violations } = await axe.setLegacyMode(true).analyze();
  expect(violations.map((v) => `${where} ${v.id}: ${v.nodes.map((n) => n.target.join(" ")).join(" | ")}`)).toEqual([]);
}

/** How far the layout is kept, in a word. */
export const savedState = (page: Page) => page.getByTestId("saved-state");
/** The field of an action's word. */
export const word = (page: Page, name: string) => page.getByLabel(`Code name of ${name}`, { exact: true });
/** The layout of a name is open. */
export const opened = (page: Page, name: string) => expect(page.getByRole("button", { name: `Layouts; open: ${name}` })).toBeVisible();

/** Makes the browser's storage full, and not full again, by `window.full`. */
export const canBeFull = (page: Page) =>
  page.addInitScript(() => {
    const put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = function (...args: Parameters<typeof put>) {
      if ((window as { full?: boolean }).full) throw new DOMException("No room left", "QuotaExceededError");
      return put.apply(this, args);
    };
  });
export const setFull = (page: Page, full: boolean) => page.evaluate((value) => void ((window as { full?: boolean }).full = value), full);

/** The colour of a point of the canvas on the bench, given as shares of its sides. */
export const colourAt = (page: Page, fx: number, fy: number) =>
  page.evaluate(
    ([x, y]) => {
      const canvas = document.querySelector<HTMLCanvasElement>('[aria-label^="The layout on"]')!;
      return [...canvas.getContext("2d")!.getImageData(Math.round(x * canvas.width), Math.round(y * canvas.height), 1, 1).data];
    },
    [fx, fy] as const,
  );
