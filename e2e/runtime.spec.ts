/** The web runtime as it is built, in pages of games, by real touches. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { frames, gameBody, Hand, LAYOUT, openGame, played, ready } from "./gamePage";

test.use({ viewport: { width: 900, height: 420 }, hasTouch: true, isMobile: true });

/* eslint-disable @typescript-eslint/no-explicit-any -- what the page has under these names is the package's own */
const on = <T>(page: Page, work: (handle: any) => T): Promise<T> => page.evaluate(`(${work.toString()})(window.handle)`);
const value = (page: Page, name: string) => page.evaluate((word) => (window as any).handle.value(word), name);
/** The middle of a control, CSS px of the window. */
const middleOf = (page: Page, id: string): Promise<{ x: number; y: number }> =>
  page.evaluate((one) => {
    const { visual } = (window as any).handle.controls().find((c: any) => c.id === one);
    const box = document.querySelector("#game")!.getBoundingClientRect();
    return { x: box.left + visual.x + visual.w / 2, y: box.top + visual.y + visual.h / 2 };
  }, id);
/** So long that two pictures have been made, and every tick until then. */

test("two thumbs at once: a stick and a button by their words, edges, angle and strength; controls for games that draw themselves", async ({ page }) => {
  await openGame(page, gameBody(`appear: "always"`));
  await ready(page);
  const hand = await Hand.of(page);
  const [walk, leap] = [await middleOf(page, "walk"), await middleOf(page, "leap")];
  await hand.down(1, walk.x, walk.y);
  await hand.move(1, walk.x + 60, walk.y - 60);
  await hand.down(2, leap.x, leap.y);
  await frames(page);
  const [x, y] = (await value(page, "walk")) as [number, number];
  expect([x, y].map((n) => n.toFixed(3))).toEqual(["0.707", "0.707"]);
  expect(await on(page, (h) => [h.angle("walk"), h.magnitude("walk"), h.value("leap"), h.magnitude("leap")])).toEqual([
    expect.closeTo(45, 3),
    expect.closeTo(1, 6),
    true,
    1,
  ]);
  const shown = await on(page, (h) => h.controls().map((c: any) => [c.id, c.held, c.knob.x > c.base.x, c.knob.y < c.base.y]));
  expect(shown).toContainEqual(["walk", true, true, true]);
  expect(shown).toContainEqual(["leap", true, false, false]);
  // Each press rose and fell once, at a tick.
  await hand.up(2);
  await hand.up(1);
  await frames(page);
  expect(await value(page, "walk")).toEqual([0, 0]);
  const edges = await page.evaluate(() =>
    (window as any).ticks
      .filter((tick: any, i: number, all: any[]) => i > 0 && tick.values.leap !== all[i - 1].values.leap)
      .map((tick: any) => tick.values.leap),
  );
  expect(edges).toEqual([true, false]);
  // A motion is reported once, in mm at this size of the glass: 160 CSS px an inch.
  const look = await middleOf(page, "look");
  await hand.down(3, look.x, look.y);
  await hand.move(3, look.x + 63, look.y);
  await hand.up(3);
  await frames(page);
  const moved = await page.evaluate(() => (window as any).ticks.reduce((sum: number, tick: any) => sum + tick.values.look[0], 0));
  expect(moved).toBeCloseTo((63 / 160) * 25.4, 4);
});

