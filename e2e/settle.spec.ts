/** Settle at hand: from five blockers to none in two clicks; moves omitted; ways out; misses; by key; held screens. */
import { expect, type Locator, type Page } from "@playwright/test";
import { test } from "./test";
import { readFileSync } from "node:fs";
import { control, middle, noViolationsInStorm, open, opened, openLayout, visual } from "./bench";
import { isStorm } from "../test/repeated";

const panel = (page: Page) => page.getByRole("region", { name: "Settle", exact: true });
const take = (page: Page) => panel(page).getByRole("button", { name: "Apply", exact: true });
const found = (page: Page, severity: string) => panel(page).locator(`[data-settle-tally="${severity}"] td`);
const history = async (page: Page) => {
  await page.keyboard.press("Shift+H");
  const first = await page.getByRole("complementary", { name: "History" }).getByRole("listitem").first().innerText();
  await page.keyboard.press("Escape");
  return first;
};

/** Screens on which the first draft has all that Settle is asked about here: few, for it takes its time. */
const RAIL = ["Foldable closed 23:9", "Large tablet 4:3", "Small 4:3, 3.5 inches"];

/** The first draft with those screens on its rail. */
async function openDraft(page: Page): Promise<void> {
  const draft = JSON.parse(readFileSync("samples/brackwater-first-draft.nodulum.json", "utf8")) as { workbench: object };
  const text = JSON.stringify({ ...draft, name: "Draft on three screens", workbench: { ...draft.workbench, rail: RAIL } });
  await open(page, "/handoff");
  await page.getByLabel("Files to import").setInputFiles({ name: "draft.nodulum.json", mimeType: "application/json", buffer: Buffer.from(text) });
  await opened(page, "Draft on three screens");
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Layout" }).click();
  await page.getByRole("region", { name: "Bench" }).getByTestId("glass").waitFor();
}

test("Screens, the first draft, both hands: from its blockers to none in two clicks; the grid tells before and after; one undo brings all back", async ({
  page,
}) => {
  await open(page, "/screens");
  await openLayout(page, "Brackwater, first draft");
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Screens" }).click();
  // All 24 in the storm; here the tablets, which have every kind of blocker.
  const screens = isStorm ? 24 : 6;
  if (!isStorm) await page.getByRole("complementary", { name: "Filter" }).getByLabel("Class").selectOption("tablet");
  await expect(page.getByTestId("screens-judged")).toContainText(`${screens} of 24 screens`);
  await page.getByRole("button", { name: "Grid", exact: true }).click();
  await page.getByRole("button", { name: `settle these ${screens}…` }).click();
  await expect(panel(page).getByTestId("settle-state")).toContainText(new RegExp(`remaining, in ${2 * screens} cases|Checking ${2 * screens} cases`));
  await expect(take(page)).toBeVisible();
  await expect(found(page, "blocker")).toHaveText(["5", "0", `${screens} → 0`]);
  // What a person would hesitate to do is told, with what else could be done.
  const far = panel(page)
    .getByRole("list", { name: "Large changes" })
    .getByRole("listitem")
    .filter({ hasText: /sidle to port moves \d+\.\d mm on / });
  await expect(far.getByRole("group", { name: "Instead" }).getByRole("button", { name: /^accept/ })).toBeVisible();
  const horn = page.locator('[data-grid-row="horn"] [data-settled]').first();
  await expect(horn).toHaveText("→ ✓");
  await expect(page.locator('[data-grid-row="pause"]').getByRole("rowheader")).toContainText(/→ \d+\.\d mm/);
  const pause = page.locator('[data-grid-row="pause"]').getByRole("button", { name: /blocker touch\/small.*; settled: (?!.*blocker)/ });
  await expect(pause).toHaveCount(screens);
  await noViolationsInStorm(page, "the grid with a proposal");
  await take(page).click();
  await expect(panel(page)).toHaveCount(0);
  expect(await history(page)).toMatch(new RegExp(`settle ${screens} screens: 5 blockers and \\d+ warnings fixed; \\d+ changed, \\d+\\.\\d mm at the most`));
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Layout" }).click();
  // The bench counts for the player that was asked about; the rail counts all players.
  await page.getByRole("region", { name: "Rail" }).getByRole("listitem").filter({ hasText: "Tablet 4:3" }).getByRole("button").first().click();
  const bench = page.getByRole("region", { name: "Bench" });
  await expect(bench).toContainText(/Tablet 4:3.*\d warnings/);
  await expect(bench).not.toContainText("blocker");
  await page.keyboard.press("Control+z");
  await expect(bench.getByText("5 blockers")).toBeVisible();
});

/** Where the line of an arrow begins and ends, and what it says. */
const arrows = (page: Page): Locator => page.getByTestId("compared").locator("[data-compared]");

