/** Making: from the ledger, the palette, by key, by drawing; several together; the second side. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { addAction, control, drag, dragFromLedger, middle, onGlass, open, placeOf, saved, startLayout } from "./bench";

const tool = (page: Page, name: string) => page.getByRole("group", { name: "Palette" }).getByRole("button", { name });
const MM = 411 / 25.4;

test("a box drawn on the glass becomes a control of the kind in hand, as large as the box", async ({ page }) => {
  await open(page);
  await tool(page, "Button").click();
  await drag(page, await onGlass(page, 0.45, 0.3), await onGlass(page, 0.52, 0.46));
  const made = await placeOf(page, "button");
  expect(made.x).toBeCloseTo(0.45 * 2400, -1);
  expect(made.w).toBeCloseTo(0.07 * 2400, -1);
  expect(made.h).toBeCloseTo(0.16 * 1080, -1);
  await expect(control(page, "button")).toHaveAttribute("aria-label", /^Button, button, middle, serves nothing/);
  // The tool is put away, so that the next drag moves and does not draw.
  await expect(tool(page, "Select")).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("Control+z");
  await expect(control(page, "button")).toHaveCount(0);
});

test("dragged from the palette a control stands where it is dropped", async ({ page }) => {
  await open(page);
  await drag(page, await middle(tool(page, "Touchpad")), await onGlass(page, 0.5, 0.4));
  const made = await placeOf(page, "touchpad");
  expect(made.x + made.w / 2).toBeCloseTo(1200, -1);
  expect(made.w).toBeCloseTo(40 * MM, -1);
  await expect(tool(page, "Select")).toHaveAttribute("aria-pressed", "true");
});

test("by key: a kind is taken in hand and put down; the kind can be chosen at one more gesture", async ({ page }) => {
  await open(page);
  await page.keyboard.press("Shift+W");
  await expect(tool(page, "Swipe")).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("Escape");
  await expect(tool(page, "Select")).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("Shift+D");
  await page.keyboard.press("Enter");
  await expect(control(page, "d-pad")).toHaveAttribute("aria-pressed", "true");
  const before = await placeOf(page, "d-pad");
  await page.getByRole("toolbar", { name: "Kind of D-pad" }).getByRole("button", { name: "Stick" }).click();
  await expect(control(page, "d-pad")).toHaveAttribute("aria-label", /, stick, .*left/);
  expect(await placeOf(page, "d-pad")).toEqual(before);
  await expect(page.getByRole("toolbar", { name: "Kind of D-pad" })).toHaveCount(0);
});

test("several actions dropped together make a cluster on an arc about the thumb, each bound to its own", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await startLayout(page, "Cluster");
  for (const name of ["flare", "winch", "bell", "plank"]) await addAction(page, name, "press");
  await page.keyboard.press("Escape");
  await page.getByRole("link", { name: "Layout" }).click();
  const row = (name: string) => page.getByRole("region", { name: "Ledger" }).getByRole("button", { name: new RegExp(`^${name}`) });
  for (const name of ["flare", "winch", "bell"]) await row(name).click({ modifiers: ["Shift"] });
  await expect(page.getByRole("region", { name: "Ledger" })).toContainText("3 selected");
  await drag(page, await middle(row("winch")), await onGlass(page, 0.86, 0.62));
  await expect(control(page, "flare-and-2-more")).toHaveAttribute("aria-pressed", "true");
  await expect(control(page, "flare-and-2-more")).toHaveAttribute("aria-label", /cluster of 3/);
  const far = [];
  for (const name of ["flare", "winch", "bell"]) {
    await expect(control(page, name)).toHaveAttribute("aria-label", new RegExp(`serves ${name}`));
    const at = await placeOf(page, name);
    far.push(Math.hypot(at.x + at.w / 2 - 2400, at.y + at.h / 2 - (1080 - 15 * MM)));
  }
  expect(Math.max(...far) - Math.min(...far)).toBeLessThan(1 * MM);
  await expect(page.getByRole("region", { name: "Ledger" })).toContainText("1 open");
  // By key: Space marks, Enter grows.
  await row("plank").focus();
  await page.keyboard.press("Enter");
  await expect(control(page, "plank")).toHaveAttribute("aria-pressed", "true");
  await saved(page);
});

test("the second side is a mirrored copy under its own name, and serves the same actions, others, or none", async ({ page }) => {
  await open(page);
  await control(page, "helm").click({ position: { x: 12, y: 20 } });
  await page.getByRole("button", { name: "Second side", exact: true }).click();
  const ask = page.getByRole("group", { name: "Actions of helm, right" });
  await expect(ask.getByRole("button")).toHaveText(["Same actions", "Other actions…", "None"]);
  const [helm, twin] = [await placeOf(page, "helm"), await placeOf(page, "helm-right")];
  // Both are pinned to the safe frame, whose left inset is wider by the notch.
  expect(twin.y).toBeCloseTo(helm.y, 3);
  expect(twin.w).toBeCloseTo(helm.w, 3);
  expect(twin.x).toBeGreaterThan(1200);
  await expect(page.getByRole("region", { name: "Serves" })).toContainText("serves nothing yet");
  await expect(page.getByRole("textbox", { name: "Name", exact: true })).toHaveValue("helm, right");
  await ask.getByRole("button", { name: "Other actions…" }).click();
  const dialog = page.getByRole("dialog", { name: "Actions of the mirrored copies" });
  await dialog.getByRole("combobox", { name: "Instead of helm" }).selectOption("nudge");
  await dialog.getByRole("button", { name: "Apply" }).click();
  await expect(dialog).toBeHidden();
  await expect(control(page, "helm-right")).toHaveAttribute("aria-label", /serves nudge\b/);
  await expect(ask).toHaveCount(0);
  await page.keyboard.press("Delete");
  // By key, two at once: both serve what their originals serve.
  await control(page, "horn").click();
  await control(page, "pump").click({ modifiers: ["Shift"] });
  await page.keyboard.press("Shift+m");
  await page.getByRole("group", { name: "Actions of 2 controls" }).getByRole("button", { name: "Same actions" }).click();
  for (const name of ["horn", "pump"]) await expect(control(page, `${name}-left`)).toHaveAttribute("aria-label", new RegExp(`serves ${name}\\b`));
  // None: the question is gone, the copy serves nothing.
  await control(page, "log").click();
  await page.keyboard.press("Shift+m");
  await page
    .getByRole("group", { name: /^Actions of log/ })
    .getByRole("button", { name: "None" })
    .click();
  await expect(page.getByRole("group", { name: /^Actions of log/ })).toHaveCount(0);
  await expect(page.getByRole("region", { name: "Serves" })).toContainText("serves nothing yet");
});

test("an action dropped offers the kinds that fit it, and no others", async ({ page }) => {
  await open(page);
  await dragFromLedger(page, "lamp", 0.6, 0.6);
  const kinds = page.getByRole("toolbar", { name: /^Kind of lamp/ });
  await expect(kinds.getByRole("button")).toHaveCount(4);
  await expect(kinds.getByRole("button", { name: "Touchpad" })).toHaveAttribute("aria-pressed", "true");
  await expect(kinds.getByRole("button", { name: "Button" })).toHaveCount(0);
});

test("two axes selected in the ledger become one stick, four directions one d-pad or a cross; a click selects one, Shift a range, Ctrl one more", async ({
  page,
}) => {
  await open(page);
  await startLayout(page, "Ways");
  for (const name of ["moveX", "moveY", "turn"]) await addAction(page, name, "axis");
  for (const name of ["stepUp", "stepRight", "stepDown", "stepLeft"]) await addAction(page, name, "press");
  // Names that differ in what they mean are not asked about.
  await expect(page.getByText("the same word twice?")).toHaveCount(0);
  await page.getByLabel("Name of the new action").blur();
  await page.keyboard.press("2");
  const ledger = page.getByRole("region", { name: "Ledger" });
  const row = (name: string) => ledger.locator(`[data-row="${name}"]`);
  const pressed = ledger.locator("[data-row][aria-pressed=true]");
  const together = ledger.getByRole("group", { name: "Create from the selection" });
  await row("turn").click();
  await expect(pressed).toHaveCount(1);
  await row("moveX").click();
  await expect(pressed).toHaveCount(1);
  await row("moveY").click({ modifiers: ["Control"] });
  await expect(pressed).toHaveCount(2);
  await drag(page, await middle(row("moveY")), await onGlass(page, 0.16, 0.68));
  await expect(control(page, "move")).toHaveAttribute("aria-label", /^move, stick, bottom left, serves moveX, moveY/);
  // A third axis goes by the way that its word means, and is reported to share it.
  await control(page, "move").click();
  await page.getByLabel("Add an action").selectOption("turn");
  const shared = page.getByRole("group", { name: "Axes on one port of move" });
  await expect(shared.first()).toContainText("x also serves turn: one movement moves both.");
  await page.keyboard.press("ControlOrMeta+z");
  await expect(shared).toHaveCount(0);
  await row("stepUp").click();
  await row("stepLeft").click({ modifiers: ["Shift"] });
  await expect(pressed).toHaveCount(4);
  await expect(together.getByRole("button")).toHaveText(["One d-pad", "Cross of buttons", "Cluster"]);
  await together.getByRole("button", { name: "One d-pad" }).click();
  await expect(control(page, "step")).toHaveAttribute("aria-label", /^step, dpad, .*serves stepUp, stepDown, stepLeft, stepRight/);
  await page.keyboard.press("ControlOrMeta+z");
  await row("stepUp").click();
  await row("stepLeft").click({ modifiers: ["Shift"] });
  await together.getByRole("button", { name: "Cross of buttons" }).click();
  const at = async (name: string) => placeOf(page, name.toLowerCase());
  await expect(control(page, "stepup")).toBeVisible();
  const [up, right, down, left] = [await at("stepUp"), await at("stepRight"), await at("stepDown"), await at("stepLeft")];
  expect(up.y).toBeLessThan(left.y);
  expect(down.y).toBeGreaterThan(left.y);
  expect(left.x).toBeLessThan(up.x);
  expect(right.x).toBeGreaterThan(up.x);
  await saved(page);
});

test("what is created holds on every screen of the rail for every player, or it is said why not", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await startLayout(page, "Whole");
  for (const name of ["flare", "winch", "bell"]) await addAction(page, name, "press");
  await page.getByLabel("Name of the new action").blur();
  await page.keyboard.press("2");
  const rail = page.getByRole("region", { name: "Rail" });
  const ledger = page.getByRole("region", { name: "Ledger" });
  for (const name of ["flare", "winch", "bell"]) {
    await ledger.locator(`[data-row="${name}"]`).focus();
    await page.keyboard.press("Enter");
    await expect(control(page, name)).toHaveAttribute("aria-pressed", "true");
  }
  await expect(rail.getByTestId("counted-for")).toHaveText("counts for 4 players");
  const rows = rail.getByRole("listitem");
  await expect(rows.filter({ hasText: "no findings" })).toHaveCount(await rows.count());
  // A mirrored copy whose place is taken: it says what is found, where, and for whom.
  await control(page, "flare").click();
  await page.keyboard.press("Shift+m");
  await page.getByRole("button", { name: "None", exact: true }).click();
  await control(page, "flare-left").click();
  await page.keyboard.press("Shift+m");
  await expect(page.getByText(/^Blocker, (?:right|left) hand, size .* overlap by 100 % on/)).toBeVisible();
});
