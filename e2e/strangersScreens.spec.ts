/** The runtime in pages that strangers wrote: where the element is, how it fills the screen, and what is drawn there. */
import { expect, type CDPSession, type Page } from "@playwright/test";
import { frames, type Hand, LAYOUT, played } from "./gamePage";
import { test } from "./test";
import { CANVAS, drawnBox, FULL, middleOf, open, theirs, value } from "./theirPage";

test.use({ viewport: { width: 900, height: 420 }, hasTouch: true, isMobile: true });

/* eslint-disable @typescript-eslint/no-explicit-any -- what a page has under its names is its own */
test.describe("where the element is", () => {
  const insets = (page: Page) => page.evaluate(() => (window as any).controls.screen.insets);
  const plain = { left: 0, top: 0, right: 0, bottom: 0 };
  /** Holds the stick and presses the button where the drawing has them. */
  const plays = async (page: Page, hand: Hand) => {
    const [stick, leap] = [await middleOf(page, "walk"), await middleOf(page, "leap")];
    await hand.down(1, stick.x, stick.y);
    await hand.move(1, stick.x + 40, stick.y);
    await hand.down(2, leap.x, leap.y);
    await frames(page);
    const given = [((await value(page, "walk")) as [number, number])[0] > 0.3, await value(page, "leap")];
    await hand.up(2);
    await hand.up(1);
    await frames(page);
    return given;
  };

  test("a game below the fold is laid out whole, and stays so when the page is scrolled to it", async ({ page }) => {
    const style = "body { margin: 0; font: 16px sans-serif } p { height: 700px } #game { display: block; width: 100%; height: 380px; background: #035 }";
    const hand = await open(page, theirs(style, `<p>Read how the game came about.</p>${CANVAS}<p>Imprint</p>`));
    expect(await insets(page)).toEqual(plain);
    const before = await page.evaluate(() => (window as any).controls.controls().map((c: any) => c.visual));
    await page.evaluate(() => scrollTo(0, 500));
    await frames(page);
    expect(await insets(page)).toEqual(plain);
    await page.evaluate(() => document.querySelector("#game")!.scrollIntoView({ block: "end" }));
    await frames(page);
    expect(await page.evaluate(() => (window as any).controls.controls().map((c: any) => c.visual))).toEqual(before);
    expect(await plays(page, hand)).toEqual([true, true]);
  });

  test("a game in a box that scrolls plays where it is seen, and its drawing goes with it", async ({ page }) => {
    const style =
      "body { margin: 0 } #box { position: absolute; inset: 20px 60px; overflow: auto; border: 5px solid } #tall { height: 900px; padding-top: 300px } #game { width: 700px; height: 330px }";
    const hand = await open(page, theirs(style, `<div id="box"><div id="tall">${CANVAS}</div></div>`));
    for (const top of [290, 150, 310]) {
      await page.evaluate((y) => document.querySelector("#box")!.scrollTo(0, y), top);
      await frames(page);
      const [drawn, leap] = [await drawnBox(page), await middleOf(page, "leap")];
      expect(drawn.right).toBeGreaterThan(leap.x);
      expect(drawn.bottom).toBeGreaterThan(leap.y);
      expect(drawn.bottom).toBeLessThan(leap.y + 50);
    }
    expect(await plays(page, hand)).toEqual([true, true]);
  });

  const setSafe = (session: CDPSession, insetsTold: Record<string, number>) =>
    session.send("Emulation.setSafeAreaInsetsOverride" as never, { insets: insetsTold } as never);

  test("the safe area counts at the edges that touch the screen's, and anew when it changes without a resize", async ({ page }) => {
    const style = "* { margin: 0 } body { overflow: hidden } #game { position: absolute; left: 0; top: 60px; width: 900px; height: 360px }";
    const hand = await open(page, theirs(style, CANVAS));
    const density = await page.evaluate(() => devicePixelRatio);
    expect(await insets(page)).toEqual(plain);
    await setSafe(hand.session, { left: 44, top: 24, right: 44, bottom: 21 });
    await expect.poll(() => insets(page)).toEqual({ left: 44 * density, top: 0, right: 44 * density, bottom: 21 * density });
    await setSafe(hand.session, { left: 0, top: 0, right: 30, bottom: 0 });
    await expect.poll(() => insets(page)).toEqual({ ...plain, right: 30 * density });
    expect(await plays(page, hand)).toEqual([true, true]);
  });

  test("a canvas that is cut off for good, to fill every window, keeps its controls where they are seen", async ({ page }) => {
    const style =
      "* { margin: 0 } html, body { height: 100%; overflow: hidden } #game { position: fixed; left: -100px; top: -40px; width: 1100px; height: 500px }";
    const safe = { ...LAYOUT, controls: LAYOUT.controls.map((c) => ({ ...c, placement: { ...c.placement, frame: "safe" } })) };
    const hand = await open(page, theirs(style, CANVAS), { "/quay.played.json": played(safe) });
    const leap = await middleOf(page, "leap");
    expect(leap.x).toBeGreaterThan(800);
    expect(leap.x).toBeLessThan(900);
    const density = await page.evaluate(() => devicePixelRatio);
    expect(await insets(page)).toEqual({ left: 100 * density, top: 40 * density, right: 100 * density, bottom: 40 * density });
    expect(await plays(page, hand)).toEqual([true, true]);
  });

  const INSIDE: Readonly<Record<string, string>> = {
    "scaled down": "transform: scale(0.5); transform-origin: 0 0",
    "scaled unevenly about its middle": "scale: 0.8 0.6",
    shifted: "transform: translate(40px, 25px)",
    filtered: "filter: drop-shadow(0 0 2px #000); margin: 30px 0 0 50px",
    contained: "contain: paint layout; margin: 15px 0 0 35px",
    "wanted to change": "will-change: transform; position: absolute; left: 33px; top: 17px",
    "in perspective, with a border": "transform: perspective(600px) translateX(20px); border: 7px solid #fff",
    "turned a quarter": "transform: rotate(90deg) translateY(-400px) scale(0.45); transform-origin: 0 0",
    "a little askew": "transform: rotate(8deg) scale(0.8)",
  };
  for (const [name, css] of Object.entries(INSIDE))
    test(`inside an ancestor that is ${name} the drawing lies over the element, and touches reach what is drawn`, async ({ page }) => {
      const style = `* { margin: 0 } body { overflow: hidden; height: 420px } #stage { width: 760px; height: 360px; ${css} } #game { position: relative; left: 11.5px; top: 7.25px; width: 740.5px; height: 340px; z-index: 3; background: #024 }`;
      const hand = await open(page, theirs(style, `<div id="stage"><div id="game"></div></div>`));
      const boxes = await page.evaluate(() =>
        ["#game", "canvas[aria-hidden]"].map((one) => {
          const { left, top, width, height } = document.querySelector(one)!.getBoundingClientRect();
          return [left, top, width, height];
        }),
      );
      for (const [i, side] of boxes[0].entries()) expect(boxes[1][i]).toBeCloseTo(side, 1);
      /** Where the middle of a control is in the window: the browser says it of a mark in the game, at the same part of its width and height. */
      const at = (id: string) =>
        page.evaluate((one) => {
          const { controls } = window as any;
          const { visual } = controls.controls().find((c: any) => c.id === one);
          const mark = document.createElement("i");
          const part = (px: number, all: number) => `${(px / (all / devicePixelRatio)) * 100}%`;
          mark.style.cssText = `position:absolute;left:${part(visual.x + visual.w / 2, controls.screen.widthPx)};top:${part(visual.y + visual.h / 2, controls.screen.heightPx)}`;
          document.querySelector("#game")!.append(mark);
          const { left, top } = mark.getBoundingClientRect();
          mark.remove();
          return { x: left, y: top };
        }, id);
      const [stick, leap] = [await at("walk"), await at("leap")];
      await hand.down(1, stick.x, stick.y);
      await hand.down(2, leap.x, leap.y);
      await frames(page);
      expect(
        await page.evaluate(() =>
          (window as any).controls
            .controls()
            .filter((c: any) => c.held)
            .map((c: any) => c.id),
        ),
      ).toEqual(["walk", "leap"]);
    });
});

