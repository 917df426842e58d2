import { expect } from "@playwright/test";
import { test } from "./test";
import {
  expectTied,
  addAction,
  control,
  drag,
  dragFromLedger,
  exportText,
  figure,
  fromMenu,
  glass,
  middle,
  onGlass,
  open,
  placeOf,
  saved,
  typeInto,
  visual,
} from "./bench";

test("from an empty layout to a played, checked and exported one", async ({ page }) => {
  await open(page);
  await expect(page.getByRole("button", { name: "Layouts; open: Brackwater" })).toBeVisible();
  await expect(control(page, "helm")).toBeVisible();

  // your own layout, from nothing.
  await fromMenu(page, "New layout…");
  const dialogue = page.getByRole("dialog", { name: "New layout" });
  await dialogue.getByLabel("Name of the game").fill("Dry dock");
  await dialogue.getByRole("button", { name: /^more/ }).click();
  await dialogue.getByRole("button", { name: "Landscape, 1280 × 720" }).click();
  const keeps = dialogue.getByRole("slider");
  await keeps.press("Home");
  for (let i = 0; i < 10; i += 1) await keeps.press("ArrowRight");
  await dialogue.getByRole("button", { name: "Open on the bench" }).click();
  await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Actions" }).click();

  await addAction(page, "helm", "vector");
  await addAction(page, "towline", "press");
  await addAction(page, "horn", "press");
  // One key of the four brings the others.
  await page.getByRole("button", { name: "Bind a key, mouse or pad input to helm" }).click();
  await page.keyboard.press("KeyA");
  await expect(page.getByRole("list", { name: "Keys, mouse and pads" }).getByRole("listitem")).toHaveCount(4);
  await expect(page.locator("[data-action]").getByText("no touch control")).toHaveCount(3);

  // Controls grow on the glass.
  await page.getByLabel("Name of the new action").blur();
  await page.keyboard.press("2");
  await expect(page).toHaveURL(/\/layout$/);
  await expect(page.getByText("Drag an action from the ledger onto the glass")).toBeVisible();
  await dragFromLedger(page, "helm", 0.16, 0.68);
  await expect(control(page, "helm")).toHaveAttribute("aria-label", "helm, stick, bottom left, serves helm");
  await expectTied(page, "0,1", "safe");
  await dragFromLedger(page, "horn", 0.92, 0.8);
  await expect(control(page, "horn")).toHaveAttribute("aria-label", "horn, button, bottom right, serves horn");
  await expectTied(page, "1,1", "safe");
  await dragFromLedger(page, "towline", 0.8, 0.6);
  await expect(page.getByRole("region", { name: "Ledger" })).toContainText("all served");

  // Moved and resized by hand, then by number.
  const before = await middle(visual(page, "towline"));
  await drag(page, before, await onGlass(page, 0.42, 0.8));
  const after = await middle(visual(page, "towline"));
  expect(after.x).toBeLessThan(before.x - 200);
  const corner = (await visual(page, "towline").boundingBox())!;
  await drag(page, await middle(page.locator('[data-handle="se"] rect').last()), { x: corner.x + corner.width * 1.4, y: corner.y + corner.height * 1.4 });
  const grown = (await visual(page, "towline").boundingBox())!;
  expect(grown.width / corner.width).toBeGreaterThan(1.2);
  await typeInto(page, "Place", "Width", "130");
  await typeInto(page, "Place", "Height", "130u");
  await typeInto(page, "Place", "From bottom", "60");
  const sized = await placeOf(page, "towline");
  expect(sized.w).toBeCloseTo(sized.h, 6);

  // Tied elsewhere by its tether; it does not jump.
  await expectTied(page, "0.5,1", "safe");
  const stood = await placeOf(page, "towline");
  await drag(page, await middle(page.locator('[data-tether="towline"] path')), await onGlass(page, 0.045, 0.95), 12);
  await expectTied(page, "0,1", "safe");
  const stands = await placeOf(page, "towline");
  expect(Math.abs(stands.x - stood.x)).toBeLessThan(1e-3);
  expect(Math.abs(stands.y - stood.y)).toBeLessThan(1e-3);
  await typeInto(page, "Place", "From left", "620");

  await control(page, "horn").click();
  await typeInto(page, "Place", "From right", "60");
  await typeInto(page, "Place", "From bottom", "70");

  // Dead zone, travel and growth, each drawn on the glass.
  await control(page, "helm").click();
  const rings = page.locator('[data-areas="helm"]');
  const travel = await figure(rings.locator('[data-area="travel"] > circle').first(), "r");
  await typeInto(page, "Feel", "Inner dead zone", "0.2");
  await typeInto(page, "Feel", "Outer dead zone", "0.9");
  expect(await figure(rings.locator('[data-ring="inner"]'), "r")).toBeCloseTo(travel * 0.2, 3);
  expect(await figure(rings.locator('[data-ring="outer"]'), "r")).toBeCloseTo(travel * 0.9, 3);
  await typeInto(page, "Feel", "Travel", "40%min");
  expect(await figure(rings.locator('[data-area="travel"] > circle').first(), "r")).toBeCloseTo(travel * 0.8, 3);
  const hit = rings.locator('[data-area="hit"]');
  const width = await figure(hit, "rx");
  await typeInto(page, "Touch", "Grow", "2mm");
  expect(await figure(hit, "rx")).toBeCloseTo(width + (2 * 411) / 25.4, 2);

  // Played by mouse and by key. The pointer rests beside the glass: over it, the line reads what is under it.
  await page.keyboard.press("Escape");
  await page.mouse.move(2, 2);
  await page.keyboard.press("3");
  const play = page.getByTestId("play-glass");
  // Arriving leaves the keys to the window; a click gives them to the game.
  await expect(page.getByTestId("reading-line")).toContainText("Click the glass or press Enter");
  await expect(play).not.toBeFocused();
  const value = page.getByTestId("value-helm");
  await expect(value).toHaveText("0.00, 0.00");
  const surface = (await play.boundingBox())!;
  const scale = surface.width / 2400;
  const knob = await page.evaluate(() => document.querySelector("canvas")!.getBoundingClientRect().toJSON() as { x: number; y: number });
  const stick = { x: knob.x + 0.16 * surface.width, y: knob.y + 0.68 * surface.height };
  await page.mouse.move(stick.x, stick.y);
  await page.mouse.down();
  await page.mouse.move(stick.x + 300 * scale, stick.y, { steps: 5 });
  await expect(value).toHaveText(/^(1\.00|0\.9\d), /);
  await page.mouse.up();
  await expect(value).toHaveText("0.00, 0.00");
  await page.keyboard.down("KeyW");
  await expect(value).toHaveText("0.00, 1.00");
  await page.keyboard.up("KeyW");
  await expect(value).toHaveText("0.00, 0.00");
  await page.keyboard.down("Escape");
  await expect(play).not.toBeFocused();
  await page.keyboard.up("Escape");

  // Eight screens at once; the two buttons collide on the smallest.
  await page.keyboard.press("2");
  const rail = page.getByRole("region", { name: "Rail" });
  await expect(rail.getByRole("listitem")).toHaveCount(8);
  const small = rail.getByRole("listitem").filter({ hasText: "Small 4:3, 3.5 inches" });
  await expect(small).toContainText("1 blocker");
  for (const other of ["Tall phone 20:9, notch", "Small phone 16:9", "Handheld 16:9, 6.2 inches"])
    await expect(rail.getByRole("listitem").filter({ hasText: other })).not.toContainText("blocker");
  await small.getByRole("button").click();
  await expect(page.getByTestId("bench-screen")).toHaveText("Small 4:3, 3.5 inches");
  const findings = page.getByRole("region", { name: "Findings on this screen" });
  await expect(findings).toContainText("“horn” and “towline” overlap");
  await findings.getByRole("button", { name: /overlap/ }).click();
  await expect(control(page, "towline")).toHaveAttribute("aria-pressed", "true");
  await page.keyboard.press("Escape");
  const crowded = await middle(visual(page, "towline"));
  await drag(page, crowded, { x: crowded.x - 10, y: crowded.y - (await glass(page).boundingBox())!.height * 0.34 });
  await expect(small).toContainText("no findings");

  // Out, gone, in again: the same bytes.
  await page.keyboard.press("Escape");
  await page.keyboard.press("5");
  await saved(page);
  const exported = await exportText(page);
  expect(JSON.parse(exported)).toMatchObject({ name: "Dry dock", reference: { width: 1280, height: 720 }, scale: { share: 0.1 } });
  await fromMenu(page, "Delete");
  await expect(page.getByText("“Dry dock” deleted.")).toBeVisible();
  await expect(page.getByRole("button", { name: "Layouts; open: Dry dock" })).toHaveCount(0);
  await page.getByLabel("Files to import").setInputFiles({ name: "dry-dock.nodulum.json", mimeType: "application/json", buffer: Buffer.from(exported) });
  await expect(page.getByRole("button", { name: "Layouts; open: Dry dock" })).toBeVisible();
  // What comes in is opened on the bench; only then is there a way back to the counter.
  await expect(page).toHaveURL(/\/layout$/);
  await page.getByRole("link", { name: /Hand off/ }).click();
  expect(await exportText(page)).toBe(exported);
});