test("a game's own loop steps by itself: rose and fell are told for one step, and a tap between two steps is not lost", async ({ page }) => {
  await openGame(page, gameBody(`appear: "always", loop: "game"`));
  await ready(page);
  const hand = await Hand.of(page);
  const leap = await middleOf(page, "leap");
  // What came between two steps is reported at the next, once.
  const steps = (count: number) =>
    page.evaluate(async (n) => {
      const { handle } = window as any;
      const seen: { rose: boolean; fell: boolean; held: boolean }[] = [];
      for (let i = 0; i < n; i += 1) {
        await new Promise((done) => requestAnimationFrame(done));
        handle.step();
        seen.push({ rose: handle.justPressed("leap"), fell: handle.justReleased("leap"), held: handle.value("leap") });
      }
      return seen;
    }, count);
  const before = await steps(2);
  await hand.down(1, leap.x, leap.y);
  await hand.up(1);
  const seen = [...before, ...(await steps(8))];
  expect(seen.filter((one) => one.rose)).toHaveLength(1);
  expect(seen.filter((one) => one.fell)).toHaveLength(1);
  expect(seen.findIndex((one) => one.rose)).toBeLessThanOrEqual(seen.findIndex((one) => one.fell));
  expect(seen.at(-1)).toEqual({ rose: false, fell: false, held: false });
});

const MENU = `<div id="menu" style="position:fixed;left:300px;top:260px"><button id="start">start</button></div>`;
/** A button of the game's own inside the element that controls are over. */
const INSIDE = gameBody(`appear: "always"`).replace(
  `<canvas id="game"></canvas>`,
  `<div id="game" style="position:fixed;inset:0"><button id="below" style="position:absolute;left:20px;top:20px">below</button></div>${MENU}`,
);

test("what no control takes goes to the game: menus below and above keep working, and what a control takes reaches nobody else", async ({ page }) => {
  await openGame(page, INSIDE);
  await ready(page);
  await page.evaluate(() => {
    const heard: string[] = ((window as any).heard = []);
    for (const type of ["pointerdown", "touchstart", "mousedown", "click"])
      document.addEventListener(type, (e) => heard.push(`${type} ${(e.target as Element).id}`));
  });
  const heard = () => page.evaluate(() => (window as any).heard.splice(0) as string[]);
  await page.touchscreen.tap(30, 30);
  expect(await heard()).toContain("click below");
  await page.touchscreen.tap(310, 270);
  expect(await heard()).toContain("click start");
  await page.touchscreen.tap(250, 200);
  expect(await heard()).toContain("pointerdown game");
  const leap = await middleOf(page, "leap");
  await page.touchscreen.tap(leap.x, leap.y);
  await frames(page);
  expect(await heard()).toEqual([]);
  expect(await page.evaluate(() => (window as any).ticks.some((tick: any) => tick.values.leap))).toBe(true);
});

test("controls wait for a touch, which counts; a key sends them away, a touch brings them back; always and no-pad are as they say", async ({ page }) => {
  await openGame(page, gameBody());
  await ready(page);
  const seen = () => page.evaluate(() => Number((document.querySelector("canvas[aria-hidden]") as HTMLElement).style.opacity));
  await frames(page);
  expect(await seen()).toBe(0);
  const leap = await middleOf(page, "leap");
  const hand = await Hand.of(page);
  await hand.down(1, leap.x, leap.y);
  await frames(page);
  expect(await value(page, "leap")).toBe(true);
  await hand.up(1);
  await expect.poll(seen).toBe(1);
  await page.keyboard.press("KeyB");
  await expect.poll(seen).toBe(0);
  await hand.down(1, 450, 300);
  await hand.up(1);
  await expect.poll(seen).toBe(1);
  await on(page, (h) => void (h.appear = "always"));
  await page.keyboard.press("KeyB");
  await frames(page);
  expect(await seen()).toBe(1);
});

