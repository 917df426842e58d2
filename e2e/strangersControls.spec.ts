/** A crane that a stranger wrote: a lever, a wheel, an aim, taps and two deltas, played by several fingers; and what the game says of its controls. */
import { readFileSync } from "node:fs";
import { expect, type Page } from "@playwright/test";
import { frames, played } from "./gamePage";
import { test } from "./test";
import { CANVAS, FULL, middleOf, open, theirs, value } from "./theirPage";

test.use({ viewport: { width: 900, height: 420 }, hasTouch: true, isMobile: true });

const CRANE = { "/quay.played.json": played(JSON.parse(readFileSync("samples/derrick.nodulum.json", "utf8")) as object) };

/* eslint-disable @typescript-eslint/no-explicit-any -- what a page has under its names is its own */
/** Their loop: it adds deltas up and counts what begins, in its own frame. */
const LOOP = `
  const crane = (window.crane = { across: 0, up: 0, thrown: [], slipped: 0, marked: 0, heard: [] });
  controls.on("pressed", "slip", () => crane.heard.push("pressed"));
  controls.on("released", "slip", () => crane.heard.push("released"));
  controls.on("pressed", "slip", () => crane.heard.push("never"))();
  const frame = () => {
    requestAnimationFrame(frame);
    controls.step();
    crane.across += controls.delta("look-across");
    crane.up += controls.value("look-up");
    if (controls.justPressed("heave")) crane.thrown.push(controls.vector("heave-way"));
    if (controls.justPressed("slip")) crane.slipped += 1;
    if (controls.justPressed("mark")) crane.marked += 1;
  };
  requestAnimationFrame(frame);`;
const crane = (page: Page) =>
  page.evaluate(() => (window as any).crane as { across: number; up: number; thrown: [number, number][]; slipped: number; marked: number });

test("a lever stays, a wheel turns, an aim fires where it is let go and not where it is called off, taps and deltas count once", async ({ page }) => {
  const hand = await open(page, theirs(FULL, CANVAS, LOOP, 'over: "#game", loop: "game", ppi: 160'), CRANE);
  const [lever, wheel, line, look] = [await middleOf(page, "hoist"), await middleOf(page, "jib"), await middleOf(page, "line"), await middleOf(page, "look")];
  // The lever is pushed up by one thumb and left there; meanwhile the other turns the wheel a quarter by its rim.
  await hand.down(1, lever.x, lever.y);
  await hand.down(2, wheel.x, wheel.y - 45);
  await hand.move(1, lever.x, lever.y - 25);
  await hand.move(2, wheel.x + 32, wheel.y - 32);
  await hand.move(2, wheel.x + 45, wheel.y);
  await hand.up(1);
  await hand.up(2);
  await frames(page);
  const hoisted = (await value(page, "hoist")) as number;
  expect(hoisted).toBeGreaterThan(0.2);
  const slewed = (await value(page, "slew")) as number;
  expect(slewed).toBeCloseTo((90 / 135 - 0.03) / 0.97, 2);
  // Taken again anywhere it does not jump.
  await hand.down(1, lever.x + 3, lever.y + 20);
  await frames(page);
  expect(await value(page, "hoist")).toBeCloseTo(hoisted, 6);
  await hand.up(1);

  // Aimed and called off; aimed and thrown to the right and up; tapped.
  await hand.down(3, line.x, line.y);
  await hand.move(3, line.x + 40, line.y);
  await frames(page);
  await hand.move(3, line.x + 2, line.y);
  await frames(page);
  await hand.up(3);
  await frames(page);
  expect((await crane(page)).thrown).toEqual([]);
  await hand.down(3, line.x, line.y);
  await hand.move(3, line.x + 40, line.y - 40);
  await frames(page, 20);
  await hand.up(3);
  await frames(page);
  const { thrown } = await crane(page);
  expect(thrown).toHaveLength(1);
  expect(thrown[0][0]).toBeCloseTo(thrown[0][1], 6);
  expect(thrown[0][0]).toBeGreaterThan(0.5);
  await hand.down(3, line.x, line.y);
  await hand.up(3);
  await frames(page);
  expect(await crane(page)).toMatchObject({ slipped: 1, marked: 0, heard: ["pressed", "released"] });

  // Swept to the right and down: 2 a millimetre, at 160 px an inch.
  await hand.down(4, look.x, look.y - 40);
  await hand.move(4, look.x + 30, look.y - 40);
  await hand.move(4, look.x + 63, look.y - 8.5);
  await hand.up(4);
  await frames(page);
  const { across, up } = await crane(page);
  expect(across).toBeCloseTo((63 / 160) * 25.4 * 2, 1);
  expect(up).toBeCloseTo((-31.5 / 160) * 25.4 * 2, 1);
  // A window that loses the focus leaves the lever where it was.
  await page.evaluate(() => void dispatchEvent(new Event("blur")));
  await frames(page);
  expect(await value(page, "hoist")).toBeCloseTo(hoisted, 6);
});

