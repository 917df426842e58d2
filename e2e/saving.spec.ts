/** “Saved” is always true: what is not saved says so, is tried again, and is not left behind. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { addAction, canBeFull, control, fromMenu, middle, open, openLayout, opened, saved, savedState, setFull, visual, word } from "./bench";

/** Whether leaving the page now would ask. */
const leavingAsks = (page: Page) => page.evaluate(() => !window.dispatchEvent(new Event("beforeunload", { cancelable: true })));

test.describe("“saved” is always true", () => {
  test("a gesture under way is not saved, and leaving asks until it is let go", async ({ page }) => {
    await open(page);
    await saved(page);
    expect(await leavingAsks(page)).toBe(false);
    const from = await middle(visual(page, "horn"));
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(from.x - 40, from.y, { steps: 4 });
    await expect(savedState(page)).toHaveText("not saved yet");
    expect(await leavingAsks(page)).toBe(true);
    await page.mouse.up();
    await saved(page);
    expect(await leavingAsks(page)).toBe(false);
  });

  test("text in a field that was not entered is told, and leaving asks; entered it is saved", async ({ page }) => {
    await open(page);
    await control(page, "horn").click({ position: { x: 12, y: 20 } });
    const name = page.getByRole("region", { name: "Place", exact: true }).getByRole("textbox", { name: "Name" }).first();
    await name.fill("fog horn");
    await expect(savedState(page)).toHaveText("unsaved text");
    expect(await leavingAsks(page)).toBe(true);
    await name.press("Enter");
    await saved(page);
    await page.getByRole("link", { name: "Actions" }).click();
    await page.getByLabel("Name of the new action").fill("anch");
    await page.getByLabel("Search").click();
    await expect(savedState(page)).toHaveText("unsaved text");
    expect(await leavingAsks(page)).toBe(true);
    await page.getByLabel("Name of the new action").fill("");
    await saved(page);
  });

  test(
    "what is refused is tried again by itself; meanwhile leaving asks, no other layout is opened, and nothing is lost",
    { tag: "@storm" },
    async ({ page }) => {
      await canBeFull(page);
      await open(page, "/actions");
      await saved(page);
      await setFull(page, true);
      await addAction(page, "anchor", "press");
      await expect(savedState(page)).toHaveText("not saved");
      expect(await leavingAsks(page)).toBe(true);
      await fromMenu(page, "Pigeonhole");
      await expect(page.getByText(/“Brackwater” is not saved \(No room left\), so no other layout can be opened/)).toBeVisible();
      await opened(page, "Brackwater");
      await fromMenu(page, "Delete");
      await opened(page, "Brackwater");
      await setFull(page, false);
      await saved(page);
      await openLayout(page, "Pigeonhole");
      await opened(page, "Pigeonhole");
      await openLayout(page, "Brackwater", true);
      await expect(word(page, "anchor")).toBeVisible();
    },
  );

  test("another layout is opened only when this one is written", { tag: "@storm" }, async ({ page }) => {
    await open(page, "/actions");
    await addAction(page, "anchor", "press");
    await openLayout(page, "Pigeonhole");
    await opened(page, "Pigeonhole");
    await page.reload();
    await opened(page, "Pigeonhole");
    await openLayout(page, "Brackwater", true);
    await expect(word(page, "anchor")).toBeVisible();
  });
});