test("a phone turns, its window shrinks, a keyboard comes: what is held goes on being held, on the new screen", async ({ page }) => {
  await openGame(page, gameBody(`appear: "always"`));
  await ready(page);
  const hand = await Hand.of(page);
  const walk = await middleOf(page, "walk");
  await hand.down(1, walk.x, walk.y);
  await hand.move(1, walk.x + 50, walk.y);
  await frames(page);
  for (const [width, height] of [
    [420, 900],
    [900, 300],
    [700, 500],
  ] as const) {
    await page.setViewportSize({ width, height });
    await expect.poll(() => on(page, (h) => Math.round(h.screen.widthPx / devicePixelRatio))).toBe(width);
    await frames(page);
    expect(await on(page, (h) => h.controls().find((c: any) => c.id === "walk").held)).toBe(true);
    // Its millimetres stay, and it is at its corner.
    const at = await on(page, (h) => h.controls().find((c: any) => c.id === "walk").visual);
    expect(at.w).toBeCloseTo((26 / 25.4) * 160, 3);
    expect(at.y + at.h).toBeCloseTo(height - (8 / 25.4) * 160, 2);
  }
  await hand.up(1);
  await frames(page);
  expect(await value(page, "walk")).toEqual([0, 0]);
});

test("a lost window, a hidden page and a cancelled touch let go without firing; a held key too", async ({ page }) => {
  await openGame(page, gameBody(`appear: "always"`));
  await ready(page);
  const hand = await Hand.of(page);
  const leap = await middleOf(page, "leap");
  for (const lose of [
    () => page.evaluate(() => void dispatchEvent(new Event("blur"))),
    () =>
      page.evaluate(() => {
        Object.defineProperty(document, "hidden", { value: true, configurable: true });
        document.dispatchEvent(new Event("visibilitychange"));
        Object.defineProperty(document, "hidden", { value: false, configurable: true });
      }),
    () => hand.cancel(),
  ]) {
    await hand.down(1, leap.x, leap.y);
    await frames(page);
    expect(await value(page, "leap")).toBe(true);
    await lose();
    await frames(page);
    expect(await value(page, "leap")).toBe(false);
    await hand.cancel().catch(() => undefined);
  }
  await page.keyboard.down("KeyD");
  await frames(page);
  expect(await value(page, "walk")).toEqual([1, 0]);
  await page.evaluate(() => void dispatchEvent(new Event("blur")));
  await frames(page);
  expect(await value(page, "walk")).toEqual([0, 0]);
  await page.keyboard.up("KeyD");
});

test("moment, hand, language, show, off and on take hold while it plays; a word that is not there is told with the nearest", async ({ page }) => {
  await openGame(page, gameBody(`appear: "always", moment: "ashore", language: "de-AT"`));
  await ready(page);
  const ids = () => on(page, (h) => h.controls().map((c: any) => c.id));
  expect(await ids()).toEqual(["look", "walk", "leap", "bleat"]);
  await on(page, (h) => void (h.moment = "aboard"));
  await frames(page);
  expect(await ids()).toEqual(["look", "walk", "leap"]);
  await on(page, (h) => h.show("leap", false));
  await frames(page);
  expect(await ids()).toEqual(["look", "walk"]);
  await on(page, (h) => (h.show("leap", true), void (h.enabled = false)));
  await frames(page);
  expect(await ids()).toEqual([]);
  await on(page, (h) => ((h.enabled = true), (h.moment = null), void (h.handed = "left")));
  await frames(page);
  expect((await middleOf(page, "walk")).x).toBeGreaterThan(450);
  expect(await on(page, (h) => [h.value("Leap"), h.value("leep"), h.value("leep"), h.value("anchor")])).toEqual([false, false, false, false]);
  expect(await on(page, (h) => h.unknownNames)).toEqual({
    Leap: { times: 1, nearest: "leap" },
    leep: { times: 2, nearest: "leap" },
    anchor: { times: 1, nearest: null },
  });
  await expect(on(page, (h) => void (h.moment = "asleep"))).rejects.toThrow(/there is no moment "asleep"; known: ashore, aboard/);
});

