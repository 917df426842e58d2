/** The runtime in pages that strangers wrote: their markup, their style, their loop, several fingers at once. */
import { expect, type CDPSession, type Page } from "@playwright/test";
import { test } from "./test";
import { frames, Hand, LAYOUT, openGame, played, ready } from "./gamePage";

test.use({ viewport: { width: 900, height: 420 }, hasTouch: true, isMobile: true });

/* eslint-disable @typescript-eslint/no-explicit-any -- what a page has under its names is its own */
const value = (page: Page, name: string) => page.evaluate((word) => (window as any).controls.value(word), name);
/** The middle of a control in the window, CSS px: where the drawing says that it is, read from the drawn pixels' own canvas. */
const middleOf = (page: Page, id: string): Promise<{ x: number; y: number }> =>
  page.evaluate((one) => {
    const { controls } = window as any;
    const { visual } = controls.controls().find((c: any) => c.id === one);
    const box = controls.over.getBoundingClientRect();
    return { x: box.left + visual.x + visual.w / 2, y: box.top + visual.y + visual.h / 2 };
  }, id);

/** A page of somebody's: style, body, and what the script does with the handle. */
const theirs = (style: string, body: string, more = "", options = 'over: "#game"') => `
<style>${style}</style>${body}
<script type="module">
  import { play } from "/runtime/index.js";
  import { drawing } from "/runtime/drawing.js";
  const controls = (window.controls = play(await (await fetch("/quay.played.json")).text(), { draw: drawing, appear: "always", ${options} }));
  ${more}
  window.isReady = true;
</script>`;
/** A reset that many games begin with; its rules for canvases are meant for the game's. */
const FULL =
  "* { margin: 0; padding: 0 } html, body { height: 100%; background: #222; overflow: hidden } canvas { display: block; background: #000; width: 100vw; height: 100vh; image-rendering: pixelated; border: 0 }";
const CANVAS = `<canvas id="game"></canvas>`;

/** Opens a page and waits for its handle. */
async function open(page: Page, body: string, files = {}): Promise<Hand> {
  await openGame(page, body, files);
  await ready(page);
  await frames(page);
  return Hand.of(page);
}

/** Boxes of what is drawn: the drawing's pixels that are not clear, as a box in CSS px of the window. */
const drawnBox = (page: Page): Promise<{ left: number; top: number; right: number; bottom: number }> =>
  page.evaluate(() => {
    const canvas = [...document.querySelectorAll<HTMLCanvasElement>("canvas[aria-hidden]")].at(-1)!;
    const { width, height } = canvas;
    const { data } = canvas.getContext("2d")!.getImageData(0, 0, width, height);
    let [x0, y0, x1, y1] = [width, height, 0, 0];
    for (let i = 3; i < data.length; i += 4)
      if (data[i] > 0) {
        const [x, y] = [((i - 3) / 4) % width, Math.floor((i - 3) / 4 / width)];
        [x0, y0, x1, y1] = [Math.min(x0, x), Math.min(y0, y), Math.max(x1, x + 1), Math.max(y1, y + 1)];
      }
    const box = canvas.getBoundingClientRect();
    const [sx, sy] = [box.width / width, box.height / height];
    return { left: box.left + x0 * sx, top: box.top + y0 * sy, right: box.left + x1 * sx, bottom: box.top + y1 * sy };
  });