test("the bench, by key alone: asked, looked at from before to after, a move left out, stopped, taken", { tag: "@storm" }, async ({ page }) => {
  await openDraft(page);
  await page.keyboard.press("y");
  // The focus is on what is next: to stop it.
  await expect(panel(page).getByRole("button", { name: "Stop" })).toBeFocused();
  await page.keyboard.press("Escape");
  await expect(panel(page).getByTestId("settle-state")).toContainText("Ready. Settle would check");
  await panel(page).getByLabel("Hands").selectOption("right");
  await panel(page).getByRole("button", { name: "Recompute" }).press("Enter");
  await expect(take(page)).toBeFocused();
  const settled = page.getByRole("region", { name: "Bench" }).getByTestId("settled-tally");
  await expect(settled).toBeVisible();
  await expect(settled).not.toContainText("blocker");
  await expect(arrows(page).filter({ hasText: " mm" }).first()).toBeVisible();
  const log = visual(page, "log").first();
  const after = (await log.boundingBox())!;
  const slider = panel(page).getByRole("slider", { name: "From before to after" });
  await slider.press("Home");
  await expect(settled).toHaveCount(0);
  const before = (await log.boundingBox())!;
  expect(Math.hypot(before.x - after.x, before.y - after.y)).toBeGreaterThan(5);
  await slider.press("End");
  await noViolationsInStorm(page, "Settle in the tray");
  const move = panel(page).locator('[data-settle-move="pause"]');
  await expect(move).toContainText(/for: .* · /);
  await move.getByRole("button", { name: "Exclude" }).press("Enter");
  await expect(panel(page).getByText("Not fixed")).toBeVisible();
  await expect(take(page)).toBeVisible();
  await expect(panel(page).locator('[data-settle-move="pause"]')).toHaveCount(0);
  await expect(page.locator('[data-lock="pause"]')).toBeAttached();
  await take(page).press("Enter");
  await expect(panel(page)).toHaveCount(0);
  // That of what was omitted is there still.
  expect(await history(page)).toContain("settle 3 screens: 4 blockers");
});

test("no way: the wishes are drawn and told, a way out is one click, and what it makes is taken in one step", { tag: "@storm" }, async ({ page }) => {
  await openDraft(page);
  await page.getByRole("button", { name: "settle these 3 screens" }).click();
  await expect(take(page)).toBeVisible();
  const left = panel(page).getByRole("region", { name: "Remaining" });
  const proved = left.locator("article", { hasText: "These cannot all be met" }).first();
  await expect(proved).toContainText(/At least \d+\.\d mm short/);
  await expect(proved.getByRole("img", { name: /^Where it falls short, on / })).toBeVisible();
  // What only a note is in the way of says so, and what it costs to let it.
  await expect(left.getByRole("button", { name: /^allow new and worse notes [\d.]+ mm²$/ }).first()).toBeVisible();
  const way = left
    .getByRole("group", { name: "Options" })
    .getByRole("button", { name: /^an arrangement for/ })
    .first();
  const words = (await way.innerText()).replace(/\s*(show cost|[\d.]+ mm²)$/, "").trim();
  await way.click();
  await expect(panel(page).getByText("With", { exact: true })).toBeVisible();
  await expect(take(page)).toBeVisible();
  await take(page).click();
  await expect(page.getByTestId("arrangement-in-use")).toBeVisible();
  expect(words).toMatch(/^an arrangement for/);
  await page.keyboard.press("Control+z");
  await expect(page.getByTestId("arrangement-in-use")).toHaveCount(0);
});

test("missed less: within the millimetres allowed, and the rates before and after are told", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/layout");
  await page.keyboard.press("y");
  await expect(panel(page).getByTestId("settle-state")).toContainText("Nothing to fix");
  const slider = panel(page).getByRole("slider", { name: "Change allowed to reduce misses, mm" });
  for (let i = 0; i < 4; i += 1) await slider.press("ArrowRight");
  await expect(panel(page).getByTestId("settle-miss-mm")).toHaveText("within 2.0 mm");
  await panel(page).getByRole("button", { name: "Recompute" }).click();
  await expect(take(page)).toBeVisible();
  const rows = panel(page).getByRole("table", { name: "Misses before and after" }).locator("tbody tr");
  const [before, after] = (await rows.first().locator("td").allInnerTexts()).map(parseFloat);
  expect(after).toBeLessThan(before);
});

test(
  "a layout that changes under a proposal has none any more; undone it holds again, and is taken as an arrangement for the screens that asked",
  { tag: "@storm" },
  async ({ page }) => {
    await openDraft(page);
    await page.keyboard.press("y");
    await expect(take(page)).toBeVisible();
    await control(page, "pump").click();
    await page.keyboard.press("ArrowLeft");
    await expect(panel(page).getByTestId("settle-state")).toHaveText("The layout has changed. Recompute.");
    await expect(take(page)).toHaveCount(0);
    await page.keyboard.press("Control+z");
    await expect(take(page)).toBeVisible();
    await panel(page).getByRole("button", { name: "Apply as an arrangement" }).click();
    await expect(page.getByTestId("arrangement-in-use")).toContainText("Settled for 3 screens");
    expect(await history(page)).toContain("as “Settled for 3 screens”");
  },
);

test("hold all screens: a drag stops where it would break one, the line says which and why; off, it goes where it is led", async ({ page }) => {
  await open(page, "/layout");
  const drag = async () => {
    const [from, to] = [await middle(visual(page, "pump").first()), await middle(visual(page, "towline").first())];
    await page.mouse.move(from.x, from.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 10 });
  };
  const blockers = page.getByRole("region", { name: "Bench" }).getByText(/blocker/);
  await page.getByRole("button", { name: "hold all screens" }).click();
  await drag();
  await expect(page.getByTestId("reading-line")).toContainText(/^Held by .+: “(pump|towline)” and “(pump|towline)” (overlap|are) /);
  await expect(page.locator("[data-holds]")).toHaveCount(1);
  await page.mouse.up();
  await expect(page.locator("[data-holds]")).toHaveCount(0);
  await expect(blockers).toHaveCount(0);
  await page.getByRole("button", { name: "hold all screens" }).click();
  await drag();
  await page.mouse.up();
  await expect(blockers).toBeVisible();
});