test("another layout while a thumb is down: what is the same goes on; a broken file is refused with its place, and nothing has changed", async ({ page }) => {
  await openGame(page, gameBody(`appear: "always"`), {
    "/next.json": played({ ...LAYOUT, controls: LAYOUT.controls.slice(1, 3), name: "Next" }),
  });
  await ready(page);
  const hand = await Hand.of(page);
  const walk = await middleOf(page, "walk");
  await hand.down(1, walk.x + 40, walk.y);
  await frames(page);
  await page.evaluate(async () => (window as any).handle.replace(await (await fetch("/next.json")).text()));
  await frames(page);
  expect(await on(page, (h) => [h.layout.name, h.controls().map((c: any) => [c.id, c.held])])).toEqual([
    "Next",
    [
      ["walk", true],
      ["leap", false],
    ],
  ]);
  await expect(on(page, (h) => h.replace(`{"format":"nodulum-played","version":1,"digest":7}`))).rejects.toThrow(/played file, digest: /);
  expect(await on(page, (h) => h.layout.name)).toBe("Next");
});

test("what a player changes for himself keeps to the glass and clear of others, is kept as data, given back, and taken away again", async ({ page }) => {
  await openGame(page, gameBody(`appear: "always"`));
  await ready(page);
  const before = await middleOf(page, "leap");
  expect(
    await on(page, (h) => [
      h.overrides.move("leap", -20, 0),
      h.overrides.size("leap", 1.25),
      h.overrides.size("leap", 3),
      h.overrides.move("leap", 200, 0),
      h.overrides.move("bleat", -20, 14),
      h.overrides.fade("leap", 0.5),
    ]),
  ).toEqual([true, true, false, false, false, true]);
  expect((await middleOf(page, "leap")).x).toBeCloseTo(before.x - (20 / 25.4) * 160, 2);
  const visual = await on(page, (h) => h.controls().find((c: any) => c.id === "leap").visual.w);
  expect(visual).toBeCloseTo(((12 * 1.25) / 25.4) * 160, 2);
  expect(await on(page, (h) => [h.overrides.sensitivity("walk", 0.5), h.overrides.invert("walk", false, true), h.overrides.sensitivity("wark", 1)])).toEqual([
    true,
    true,
    false,
  ]);
  const hand = await Hand.of(page);
  const walk = await middleOf(page, "walk");
  await hand.down(1, walk.x, walk.y);
  await hand.move(1, walk.x, walk.y - 200);
  await frames(page);
  const [x, y] = (await value(page, "walk")) as [number, number];
  expect([Math.abs(x).toFixed(6), y.toFixed(6)]).toEqual(["0.000000", "-0.500000"]);
  await hand.up(1);
  const kept = await on(page, (h) => JSON.stringify(h.overrides.json()));
  await on(page, (h) => h.overrides.reset());
  expect(await middleOf(page, "leap")).toEqual(before);
  await openGame(page, gameBody(`appear: "always", overrides: ${kept}`));
  await ready(page);
  expect(await on(page, (h) => JSON.stringify(h.overrides.json()))).toBe(kept);
});

test("two handles on one page do not meet; closed they leave nothing behind", async ({ page }) => {
  const body = gameBody(`appear: "always"`, `<div id="other" style="position:fixed;left:0;top:0;width:200px;height:200px"></div>`);
  await openGame(
    page,
    body.replace(
      "window.isReady",
      `window.second = play(file, { over: document.querySelector("#other"), draw: drawing, appear: "always", ppi: 60 }); window.isReady`,
    ),
  );
  await ready(page);
  const hand = await Hand.of(page);
  const leap = await middleOf(page, "leap");
  await hand.down(1, leap.x, leap.y);
  await frames(page);
  expect(await page.evaluate(() => [(window as any).handle.value("leap"), (window as any).second.value("leap")])).toEqual([true, false]);
  await hand.up(1);
  const box = await page.evaluate(() => (window as any).second.controls().find((c: any) => c.id === "leap").visual);
  await hand.down(2, box.x + box.w / 2, box.y + box.h / 2);
  await frames(page);
  expect(await page.evaluate(() => [(window as any).handle.value("leap"), (window as any).second.value("leap")])).toEqual([false, true]);
  await hand.up(2);
  await page.evaluate(() => {
    (window as any).handle.dispose();
    (window as any).second.dispose();
  });
  expect(
    await page.evaluate(() => [
      document.querySelectorAll("canvas[aria-hidden]").length,
      document.querySelector<HTMLElement>("#game")!.getAttribute("style") ?? "",
      document.documentElement.getAttribute("style") ?? "",
      document.documentElement.lastElementChild!.tagName,
    ]),
  ).toEqual([0, "", "", "BODY"]);
  const before = await page.evaluate(() => (window as any).ticks.length);
  await page.touchscreen.tap(leap.x, leap.y);
  await frames(page);
  expect(await page.evaluate(() => (window as any).ticks.length)).toBe(before);
});