test.describe("the game's own fingers", () => {
  const LOGS = `
    const log = (window.log = []);
    const game = document.querySelector("#game");
    const name = (touch) => Math.round(touch.clientX);
    for (const type of ["touchstart", "touchmove", "touchend", "touchcancel"])
      game.addEventListener(type, (e) => log.push([type, [...e.changedTouches].map(name), e.touches.length, e.targetTouches.length, e.touches instanceof TouchList]));
    for (const type of ["pointerover", "pointerenter", "pointerdown", "pointermove", "pointerup", "pointercancel", "pointerout", "pointerleave"])
      window.addEventListener(type, (e) => type === "pointerenter" || type === "pointerleave" ? 0 : log.push([type, Math.round(e.clientX), e.isPrimary]));`;
  type Step = readonly [kind: "down" | "move" | "up", finger: number, x?: number, y?: number];
  const GAME_AT = [450, 380] as const;
  /** Plays steps of a hand; gives what the game heard. */
  const heard = async (page: Page, steps: readonly Step[]) => {
    const hand = await open(page, theirs(FULL, CANVAS, LOGS));
    for (const [kind, finger, x = 0, y = 0] of steps) await (kind === "up" ? hand.up(finger) : hand[kind](finger, x, y));
    await frames(page);
    return page.evaluate(() => (window as any).log as unknown[]);
  };

  test("a stick is held and the game is tapped; the game's finger first; three fingers: the game hears what it would hear without ours", async ({ page }) => {
    await open(page, theirs(FULL, CANVAS));
    const [stick, leap] = [await middleOf(page, "walk"), await middleOf(page, "leap")];
    const ours = {
      stickDown: ["down", 1, stick.x, stick.y],
      stickMove: ["move", 1, stick.x + 30, stick.y],
      stickUp: ["up", 1],
      leapDown: ["down", 2, leap.x, leap.y],
      leapUp: ["up", 2],
    } as const satisfies Record<string, Step>;
    const [x, y] = GAME_AT;
    const game = {
      down: ["down", 3, x, y],
      move: ["move", 3, x + 20, y],
      up: ["up", 3],
      other: ["down", 4, x - 200, y],
      otherUp: ["up", 4],
    } as const satisfies Record<string, Step>;
    const cases: Readonly<Record<string, readonly Step[]>> = {
      "a stick is held and the game is tapped": [ours.stickDown, ours.stickMove, game.down, game.move, game.up, ours.stickUp],
      "the game's finger first, then the stick, then the game's finger goes": [
        game.down,
        ours.stickDown,
        game.move,
        ours.stickMove,
        game.up,
        ours.stickMove,
        ours.stickUp,
      ],
      "the stick goes while the game's finger stays": [ours.stickDown, game.down, ours.stickUp, game.move, game.up],
      "three fingers, the game's in the middle": [ours.stickDown, game.down, ours.leapDown, game.move, ours.stickUp, game.up, ours.leapUp],
      "two of the game's around ours": [game.down, ours.leapDown, game.other, ours.leapUp, game.up, game.otherUp],
      "ours alone": [ours.stickDown, ours.leapDown, ours.stickMove, ours.leapUp, ours.stickUp],
    };
    const isGame = ([, finger]: Step) => finger >= 3;
    for (const [name, steps] of Object.entries(cases)) {
      const alone = await heard(page, steps.filter(isGame));
      expect(alone.length > 3).toBe(steps.some(isGame));
      expect([name, await heard(page, steps)]).toEqual([name, alone]);
    }
  });

  test("a finger that was ours is never the game's afterwards: not after the window lost the focus, not after the handle is closed", async ({ page }) => {
    const hand = await open(page, theirs(FULL, CANVAS, LOGS));
    const stick = await middleOf(page, "walk");
    await hand.down(1, stick.x, stick.y);
    await hand.down(2, GAME_AT[0], GAME_AT[1]);
    await page.evaluate(() => void dispatchEvent(new Event("blur")));
    await hand.move(1, stick.x + 20, stick.y);
    await page.evaluate(() => (window as any).controls.close());
    await hand.up(1);
    await hand.up(2);
    await frames(page);
    const log = await page.evaluate(() => (window as any).log as [string, unknown][]);
    expect(log.filter(([, who]) => JSON.stringify(who) !== `[${GAME_AT[0]}]` && who !== GAME_AT[0])).toEqual([]);
    expect(log.filter(([type]) => type === "touchend")).toHaveLength(1);
  });
});

for (const loop of ["own", "game"] as const)
  for (const order of ["before", "after"] as const)
    test(`a touch is in the value that the game reads in the same picture: loop ${loop}, the game's own loop begun ${order} play`, async ({ page }) => {
      const read = `
        const taps = (window.taps = []);
        const frame = () => {
          requestAnimationFrame(frame);
          if (!window.controls) return;
          ${loop === "game" ? "controls.step();" : ""}
          const now = controls.value("leap");
          if (window.came) taps.push(now);
          window.came = false;
        };`;
      const body =
        order === "before"
          ? `<script>${read.replaceAll("controls.", "window.controls.")}; requestAnimationFrame(frame);</script>${theirs(FULL, CANVAS, "", `over: "#game", loop: "${loop}"`)}`
          : theirs(FULL, CANVAS, `${read}; requestAnimationFrame(frame);`, `over: "#game", loop: "${loop}"`);
      const hand = await open(page, `<script>addEventListener("pointerdown", () => (window.came = true), true)</script>${body}`);
      const [leap, stick] = [await middleOf(page, "leap"), await middleOf(page, "walk")];
      await hand.down(9, stick.x, stick.y);
      for (let i = 0; i < 40; i += 1) {
        await hand.move(9, stick.x + (i % 30), stick.y);
        await hand.down(1, leap.x, leap.y);
        await frames(page, 2);
        await hand.up(1);
        await frames(page, 2);
      }
      const taps = (await page.evaluate(() => (window as any).taps.slice(1))) as boolean[];
      expect(taps.length).toBeGreaterThanOrEqual(39);
      expect(taps.filter(Boolean).length / taps.length).toBeGreaterThanOrEqual(0.95);
    });

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

