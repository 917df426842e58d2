/** The runtime in pages that strangers wrote: keys, pads and mice for their games. */
import { expect, type Page } from "@playwright/test";
import { frames, LAYOUT, played } from "./gamePage";
import { test } from "./test";
import { CANVAS, FULL, middleOf, open, theirs } from "./theirPage";

test.use({ viewport: { width: 900, height: 420 }, hasTouch: true, isMobile: true });

/* eslint-disable @typescript-eslint/no-explicit-any -- what a page has under its names is its own */
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
    // The time of the change: after the touch that made it, before it was seen. Nothing is reported where nothing has changed.
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
