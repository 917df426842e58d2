/** The history: undo that outlasts everything, going to any edit, states by name, versions compared. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { addAction, control, drag, exportText, middle, noViolationsInStorm, open, openLayout, placeOf, saved, visual } from "./bench";

const history = (page: Page) => page.getByRole("complementary", { name: "History" });
const rows = (page: Page) => history(page).getByRole("list", { name: "Edits and states" }).getByRole("listitem");
const remove = async (page: Page, id: string) => {
  await control(page, id).click({ position: { x: 12, y: 20 } });
  await page.keyboard.press("Delete");
  await expect(control(page, id)).toHaveCount(0);
};
const dragBy = async (page: Page, id: string, dx: number, dy: number) => {
  const from = await middle(visual(page, id));
  await drag(page, from, { x: from.x + dx, y: from.y + dy });
};
const choose = (page: Page, label: string, option: string) => page.getByRole("combobox", { name: label, exact: true }).selectOption({ label: option });

test("undo and redo outlast a reload and another layout opened in between", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  const first = await placeOf(page, "horn");
  await dragBy(page, "horn", -60, -30);
  const moved = await placeOf(page, "horn");
  await remove(page, "pump");
  await page.keyboard.press("Control+z");
  await saved(page);
  await page.reload();
  await expect(page.getByRole("button", { name: "Redo: delete pump" })).toBeEnabled();
  await page.keyboard.press("Control+z");
  expect(await placeOf(page, "horn")).toEqual(first);
  await page.keyboard.press("Control+Shift+z");
  expect(await placeOf(page, "horn")).toEqual(moved);
  await openLayout(page, "Pigeonhole");
  await expect(control(page, "walk")).toBeVisible();
  await expect(page.getByRole("button", { name: "Undo", exact: true })).toBeDisabled();
  await openLayout(page, "Brackwater", true);
  await page.keyboard.press("Control+Shift+z");
  await expect(control(page, "pump")).toHaveCount(0);
});

test("by button and key: the edits in their words, newest first; a click goes to any of them", async ({ page }) => {
  await open(page, "/actions");
  await page.keyboard.press("Shift+H");
  await expect(history(page)).toContainText("No edits yet");
  for (const name of ["anchor", "buoy", "crane"]) await addAction(page, name, "press");
  await expect(rows(page)).toContainText([/add.*crane/, /add.*buoy/, /add.*anchor/, /before all edits/]);
  await rows(page).filter({ hasText: "anchor" }).getByRole("button").click();
  await expect(page.getByLabel("Code name of buoy", { exact: true })).toHaveCount(0);
  await expect(page.getByLabel("Code name of anchor", { exact: true })).toBeVisible();
  await expect(rows(page).filter({ hasText: "anchor" }).getByRole("button")).toHaveAttribute("aria-current", "step");
  await rows(page).filter({ hasText: "crane" }).getByRole("button").click();
  await expect(page.getByLabel("Code name of crane", { exact: true })).toBeVisible();
  await rows(page).filter({ hasText: "before all edits" }).getByRole("button").click();
  await addAction(page, "dredge", "press");
  await rows(page).filter({ hasText: "crane" }).getByRole("button").click();
  await expect(page.getByLabel("Code name of crane", { exact: true })).toBeVisible();
  await expect(page.getByLabel("Code name of dredge", { exact: true })).toHaveCount(0);
  await expect(rows(page).first()).toContainText("go back to");
  await history(page).press("Escape");
  await expect(history(page)).toHaveCount(0);
  await page.getByRole("button", { name: "History" }).click();
  await expect(history(page)).toBeVisible();
});

test(
  "a state by name is compared with now and with a file, in words and over each other on the glass, and gone back to",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page);
    const first = await placeOf(page, "horn");
    await page.getByRole("button", { name: "History" }).click();
    await page.getByLabel("Name of the state").fill("before the playtest");
    await page.getByRole("button", { name: "Name this state" }).click();
    await expect(rows(page).filter({ hasText: "before the playtest" })).toBeVisible();
    await dragBy(page, "horn", -60, -30);
    await remove(page, "pump");
    await choose(page, "Compare this version", "before the playtest");
    const compared = history(page).getByRole("region", { name: "Compare" });
    await expect(compared).toContainText(/1 moved, 1 removed/);
    const differences = compared.getByRole("list", { name: "Differences" }).getByRole("listitem");
    await expect(differences.filter({ hasText: /horn moved \d+\.\d mm left, \d+\.\d mm up/ })).toHaveCount(1);
    await expect(differences.filter({ hasText: "pump (button) went" })).toHaveCount(1);
    await expect(page.getByTestId("compared").locator("[data-compared=horn] line")).toHaveCount(1);
    await expect(page.getByTestId("compared").locator("[data-compared=pump] text")).toHaveText("removed");
    await expect(page.getByTestId("compared").locator("[data-compared=helm]")).toHaveCount(0);
    await noViolationsInStorm(page, "the history");
    await saved(page);
    await page.keyboard.press("5");
    const text = await exportText(page);
    await page.getByRole("link", { name: "Layout" }).click();
    await page
      .getByLabel("File of the version")
      .first()
      .setInputFiles({ name: "after.nodulum.json", mimeType: "application/json", buffer: Buffer.from(text) });
    await expect(compared).toContainText("no differences");
    await rows(page)
      .filter({ hasText: "before the playtest" })
      .getByRole("button", { name: /Go back|State/ })
      .first()
      .click();
    await expect(control(page, "pump")).toBeVisible();
    expect(await placeOf(page, "horn")).toEqual(first);
    await page.getByRole("button", { name: "Remove the state before the playtest" }).click();
    await expect(rows(page).filter({ hasText: "before the playtest" }).filter({ hasNotText: "go back" })).toHaveCount(0);
    await page.getByRole("button", { name: "Restore" }).click();
    await expect(page.getByRole("button", { name: "Remove the state before the playtest" })).toBeVisible();
  },
);
