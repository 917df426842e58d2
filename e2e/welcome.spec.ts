/** The first ten minutes: from the welcome to a layout without blockers, by pointer and by keyboard alone; and what a visit finds again. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { control, drag, dragFromLedger, exportText, noViolationsInStorm, open, opened, saved } from "./bench";

const deed = (page: Page, name: string) => page.locator(`[data-deed="${name}"]`);
const bench = (page: Page) => page.getByRole("region", { name: "Bench" });
const begun = (page: Page) => expect(page.getByRole("heading", { name: "Start from your game" })).toBeVisible();

test("by pointer: words typed, controls grown, a stick felt, the screens hold, the file taken out", async ({ page }) => {
  await open(page, "/");
  await expect(page).toHaveURL(/\/welcome$/);
  await begun(page);
  await expect(page.getByTestId("living-glass")).toBeVisible();
  await noViolationsInStorm(page, "the welcome");
  await page.getByLabel("What does your game read?").fill("walk, leap, bleat, look");
  await expect(page.getByLabel("Kind of walk")).toHaveValue("vector");
  await expect(page.getByLabel("Kind of look")).toHaveValue("motion");
  await page.getByLabel("Name of the game").fill("Goats");
  await page.getByRole("button", { name: "Open on the bench" }).click();
  await opened(page, "Goats");
  await expect(page).toHaveURL(/\/layout$/);
  const line = page.getByRole("region", { name: "First steps" });
  await expect(line).toContainText("Drag walk from the ledger onto the glass");
  await dragFromLedger(page, "walk", 0.2, 0.7);
  await expect(deed(page, "grown")).toHaveAttribute("data-done", "true");
  await dragFromLedger(page, "leap", 0.9, 0.75);
  await dragFromLedger(page, "bleat", 0.8, 0.85);
  await dragFromLedger(page, "look", 0.6, 0.3);
  await expect(bench(page)).not.toContainText("blocker");
  // That the words have controls now is no fixed screen.
  await expect(deed(page, "mended")).toHaveAttribute("data-done", "false");
  await expect(line).toContainText("Move walk with the mouse");
  await line.getByRole("button", { name: "Go to Rehearse" }).click();
  const glass = (await page.getByTestId("play-glass").boundingBox())!;
  await expect(deed(page, "felt")).toHaveAttribute("data-done", "false");
  await drag(page, { x: glass.x + glass.width * 0.2, y: glass.y + glass.height * 0.7 }, { x: glass.x + glass.width * 0.25, y: glass.y + glass.height * 0.6 });
  await expect(deed(page, "felt")).toHaveAttribute("data-done", "true");
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Hand off" }).click();
  expect(JSON.parse(await exportText(page))).toMatchObject({ name: "Goats", controls: [{}, {}, {}, {}] });
  await expect(deed(page, "taken")).toHaveAttribute("data-done", "true");
  await noViolationsInStorm(page, "the first deeds");
});

test("by keyboard alone: from the words to a layout without blockers", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/");
  await begun(page);
  const tabTo = async (focused: () => Promise<boolean>) => {
    for (let i = 0; i < 60 && !(await focused()); i += 1) await page.keyboard.press("Tab");
  };
  const isFocused = (selector: string) => page.evaluate((s) => document.activeElement?.matches(s) ?? false, selector);
  await tabTo(() => isFocused("#told-words"));
  await page.keyboard.type("walk\nleap\nbleat: press");
  await tabTo(() => isFocused('[aria-label="Name of the game"]'));
  await page.keyboard.type("Goats");
  await page.keyboard.press("Enter");
  await opened(page, "Goats");
  await expect(bench(page)).toBeVisible();
  // To the ledger by F6; each action grows its control by Enter.
  for (let i = 0; i < 6 && !(await isFocused('section[aria-label="Ledger"] *')); i += 1) await page.keyboard.press("F6");
  for (const name of ["walk", "leap", "bleat"]) {
    await page.keyboard.press("o");
    await expect(page.locator(`[data-row="${name}"]`)).toBeFocused();
    await page.keyboard.press("Enter");
    await expect(control(page, name)).toBeVisible();
  }
  await expect(bench(page)).not.toContainText("blocker");
  await expect(deed(page, "grown")).toHaveAttribute("data-done", "true");
  await saved(page);
});

test("a game's code fills the ledger: words by their own spelling, keys bound, what is wrong left out", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/");
  await begun(page);
  await page.getByRole("button", { name: "or read them from the code…" }).click();
  await page.getByLabel("Source files").setInputFiles({
    name: "tug.py",
    mimeType: "text/plain",
    buffer: Buffer.from(`BINDINGS = { K_SPACE: Action.HORN, K_x: Action.PUMP }
def handle_events(event):
    if event.key == K_ESCAPE:
        self.leave()
    if self.state == State.MENU:
        sounds.play(Sounds.BELL)
`),
  });
  const told = page.locator("[data-told]");
  await expect(told).toHaveCount(3);
  await page.getByRole("button", { name: "Exclude leave" }).click();
  await expect(told).toHaveCount(2);
  await expect(page.locator("[data-told=HORN]")).toContainText("Space");
  await page.getByLabel("Kind of PUMP").selectOption("axis");
  await page.getByRole("button", { name: "Open on the bench" }).click();
  await opened(page, "My game");
  const ledger = page.getByRole("region", { name: "Ledger" });
  await expect(ledger).toContainText("HORN");
  await expect(ledger).toContainText("axis");
  await expect(ledger).not.toContainText("BELL");
});

test("a finished one, a starter; the next visit opens where one was, the mark leads back, and yours stand there", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/");
  await page.getByRole("button", { name: "Open Brackwater on the bench" }).click();
  await opened(page, "Brackwater");
  await page.keyboard.press("4");
  await expect(page).toHaveURL(/\/screens$/);
  await open(page, "/");
  await expect(page).toHaveURL(/\/screens$/);
  await page.getByRole("link", { name: "Nodulum: start page" }).click();
  await begun(page);
  await page.getByRole("list", { name: "Starters" }).getByRole("button").filter({ hasText: "Driving" }).click();
  await opened(page, "Driving");
  await expect(bench(page)).toContainText("no findings");
  // The list is closed for good, and called back.
  const line = page.getByRole("region", { name: "First steps" });
  await expect(line).toBeVisible();
  await page.getByRole("button", { name: "Close the first steps" }).click();
  await expect(line).toHaveCount(0);
  await page.reload();
  await opened(page, "Driving");
  await expect(line).toHaveCount(0);
  await page.keyboard.press("?");
  await page.getByRole("dialog").getByRole("button", { name: "First steps" }).click();
  await expect(line).toBeVisible();
  await page.getByRole("link", { name: "Nodulum: start page" }).click();
  const yours = page.getByRole("region", { name: "Your layouts" }).getByRole("button");
  await expect(yours.filter({ hasText: "Driving" })).toContainText("all done");
});

test("Words: each of ours with its drawing, searched, reached from the list of shortcuts", async ({ page }) => {
  await open(page);
  await page.keyboard.press("?");
  await page.getByRole("dialog").getByRole("button", { name: "Glossary" }).click();
  await expect(page).toHaveURL(/\/words$/);
  await expect(page.locator("[data-word] svg path").first()).toBeVisible();
  await noViolationsInStorm(page, "the words");
  await page.getByLabel("Search").fill("tether");
  await expect(page.locator('[data-word="tether"]')).toContainText("The line from a control to its anchor.");
  await expect(page.locator('[data-word="wire"]')).toHaveCount(0);
});

test("a set of looks is put on every control at one click, and one undo takes it back", async ({ page }) => {
  await open(page);
  const looks = page.getByRole("group", { name: "Looks of every control" });
  await looks.getByRole("button", { name: "night" }).click();
  await expect(looks.getByRole("button", { name: "night" })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: "Undo: looks: night" }).click();
  await expect(looks.getByRole("button", { name: "night" })).toHaveAttribute("aria-pressed", "false");
});