test("the browser's own gestures stay away from the glass, a button that asks for it buzzes, and without touch at all the same calls rest", async ({
  page,
}) => {
  await page.addInitScript(() => {
    const buzzed: unknown[] = ((window as any).buzzed = []);
    Object.defineProperty(navigator, "vibrate", { value: (ms: unknown) => buzzed.push(ms) });
  });
  await openGame(page, gameBody(`appear: "always"`));
  await ready(page);
  const style = await page.evaluate(() => {
    const { touchAction, userSelect } = getComputedStyle(document.querySelector("#game")!);
    return [touchAction, userSelect, getComputedStyle(document.documentElement).overscrollBehaviorY];
  });
  expect(style).toEqual(["none", "none", "none"]);
  const leap = await middleOf(page, "leap");
  const hand = await Hand.of(page);
  await hand.down(1, leap.x, leap.y);
  await frames(page);
  const menu = await page.evaluate(
    ([x, y]) => {
      const event = new MouseEvent("contextmenu", { bubbles: true, cancelable: true, clientX: x, clientY: y });
      document.querySelector("#game")!.dispatchEvent(event);
      return event.defaultPrevented;
    },
    [leap.x, leap.y],
  );
  expect(menu).toBe(true);
  await hand.up(1);
  await frames(page);
  expect(await page.evaluate(() => (window as any).buzzed)).toEqual([20]);
  // Each press buzzes.
  await hand.down(1, leap.x, leap.y);
  await frames(page);
  await hand.up(1);
  await frames(page);
  expect(await page.evaluate(() => (window as any).buzzed)).toEqual([20, 20]);
  const none = await page.evaluate(async () => {
    const { play } = (await import("/runtime/none.js" as string)) as any;
    const handle = play("anything", {});
    handle.step();
    return [handle.value("walk"), handle.angle("walk"), handle.justPressed("leap"), handle.controls(), handle.overrides.move("leap", 1, 1), handle.moment];
  });
  expect(none).toEqual([false, 0, false, [], false, null]);
});

test("a pad plays, tells that it came and went, and sends controls away that wait for thumbs", async ({ page }) => {
  await page.addInitScript(() => {
    (window as any).pads = [null];
    Object.defineProperty(navigator, "getGamepads", { value: () => (window as any).pads });
  });
  await openGame(page, gameBody(`appear: "no-pad", onPad: (isThere) => (window.pad ??= []).push(isThere)`));
  await ready(page);
  const seen = () => page.evaluate(() => Number((document.querySelector("canvas[aria-hidden]") as HTMLElement).style.opacity));
  await frames(page);
  expect(await seen()).toBe(1);
  const plug = (pad: unknown) => page.evaluate((one) => void ((window as any).pads = [one]), pad);
  const button = (value: number) => ({ value, pressed: value > 0.5, touched: value > 0 });
  await plug({ connected: true, id: "some pad", mapping: "standard", axes: [1, 0, 0, 0], buttons: [button(1), button(0)] });
  await frames(page);
  expect([await value(page, "walk"), await value(page, "leap")]).toEqual([[1, 0], true]);
  await expect.poll(seen).toBe(0);
  await plug(null);
  await frames(page);
  expect([await value(page, "walk"), await value(page, "leap")]).toEqual([[0, 0], false]);
  expect(await page.evaluate(() => (window as any).pad)).toEqual([true, false]);
});

