/** Placing: by hand and by number; tethers, spans, landing areas, snapping, aligning, order. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { expectTied, control, drag, middle, onGlass, open, placeOf, typeInto, visual, type Place, more, selectionBar } from "./bench";

const MM = 411 / 25.4;
const place = (page: Page) => page.getByRole("region", { name: "Place", exact: true });
const handle = (page: Page, of: string, key: string) => page.locator(`[data-handle="${key}"][data-of="${of}"] rect`).last();
const pick = (page: Page, id: string) => control(page, id).click({ position: { x: 12, y: 20 } });

/** Holds the button down at `from`, goes to `to` and stays there. */
async function hold(page: Page, from: Place, to: Place): Promise<void> {
  await page.mouse.move(from.x, from.y);
  await page.mouse.down();
  await page.mouse.move(to.x, to.y, { steps: 8 });
}

test("resized by a corner the proportion stays, with Shift it does not; by number the same", async ({ page }) => {
  await open(page);
  await pick(page, "horn");
  const before = await placeOf(page, "horn");
  const corner = await middle(handle(page, "horn", "nw"));
  await page.keyboard.down("Alt");
  await drag(page, corner, { x: corner.x - 24, y: corner.y - 4 });
  const grown = await placeOf(page, "horn");
  expect(grown.w).toBeGreaterThan(before.w + 30);
  expect(grown.w / grown.h).toBeCloseTo(before.w / before.h, 3);
  expect(grown.x + grown.w).toBeCloseTo(before.x + before.w, 1);
  await page.keyboard.down("Shift");
  const again = await middle(handle(page, "horn", "nw"));
  await drag(page, again, { x: again.x - 30, y: again.y });
  await page.keyboard.up("Shift");
  await page.keyboard.up("Alt");
  const free = await placeOf(page, "horn");
  expect(free.h).toBeCloseTo(grown.h, 1);
  expect(free.w).toBeGreaterThan(grown.w + 40);
  await typeInto(page, "Place", "Width", "12mm");
  await typeInto(page, "Place", "Height", "24/2 mm");
  const typed = await placeOf(page, "horn");
  expect(typed.w).toBeCloseTo(12 * MM, 3);
  expect(typed.h).toBeCloseTo(12 * MM, 3);
  await typeInto(page, "Place", "Width", "+3");
  expect((await placeOf(page, "horn")).w).toBeCloseTo(15 * MM, 3);
});

test("a tether's end: tied elsewhere nothing jumps; dropped with Shift the control comes along; other frames too", async ({ page }) => {
  await open(page);
  await pick(page, "horn");
  const before = await placeOf(page, "horn");
  const end = () => page.locator('[data-tether="horn"] circle');
  const glass = (await page.getByTestId("glass").boundingBox())!;
  const safeTop = { x: glass.x + (96 / 2400) * glass.width, y: glass.y };
  await drag(page, await middle(end()), { x: safeTop.x + 6, y: safeTop.y + 6 });
  await expectTied(page, "0,0", "safe");
  const anchored = await placeOf(page, "horn");
  for (const side of ["x", "y", "w", "h"] as const) expect(anchored[side]).toBeCloseTo(before[side], 2);
  // The corner of the whole screen lies next to that of the safe frame.
  await drag(page, await middle(end()), { x: glass.x + 2, y: glass.y + glass.height - 2 });
  await expectTied(page, "0,1", "screen");
  expect((await placeOf(page, "horn")).x).toBeCloseTo(before.x, 2);
  await page.keyboard.down("Shift");
  await drag(page, await middle(end()), { x: glass.x + 2, y: glass.y + 2 });
  await page.keyboard.up("Shift");
  const carried = await placeOf(page, "horn");
  expect(carried.x).toBeCloseTo(3 * MM, 1);
  expect(carried.y).toBeCloseTo(3 * MM, 1);
  await more(page, "Place");
  await place(page).getByRole("combobox", { name: "Pivot: the reference point of the control" }).selectOption("centre");
  expect((await placeOf(page, "horn")).x).toBeCloseTo(carried.x, 2);
  await expect(place(page).getByRole("textbox", { name: "From left" })).toHaveValue(/\d/);
});