test.describe("the screen is filled", () => {
  const BUTTON = `<button id="full" style="position:fixed;left:380px;top:150px;z-index:9">Full screen</button>`;
  const isFull = (page: Page) => page.evaluate(() => document.fullscreenElement !== null);
  const drawingIsSeen = (page: Page) =>
    page.evaluate(() => {
      const canvas = document.querySelector<HTMLElement>("canvas[aria-hidden]")!;
      const { fullscreenElement } = document;
      return canvas.checkVisibility() && (fullscreenElement === null || fullscreenElement.contains(canvas) || canvas.matches(":popover-open"));
    });
  const whatPlays = async (page: Page, hand: Hand) => {
    const [stick, leap] = [await middleOf(page, "walk"), await middleOf(page, "leap")];
    await hand.down(1, stick.x, stick.y);
    await hand.down(2, leap.x, leap.y);
    await frames(page);
    const held = await page.evaluate(() =>
      (window as any).controls
        .controls()
        .filter((c: any) => c.held)
        .map((c: any) => c.id),
    );
    await hand.up(2);
    await hand.up(1);
    await frames(page);
    return held as string[];
  };

  for (const [name, call] of Object.entries({
    "canvas.requestFullscreen()": `document.querySelector("#game").requestFullscreen()`,
    "the helper": `fullscreen("#game")`,
  }))
    test(`by ${name}: the drawing follows into the top layer and back, and two thumbs play`, async ({ page }) => {
      const style = "* { margin: 0 } #game { display: block; width: 600px; height: 300px; background: #035 }";
      const more = `const { fullscreen } = await import("/runtime/index.js"); document.querySelector("#full").onclick = () => void ${call};`;
      const hand = await open(page, theirs(style, CANVAS + BUTTON, more));
      await page.touchscreen.tap(400, 160);
      await expect.poll(() => isFull(page)).toBe(true);
      await frames(page);
      expect(await drawingIsSeen(page)).toBe(true);
      const [box, drawn] = await page.evaluate(() =>
        ["#game", "canvas[aria-hidden]"].map((one) => {
          const { left, top, width, height } = document.querySelector(one)!.getBoundingClientRect();
          return [left, top, width, height].map(Math.round);
        }),
      );
      expect(drawn).toEqual(box);
      expect(await whatPlays(page, hand)).toEqual(["walk", "leap"]);
      await page.evaluate(() => document.exitFullscreen());
      await expect.poll(() => isFull(page)).toBe(false);
      await frames(page);
      expect(await drawingIsSeen(page)).toBe(true);
      expect(await whatPlays(page, hand)).toEqual(["walk", "leap"]);
    });

  test("by something else: what cannot be seen lets go, and does not fire while it cannot be seen", async ({ page }) => {
    const more = `document.querySelector("#full").onclick = () => void document.querySelector("#film").requestFullscreen();
      window.pressed = 0; controls.onTick((values) => values.leap && (window.pressed += 1));`;
    const hand = await open(page, theirs(FULL, `${CANVAS}<div id="film" style="position:fixed;right:0;top:0;width:50px;height:50px"></div>${BUTTON}`, more));
    const [leap, stick] = [await middleOf(page, "leap"), await middleOf(page, "walk")];
    await page.touchscreen.tap(400, 160);
    await expect.poll(() => isFull(page)).toBe(true);
    await frames(page);
    expect(await value(page, "walk")).toEqual([0, 0]);
    await hand.down(1, leap.x, leap.y);
    await hand.down(2, stick.x, stick.y);
    await frames(page);
    await hand.up(1);
    await hand.up(2);
    expect(await page.evaluate(() => (window as any).pressed)).toBe(0);
    await page.evaluate(() => document.exitFullscreen());
    await expect.poll(() => isFull(page)).toBe(false);
    await frames(page);
    expect(await whatPlays(page, hand)).toEqual(["walk", "leap"]);
  });

  test("a canvas inside the element that the controls lie over fills the screen: they lie over the canvas", async ({ page }) => {
    const style = "* { margin: 0 } #game { width: 500px; height: 300px } #pixels { width: 100%; height: 100%; background: #035 }";
    const more = `document.querySelector("#full").onclick = () => void document.querySelector("#pixels").requestFullscreen();`;
    const hand = await open(page, theirs(style, `<div id="game"><canvas id="pixels"></canvas></div>${BUTTON}`, more));
    await page.touchscreen.tap(400, 160);
    await expect.poll(() => isFull(page)).toBe(true);
    await frames(page);
    expect(await drawingIsSeen(page)).toBe(true);
    const at = await page.evaluate(() => {
      const { controls } = window as any;
      return controls
        .controls()
        .map(({ id, visual }: any) => ({ id, x: visual.x + visual.w / 2, y: visual.y + visual.h / 2, all: controls.screen.widthPx / devicePixelRatio }));
    });
    expect(at[0].all).toBe(900);
    const leap = at.find(({ id }: { id: string }) => id === "leap")!;
    const walk = at.find(({ id }: { id: string }) => id === "walk")!;
    await hand.down(1, leap.x, leap.y);
    await hand.down(2, walk.x, walk.y);
    await frames(page);
    expect(await value(page, "leap")).toBe(true);
  });
});

