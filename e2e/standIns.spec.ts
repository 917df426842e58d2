/** Games that know nothing of layouts, each in plain JavaScript, played by touch through one script tag: key events, polled keys, a polled pad, a mouse. */
import { expect, type Page } from "@playwright/test";
import { test } from "./test";
import { frames, GAME, Hand, LAYOUT, openGame, played } from "./gamePage";

test.use({ viewport: { width: 900, height: 420 }, hasTouch: true, isMobile: true });

/* eslint-disable @typescript-eslint/no-explicit-any -- what a page has under its names is its own */

/** A game that answers to key events and writes down what it heard. */
const KEY_EVENTS = `
  var log = [];
  ["keydown", "keyup"].forEach(function (type) {
    document.addEventListener(type, function (e) { log.push([type, e.code, e.key, e.keyCode, e.which, e.repeat]); });
  });`;
/** A game that remembers which keys are down, by their old codes, and moves by them at every picture. */
const POLLED_KEYS = `
  var down = {}, x = 0, y = 0, jumps = 0;
  window.onkeydown = function (e) { if (!down[e.keyCode] && e.keyCode === 32) jumps += 1; down[e.keyCode] = true; };
  window.onkeyup = function (e) { down[e.keyCode] = false; };
  (function loop() { if (down[68]) x += 1; if (down[65]) x -= 1; if (down[87]) y += 1; if (down[83]) y -= 1; requestAnimationFrame(loop); })();`;
/** A game that looks at the first pad there is, at every picture. */
const POLLED_PAD = `
  var seen = { x: 0, y: 0, jump: false, mapping: "", came: 0 };
  window.addEventListener("gamepadconnected", function (e) { seen.came += 1; seen.index = e.gamepad.index; });
  (function loop() {
    var pads = navigator.getGamepads();
    for (var i = 0; i < pads.length; i++) if (pads[i]) { seen.x = pads[i].axes[0]; seen.y = pads[i].axes[1]; seen.jump = pads[i].buttons[0].pressed; seen.mapping = pads[i].mapping; break; }
    requestAnimationFrame(loop);
  })();`;
/** A game that turns its view with the mouse and fires with its second button. */
const MOUSE_LOOK = `
  var yaw = 0, pitch = 0, shots = 0;
  document.getElementById("game").addEventListener("mousemove", function (e) { yaw += e.movementX; pitch += e.movementY; });
  document.getElementById("game").addEventListener("mousedown", function (e) { if (e.button === 2) shots += 1; });`;

const withTag = (game: string, as: string) =>
  `<style>html,body{margin:0}canvas{display:block;width:100vw;height:100vh}</style><canvas id="game"></canvas><script>${game}</script>
  <script src="/runtime/nodulum-runtime.js" data-played="/quay.played.json" data-over="#game" data-as="${as}" data-appear="always"></script>`;

async function openWith(page: Page, game: string, as: string) {
  await openGame(page, withTag(game, as));
  await page.waitForFunction(() => (window as any).nodulum?.handle);
  return { hand: await Hand.of(page), at: (id: string) => middleOf(page, id) };
}
const middleOf = (page: Page, id: string): Promise<{ x: number; y: number }> =>
  page.evaluate((one) => {
    const { visual } = (window as any).nodulum.handle.controls().find((c: any) => c.id === one);
    return { x: visual.x + visual.w / 2, y: visual.y + visual.h / 2 };
  }, id);
const get = <T>(page: Page, name: string) => page.evaluate((one) => JSON.parse(JSON.stringify((window as any)[one])) as unknown, name) as Promise<T>;

test("key events: the keys of each action, as a keyboard tells them, repeating while held; none of its own is taken for input", async ({ page }) => {
  const { hand, at } = await openWith(page, KEY_EVENTS, "keys");
  const leap = await at("leap");
  await hand.down(1, leap.x, leap.y);
  // The key repeats while it is held.
  await page.waitForFunction(() => (window as any).log.length > 4);
  await hand.up(1);
  await frames(page);
  const log = await get<[string, string, string, number, number, boolean][]>(page, "log");
  expect(log[0]).toEqual(["keydown", "Space", " ", 32, 32, false]);
  expect(log.at(-1)).toEqual(["keyup", "Space", " ", 32, 32, false]);
  const repeats = log.filter(([type, , , , , repeat]) => type === "keydown" && repeat);
  expect(repeats.length).toBeGreaterThan(3);
  expect(log.length).toBe(repeats.length + 2);
  await page.evaluate("log.length = 0");
  // A stick to the upper right holds two keys; back below four tenths releases one of them.
  const walk = await at("walk");
  await hand.down(1, walk.x, walk.y);
  await hand.move(1, walk.x + 70, walk.y - 70);
  await frames(page);
  await hand.move(1, walk.x + 80, walk.y - 8);
  await frames(page);
  await hand.up(1);
  await frames(page);
  const moves = (await get<[string, string][]>(page, "log")).map(([type, code]) => `${type} ${code}`);
  expect(moves).toEqual(["keydown KeyD", "keydown KeyW", "keyup KeyW", "keyup KeyD"]);
  // A real keyboard goes on working, and is not doubled.
  await page.evaluate("log.length = 0");
  await page.keyboard.press("Space");
  await frames(page);
  expect((await get<[string, string][]>(page, "log")).map(([type]) => type)).toEqual(["keydown", "keyup"]);
});

