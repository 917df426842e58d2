import { expect } from "@playwright/test";
import { test } from "./test";
import { expectTied, control, drag, middle, onGlass, open, placeOf as place, visual, selectionBar } from "./bench";

test("undo and redo take back a whole gesture at a time", async ({ page }) => {
  await open(page);
  const before = await place(page, "horn");
  await drag(page, await middle(visual(page, "horn")), await onGlass(page, 0.6, 0.5), 12);
  const moved = await place(page, "horn");
  expect(moved.x).toBeLessThan(before.x - 50);
  await page.keyboard.press("ArrowRight");
  await page.keyboard.press("Shift+ArrowUp");
  const nudged = await place(page, "horn");
  expect(moved.y - nudged.y).toBeCloseTo((5 * 411) / 25.4, 3);
  expect(nudged.x - moved.x).toBeCloseTo(1.471, 2);
  await page.keyboard.press("Control+z");
  await page.keyboard.press("Control+z");
  expect((await place(page, "horn")).x).toBeCloseTo(moved.x, 2);
  await page.keyboard.press("Control+z");
  expect((await place(page, "horn")).x).toBeCloseTo(before.x, 2);
  await page.keyboard.press("Control+Shift+z");
  expect((await place(page, "horn")).x).toBeCloseTo(moved.x, 2);
});

test("Escape cancels a drag and everything stands as before", async ({ page }) => {
  await open(page);
  const before = await place(page, "horn");
  const from = await middle(visual(page, "horn"));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x - 120, from.y - 60, { steps: 5 });
  expect((await place(page, "horn")).x).toBeLessThan(before.x - 60);
  await page.keyboard.press("Escape");
  expect((await place(page, "horn")).x).toBeCloseTo(before.x, 2);
  await page.mouse.up();
  expect((await place(page, "horn")).x).toBeCloseTo(before.x, 2);
  await expect(page.getByRole("button", { name: "Undo", exact: true })).toBeDisabled();
});

test("select several, move them together, copy, paste, duplicate, delete", async ({ page, context }) => {
  await context.grantPermissions(["clipboard-read", "clipboard-write"]);
  await open(page);
  await control(page, "horn").click();
  await control(page, "towline").click({ modifiers: ["Shift"] });
  await expect(selectionBar(page)).toContainText("2 selected");
  const [horn, towline] = [await place(page, "horn"), await place(page, "towline")];
  await page.keyboard.press("Shift+ArrowLeft");
  const [hornNow, towlineNow] = [await place(page, "horn"), await place(page, "towline")];
  expect(horn.x - hornNow.x).toBeCloseTo(towline.x - towlineNow.x, 2);
  await page.keyboard.press("Control+c");
  await page.keyboard.press("Control+v");
  await expect(control(page, "horn-2")).toBeVisible();
  await expect(control(page, "towline-2")).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("d");
  await expect(control(page, "horn-3")).toBeVisible();
  await page.keyboard.press("Delete");
  await expect(control(page, "horn-3")).toHaveCount(0);
  await page.keyboard.press("Control+z");
  await expect(control(page, "horn-3")).toBeVisible();
  await page.keyboard.press("Control+a");
  await page.keyboard.press("Delete");
  // The keep-clear zones are the game's own and stay.
  await expect(page.locator("[data-control]")).toHaveCount(2);
  await expect(page.getByRole("button", { name: /keep-clear zone/ })).toHaveCount(2);
});

test("a marquee selects what it meets", async ({ page }) => {
  await open(page);
  await page.keyboard.press("h");
  await drag(page, await onGlass(page, 0.37, 0.05), await onGlass(page, 0.61, 0.22));
  await expect(selectionBar(page)).toContainText("log book, pause");
});

test("everything on the bench has a key: grow, reach, nudge, carry, raise", async ({ page }) => {
  await open(page);
  const row = page.getByRole("region", { name: "Ledger" }).getByRole("button", { name: /^horn/ });
  await row.focus();
  await page.keyboard.press("Enter");
  await expect(control(page, "horn-2")).toHaveAttribute("aria-pressed", "true");
  const before = await place(page, "horn-2");
  await page.keyboard.press("c");
  expect((await place(page, "horn-2")).x).toBeGreaterThan(before.x);
  const stood = await place(page, "horn-2");
  await page.keyboard.press("Control+Shift+ArrowLeft");
  await page.keyboard.press("Control+Shift+ArrowUp");
  await expectTied(page, "0.5,0.5", "safe");
  expect((await place(page, "horn-2")).x).toBeCloseTo(stood.x, 3);
  await page.keyboard.press("[");
  await expect(page.getByRole("button", { name: "Undo: lower horn 2" })).toBeEnabled();
  await control(page, "log").focus();
  await page.keyboard.press("Tab");
  await expect(control(page, "horn-2")).toBeFocused();
  await expect(control(page, "horn-2")).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("?");
  await expect(page.getByRole("dialog", { name: "Shortcuts" })).toContainText("nudge by 1 u · by 5 mm");
  await page.keyboard.press("Escape");
  for (const [key, view] of [
    ["1", "actions"],
    ["4", "screens"],
    ["5", "handoff"],
    ["3", "rehearse"],
  ]) {
    await page.keyboard.press(key);
    await expect(page).toHaveURL(new RegExp(`/${view}$`));
  }
});

test("a number out of range is refused with its range, and the field keeps the old one", async ({ page }) => {
  await open(page);
  await control(page, "horn").click();
  const field = page.getByRole("region", { name: "Look" }).getByRole("textbox", { name: "rest: opacity" });
  await field.fill("700");
  await field.press("Enter");
  await expect(page.getByText("rest: opacity: write a number from 0 to 100.")).toBeVisible();
  await expect(field).toHaveValue("60");
  const width = page.getByRole("region", { name: "Place" }).getByRole("textbox", { name: "Width" });
  await width.fill("wide");
  await width.press("Enter");
  await expect(page.getByText(/“wide” is not a length/)).toBeVisible();
});

test("a unit changes in place: the control does not move", async ({ page }) => {
  await open(page);
  await control(page, "horn").click();
  const before = await place(page, "horn");
  await page.getByRole("region", { name: "Place" }).getByLabel("From right: unit").selectOption("mm");
  await page.getByRole("region", { name: "Place" }).getByLabel("Width: unit").selectOption("%min");
  const after = await place(page, "horn");
  for (const side of ["x", "y", "w", "h"] as const) expect(after[side]).toBeCloseTo(before[side], 1);
});
