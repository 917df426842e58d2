/** Screens: the shelf with its filter, orders, groups and faces; the grid by pointer and by key; the spans; from a finding to the bench. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { middle, noViolationsInStorm, open, openLayout, visual } from "./bench";

const look = (page: Page, name: "Shelf" | "Grid" | "Spans") => page.getByRole("button", { name, exact: true }).click();
const shelf = (page: Page) => page.locator("[data-shelf]");
const judged = (page: Page) => expect(page.getByTestId("screens-judged")).not.toContainText("checked");
/** Spans are looked at aspect by aspect, for each face: on a busy machine that takes its time. */
const workedOut = (page: Page) => expect(page.getByTestId("spans-state")).toHaveText("ready");
/** The view of the first draft, which has the mistakes that people make, judged. */
async function openDraft(page: Page): Promise<void> {
  await open(page, "/screens");
  await openLayout(page, "Brackwater, first draft");
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Screens" }).click();
  await judged(page);
}
const row = (page: Page, subject: string) => page.locator(`[data-grid-row="${subject}"]`);

test("the shelf is filtered, ordered and grouped, and says how many are left", { tag: "@storm" }, async ({ page }) => {
  await openDraft(page);
  await expect(shelf(page)).toHaveCount(24);
  const filter = page.getByRole("complementary", { name: "Filter" });
  await filter.getByLabel("Class").selectOption("tablet");
  const tablets = await shelf(page).count();
  expect(tablets).toBeGreaterThan(2);
  expect(tablets).toBeLessThan(12);
  await expect(page.getByTestId("screens-shown")).toHaveText(`${tablets} of 24 screens`);
  await filter.getByLabel("Aspect to", { exact: true }).fill("1.4");
  await page.keyboard.press("Enter");
  await expect(page.locator('[data-shelf="Tablet 4:3"]')).toBeVisible();
  await expect(page.locator('[data-shelf="Tablet 16:10"]')).toHaveCount(0);
  await filter.getByRole("button", { name: "Clear filter" }).click();
  await filter.getByLabel("With a finding").selectOption("touch/overlap");
  await filter.getByLabel("About").selectOption({ label: "nudge" });
  expect(await shelf(page).count()).toBeLessThan(24);
  await filter.getByRole("button", { name: "Clear filter" }).click();
  await filter.getByLabel("Order").selectOption("name");
  const names = await shelf(page).evaluateAll((all) => all.map((one) => (one as HTMLElement).dataset.shelf!));
  expect(names).toEqual([...names].sort());
  await filter.getByLabel("Groups").selectOption("class");
  await expect(page.getByRole("region", { name: "tablets" }).locator("[data-shelf]")).toHaveCount(tablets);
  await noViolationsInStorm(page, "the shelf");
});

test("a screen's faces stand at its corners and open; its moments stand side by side", { tag: "@storm" }, async ({ page }) => {
  await openDraft(page);
  const screen = page.locator('[data-shelf="Tablet 4:3"]');
  const corner = screen.locator('[data-corner="left 1.3"]');
  await expect(corner).toHaveAttribute("aria-label", /^Tablet 4:3, left hand, size 1\.3: \d+ blocker/);
  await corner.click();
  await expect(page.getByRole("complementary", { name: "Findings" }).getByRole("heading")).toHaveText("Tablet 4:3");
  await page.getByRole("button", { name: "moments side by side" }).click();
  await expect(screen.getByText("Alongside")).toBeVisible();
  await expect(screen.getByText("Log open")).toBeVisible();
  await page.getByRole("complementary", { name: "Findings" }).getByRole("button", { name: "Open on the bench" }).click();
  await expect(page).toHaveURL(/\/layout$/);
  // The face that was opened is the one on the bench.
  await expect(page.getByRole("button", { name: "Left hand", exact: true })).toHaveAttribute("aria-pressed", "true");
  await expect(page.getByLabel("Player's size")).toHaveValue("1.3");
});