test("where a button can be slid onto, a finger that came down on nothing is its as soon as it gets there, and the game hears nothing of it", async ({
  page,
}) => {
  const sliding = { ...LAYOUT, controls: LAYOUT.controls.map((c) => (c.id === "leap" ? { ...c, feel: { slideIn: true } } : c)) };
  await openGame(page, gameBody(`appear: "always"`), { "/quay.played.json": played(sliding) });
  await ready(page);
  await page.evaluate(() => document.addEventListener("pointerdown", () => ((window as any).heard = true)));
  const leap = await middleOf(page, "leap");
  const hand = await Hand.of(page);
  await hand.down(1, leap.x - 150, leap.y - 10);
  await hand.move(1, leap.x, leap.y);
  await frames(page);
  expect(await value(page, "leap")).toBe(true);
  await hand.up(1);
  await frames(page);
  expect([await value(page, "leap"), await page.evaluate(() => (window as any).heard)]).toEqual([false, undefined]);
});

for (const density of [1, 3] as const)
  test(`at ${density} px a CSS px a thumb's way is the same way, and the canvas has every pixel of it`, async ({ page }) => {
    const session = await page.context().newCDPSession(page);
    await session.send("Emulation.setDeviceMetricsOverride", { width: 900, height: 420, deviceScaleFactor: density, mobile: true });
    await openGame(page, gameBody(`appear: "always"`));
    await ready(page);
    await frames(page);
    expect(await page.evaluate(() => document.querySelector<HTMLCanvasElement>("canvas[aria-hidden]")!.width)).toBe(900 * density);
    const walk = await middleOf(page, "walk");
    const hand = new Hand(session);
    await hand.down(1, walk.x, walk.y);
    await hand.move(1, walk.x + 41, walk.y);
    await frames(page);
    const [x] = (await value(page, "walk")) as [number, number];
    // Half of 13 mm at 160 CSS px an inch, less a dead zone of a tenth, out of 0.85.
    expect(x).toBeCloseTo((41 / ((13 / 25.4) * 160) - 0.1) / 0.85, 3);
    await hand.up(1);
  });

test("where movement is wanted controls come and go in a moment, not at once; where it is not, at once", async ({ page }) => {
  const strengths = async (motion: "no-preference" | "reduce") => {
    await page.emulateMedia({ reducedMotion: motion });
    await openGame(page, gameBody(`draw: () => ({ paint: ({ opacity }) => (window.strengths ??= []).push(opacity), dispose() {} }), appear: "touch"`));
    await ready(page);
    await page.touchscreen.tap(450, 300);
    await page.waitForFunction(() => (window as any).strengths?.at(-1) === 1);
    return page.evaluate(() => [...new Set((window as any).strengths as number[])]);
  };
  const slow = await strengths("no-preference");
  expect([slow[0], slow.at(-1)]).toEqual([0, 1]);
  expect(slow.some((one) => one > 0 && one < 1)).toBe(true);
  expect(await strengths("reduce")).toEqual([0, 1]);
});

test("what is typed into a field of the page is not played", async ({ page }) => {
  await openGame(page, gameBody(`appear: "always"`, `<input id="name" aria-label="Name" style="position:fixed;left:0;top:0" />`));
  await ready(page);
  await page.locator("#name").focus();
  await page.keyboard.down("Space");
  await frames(page);
  expect(await value(page, "leap")).toBe(false);
  await page.keyboard.up("Space");
  await page.locator("#name").blur();
  await page.keyboard.down("Space");
  await frames(page);
  expect(await value(page, "leap")).toBe(true);
  await page.keyboard.up("Space");
});
