/** Seeing: overlays, zoom, true size, backdrops, keep-clear zones; and what the backdrop swallows. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { control, drag, exportText, middle, onGlass, open, placeOf, saved, visual } from "./bench";
import { plainPng } from "../test/pictures";

const glass = (page: Page) => page.getByTestId("glass");
const width = async (page: Page) => (await glass(page).boundingBox())!.width;

test("every overlay has a key, is drawn, and is remembered", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  const parts: [string, string][] = [
    ["h", '[data-area="hit"]'],
    ["l", '[data-area="landing"]'],
    ["z", '[data-area="travel"]'],
    ["s", '[data-frame="safe"]'],
    ["e", '[data-overlay="edges"]'],
    ["r", '[data-overlay="reach"]'],
    ["g", '[data-overlay="grid"]'],
  ];
  for (const [key, part] of parts) {
    const before = await page.locator(part).count();
    await page.keyboard.press(key);
    await expect.poll(async () => (await page.locator(part).count()) > 0).toBe(before === 0);
  }
  await page.keyboard.press("k");
  await expect(page.getByRole("button", { name: /keep-clear zone/ })).toHaveCount(0);
  // The reach is of the grip in use, at its own millimetres.
  expect(Number(await page.locator('[data-overlay="reach"] circle').first().getAttribute("r"))).toBeCloseTo((48 * 411) / 25.4, 3);
  await page.reload();
  await expect(page.locator('[data-overlay="grid"]')).toHaveCount(1);
  await expect(page.locator('[data-area="hit"]')).toHaveCount(0);
  await page.getByRole("button", { name: /^Overlays/ }).click();
  await page.getByRole("checkbox", { name: /^Hit areas/ }).check();
  expect(await page.locator('[data-area="hit"]').count()).toBeGreaterThan(3);
});

test("zoom about the pointer, push, fit; true size by a bank card, remembered", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  const fit = await width(page);
  const target = await middle(visual(page, "horn"));
  await page.mouse.move(target.x, target.y);
  await page.keyboard.down("Control");
  for (let i = 0; i < 4; i += 1) await page.mouse.wheel(0, -120);
  await page.keyboard.up("Control");
  await expect.poll(() => width(page)).toBeGreaterThan(fit * 1.2);
  const still = await middle(visual(page, "horn"));
  expect(Math.hypot(still.x - target.x, still.y - target.y)).toBeLessThan(4);
  await page.mouse.wheel(0, 60);
  await expect.poll(async () => (await middle(visual(page, "horn"))).y).toBeLessThan(still.y - 40);
  await page.keyboard.press("+");
  await page.keyboard.press("f");
  await expect.poll(() => width(page)).toBeCloseTo(fit, 0);
  await page.keyboard.press("t");
  await page.getByRole("button", { name: "True size", exact: true }).click();
  const dialogue = page.getByRole("dialog", { name: "True size" });
  await dialogue.getByLabel(/pixels per inch/).fill("127");
  await dialogue.getByRole("button", { name: "Apply" }).click();
  // 127 px an inch are 5 px a mm: the card is then 428 px wide, and the phone 148.3 mm.
  expect((await dialogue.getByTestId("card").boundingBox())!.width).toBeCloseTo(428, 0);
  await dialogue.getByRole("button", { name: "Same size" }).click();
  expect(await width(page)).toBeCloseTo((2400 / 411) * 25.4 * 5, 0);
  await page.reload();
  await page.getByRole("button", { name: "True size", exact: true }).click();
  await expect(page.getByRole("dialog")).toHaveCount(0);
  await expect.poll(() => width(page)).toBeCloseTo((2400 / 411) * 25.4 * 5, 0);
});

test("a screenshot behind the controls: taken, fitted, dimmed, kept in the file; and what it swallows is found", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await page.getByRole("button", { name: /^Backdrop/ }).click();
  const dialogue = page.getByRole("dialog", { name: "Backdrop" });
  const input = dialogue.getByLabel("Screenshot file");
  await input.setInputFiles({ name: "notes.txt", mimeType: "text/plain", buffer: Buffer.from("no picture") });
  await expect(dialogue.getByRole("alert")).toContainText("choose one of PNG, WebP, JPEG");
  await input.setInputFiles({ name: "broken.png", mimeType: "image/png", buffer: Buffer.from("no picture either") });
  await expect(dialogue.getByRole("alert")).toContainText("is damaged");
  await input.setInputFiles({ name: "huge.png", mimeType: "image/png", buffer: Buffer.alloc(4.5 * 1024 * 1024) });
  await expect(dialogue.getByRole("alert")).toContainText("4.5 MiB; at most 4.0 MiB");
  // As light as the controls' own lines: they are lost on it.
  await input.setInputFiles({ name: "fog.png", mimeType: "image/png", buffer: plainPng(40, 18, [120, 124, 126]) });
  await expect(dialogue.getByRole("img", { name: "fog.png" })).toBeVisible();
  await dialogue.getByLabel("Fit").selectOption("fit");
  await page.keyboard.press("Escape");
  await control(page, "pump").click();
  await expect(page.getByTestId("finding-line")).toContainText(/stands out from its backdrop at rest by only \d\.\d:1/);
  await expect(page.locator('[data-finding="look/faint"]').first()).toBeVisible();
  const white = page.getByRole("region", { name: "Look" }).getByLabel("rest: line");
  await white.fill("#000000");
  await page.getByRole("region", { name: "Look" }).getByLabel("rest: fill").fill("#000000");
  const opacity = page.getByRole("region", { name: "Look" }).getByRole("textbox", { name: "rest: opacity" });
  await opacity.fill("95");
  await opacity.press("Enter");
  await expect(page.locator('[data-finding="look/faint"]')).toHaveCount(0);
  await saved(page);
  await page.keyboard.press("5");
  const file = JSON.parse(await exportText(page)) as { workbench: { picture: { name: string; type: string }; fit: string } };
  expect(file.workbench).toMatchObject({ picture: { name: "fog.png", type: "image/png" }, fit: "fit" });
  await page.keyboard.press("2");
  await expect(page).toHaveURL(/layout$/);
  await page.reload();
  await expect(page.getByRole("button", { name: "Backdrop: fog.png" })).toBeVisible();
});

test("a keep-clear zone is drawn, named, takes taps or not, and what lies on it is found", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  await page.keyboard.press("Shift+K");
  await drag(page, await onGlass(page, 0.78, 0.56), await onGlass(page, 0.86, 0.72));
  await expect(control(page, "keep-clear")).toHaveAttribute("aria-pressed", "true");
  await page.getByRole("textbox", { name: "Name", exact: true }).fill("Depth sounder");
  await page.keyboard.press("Enter");
  await page.getByLabel("the game takes taps here").check();
  await expect(control(page, "keep-clear")).toHaveAttribute("aria-label", /Depth sounder, keep-clear zone, right, takes taps/);
  await expect(page.locator('[data-finding="touch/steals"], [data-finding="view/covered"]').first()).toBeVisible();
  const before = await placeOf(page, "keep-clear");
  await control(page, "keep-clear").focus();
  await page.keyboard.press("Shift+ArrowRight");
  expect((await placeOf(page, "keep-clear")).x).toBeGreaterThan(before.x + 70);
  await page.keyboard.press("Delete");
  await expect(control(page, "keep-clear")).toHaveCount(0);
});

test("as a left-handed player, and small: mirrored and scaled, and a drag goes where the hand goes", { tag: "@storm" }, async ({ page }) => {
  await open(page);
  const [right, log] = [await placeOf(page, "horn"), await placeOf(page, "log")];
  await page.keyboard.press("m");
  await expect(page.getByTestId("player-in-view")).toContainText("left-handed");
  const left = await placeOf(page, "horn");
  expect(left.x).toBeLessThan(1000);
  expect(left.y).toBeCloseTo(right.y, 3);
  const from = await middle(visual(page, "horn"));
  await page.keyboard.down("Alt");
  await drag(page, from, { x: from.x + 50, y: from.y - 20 });
  await page.keyboard.up("Alt");
  const scale = (await width(page)) / 2400;
  expect(((await placeOf(page, "horn")).x - left.x) * scale).toBeCloseTo(50, 0);
  await page.keyboard.press("m");
  // For the right hand it went the other way.
  expect(((await placeOf(page, "horn")).x - right.x) * scale).toBeCloseTo(-50, 0);
  await page.keyboard.press("Comma");
  expect((await placeOf(page, "log")).w).toBeCloseTo(log.w * 0.8, 3);
  await page.keyboard.press("Period");
  await page.keyboard.press("Period");
  expect((await placeOf(page, "log")).w).toBeCloseTo(log.w * 1.3, 3);
  await page.keyboard.press("j");
  await expect(page.getByLabel("Moment shown")).toHaveValue("alongside");
});