test("what the game says of a control is drawn at once, changes no value, and goes when it is unsaid; an unknown control is refused", async ({ page }) => {
  const hand = await open(page, theirs(FULL, CANVAS, "", 'over: "#game"'));
  const leap = await middleOf(page, "leap");
  /** The drawing about a control, as a text. */
  const drawn = () =>
    page.evaluate(async (at) => {
      for (let i = 0; i < 3; i += 1) await new Promise((done) => requestAnimationFrame(done));
      const canvas = [...document.querySelectorAll<HTMLCanvasElement>("canvas[aria-hidden]")].at(-1)!;
      const scale = canvas.width / canvas.getBoundingClientRect().width;
      const { data } = canvas.getContext("2d")!.getImageData((at.x - 40) * scale, (at.y - 40) * scale, 80 * scale, 80 * scale);
      return data.join();
    }, leap);
  const say = (given: object | null) => page.evaluate((one) => (window as any).controls.state("leap", one), given);
  // A canvas that has been read is drawn by other means from then on: edges differ in their last bit.
  await drawn();
  await say({ count: 1 });
  await drawn();
  await say(null);
  const plain = await drawn();
  const pictures = new Set([plain]);
  for (const given of [{ enabled: false }, { cooldown: 0.4 }, { cooldown: 0.3 }, { count: 3 }, { word: "reload" }]) {
    await say(given);
    pictures.add(await drawn());
    expect(await page.evaluate(() => (window as any).controls.controls().find((c: any) => c.id === "leap").state)).toEqual(given);
  }
  expect(pictures.size).toBe(6);
  await say({ enabled: false, cooldown: 1 });
  await hand.down(1, leap.x, leap.y);
  await frames(page);
  expect(await value(page, "leap")).toBe(true);
  await hand.up(1);
  await say(null);
  expect(await drawn()).toBe(plain);
  expect(
    await page.evaluate(() => {
      try {
        (window as any).controls.state("laep", {});
        return "";
      } catch (error) {
        return (error as Error).message;
      }
    }),
  ).toContain('"laep"');
});

test("the screen stays awake from the first touch on, anew when the page is seen again, and no longer once the handle is disposed", async ({ page }) => {
  const STANDS_IN = `<script>
    window.locks = { asked: 0, held: 0 };
    Object.defineProperty(navigator, "wakeLock", { value: { request: async () => {
      locks.asked += 1;
      locks.held += 1;
      const lock = new EventTarget();
      lock.release = async () => { locks.held -= 1; lock.dispatchEvent(new Event("release")); };
      window.lastLock = lock;
      return lock;
    } } });
  </script>`;
  const hand = await open(page, STANDS_IN + theirs(FULL, CANVAS, "", 'over: "#game"'));
  const locks = () => page.evaluate(() => (window as any).locks as { asked: number; held: number });
  const leap = await middleOf(page, "leap");
  await page.keyboard.press("Space");
  await frames(page);
  expect(await locks()).toEqual({ asked: 0, held: 0 });
  for (let i = 0; i < 3; i += 1) {
    await hand.down(1, leap.x, leap.y);
    await frames(page);
    await hand.up(1);
  }
  expect(await locks()).toEqual({ asked: 1, held: 1 });
  // The browser takes it away with the page; seen again, it is asked for.
  await page.evaluate(async () => {
    await (window as any).lastLock.release();
    document.dispatchEvent(new Event("visibilitychange"));
    await new Promise((done) => setTimeout(done));
  });
  expect(await locks()).toEqual({ asked: 2, held: 1 });
  await page.evaluate(() => (window as any).controls.dispose());
  expect(await locks()).toEqual({ asked: 2, held: 0 });
});