test("a span's edges by hand and by number; a pin becomes one where it stands", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await page.locator('[data-control="lamp"]').click({ position: { x: 20, y: 20 } });
  const before = await placeOf(page, "lamp");
  const edge = await middle(handle(page, "lamp", "w"));
  await page.keyboard.down("Alt");
  await drag(page, edge, { x: edge.x + 40, y: edge.y });
  await page.keyboard.up("Alt");
  const narrowed = await placeOf(page, "lamp");
  expect(narrowed.x).toBeGreaterThan(before.x + 80);
  expect(narrowed.x + narrowed.w).toBeCloseTo(before.x + before.w, 1);
  const edges = page.getByRole("group", { name: "Edges of lamp" });
  await edges.getByRole("textbox", { name: "left edge: anchor" }).fill("50");
  await page.keyboard.press("Enter");
  expect((await placeOf(page, "lamp")).x).toBeCloseTo(narrowed.x, 1);
  await edges.getByRole("textbox", { name: "left edge: inset" }).fill("4mm");
  await page.keyboard.press("Enter");
  // The safe frame runs from 96 px; half of it and 4 mm more.
  expect((await placeOf(page, "lamp")).x).toBeCloseTo(96 + (2400 - 96) / 2 + 4 * MM, 1);
  await pick(page, "log");
  const log = await placeOf(page, "log");
  await place(page).getByLabel("Fit").selectOption("spans");
  await expect(page.getByRole("group", { name: "Edges of log" })).toBeVisible();
  expect((await placeOf(page, "log")).x).toBeCloseTo(log.x, 2);
});

test("the landing area is drawn as part of its stick and dragged by its edges; two share the screen at one gesture", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await page.keyboard.press("Shift+S");
  await page.mouse.click((await onGlass(page, 0.8, 0.7)).x, (await onGlass(page, 0.8, 0.7)).y);
  await expect(control(page, "stick")).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("Escape");
  const landing = (id: string) => page.locator(`[data-areas="${id}"] [data-area="landing"]`);
  const width = async (id: string) => Number(await landing(id).getAttribute("width"));
  await pick(page, "helm");
  const east = await middle(handle(page, "helm/landing", "e"));
  const was = await width("helm");
  await page.keyboard.down("Alt");
  await drag(page, east, { x: east.x - 60, y: east.y });
  await page.keyboard.up("Alt");
  expect(await width("helm")).toBeLessThan(was - 120);
  await pick(page, "stick");
  await control(page, "helm").click({ position: { x: 12, y: 20 }, modifiers: ["Shift"] });
  await page.getByRole("button", { name: "Split the screen between the two" }).click();
  // The two meet in the middle and leave the edge strips free.
  const left = Number(await landing("helm").getAttribute("x"));
  expect(left).toBeGreaterThan(0);
  expect(left + (await width("helm"))).toBeCloseTo(1200, 6);
  expect([await landing("stick").getAttribute("x"), await width("stick")]).toEqual(["1200", 1200 - left]);
  expect(Number(await landing("stick").getAttribute("height"))).toBeLessThan(1080);
});

test("snapping: an edge meets an edge, the guide says how far, and Alt lets go of it", async ({ page }) => {
  await open(page);
  const [horn, log] = [await placeOf(page, "horn"), await placeOf(page, "log")];
  const scale = (await page.getByTestId("glass").boundingBox())!.width / 2400;
  const from = await middle(visual(page, "horn"));
  // Three CSS px short of the line on which the top of log is.
  const to = { x: from.x - 60, y: from.y + (log.y - horn.y) * scale + 3 };
  await hold(page, from, to);
  await expect(page.locator('[data-guide="edge"], [data-guide="centre"], [data-guide="frame"]').first()).toBeAttached();
  await expect(page.getByTestId("guides")).toContainText("mm");
  const snapped = await placeOf(page, "horn");
  expect([log.y, log.y + log.h / 2 - snapped.h / 2, log.y + log.h - snapped.h].some((line) => Math.abs(snapped.y - line) < 0.01)).toBe(true);
  await page.keyboard.down("Alt");
  await page.mouse.move(to.x + 1, to.y);
  await page.mouse.move(to.x, to.y);
  await expect(page.getByTestId("guides")).toHaveCount(0);
  expect(Math.abs((await placeOf(page, "horn")).y - snapped.y)).toBeGreaterThan(0.5);
  await page.keyboard.up("Alt");
  await page.mouse.up();
});

test("gaps to neighbours are shown in mm while something moves", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  const from = await middle(visual(page, "horn"));
  await hold(page, from, { x: from.x - 10, y: from.y + 6 });
  await expect(page.getByTestId("gaps")).toContainText(/\d\.\d mm/);
  await page.keyboard.press("Escape");
  await page.mouse.up();
  await page.keyboard.press("n");
  await hold(page, from, { x: from.x - 10, y: from.y + 6 });
  await expect(page.getByTestId("gaps")).toHaveCount(0);
  await page.keyboard.press("Escape");
  await page.mouse.up();
});