test("the grid: each cell has its worst finding; by keys from cell to cell; a cell tells all faces and leads to the bench with screen, hand, size and moment", async ({
  page,
}) => {
  await openDraft(page);
  await look(page, "Grid");
  const grid = page.getByRole("grid", { name: "Findings: controls by screens" });
  await expect(grid).toBeVisible();
  await expect(row(page, "pause").getByRole("gridcell").first().getByRole("button")).toHaveAttribute(
    "aria-label",
    /^pause on Small phone 16:9: blocker touch\/small, 4\.\d mm, right hand, size 0\.8; \d+ blockers?/,
  );
  await noViolationsInStorm(page, "the grid");
  await page.locator('[data-cell="0 0"]').focus();
  for (let i = 0; i < 4; i += 1) await page.keyboard.press("ArrowDown");
  for (let i = 0; i < 7; i += 1) await page.keyboard.press("ArrowRight");
  await expect(page.locator('[data-cell="4 7"]')).toBeFocused();
  await page.keyboard.press("Enter");
  const cell = page.getByRole("complementary", { name: "Cell" });
  await expect(cell.getByRole("heading", { level: 2 })).toHaveText("nudge on Tall phone 20:9, notch");
  await expect(cell.getByRole("button", { name: /^left hand, size 1\.3/ })).toContainText(/1 blocker/);
  await cell.getByRole("button", { name: /^left hand, size 1\.3/ }).click();
  const finding = cell.locator('[data-finding="touch/overlap"]').first();
  await expect(finding).toContainText("blocker");
  await finding.getByRole("button").first().click();
  await expect(page).toHaveURL(/\/layout$/);
  await expect(page.getByRole("button", { name: "Left hand", exact: true })).toHaveAttribute("aria-pressed", "true");
  await expect(page.getByLabel("Player's size")).toHaveValue("1.3");
  await expect(page.getByLabel("Moment")).toHaveValue("alongside");
});

test(
  "the grid follows the layout; groups fold to a column; an arrangement is made for the screens that have a finding",
  { tag: "@storm" },
  async ({ page }) => {
    await openDraft(page);
    await look(page, "Grid");
    const first = row(page, "pause").getByRole("gridcell").first().getByRole("button");
    await expect(first).toHaveAttribute("aria-label", /blocker touch\/small/);
    await page.getByLabel("Groups").selectOption("class");
    const columns = await page.locator('[data-cell^="0 "]').count();
    await page.getByRole("button", { name: /^▾ phones/ }).click();
    expect(await page.locator('[data-cell^="0 "]').count()).toBeLessThan(columns);
    await page.getByRole("button", { name: /^▸ phones/ }).click();
    await row(page, "lamp").getByRole("gridcell").first().getByRole("button").click();
    const cell = page.getByRole("complementary", { name: "Cell" });
    await cell.getByRole("button", { name: /^Add an arrangement for the \d+ that have it/ }).click();
    await expect(page).toHaveURL(/\/layout$/);
    await expect(page.getByText(/“For lamp” applies to these \d+ screens/)).toBeVisible();
    await expect(page.getByText(/For lamp/).first()).toBeVisible();
  },
);

test(
  "the spans: exactly where each finding holds; another size of screens is worked out anew; a click makes that screen and puts it on the bench",
  { tag: "@storm" },
  async ({ page }) => {
    await openDraft(page);
    await look(page, "Spans");
    await workedOut(page);
    const overlap = page.locator('[data-span-row="touch/overlap nudge log"]').first();
    const said = (await overlap.locator("td").first().textContent())!;
    expect(said).toMatch(/\d\.\d{3} … 2\.600/);
    await expect(page.locator("[data-span]").first()).toBeVisible();
    await noViolationsInStorm(page, "the spans");
    await page.getByLabel("diagonal", { exact: true }).fill("9");
    await expect(page.getByTestId("spans-state")).toHaveText("working…");
    await workedOut(page);
    const plot = (await page.getByTestId("span-plot").boundingBox())!;
    await page.mouse.click(plot.x + plot.width / 2, plot.y + 10);
    await expect(page).toHaveURL(/\/layout$/);
    await expect(page.getByRole("heading", { name: /^Aspect 1\.8\d\d, 9 inches$/ }).or(page.getByText(/^Aspect 1\.8\d\d, 9 inches$/).first())).toBeVisible();
  },
);