test.describe("stand-ins in other people's games", () => {
  const standIns = (calls: string) => `const { asKeys, asPad, asMouse } = await import("/runtime/standIns.js"); ${calls}`;

  test("a pad's time is on the clock of performance.now() and rises with every change: a library that drops older pads plays", async ({ page }) => {
    const library = `
      const { asPad } = await import("/runtime/standIns.js"); asPad(controls);
      // As a library does it: a pad whose time is not newer than the last is passed over.
      let last = performance.now(); window.seen = []; window.touchedAt = performance.now();
      const poll = () => {
        requestAnimationFrame(poll);
        for (const pad of navigator.getGamepads()) if (pad && pad.timestamp > last) { last = pad.timestamp; window.seen.push([pad.timestamp, performance.now(), pad.axes[0], pad.buttons[0].pressed]); }
      };
      poll();`;
    const hand = await open(page, theirs(FULL, CANVAS, library));
    const [stick, leap] = [await middleOf(page, "walk"), await middleOf(page, "leap")];
    await hand.down(1, stick.x, stick.y);
    await hand.down(2, leap.x, leap.y);
    await frames(page);
    for (const by of [20, 30, 45]) {
      await hand.move(1, stick.x + by, stick.y);
      await frames(page);
    }
    await hand.up(2);
    await hand.up(1);
    await frames(page);
    const seen = (await page.evaluate(() => (window as any).seen)) as [number, number, number, boolean][];
    expect(seen.length).toBeGreaterThanOrEqual(5);
    expect(seen.some(([, , x, pressed]) => x > 0.3 && pressed)).toBe(true);
    expect(seen.at(-1)!.slice(2)).toEqual([0, false]);
    // The time of the change: after the touch that made it, before it was seen. Nothing is told where nothing has changed.
    const touchedAt = (await page.evaluate(() => (window as any).touchedAt)) as number;
    for (const [time, now] of seen) expect([time > touchedAt, time <= now]).toEqual([true, true]);
    expect(seen.length).toBeLessThanOrEqual(8);
    const times = seen.map(([time]) => time);
    expect(times).toEqual([...new Set(times)].sort((a, b) => a - b));
  });

  const KEYS_LOG = (target: string) => `
    window.log = [];
    for (const type of ["keydown", "keyup"]) ${target}.addEventListener(type, (e) => window.log.push([type, e.code, e.key, e.location, e.shiftKey, e.repeat, e.target === window ? "window" : e.target.id]));`;
  const log = (page: Page) => page.evaluate(() => (window as any).log.splice(0) as unknown[][]);
  /** A layout whose button is the left shift and whose stick has letters. */
  const shifted = {
    ...LAYOUT,
    actions: LAYOUT.actions.map((action) => (action.name === "leap" ? { ...action, keys: [{ code: "ShiftLeft" }] } : action)),
  };

  test("keys go to the game's element while a chat has the focus, never into it; touching a control gives the focus back", async ({ page }) => {
    const chat = `<input id="chat" aria-label="Chat" style="position:fixed;left:300px;top:10px" value="">`;
    const more = `${KEYS_LOG('document.querySelector("#game")')} ${standIns("asKeys(controls, { repeats: false })")}; window.typed = 0; document.querySelector("#chat").addEventListener("keydown", () => (window.typed += 1));`;
    const hand = await open(page, theirs(FULL, `<canvas id="game" tabindex="0"></canvas>${chat}`, more), { "/quay.played.json": played(shifted) });
    await page.locator("#chat").focus();
    const [stick, leap] = [await middleOf(page, "walk"), await middleOf(page, "leap")];
    await hand.down(1, leap.x, leap.y);
    await frames(page);
    await hand.down(2, stick.x, stick.y);
    await hand.move(2, stick.x + 70, stick.y);
    await frames(page);
    expect(await page.evaluate(() => document.activeElement!.id)).toBe("game");
    await frames(page, 60);
    await hand.up(1);
    await frames(page);
    await hand.up(2);
    await frames(page);
    expect(await log(page)).toEqual([
      ["keydown", "ShiftLeft", "Shift", 1, true, false, "game"],
      ["keydown", "KeyD", "D", 0, true, false, "game"],
      ["keyup", "ShiftLeft", "Shift", 1, false, false, "game"],
      ["keyup", "KeyD", "d", 0, false, false, "game"],
    ]);
    expect(await page.evaluate(() => [(window as any).typed, document.querySelector<HTMLInputElement>("#chat")!.value])).toEqual([0, ""]);
  });

  for (const [target, told] of [
    ["window", "window"],
    ['"#other"', "other"],
  ] as const)
    test(`keys go to ${target} where a game listens there, and a field for text is refused`, async ({ page }) => {
      const listened = target === "window" ? "window" : 'document.querySelector("#other")';
      const refused = `try { asKeys(controls, { target: "#chat" }) } catch (error) { window.refused = error.message }`;
      const more = `${KEYS_LOG(listened)} ${standIns(`asKeys(controls, { target: ${target}, repeats: false }); ${refused}`)}`;
      const hand = await open(page, theirs(FULL, `${CANVAS}<div id="other"></div><input id="chat" style="position:fixed;top:0;left:200px">`, more));
      const [stick, leap] = [await middleOf(page, "walk"), await middleOf(page, "leap")];
      await hand.down(1, leap.x, leap.y);
      await hand.down(2, stick.x, stick.y);
      await frames(page);
      await hand.up(1);
      await hand.up(2);
      await frames(page);
      expect((await log(page)).map(([type, code, , , , , at]) => [type, code, at])).toEqual([
        ["keydown", "Space", told],
        ["keyup", "Space", told],
      ]);
      expect(await page.evaluate(() => (window as any).refused)).toMatch(/^asKeys: target is a field for text/);
    });

  test("the mouse clicks and asks for the menu, on the game's element or where the game listens", async ({ page }) => {
    const layout = {
      ...LAYOUT,
      actions: LAYOUT.actions.map((action) => (action.name === "bleat" ? { ...action, mouse: [{ button: 0 }] } : action)),
    };
    const more = `
      window.log = [];
      for (const type of ["pointerdown", "mousedown", "mouseup", "click", "auxclick", "contextmenu"])
        document.querySelector("#other").addEventListener(type, (e) => window.log.push([type, e.button, e.buttons]));
      ${standIns('asMouse(controls, { target: "#other" })')}`;
    const hand = await open(page, theirs(FULL, `${CANVAS}<div id="other"></div>`, more), { "/quay.played.json": played(layout) });
    const [bleat, leap] = [await middleOf(page, "bleat"), await middleOf(page, "leap")];
    await hand.down(1, bleat.x, bleat.y);
    await frames(page);
    await hand.down(2, leap.x, leap.y);
    await frames(page);
    await hand.up(1);
    await frames(page);
    await hand.up(2);
    await frames(page);
    expect(await log(page)).toEqual([
      ["pointerdown", 0, 1],
      ["mousedown", 0, 1],
      ["pointerdown", 2, 3],
      ["mousedown", 2, 3],
      ["mouseup", 0, 2],
      ["click", 0, 2],
      ["mouseup", 2, 0],
      ["auxclick", 2, 0],
      ["contextmenu", 2, 0],
    ]);
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
    // Under a clip of several boxes edges are smoothed a little otherwise, a few dozen pixels of them; a piece that was left out would be thousands.
    const whole = await difference();
    expect(whole.most).toBeLessThan(80);
    expect(whole.far).toBeLessThan(200);
  }
  // Two fingers that lie still change nothing.
  expect(await calls()).toBe(0);
  await hand.move(1, stick.x + 30, stick.y);
  expect(await page.evaluate(() => (window as any).calls)).toBeGreaterThan(0);
});

test("what is no layout is refused in words, an object with a format is read as a file, and an element that is not there is told", async ({ page }) => {
  const more = `
    const text = await (await fetch("/quay.played.json")).text();
    const { readPlayed } = await import("/runtime/index.js");
    const tell = (layout, over = "#game") => { try { play(layout, { over }).close(); return "plays"; } catch (error) { return error.message; } };
    const json = JSON.parse(text);
    const read = readPlayed(json).value.layout;
    window.told = [
      tell(text), tell(new TextEncoder().encode(text)), tell(new TextEncoder().encode(text).buffer), tell(json), tell(read),
      tell(structuredClone(read)), tell({ ...json, version: 9 }), tell({ ...json, format: "nodulum-layout" }), tell({}), tell(null), tell(7), tell([1]), tell(Promise.resolve(text)), tell(await fetch("/quay.played.json")),
      tell(text, null), tell(text, "#gone"), tell(text, document.createElementNS("http://www.w3.org/2000/svg", "svg")),
    ];`;
  await open(page, theirs(FULL, CANVAS, more));
  const told = (await page.evaluate(() => (window as any).told)) as string[];
  expect(told.slice(0, 5)).toEqual(["plays", "plays", "plays", "plays", "plays"]);
  for (const [i, why] of [
    /play: the layout is an object without a "format".*text, the bytes or the parsed JSON/,
    /played file, version: .*version 9/,
    /played file, format: .*npx nodulum compile/,
    /an object without a "format"/,
    /the layout is null/,
    /the layout is a number/,
    /the layout is an array/,
    /a Promise. Await it first/,
    /a Response. Write: await response.text\(\)/,
    /play: over is null/,
    /play: over: "#gone" finds no HTML element/,
    /play: over must be an HTML element/,
  ].entries())
    expect(told[5 + i]).toMatch(why);
});