test("several: aligned, spaced, mixed values, one number for all; order shown where areas lie on each other", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await pick(page, "horn");
  for (const id of ["towline", "pump"]) await control(page, id).click({ modifiers: ["Shift"] });
  await expect(place(page).getByRole("textbox", { name: "Width" })).toHaveAttribute("placeholder", "mixed");
  await selectionBar(page).getByRole("button", { name: "Align and space" }).click();
  await page.getByRole("menuitem", { name: "Align left" }).click();
  const lefts = await Promise.all(["horn", "towline", "pump"].map(async (id) => (await placeOf(page, id)).x));
  expect(Math.max(...lefts) - Math.min(...lefts)).toBeLessThan(0.01);
  await selectionBar(page).getByRole("button", { name: "Align and space" }).click();
  await page.getByRole("menuitem", { name: "Equal gaps down" }).click();
  const [a, b, c] = await Promise.all(["towline", "horn", "pump"].map((id) => placeOf(page, id)));
  expect(b.y - a.y - a.h).toBeCloseTo(c.y - b.y - b.h, 2);
  await typeInto(page, "Place", "Width", "10mm");
  await typeInto(page, "Place", "Height", "10mm");
  for (const id of ["horn", "towline", "pump"]) expect((await placeOf(page, id)).w).toBeCloseTo(10 * MM, 3);
  await page.keyboard.press("Escape");
  await control(page, "pump").click({ position: { x: 30, y: 52 } });
  const order = (id: string) => page.locator(`[data-testid="stack"] [data-of="${id}"]`).getAttribute("data-order");
  expect(Number(await order("pump"))).toBeLessThan(Number(await order("lamp")));
  await page.keyboard.press("Shift+BracketLeft");
  expect(Number(await order("pump"))).toBeGreaterThan(Number(await order("lamp")));
});

test("numbers are changed by dragging on them and by the arrow keys", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await pick(page, "horn");
  const field = place(page).getByRole("textbox", { name: "Width" });
  const before = Number(await field.inputValue());
  const at = await middle(field);
  await drag(page, at, { x: at.x + 41, y: at.y }, 12);
  await expect(field).toHaveValue(String(before + 10));
  await page.getByRole("button", { name: /^Undo: size horn/ }).click();
  await expect(field).toHaveValue(String(before));
  await field.click();
  await page.keyboard.press("ArrowUp");
  await page.keyboard.press("Shift+ArrowUp");
  await expect(field).toHaveValue(String(before + 11));
});

test("a picture frame is set, tied to, and drawn; a hit area has a size of its own", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await more(page, "Layout");
  const picture = page.getByRole("textbox", { name: "Picture frame, minimum aspect" });
  await expect(picture).toHaveAttribute("placeholder", "as the screen");
  await picture.fill("16/9");
  await picture.press("Enter");
  await expect.poll(async () => Number(await page.locator('[data-frame="picture"]').getAttribute("width"))).toBeCloseTo(1920, 3);
  await pick(page, "horn");
  const before = await placeOf(page, "horn");
  await place(page).getByRole("combobox", { name: "Frame" }).selectOption("picture");
  expect((await placeOf(page, "horn")).x).toBeCloseTo(before.x, 2);
  const touch = page.getByRole("region", { name: "Touch", exact: true });
  await more(page, "Touch");
  await touch.getByRole("checkbox", { name: "Separate size" }).check();
  await touch.getByRole("textbox", { name: "Width of the hit area" }).fill("20mm");
  await page.keyboard.press("Enter");
  await expect(touch).toContainText("20.0 × 10.5 mm");
  expect(Number(await page.locator('[data-areas="horn"] [data-area="hit"]').getAttribute("rx")) * 2).toBeCloseTo(20 * MM, 3);
  await touch.getByRole("checkbox", { name: "Separate size" }).uncheck();
  await expect(touch).toContainText("10.5 × 10.5 mm");
});

test("Enter with a tool in hand puts it down once, whatever has the focus; Escape in a list closes that alone", async ({ page }) => {
  await open(page);
  await page.getByRole("group", { name: "Palette" }).getByRole("button", { name: "Button" }).click();
  await page.keyboard.press("Enter");
  await expect(control(page, "button")).toHaveAttribute("aria-pressed", "true");
  await expect(page.getByRole("group", { name: "Palette" }).getByRole("button", { name: "Select" })).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("button", { name: /^Overlays/ }).click();
  await page.keyboard.press("Escape");
  await expect(page.getByRole("checkbox", { name: /^Hit areas/ })).toHaveCount(0);
  await expect(control(page, "button")).toHaveAttribute("aria-pressed", "true");
});
