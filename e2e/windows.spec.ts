/** Two windows at one layout: it is the same layout, live in both. */
import { expect, type BrowserContext, type Page } from "@playwright/test";
import { test } from "./test";
import { addAction, control, drag, fromMenu, middle, open, placeOf, saved, startLayout, visual } from "./bench";

async function two(context: BrowserContext, path = "/actions"): Promise<[Page, Page]> {
  const pages: [Page, Page] = [await context.newPage(), await context.newPage()];
  for (const page of pages) {
    await open(page, path);
    await saved(page);
  }
  return pages;
}
const word = (page: Page, name: string) => page.getByLabel(`Code name of ${name}`, { exact: true });
const history = (page: Page) => page.getByRole("complementary", { name: "History" });

/** Adds actions as a user would, as fast as the page takes them. */
const addMany = (page: Page, names: readonly string[]) =>
  page.evaluate(async (all) => {
    const field = document.querySelector<HTMLInputElement>('input[aria-label="Name of the new action"]')!;
    const setValue = Object.getOwnPropertyDescriptor(HTMLInputElement.prototype, "value")!.set!;
    for (const name of all) {
      setValue.call(field, name);
      field.dispatchEvent(new Event("input", { bubbles: true }));
      await new Promise((resolve) => setTimeout(resolve));
      field.form!.requestSubmit();
      await new Promise((resolve) => setTimeout(resolve));
    }
  }, names);

/** So many edits in each window. */
const EACH = 100;

test(
  `${2 * EACH} edits in two windows, one after the other and at the same moment: all there at the end, in both and after a reload`,
  { tag: "@storm" },
  async ({ context }) => {
    const a = await context.newPage();
    await open(a);
    await startLayout(a, "Shared");
    await saved(a);
    const b = await context.newPage();
    await open(b, "/actions");
    await expect(b.getByRole("button", { name: "Layouts; open: Shared" })).toBeVisible();
    const names = (of: string, from: number, to: number) => Array.from({ length: to - from }, (_, i) => `${of} ${from + i}`);
    for (let i = 0; i < 4; i += 1) {
      await addAction(a, `a ${i}`, "press");
      await addAction(b, `b ${i}`, "press");
    }
    // Nothing is shown meanwhile: drawing this many rows again and again is not what is tested here.
    const search = (page: Page) => page.getByLabel("Search");
    for (const page of [a, b]) await search(page).fill("nothing");
    await Promise.all([addMany(a, names("a", 4, EACH)), addMany(b, names("b", 4, EACH))]);
    for (const page of [a, b]) {
      await search(page).fill("");
      await expect(page.locator('input[aria-label^="Code name of a "]')).toHaveCount(EACH);
      await expect(page.locator('input[aria-label^="Code name of b "]')).toHaveCount(EACH);
      await saved(page);
    }
    await a.reload();
    await expect(a.locator('input[aria-label^="Code name of b "]')).toHaveCount(EACH);
    await expect(word(a, `a ${EACH - 1}`)).toBeVisible();
  },
);

test("what one window does arrives in the other, and undo takes back one's own", async ({ context }) => {
  const [a, b] = await two(context);
  await addAction(a, "anchor", "press");
  await expect(word(b, "anchor")).toBeVisible();
  await addAction(b, "buoy", "press");
  await expect(word(a, "buoy")).toBeVisible();
  await a.getByRole("button", { name: /^Undo: add/ }).click();
  await expect(word(a, "anchor")).toHaveCount(0);
  await expect(word(b, "anchor")).toHaveCount(0);
  await expect(word(b, "buoy")).toBeVisible();
  await b.getByRole("button", { name: "History" }).click();
  await expect(history(b).getByRole("listitem").filter({ hasText: "other window" })).toHaveCount(0);
  await a.getByRole("button", { name: /^Redo: add/ }).click();
  await expect(history(b).getByRole("listitem").filter({ hasText: "other window" })).toHaveCount(1);
});