test(
  "a screen of one's own is described in mm, drawn by hand and by key, copied and deleted; lists go out and come in",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/screens");
    await judged(page);
    await page.getByRole("button", { name: "your screens…" }).click();
    const dialogue = page.getByRole("dialog", { name: "Your screens" });
    await dialogue.getByRole("button", { name: "Add a screen…" }).click();
    await dialogue.getByLabel("Name").fill("Harbour slate");
    await dialogue.getByLabel("or width, mm").fill("160");
    await page.keyboard.press("Tab");
    await expect(dialogue.getByLabel("Density, ppi")).toHaveValue("381");
    const inset = dialogue.getByRole("slider", { name: "Inset left" });
    await inset.focus();
    await page.keyboard.press("Shift+ArrowRight");
    await expect(dialogue.getByLabel("Insets left")).toHaveValue("40");
    // A cut-out is drawn on the glass, and taken away by key.
    const glass = (await dialogue.getByTestId("screen-picture").boundingBox())!;
    const draw = async (x: number, y: number, dx: number, dy: number) => {
      await page.mouse.move(glass.x + x, glass.y + y);
      await page.mouse.down();
      await page.mouse.move(glass.x + x + dx, glass.y + y + dy, { steps: 4 });
      await page.mouse.up();
    };
    await draw(glass.width * 0.6, glass.height * 0.3, 40, 30);
    const cutout = dialogue.getByRole("button", { name: /^Cut-out 1: / });
    await expect(cutout).toBeVisible();
    await expect(dialogue.getByLabel("Cut-outs, px")).not.toHaveValue("");
    await cutout.focus();
    await page.keyboard.press("Delete");
    await expect(dialogue.getByLabel("Cut-outs, px")).toHaveValue("");
    // The inset is dragged on the picture.
    const line = (await inset.boundingBox())!;
    await page.mouse.move(line.x + line.width / 2, glass.y + glass.height / 2);
    await page.mouse.down();
    await page.mouse.move(line.x + line.width / 2 + 30, glass.y + glass.height / 2, { steps: 4 });
    await page.mouse.up();
    expect(Number(await dialogue.getByLabel("Insets left").inputValue())).toBeGreaterThan(100);
    await noViolationsInStorm(page, "a screen drawn by hand");
    await dialogue.getByRole("button", { name: "Add" }).click();
    await dialogue.getByRole("button", { name: "Duplicate Harbour slate" }).click();
    await expect(dialogue.getByLabel("Name")).toHaveValue("Harbour slate 2");
    await dialogue.getByRole("button", { name: "Add" }).click();
    const saving = page.waitForEvent("download");
    await dialogue.getByRole("button", { name: "All as CSV" }).click();
    expect((await saving).suggestedFilename()).toBe("screens.csv");
    await dialogue.getByRole("button", { name: "Delete Harbour slate 2" }).click();
    await page.keyboard.press("Escape");
    await expect(page.locator('[data-shelf="Harbour slate"]')).toBeVisible();
    await expect(page.locator('[data-shelf="Harbour slate 2"]')).toHaveCount(0);
    await expect(page.getByTestId("screens-judged")).toContainText("25 of 25 screens");
  },
);

