/** The runtime at a desk: the mouse is a mouse while no controls are seen, and a finger on them while they are. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { frames, gameBody, LAYOUT, openGame, played, ready } from "./gamePage";

test.use({ viewport: { width: 900, height: 420 } });

/* eslint-disable @typescript-eslint/no-explicit-any -- what the page has under its names is its own */
const values = (page: Page) => page.evaluate(() => ["leap", "bleat", "fire"].map((word) => (window as any).handle.value(word)));
const SHOOTING = { ...LAYOUT, actions: [...LAYOUT.actions, { name: "fire", kind: "press", mouse: [{ button: 0 }] }] };

test("unseen controls leave the mouse to the game's own bindings; seen ones are pressed by it, and elsewhere it is a mouse still", async ({ page }) => {
  await openGame(page, gameBody(`ppi: 120`), { "/quay.played.json": played(SHOOTING) });
  await ready(page);
  const leap = await page.evaluate(() => {
    const { visual } = (window as any).handle.controls().find((c: any) => c.id === "leap");
    return { x: visual.x + visual.w / 2, y: visual.y + visual.h / 2 };
  });
  const during = async (press: () => Promise<void>, release: () => Promise<void>) => {
    await press();
    await page.mouse.move(3, 3);
    await frames(page);
    const found = await values(page);
    await release();
    await frames(page);
    expect(await values(page)).toEqual([false, false, false]);
    return found;
  };
  const pressAt = (x: number, y: number, button: "left" | "right") => async () => {
    await page.mouse.move(x, y);
    await page.mouse.down({ button });
  };
  // Nothing is seen: the main button is the game's, wherever it is, and the second one is bound.
  expect(await during(pressAt(leap.x, leap.y, "left"), () => page.mouse.up())).toEqual([false, false, true]);
  expect(await during(pressAt(450, 300, "right"), () => page.mouse.up({ button: "right" }))).toEqual([true, false, false]);
  // Seen: on a control it is a finger, and next to them a mouse; both buttons at once are both.
  await page.evaluate(() => void ((window as any).handle.appear = "always"));
  await page.mouse.move(leap.x, leap.y);
  await page.mouse.down();
  await frames(page);
  expect(await values(page)).toEqual([true, false, false]);
  await page.mouse.up();
  await page.mouse.move(300, 120);
  await page.mouse.down();
  await page.mouse.move(310, 125);
  await page.mouse.down({ button: "right" });
  await frames(page);
  expect(await values(page)).toEqual([true, false, true]);
  await page.mouse.up({ button: "right" });
  await page.mouse.up();
  await frames(page);
  expect(await values(page)).toEqual([false, false, false]);
});