test("polled keys: the game moves while the thumb is down and stops when it goes; a tap is one jump", async ({ page }) => {
  const { hand, at } = await openWith(page, POLLED_KEYS, "keys");
  const walk = await at("walk");
  await hand.down(1, walk.x, walk.y);
  await hand.move(1, walk.x - 80, walk.y);
  await expect.poll(() => get<number>(page, "x")).toBeLessThan(-5);
  expect(await get<number>(page, "y")).toBe(0);
  const leap = await at("leap");
  await hand.down(2, leap.x, leap.y);
  await frames(page);
  await hand.up(2);
  await hand.up(1);
  await frames(page);
  const x = await get<number>(page, "x");
  await frames(page);
  expect(await get<number>(page, "x")).toBe(x);
  expect(await get<number>(page, "jumps")).toBe(1);
});

test("a polled pad: one more standard pad, there from the beginning, with the stick's own amounts", async ({ page }) => {
  const { hand, at } = await openWith(page, POLLED_PAD, "pad");
  type Seen = { x: number; y: number; jump: boolean; mapping: string; came: number };
  await expect.poll(async () => (await get<Seen>(page, "seen")).mapping).toBe("standard");
  expect((await get<Seen>(page, "seen")).came).toBe(1);
  const [walk, leap] = [await at("walk"), await at("leap")];
  await hand.down(1, walk.x, walk.y);
  // Half of the travel up: a pad counts down as positive.
  await hand.move(1, walk.x, walk.y - (13 / 25.4) * 160 * 0.525);
  await hand.down(2, leap.x, leap.y);
  await frames(page);
  const seen = await get<Seen>(page, "seen");
  expect([Math.abs(seen.x).toFixed(2), seen.y.toFixed(2), seen.jump]).toEqual(["0.00", "-0.50", true]);
  await hand.up(1);
  await hand.up(2);
  await frames(page);
  expect(await get<Seen>(page, "seen")).toMatchObject({ x: 0, jump: false });
  // The layout itself does not hear its own pad.
  expect(await page.evaluate(() => (window as any).nodulum.handle.value("walk"))).toEqual([0, 0]);
});

test("a mouse look: the touchpad turns the view by what the thumb moved, a button fires", async ({ page }) => {
  const { hand, at } = await openWith(page, MOUSE_LOOK, "mouse");
  const look = await at("look");
  await hand.down(1, look.x, look.y);
  await hand.move(1, look.x + 40, look.y + 20);
  await hand.up(1);
  await frames(page);
  const mm = (px: number) => (px / 160) * 25.4;
  // A mouse moves by whole px; less than one is still to come.
  expect(await get<number>(page, "yaw")).toBe(Math.trunc(mm(40)));
  expect(await get<number>(page, "pitch")).toBe(Math.trunc(mm(20)));
  await hand.down(1, look.x, look.y);
  for (let i = 1; i <= 8; i += 1) await hand.move(1, look.x + 5 * i, look.y);
  await hand.up(1);
  await frames(page);
  expect(await get<number>(page, "yaw")).toBe(Math.trunc(mm(80)));
  const leap = await at("leap");
  await hand.down(1, leap.x, leap.y);
  await frames(page);
  await hand.up(1);
  await frames(page);
  expect(await get<number>(page, "shots")).toBe(1);
});

test("a tag that asks for what is not there says so and where, and the game goes on", async ({ page }) => {
  const told: string[] = [];
  page.on("console", (message) => message.type() === "error" && message.text().startsWith("nodulum-runtime") && told.push(message.text()));
  const tag = (attributes: string) =>
    `<canvas id="game"></canvas><script>window.log = 1;</script><script src="/runtime/nodulum-runtime.js" ${attributes}></script>`;
  for (const [attributes, why] of [
    [`data-played="/none.json"`, /data-played="\/none\.json": answered with 404/],
    [`data-played="/quay.played.json" data-over="#gone"`, /data-over="#gone": there is no such element/],
    [`data-played="/quay.played.json" data-as="wheel"`, /"wheel" is none of keys, pad, mouse/],
    [`data-played="/quay.played.json" data-appear="sometimes"`, /data-appear="sometimes" is none of touch, always, no-pad/],
    [`data-played="/quay.played.json" data-ppi="many"`, /data-ppi="many" is not a number above 0/],
    [`data-played="/broken.json"`, /played file, .*: /],
  ] as const) {
    await openGame(page, tag(attributes), { "/broken.json": played({ ...LAYOUT }).replace(`"stick"`, `"lever"`) });
    await expect.poll(() => told.length).toBeGreaterThan(0);
    expect(told.splice(0).join("\n")).toMatch(why);
    expect(await get<number>(page, "log")).toBe(1);
  }
  expect(page.url()).toBe(`${GAME}/`);
});
