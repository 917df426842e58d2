/** What is asked before it is done, told when it is done, and taken back: kinds, words, ends of axes, deletions, drags left in the middle. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import {
  addAction,
  control,
  drag,
  dragFromLedger,
  expectTied,
  exportText,
  fromMenu,
  glass,
  middle,
  onGlass,
  open,
  openLayout,
  placeOf,
  saved,
  startLayout,
  typeInto,
  visual,
} from "./bench";

const region = (page: Page, name: string) => page.getByRole("region", { name, exact: true });
const pick = (page: Page, id: string) => control(page, id).click({ position: { x: 12, y: 20 } });
const notice = (page: Page, text: string | RegExp) => expect(page.getByText(text)).toBeVisible();

test("a length of another unit is added by what it comes to", async ({ page }) => {
  await open(page);
  await pick(page, "horn");
  const before = await placeOf(page, "horn");
  await typeInto(page, "Place", "Width", "+1mm");
  await expect(region(page, "Place").getByLabel("Width: unit")).toHaveValue("u");
  expect((await placeOf(page, "horn")).w - before.w).toBeCloseTo(411 / 25.4, 2);
  await typeInto(page, "Place", "Width", "*2mm");
  await notice(page, /“\*2mm” is not a length/);
});

test("another kind: what it would lose is told before it is done, the rest goes on by the nearest port", async ({ page }) => {
  await open(page);
  await page.getByLabel("Moment shown").selectOption({ label: "Alongside" });
  await pick(page, "nudge");
  await region(page, "Place").getByLabel("Kind").selectOption("touchpad");
  const dialogue = page.getByRole("dialog", { name: "nudge as a touchpad" });
  await expect(dialogue).toContainText("It would stop serving");
  await expect(dialogue).toContainText("nudge by vector: a touchpad has no port like vector; it has motion, dx, dy, held, tapped");
  await dialogue.getByRole("button", { name: "Keep a d-pad" }).click();
  await expect(control(page, "nudge")).toHaveAttribute("aria-label", /d-?pad/i);
  await pick(page, "horn");
  await region(page, "Place").getByLabel("Kind").selectOption("swipe");
  await notice(page, "“horn” is a swipe now: horn comes from up instead of press.");
  await page.keyboard.press("Control+z");
  await expect(control(page, "horn")).toHaveAttribute("aria-label", /button/);
});

test("a cluster pasted into another layout arrives as one, and what its words mean there is asked", async ({ page }) => {
  await open(page);
  await control(page, "horn").click();
  await control(page, "towline").click({ modifiers: ["Shift"] });
  await page.keyboard.press("u");
  await expect(control(page, "cluster")).toHaveAttribute("aria-pressed", "true");
  const text = await page.evaluate(() => {
    const data = new DataTransfer();
    document.dispatchEvent(new ClipboardEvent("copy", { clipboardData: data, bubbles: true, cancelable: true }));
    return data.getData("text/plain");
  });
  await openLayout(page, "Pigeonhole");
  await expect(control(page, "walk")).toBeVisible();
  await page.evaluate((copied) => {
    const data = new DataTransfer();
    data.setData("text/plain", copied);
    document.dispatchEvent(new ClipboardEvent("paste", { clipboardData: data, bubbles: true, cancelable: true }));
  }, text);
  const dialogue = page.getByRole("dialog", { name: "Paste from another layout" });
  await expect(dialogue.getByRole("row")).toHaveCount(3);
  await dialogue.getByLabel("Action for horn").selectOption("= stamp");
  await dialogue.getByLabel("Action for towline").selectOption("nothing");
  await dialogue.getByRole("button", { name: "Paste" }).click();
  await expect(control(page, "cluster")).toHaveAttribute("aria-label", /cluster of 2/);
  await expect(control(page, "horn")).toHaveAttribute("aria-label", /serves stamp/);
  await expect(control(page, "towline")).toHaveAttribute("aria-label", /serves nothing/);
  await page.keyboard.press("Control+z");
  await expect(control(page, "cluster")).toHaveCount(0);
});

test("dropped or carried in a tall game, a control is tied to the nearest point; one for an axis asks which way", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await fromMenu(page, "New layout…");
  const dialogue = page.getByRole("dialog", { name: "New layout" });
  await expect(dialogue.getByLabel("What does your game read?")).toBeFocused();
  await dialogue.getByRole("button", { name: "portrait" }).click();
  await dialogue.getByLabel("Name of the game").fill("Chimney");
  await page.keyboard.press("Enter");
  await expect(dialogue).toBeHidden();
  await page.keyboard.press("1");
  await addAction(page, "leap", "press");
  await addAction(page, "sway", "axis");
  await page.getByLabel("Name of the new action").blur();
  await page.keyboard.press("2");
  await dragFromLedger(page, "leap", 0.5, 0.93);
  await expectTied(page, "0.5,1", "safe");
  await drag(page, await middle(visual(page, "leap")), await onGlass(page, 0.9, 0.5), 12);
  await expectTied(page, "1,0.5", "safe");
  await dragFromLedger(page, "sway", 0.3, 0.3);
  const way = page.getByRole("group", { name: "Which way of sway serves sway" });
  await expect(way.getByRole("button", { name: "left–right" })).toHaveAttribute("aria-pressed", "true");
  await way.getByRole("button", { name: "up–down" }).click();
  await expect(way.getByRole("button", { name: "up–down" })).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("5");
  expect(JSON.parse(await exportText(page)).controls.find((c: { id: string }) => c.id === "sway").serves).toEqual([{ port: "y", action: "sway" }]);
});

test("the keys of an axis are asked for one after the other, + first; a usual pair and four come by one press; a short press toward a slow axis is told, with what helps", async ({
  page,
}) => {
  await open(page, "/actions");
  await startLayout(page, "Ends");
  await addAction(page, "lean", "axis");
  await addAction(page, "go", "vector");
  const listen = async (name: string) => {
    await page
      .getByRole("button", { name: `Bind a key, mouse or pad input to ${name}` })
      .first()
      .click();
    return page.getByRole("dialog", { name: `Bind an input to ${name}` });
  };
  const lean = await listen("lean");
  const asked = lean.getByRole("button", { name: /^Press the key for lean/ });
  await expect(asked).toContainText("+ (right or up)");
  await asked.press("KeyU");
  await expect(asked).toContainText("− (left or down)");
  await asked.press("KeyI");
  await expect(lean).toHaveCount(0);
  // Another pair, by one of its keys.
  await (await listen("lean")).getByRole("button", { name: /^Press the key for lean/ }).press("KeyD");
  await expect(lean).toHaveCount(0);
  // Four keys of a vector that belong to no set: in the order in which they are asked for, one of them omitted.
  const go = await listen("go");
  const direction = go.getByRole("button", { name: /^Press the key for go/ });
  for (const [key, said] of [
    ["KeyT", "up"],
    ["KeyG", "down"],
    [null, "left"],
    ["KeyH", "right"],
  ] as const) {
    await expect(direction).toContainText(`Press the key for ${said}`);
    if (key) await page.keyboard.press(key);
    else await go.getByRole("button", { name: "Skip" }).click();
  }
  await expect(go).toHaveCount(0);
  await (await listen("go")).getByRole("button", { name: /^Press the key for go/ }).press("ArrowLeft");
  await expect(go).toHaveCount(0);
  await page.getByRole("link", { name: /Hand off/ }).click();
  const { actions } = JSON.parse(await exportText(page)) as { actions: { name: string; keys: { code: string; value: unknown }[] }[] };
  const keysOf = (name: string) => Object.fromEntries(actions.find((action) => action.name === name)!.keys.map(({ code, value }) => [code, value]));
  expect(keysOf("lean")).toEqual({ KeyU: 1, KeyI: -1, KeyD: 1, KeyA: -1 });
  expect(keysOf("go")).toEqual({ KeyT: [0, 1], KeyG: [0, -1], KeyH: [1, 0], ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] });
  await page.getByRole("link", { name: "Actions" }).click();
  await page.locator('[data-action="lean"]').click({ position: { x: 60, y: 36 } });
  const rise = page.getByRole("textbox", { name: "rise" });
  await rise.fill("300");
  await rise.press("Enter");
  await page.locator('[data-wire="hardware keys 0 lean"]').dispatchEvent("click");
  const hint = page.getByRole("group", { name: "A short press" });
  await expect(hint).toContainText("gives only 6 % of the value, because lean rises in 300 ms");
  await hint.getByRole("button", { name: "Set rise to 0 ms" }).click();
  await expect(hint).toHaveCount(0);
});

test("deleting says what went, by name, and brings it back", async ({ page }) => {
  await open(page);
  await control(page, "log").click();
  await page.keyboard.press("Delete");
  await notice(page, "“log book” is deleted.");
  await page.getByRole("button", { name: "Restore" }).click();
  await expect(control(page, "log")).toBeVisible();
});

test("a cluster of which nothing shows in a moment is not on the glass; held either way, the bench stays as it is", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await control(page, "horn").click();
  await control(page, "towline").click({ modifiers: ["Shift"] });
  await page.keyboard.press("u");
  await expect(control(page, "cluster")).toBeVisible();
  await page.getByLabel("Moment shown").selectOption({ label: "Log open" });
  await expect(control(page, "cluster")).toHaveCount(0);
  await page.keyboard.press("Escape");
  await expect(page.locator('[data-bench="wide"]')).toBeVisible();
  await region(page, "Layout").getByLabel("Orientation").selectOption("both");
  await expect(page.locator('[data-bench="wide"]')).toBeVisible();
  await expect(page.getByTestId("bench-screen")).toHaveText("Tall phone 20:9, notch, landscape");
  await openLayout(page, "Pigeonhole");
  await region(page, "Layout").getByLabel("Orientation").selectOption("both");
  await expect(page.locator('[data-bench="tall"]')).toBeVisible();
});

test("a view left in the middle of a drag keeps nothing of it and saves nothing", async ({ page }) => {
  await open(page);
  await saved(page);
  const before = await placeOf(page, "horn");
  const from = await middle(visual(page, "horn"));
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(from.x - 120, from.y - 40, { steps: 6 });
  expect((await placeOf(page, "horn")).x).toBeLessThan(before.x - 100);
  await page.keyboard.press("4");
  await expect(page).toHaveURL(/\/screens$/);
  await page.mouse.up();
  await expect(page.getByRole("button", { name: "Undo", exact: true })).toBeDisabled();
  await page.keyboard.press("2");
  await expect(glass(page)).toBeVisible();
  expect((await placeOf(page, "horn")).x).toBeCloseTo(before.x, 3);
  await page.reload();
  await expect(control(page, "horn")).toBeVisible();
  expect((await placeOf(page, "horn")).x).toBeCloseTo(before.x, 3);
});

test("keys for views that come faster than a view is drawn: the last one counts, back and there again", async ({ page }) => {
  await open(page, "/handoff");
  await expect(page.getByLabel("Files to import")).toBeAttached();
  // In one task: nothing is drawn between them.
  await page.evaluate(() => {
    for (const key of ["2", "4", "5"]) document.body.dispatchEvent(new KeyboardEvent("keydown", { key, code: `Digit${key}`, bubbles: true }));
  });
  expect(new URL(page.url()).pathname).toBe("/handoff");
  await page.goBack();
  await expect(page.getByRole("region", { name: "Import" })).toBeHidden();
  expect(new URL(page.url()).pathname).toBe("/screens");
});

test("Rename begins with the name chosen, and Enter makes it", async ({ page }) => {
  await open(page);
  await fromMenu(page, "Rename…");
  await expect(page.getByRole("dialog", { name: "Rename the layout" }).getByLabel("Name")).toBeFocused();
  await page.keyboard.type("Low water");
  await page.keyboard.press("Enter");
  await expect(page.getByRole("button", { name: "Layouts; open: Low water" })).toBeVisible();
});

test(
  "mouse buttons: a chord gives both, one let go outside the glass is let go, and the mouse still moves under another button",
  { tag: "@storm" },
  async ({ page }) => {
    await open(page, "/actions");
    await startLayout(page, "Mouse");
    await addAction(page, "aim", "press");
    await addAction(page, "turn", "motion");
    for (const [name, input] of [
      ["aim", "right"],
      ["turn", "movement"],
    ]) {
      await page
        .getByRole("button", { name: `Bind a key, mouse or pad input to ${name}` })
        .first()
        .click();
      await page.getByRole("group", { name: "Mouse" }).getByRole("button", { name: input }).click();
    }
    await page.keyboard.press("2");
    await dragFromLedger(page, "aim", 0.2, 0.7);
    await page.keyboard.press("3");
    const stage = (await page.getByTestId("play-glass").boundingBox())!;
    const value = (name: string) => page.getByTestId(`value-${name}`);
    await page.mouse.move(stage.x + stage.width / 2, stage.y + stage.height / 2);
    await page.mouse.down({ button: "left" });
    await page.mouse.down({ button: "right" });
    await expect(value("aim")).toHaveText("true");
    await page.mouse.up({ button: "right" });
    await expect(value("aim")).toHaveText("false");
    await page.mouse.up({ button: "left" });
    await page.mouse.down({ button: "right" });
    await expect(value("aim")).toHaveText("true");
    await page.mouse.move(stage.x + stage.width / 2, stage.y - 60, { steps: 4 });
    await page.mouse.up({ button: "right" });
    await expect(value("aim")).toHaveText("false");
  },
);
