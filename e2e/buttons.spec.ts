/** What is selected, worked on by buttons: copies of look and feel, locks, hiding, room to the neighbours; regions by F6; words in languages; the reading line. And all of it by fingers alone. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import {
  addAction,
  colourAt,
  control,
  drag,
  expectTied,
  exportText,
  figure,
  fromMenu,
  glass,
  middle,
  more,
  noViolationsInStorm,
  onGlass,
  open,
  placeOf,
  saved,
  selectionBar,
  typeInto,
  visual,
} from "./bench";
import { plainPng } from "../test/pictures";

const region = (page: Page, name: string) => page.getByRole("region", { name, exact: true });
const line = (page: Page) => page.getByTestId("reading-line");
const layoutNow = async (page: Page) => {
  const views = page.getByRole("navigation", { name: "Views" });
  await views.getByRole("link", { name: "Hand off" }).click();
  const layout = JSON.parse(await exportText(page)) as {
    controls: { id: string; look: Record<string, unknown>; feel: Record<string, unknown>; hit: Record<string, unknown> }[];
    workbench: { locked?: Record<string, string[]>; colour?: string };
  };
  await views.getByRole("link", { name: "Layout" }).click();
  return layout;
};

test("one control's look and feel are given to others by clicking them; of another kind that is refused", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await control(page, "pump").click();
  await typeInto(page, "Look", "Rotation", "30");
  await selectionBar(page).getByRole("button", { name: "Copy its look to others" }).click();
  await control(page, "horn").click();
  await control(page, "towline").click();
  await page.keyboard.press("Escape");
  await control(page, "horn").click();
  await region(page, "Feel").getByLabel("Press").selectOption("on a double tap");
  await selectionBar(page).getByRole("button", { name: "Copy its feel to others" }).click();
  await control(page, "towline").click();
  await control(page, "helm").click({ position: { x: 12, y: 20 } });
  await expect(page.getByText(/a stick cannot feel like a button; choose another button/)).toBeVisible();
  await page.keyboard.press("Escape");
  const { controls } = await layoutNow(page);
  const of = (id: string) => controls.find((c) => c.id === id)!;
  expect([of("horn").look.rotateDeg, of("towline").look.rotateDeg, of("log").look.rotateDeg ?? 0]).toEqual([30, 30, 0]);
  expect(of("horn").look.label).toBe("horn");
  expect(of("towline").feel.press).toBe("double");
});

test("what is locked stays under hand and key, and says so; unlocked it goes", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await control(page, "horn").click();
  const before = await placeOf(page, "horn");
  await selectionBar(page).getByRole("button", { name: "Lock: nothing" }).click();
  await page.getByRole("menuitemcheckbox", { name: "All" }).click();
  await page.keyboard.press("Escape");
  await expect(page.locator('[data-lock="horn"]')).toBeVisible();
  const at = await middle(visual(page, "horn"));
  await drag(page, at, { x: at.x - 60, y: at.y });
  expect((await placeOf(page, "horn")).x).toBeCloseTo(before.x, 2);
  await control(page, "horn").focus();
  await page.keyboard.press("Shift+ArrowLeft");
  await expect(page.getByText(/its position is locked/).first()).toBeVisible();
  expect((await placeOf(page, "horn")).x).toBeCloseTo(before.x, 2);
  expect((await layoutNow(page)).workbench.locked).toEqual({ horn: ["x", "y", "size"] });
  await control(page, "horn").click();
  await selectionBar(page)
    .getByRole("button", { name: /^Lock: horizontal position/ })
    .click();
  await page.getByRole("menuitemcheckbox", { name: "All" }).click();
  await page.keyboard.press("Escape");
  await control(page, "horn").focus();
  await page.keyboard.press("Shift+ArrowLeft");
  expect((await placeOf(page, "horn")).x).toBeLessThan(before.x - 50);
});

test("hidden for now it is gone from the bench alone; the file keeps it", async ({ page }) => {
  await open(page);
  await control(page, "horn").click();
  await selectionBar(page).getByRole("button", { name: "Hide temporarily" }).click();
  await expect(control(page, "horn")).toHaveCount(0);
  await expect(page.getByRole("button", { name: "Undo", exact: true })).toBeDisabled();
  expect((await layoutNow(page)).controls.some((c) => c.id === "horn")).toBe(true);
  await page.getByRole("button", { name: /1 hidden/ }).click();
  await expect(control(page, "horn")).toBeVisible();
});

test("room to the neighbours: hit areas grow until they would meet, it is said by how much, and nothing overlaps", async ({ page }) => {
  await open(page);
  await page.keyboard.press("Control+a");
  await selectionBar(page).getByRole("button", { name: "Grow hit areas" }).click();
  const said = page.getByText(
    /^Grown by \d+\.\d\d to \d+\.\d\d mm on every side, checked on \d+ screens\. \d+ % of the safe frame here belongs to no control\.$/,
  );
  await expect(said).toBeVisible();
  await expect(page.locator('[data-finding="touch/overlap"]')).toHaveCount(0);
  await page.keyboard.press("Escape");
  await control(page, "pause").click();
  const hit = await figure(page.locator('[data-areas="pause"] [data-area="hit"]'), "rx");
  expect(hit * 2).toBeGreaterThan((await placeOf(page, "pause")).w + 20);
  await page.getByRole("button", { name: /^Undo: room for/ }).click();
  expect(await figure(page.locator('[data-areas="pause"] [data-area="hit"]'), "rx")).toBeLessThan(hit);
});

test("F6 goes through the regions; the tray's first field is few stops away; figures and pictures light each other", async ({ page }) => {
  await open(page);
  await control(page, "helm").click({ position: { x: 12, y: 20 } });
  await page.getByRole("region", { name: "Ledger" }).getByRole("button").first().focus();
  const inRegion = () =>
    page.evaluate(() => document.activeElement?.closest("[data-region]")?.getAttribute("aria-label") ?? document.activeElement?.closest("header")?.tagName);
  const visited = [await inRegion()];
  for (let i = 0; i < 4; i += 1) {
    await page.keyboard.press("F6");
    visited.push(await inRegion());
  }
  expect(visited).toEqual(["Ledger", "Bench", "Rail", "Tray", "HEADER"]);
  await page.keyboard.press("Shift+F6");
  await expect(region(page, "Place").getByRole("textbox", { name: "Name" })).toBeFocused();
  // From the beginning of the page.
  await page.evaluate(() => (document.activeElement as HTMLElement).blur());
  await page
    .locator("header")
    .first()
    .evaluate((header) => {
      header.tabIndex = -1;
      header.focus();
    });
  let stops = 0;
  for (; stops < 20; stops += 1) {
    await page.keyboard.press("Tab");
    if (
      await region(page, "Place")
        .getByRole("textbox", { name: "Name" })
        .evaluate((e) => e === document.activeElement)
    )
      break;
  }
  expect(stops).toBeLessThanOrEqual(8);
  await region(page, "Feel").getByRole("textbox", { name: "Inner dead zone" }).focus();
  await expect(region(page, "Feel").getByRole("slider", { name: "Inner end of the dead zone" })).toHaveAttribute("data-lit", "true");
  await region(page, "Touch").getByRole("slider", { name: "Growth of the hit area" }).focus();
  await expect(region(page, "Touch").locator("[data-row][data-lit]")).toContainText("Grow");
});

test("the reading line says what is pointed at, with its figures as they change, and what a key has turned on", async ({ page }) => {
  await open(page);
  await control(page, "helm").click({ position: { x: 12, y: 20 } });
  await region(page, "Feel").getByText("Inner dead zone", { exact: true }).hover();
  await expect(line(page)).toContainText("Inner dead zone: the stick gives nothing below 12 % of its travel (1.5 mm).");
  const inner = region(page, "Feel").getByRole("textbox", { name: "Inner dead zone" });
  await inner.focus();
  await page.keyboard.press("ArrowUp");
  await expect(line(page)).toContainText("below 13 % of its travel");
  await expect(inner).toHaveAttribute("aria-description", /below 13 % of its travel \(1\.6 mm\)/);
  await inner.blur();
  await page.keyboard.press("g");
  await expect(line(page)).toContainText("Millimetre grid: shown.");
  await page.keyboard.press("g");
  await expect(line(page)).toContainText("Millimetre grid: hidden.");
  await page
    .getByRole("region", { name: "Rail" })
    .getByRole("button", { name: /Small phone/ })
    .hover();
  await expect(line(page)).toContainText(/Small phone 16:9: \d+\.\d inches, \d\.\d\d to 1, \d+ × \d+ mm\./);
});

test("words in other languages: shown by choice, kept in the file, and told where one does not fit", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await control(page, "horn").click();
  await more(page, "Look");
  const look = region(page, "Look");
  await look.getByRole("textbox", { name: "Language" }).fill("de");
  await page.keyboard.press("Enter");
  await look.getByRole("textbox", { name: "Word in German" }).fill("Nebelhornsignal, lang und laut");
  await page.keyboard.press("Enter");
  await expect(page.locator('[data-finding="look/overflow"]').first()).toContainText(/the word “Nebelhornsignal, lang und laut” \(de\) is too long for “horn”/);
  await look.getByRole("textbox", { name: "Word in German" }).fill("Horn");
  await page.keyboard.press("Enter");
  await expect(page.locator('[data-finding="look/overflow"]')).toHaveCount(0);
  await look.getByRole("textbox", { name: "Language" }).fill("not a tag");
  await page.keyboard.press("Enter");
  await expect(page.getByText(/language tag/)).toBeVisible();
  await page.getByLabel("Word language").selectOption("German");
  const { controls } = await layoutNow(page);
  expect(controls.find((c) => c.id === "horn")!.look.labels).toEqual({ de: "Horn" });
});

test("a plain colour behind the controls, and a screenshot of one moment alone; zoomed to what is selected", async ({ page }) => {
  await open(page);
  await page.getByRole("button", { name: /^Backdrop/ }).click();
  const dialogue = page.getByRole("dialog", { name: "Backdrop" });
  await dialogue.getByLabel("Picture").selectOption("a plain colour");
  await dialogue.getByLabel("Colour of the backdrop").fill("#c03020");
  await dialogue.getByLabel("Moment").selectOption("Alongside");
  await expect(dialogue).toContainText("same as every moment");
  await dialogue.getByLabel("Screenshot file").setInputFiles({ name: "quay.png", mimeType: "image/png", buffer: plainPng(40, 18, [20, 160, 40]) });
  await expect(dialogue.getByRole("img", { name: "quay.png" })).toBeVisible();
  await page.keyboard.press("Escape");
  const [x, y] = [0.5, 0.9];
  await expect.poll(async () => (await colourAt(page, x, y)).slice(0, 3)).toEqual([192, 48, 32]);
  await page.keyboard.press("j");
  await expect.poll(async () => (await colourAt(page, x, y)).slice(0, 3)).toEqual([20, 160, 40]);
  await page.keyboard.press("Shift+J");
  await expect.poll(async () => (await colourAt(page, x, y)).slice(0, 3)).toEqual([192, 48, 32]);
  await control(page, "pump").click();
  const before = (await visual(page, "pump").first().boundingBox())!;
  await page.keyboard.press("Shift+F");
  await expect.poll(async () => (await visual(page, "pump").first().boundingBox())!.width).toBeGreaterThan(before.width * 2);
  const room = (await page.getByTestId("bench-room").boundingBox())!;
  const now = (await visual(page, "pump").first().boundingBox())!;
  expect(Math.abs(now.x + now.width / 2 - room.x - room.width / 2)).toBeLessThan(2);
  expect(Math.abs(now.y + now.height / 2 - room.y - room.height / 2)).toBeLessThan(2);
});

test("the borders are dragged and moved by key, and remembered", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  const height = async () => (await page.getByRole("region", { name: "Tray" }).boundingBox())!.height;
  const before = await height();
  const border = page.getByRole("separator", { name: "Border of the tray" });
  const box = (await border.boundingBox())!;
  await drag(page, { x: box.x + 300, y: box.y + 3 }, { x: box.x + 300, y: box.y - 57 });
  expect((await height()) - before).toBeCloseTo(60, -1);
  await border.focus();
  await page.keyboard.press("ArrowDown");
  await page.keyboard.press("ArrowDown");
  await expect.poll(async () => (await height()) - before).toBeLessThan(45);
  const kept = await height();
  await page.reload();
  await saved(page);
  await expect.poll(height).toBeCloseTo(kept, 0);
  await page.getByRole("separator", { name: "Border of the tray" }).dblclick({ position: { x: 300, y: 3 } });
  await expect.poll(height).toBeCloseTo(before, 0);
});

test("in a narrow window three columns stand side by side and the rest is a click away; nothing is cut", async ({ page }) => {
  await page.setViewportSize({ width: 1024, height: 700 });
  await open(page);
  await control(page, "helm").click({ position: { x: 8, y: 14 } });
  const names = page.getByRole("group", { name: "Columns of the tray" });
  for (const [shown, not] of [
    ["Feel", "Serves"],
    ["Serves", "Touch"],
    ["Place", "Look"],
  ]) {
    await names.getByRole("button", { name: shown }).click();
    await expect(region(page, shown)).toBeVisible();
    await expect(region(page, not)).toHaveCount(0);
  }
  await noViolationsInStorm(page, "three columns");
});

test.describe("by fingers alone", () => {
  test.use({ hasTouch: true });
  test("a layout is made, placed, bound and mended", { tag: "@storm" }, async ({ page }) => {
    await open(page);
    const client = await page.context().newCDPSession(page);
    const touch = (type: "touchStart" | "touchMove" | "touchEnd", points: readonly { x: number; y: number }[]) =>
      client.send("Input.dispatchTouchEvent", { type, touchPoints: points.map((p) => ({ ...p, id: 1 })) });
    const swipe = async (from: { x: number; y: number }, to: { x: number; y: number }) => {
      await touch("touchStart", [from]);
      for (let i = 1; i <= 8; i += 1) await touch("touchMove", [{ x: from.x + ((to.x - from.x) * i) / 8, y: from.y + ((to.y - from.y) * i) / 8 }]);
      await touch("touchEnd", []);
    };
    await fromMenu(page, "New layout…");
    const dialogue = page.getByRole("dialog", { name: "New layout" });
    await dialogue.getByLabel("Name of the game").fill("Fingers");
    await dialogue.getByRole("button", { name: "Open on the bench" }).tap();
    await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Actions" }).tap();
    await addAction(page, "steer", "vector");
    await addAction(page, "fire", "press");
    await addAction(page, "duck", "press");
    await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Layout" }).tap();
    // Made: dragged from the ledger onto the glass.
    const row = (name: string) => page.getByRole("region", { name: "Ledger" }).locator(`[data-row="${name}"]`);
    await expect(row("steer")).toBeVisible();
    await swipe(await middle(row("steer")), await onGlass(page, 0.18, 0.65));
    await expect(control(page, "steer")).toBeVisible();
    await swipe(await middle(row("fire")), await onGlass(page, 0.85, 0.7));
    await expect(control(page, "fire")).toBeVisible();
    const empty = await onGlass(page, 0.5, 0.2);
    await page.touchscreen.tap(empty.x, empty.y);
    // Placed: by the palette with a tap, by hand, and tied by the small picture.
    await page.getByRole("group", { name: "Palette" }).getByRole("button", { name: "Button" }).tap();
    // The choice of the last one's kind has closed by then.
    await expect(page.getByRole("toolbar", { name: /^Kind of/ })).toHaveCount(0);
    const spot = await onGlass(page, 0.86, 0.66);
    await page.touchscreen.tap(spot.x, spot.y);
    await expect(control(page, "button")).toBeVisible();
    // Bound, on its card.
    await region(page, "Serves").getByLabel("Add an action").selectOption("duck");
    await expect(page.getByRole("region", { name: "Ledger" })).toContainText("all served");
    const picture = (await page.locator('[data-picture-of="Anchor"]').boundingBox())!;
    await page.touchscreen.tap(picture.x + picture.width / 2, picture.y + picture.height - 6);
    await expectTied(page, "0.5,1", "safe");
    // Mended: it overlaps the other button, and a move is offered.
    const offer = page.getByTestId("finding-line").getByRole("button", { name: /^Move \S+ \d+\.\d mm/ });
    await expect(offer).toBeEnabled();
    await offer.tap();
    await expect(page.locator('[data-finding="touch/overlap"]')).toHaveCount(0);
    // Several, without a key held: gathered into a cluster.
    await page.getByRole("group", { name: "Palette" }).getByRole("button", { name: "Multiple" }).tap();
    await visual(page, "fire").first().tap();
    await expect(selectionBar(page)).toContainText("2 selected");
    await selectionBar(page).getByRole("button", { name: "Make a cluster" }).tap();
    await expect(glass(page).getByRole("button", { name: /cluster of 2/ })).toBeVisible();
    await saved(page);
  });
});