test("of one field changed in both at the same moment the later stands; the earlier is kept as a state, and told", { tag: "@storm" }, async ({ context }) => {
  const [a, b] = await two(context, "/layout");
  const before = await placeOf(a, "horn");
  // Both are dragging at the same time; whoever lets go later is the later.
  const grip = async (page: Page, dx: number) => {
    const from = await middle(visual(page, "horn"));
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x + dx, from.y, { steps: 4 });
  };
  await grip(a, -40);
  await grip(b, -90);
  await expect(a.getByTestId("saved-state")).toHaveText("not saved yet");
  await Promise.all([a.mouse.up(), b.mouse.up()]);
  await saved(a);
  await saved(b);
  await expect.poll(async () => (await placeOf(a, "horn")).x).toBe((await placeOf(b, "horn")).x);
  expect((await placeOf(a, "horn")).x).not.toBe(before.x);
  const told = (page: Page) => page.getByText(/Two windows changed the same/).count();
  await expect.poll(async () => (await told(a)) + (await told(b))).toBe(1);
  await a.getByRole("button", { name: "History" }).click();
  await expect(
    history(a)
      .getByRole("listitem")
      .filter({ hasText: /version of (the other|this) window/ }),
  ).toHaveCount(1);
});

test(
  "what one window adds while a control is dragged in the other, in mid-drag or only pressed, is there when it is let go",
  { tag: "@storm" },
  async ({ context }) => {
    const [a, b] = await two(context);
    await b.getByRole("link", { name: "Layout" }).click();
    const start = await placeOf(b, "horn");
    for (const [i, names] of [["anchor", "buoy", "capstan"], ["davit"]].entries()) {
      const from = await middle(visual(b, "horn"));
      await b.mouse.move(from.x, from.y);
      await b.mouse.down();
      // The first time the drag has begun already; the second time the control is only pressed.
      if (i === 0) await b.mouse.move(from.x - 30, from.y, { steps: 3 });
      for (const name of names) {
        await addAction(a, name, "press");
        await saved(a);
        await expect(b.getByRole("region", { name: "Ledger" }).getByRole("button", { name: new RegExp(`^${name}\\b`) })).toBeVisible();
      }
      await b.mouse.move(from.x - 60, from.y, { steps: 3 });
      await b.mouse.up();
      await saved(b);
    }
    for (const name of ["anchor", "buoy", "capstan", "davit"]) await expect(word(a, name)).toBeVisible();
    expect((await placeOf(b, "horn")).x).toBeLessThan(start.x);
    await b.goto("/actions");
    for (const name of ["anchor", "buoy", "capstan", "davit"]) await expect(word(b, name)).toBeVisible();
  },
);

test("deleting in one window is told in the other, which keeps what is done there, and brings it back", { tag: "@storm" }, async ({ context }) => {
  const [a, b] = await two(context);
  await fromMenu(a, "Delete");
  await expect(b.getByText("Another window deleted this layout.")).toBeVisible();
  await expect(b.getByTestId("saved-state")).toHaveText("saved, deleted");
  await addAction(b, "anchor", "press");
  await a.getByRole("button", { name: "Restore" }).click();
  await expect(word(a, "anchor")).toBeVisible();
  await saved(b);
});

test("two windows opened at once in an empty browser begin with the same layouts, each once", { tag: "@storm" }, async ({ context }) => {
  const pages = await Promise.all([context.newPage(), context.newPage()]);
  await Promise.all(pages.map((page) => open(page, "/layout")));
  for (const page of pages) {
    await page.getByRole("button", { name: /^Layouts; open/ }).click();
    await expect(page.getByRole("menuitem", { name: "Brackwater" })).toHaveCount(2);
    await page.keyboard.press("Escape");
  }
  const from = await middle(visual(pages[0], "horn"));
  await drag(pages[0], from, { x: from.x - 50, y: from.y });
  await expect.poll(async () => (await placeOf(pages[1], "horn")).x).toBe((await placeOf(pages[0], "horn")).x);
  await expect(control(pages[1], "horn")).toBeVisible();
});
