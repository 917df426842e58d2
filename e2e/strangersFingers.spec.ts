/** The runtime in pages that strangers wrote: the game's own fingers, its own loop, and what it is given. */
import { expect, type Page } from "@playwright/test";
import { frames } from "./gamePage";
import { test } from "./test";
import { CANVAS, FULL, middleOf, open, theirs } from "./theirPage";

test.use({ viewport: { width: 900, height: 420 }, hasTouch: true, isMobile: true });

/* eslint-disable @typescript-eslint/no-explicit-any -- what a page has under its names is its own */
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
    await page.evaluate(() => (window as any).controls.dispose());
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
    test(
      `a touch is in the value that the game reads in the same picture: loop ${loop}, the game's own loop begun ${order} play`,
      { tag: (loop === "own") === (order === "before") ? [] : "@storm" },
      async ({ page }) => {
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
      },
    );

test("what is no layout is refused in words, an object with a format is read as a file, and an element that is not there is told", async ({ page }) => {
  const more = `
    const text = await (await fetch("/quay.played.json")).text();
    const { readPlayed } = await import("/runtime/index.js");
    const tell = (layout, over = "#game") => { try { play(layout, { over }).dispose(); return "plays"; } catch (error) { return error.message; } };
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