test("a part of the players is told beside a screen, and findings say on how many of them they stand", { tag: "@storm" }, async ({ page }) => {
  await openDraft(page);
  await page.locator('[data-shelf="Tablet 4:3"] button').first().click();
  await page.getByLabel("Share of your players with Tablet 4:3, per cent").fill("12");
  await page.keyboard.press("Enter");
  await expect(page.getByTestId("blockers-players")).toHaveText("on 12 % of your players");
  await page.getByLabel("Share of your players with Tablet 4:3, per cent").fill("many");
  await page.keyboard.press("Enter");
  await expect(page.getByText("“many” is not a share")).toBeVisible();
  await look(page, "Grid");
  await row(page, "pause").getByRole("gridcell").first().getByRole("button").click();
  const cell = page.getByRole("complementary", { name: "Cell" });
  await expect(cell.locator('[data-finding="touch/small"]').first()).toContainText(/on \d+ of 24 screens, on 12 % of your players/);
  await page.reload();
  await expect(page.getByTestId("blockers-players")).toHaveText("on 12 % of your players");
});

/** How many of each severity a text reports, such as "■ 2 blockers ◆ 1 warning" or "2 blockers, 1 warning". */
const countsIn = (text: string) => ["blocker", "warning", "note"].map((word) => Number(new RegExp(`(\\d+)\\s+${word}`).exec(text)?.[1] ?? 0));

test("the rail counts what the grid counts, for all players; while something is dragged for the one that is edited for", async ({ page }) => {
  await openDraft(page);
  await look(page, "Grid");
  const inGrid = new Map<string, number[]>();
  for (const cell of await page.locator('[data-cell^="0 "]').all()) {
    const label = (await cell.getAttribute("aria-label")) ?? "";
    inGrid.set(/^all of it on (.*?): /.exec(label)![1], countsIn(label.slice(label.lastIndexOf("; ") + 2)));
  }
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Layout" }).click();
  const rail = page.getByRole("region", { name: "Rail" });
  const counted = rail.getByTestId("counted-for");
  await expect(counted).toHaveText("counts for 4 players");
  await counted.hover();
  await expect(page.getByTestId("reading-line")).toContainText("both hands, sizes 0.8 and 1.3");
  const inRail = async () => {
    const found: (readonly [string, number[]])[] = [];
    for (const row of await rail.getByRole("listitem").all()) {
      const name = /^(.*), open on the bench$/.exec((await row.getByRole("button").getAttribute("aria-label")) ?? "")![1];
      found.push([name, countsIn(await row.innerText())]);
    }
    return found;
  };
  const atRest = await inRail();
  expect(atRest.length).toBeGreaterThan(6);
  for (const [name, counts] of atRest) expect([name, counts]).toEqual([name, inGrid.get(name)]);
  // A drag follows the player that is edited for alone; let go, all of them count again.
  const helm = await middle(visual(page, "helm"));
  await page.mouse.move(helm.x, helm.y);
  await page.mouse.down();
  await page.mouse.move(helm.x + 60, helm.y, { steps: 4 });
  await expect(counted).toHaveText("counts for one player");
  await expect(counted).toHaveAttribute("aria-description", /counted for right hand, size 1\./);
  await page.keyboard.press("Escape");
  await page.mouse.up();
  await expect(counted).toHaveText("counts for 4 players");
  await expect.poll(inRail).toEqual(atRest);
});

test("the map and the spans use the height that is there", { tag: "@storm" }, async ({ page }) => {
  await open(page, "/screens");
  for (const [look, plot] of [
    ["Spans", "span-plot"],
    ["Map", "map-cells"],
  ]) {
    await page.getByRole("button", { name: look, exact: true }).click();
    const box = page.getByTestId(plot);
    await expect.poll(async () => ((await box.boundingBox())?.height ?? 0) > 550).toBe(true);
    const { y, height } = (await box.boundingBox())!;
    const line = (await page.getByTestId("reading-line").boundingBox())!;
    expect(y + height).toBeLessThanOrEqual(line.y);
  }
});