test("it draws only where something changes, and what it draws in part is what it would draw as a whole", async ({ page }) => {
  // Controls that lie over each other, turned, faded while untouched, with a knob that leaves its base.
  const crowded = {
    ...LAYOUT,
    controls: LAYOUT.controls.map((c, i) => ({
      ...c,
      look: { ...("look" in c ? c.look : {}), rotateDeg: i * 15, ...(c.id === "walk" ? { knobSize: 0.9 } : {}) },
      placement: c.id === "bleat" ? { ...c.placement, offset: ["-14mm", "-14mm"] } : c.placement,
    })),
  };
  const count = `<script>window.calls = 0; for (const name of ["clearRect", "fill", "stroke", "fillText", "drawImage"]) {
    const own = CanvasRenderingContext2D.prototype[name];
    CanvasRenderingContext2D.prototype[name] = function (...args) { window.calls += 1; return own.apply(this, args); };
  }</script>`;
  const hand = await open(page, count + theirs(FULL, CANVAS), { "/quay.played.json": played(crowded) });
  const calls = async () => {
    await page.evaluate(() => ((window as any).calls = 0));
    await frames(page, 20);
    return page.evaluate(() => (window as any).calls as number);
  };
  await frames(page, 30);
  expect(await calls()).toBe(0);
  const [stick, leap, bleat] = [await middleOf(page, "walk"), await middleOf(page, "leap"), await middleOf(page, "bleat")];
  /** Keeps the picture; how far it is at most from the one that was kept before, 0…255 a channel, each as strong as it is seen, and how many are farther than 16. */
  const difference = () =>
    page.evaluate(() => {
      const canvas = document.querySelector<HTMLCanvasElement>("canvas[aria-hidden]")!;
      const { data } = canvas.getContext("2d")!.getImageData(0, 0, canvas.width, canvas.height);
      const before = (window as any).picture as Uint8ClampedArray | undefined;
      (window as any).picture = data;
      const seen = (all: Uint8ClampedArray, i: number) => (i % 4 === 3 ? all[i] : (all[i] * all[i - (i % 4) + 3]) / 255);
      let [most, far] = [0, 0];
      for (let i = 0; before && i < data.length; i += 1) {
        const off = Math.abs(seen(data, i) - seen(before, i));
        most = Math.max(most, off);
        if (off > 16) far += 1;
      }
      return { most, far };
    });
  const steps: (() => Promise<void>)[] = [
    () => hand.down(1, stick.x, stick.y),
    () => hand.move(1, stick.x + 70, stick.y - 20),
    () => hand.down(2, leap.x + 10, leap.y + 10),
    () => hand.move(1, stick.x - 30, stick.y + 60),
    () => hand.down(3, bleat.x - 8, bleat.y - 8),
    () => hand.up(2),
  ];
  await difference();
  for (const step of steps) {
    await step();
    await frames(page, 30);
    const drawn = await difference();
    expect(drawn.most).toBeGreaterThan(100);
    expect(drawn.far).toBeGreaterThan(1000);
    // The same layout once more is another one: all of it is drawn.
    await page.evaluate(async () => (window as any).controls.replace(await (await fetch("/quay.played.json")).text()));
    await frames(page, 3);
    // Under a clip of several boxes edges are smoothed a little otherwise, a few dozen pixels of them; a piece that was omitted would be thousands.
    const whole = await difference();
    expect(whole.most).toBeLessThan(80);
    expect(whole.far).toBeLessThan(200);
  }
  // Two fingers that lie still change nothing.
  expect(await calls()).toBe(0);
  await hand.move(1, stick.x + 30, stick.y);
  expect(await page.evaluate(() => (window as any).calls)).toBeGreaterThan(0);
});
