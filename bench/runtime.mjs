/** The packed runtime in a game's page: how soon a touch is in a value, and what a frame allocates. Real touches by the browser's own input. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import { chromium } from "@playwright/test";
import { ensureRuntime, runtimeFolder } from "../scripts/build-runtime.mjs";
import { root } from "../scripts/lib.mjs";
import { FLAGS } from "./browser.mjs";

const GAME = "http://game.test";
const FINGERS = 10;

/** A played layout of forty controls of 9 mm in rows, each serving its own action. */
async function fortyControls() {
  const { compiled } = await import(join(root, ".cache", "bench-forty.mjs"));
  return compiled;
}

/** Counts touches as they come, before anyone else hears of them. */
const COUNTS = `<script>window.came = 0; addEventListener("pointerdown", () => (window.came += 1), true);</script>`;
const page = (options, more) => `${COUNTS}<meta name="viewport" content="width=device-width,initial-scale=1">
<style>html,body{margin:0;overflow:hidden}canvas{display:block;width:100vw;height:100vh}</style><canvas id="game"></canvas>
<script type="module">
import { play } from "/runtime/index.js";
import { drawing } from "/runtime/drawing.js";
const file = await (await fetch("/played.json")).text();
const controls = (window.controls = play(file, { over: "#game", appear: "always", ${options} }));
${more}
window.isReady = true;
</script>`;

async function opened(browser, body) {
  const context = await browser.newContext({ viewport: { width: 1200, height: 560 }, hasTouch: true, isMobile: true });
  const tab = await context.newPage();
  const played = await fortyControls();
  await context.route(`${GAME}/**`, (route) => {
    const { pathname } = new URL(route.request().url());
    if (pathname === "/") return route.fulfill({ contentType: "text/html", body: `<!doctype html>${body}` });
    if (pathname === "/played.json") return route.fulfill({ contentType: "application/json", body: played });
    if (pathname.startsWith("/runtime/"))
      return route.fulfill({ contentType: "text/javascript", body: readFileSync(join(runtimeFolder, pathname.slice(9)), "utf8") });
    return route.fulfill({ status: 404, body: "" });
  });
  await tab.goto(`${GAME}/`);
  await tab.waitForFunction(() => window.isReady === true);
  const session = await context.newCDPSession(tab);
  return { context, tab, session, touch: (type, touchPoints) => session.send("Input.dispatchTouchEvent", { type, touchPoints }) };
}

const middles = (tab) => tab.evaluate(() => window.controls.controls().map(({ hit }) => ({ x: hit.x + hit.w / 2, y: hit.y + hit.h / 2 })));
const frames = (tab, count) =>
  tab.evaluate(async (n) => {
    for (let i = 0; i < n; i += 1) await new Promise((done) => requestAnimationFrame(done));
  }, count);

/** Pictures a second that are measured, and this many touches at each. */
const RATES = [60, 120];
const TOUCHES = 200;

/** Pictures at a rate: the browser makes as many as it can, and those that come too soon are omitted. */
const atRate = (hz) => `<script>{
  const own = requestAnimationFrame.bind(window); let waiting = new Map(), next = 0, due = 0;
  window.requestAnimationFrame = (work) => (waiting.set((next += 1), work), next);
  window.cancelAnimationFrame = (id) => waiting.delete(id);
  const picture = (time) => {
    own(picture);
    if (time < due) return;
    due = Math.max(due + 1000 / ${hz}, time - 1000 / ${hz});
    const now = waiting; waiting = new Map();
    for (const work of now.values()) work(time);
  };
  own(picture);
}</script>`;

/**
 * How many pictures pass from a touch to the value that the game reads in its own animation frame, for 200 touches next to a moving finger: how many
 * of them need 0, 1, 2 … pictures more than the one they come in. By rate and by whose loop it is, the game's begun before and after the runtime's.
 */
export async function latencies() {
  await ensureRuntime();
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium",
    args: [...FLAGS, "--disable-frame-rate-limit", "--disable-gpu-vsync"],
  });
  const found = [];
  for (const hz of RATES)
    for (const loop of ["own", "game"])
      for (const order of ["before", "after"]) {
        const read = `window.found = []; let waits = -1, seen = 0;
          const frame = () => {
            requestAnimationFrame(frame);
            if (!window.controls) return;
            ${loop === "game" ? "window.controls.step();" : ""}
            if (window.came > seen) { seen = window.came; waits = 0; } else if (waits >= 0) waits += 1;
            if (waits >= 0 && window.controls.value("a3")) { window.found.push(waits); waits = -1; }
          };
          requestAnimationFrame(frame);`;
        const before = order === "before" ? `<script>${read}</script>` : "";
        const after = order === "after" ? read : "";
        const { context, tab, touch } = await opened(browser, atRate(hz) + before + page(`loop: "${loop}"`, after));
        const places = await middles(tab);
        const [stick, button] = [places[0], places[3]];
        await touch("touchStart", [{ id: 1, ...stick }]);
        await tab.evaluate(() => (window.came = 0));
        for (let i = 0; i < TOUCHES; i += 1) {
          const moved = { id: 1, x: stick.x + (i % 20), y: stick.y };
          await touch("touchMove", [moved]);
          // Touches come at any time within a picture.
          await tab.waitForTimeout((i * 7) % 31);
          await touch("touchStart", [moved, { id: 2, ...button }]);
          await frames(tab, 4);
          await touch("touchEnd", [{ id: 2, ...button }]);
          await frames(tab, 3);
        }
        const pictures = await tab.evaluate(() => window.found);
        const counts = [0, 1, 2].map((n) => pictures.filter((one) => (n === 2 ? one >= 2 : one === n)).length);
        found.push({ hz, loop, order, touches: pictures.length, counts });
        await context.close();
      }
  await browser.close();
  return found;
}

/** What the runtime's own code allocates a frame, bytes: forty controls, ten fingers that all move at every frame; idle, and with and without drawing. */
export async function allocations() {
  await ensureRuntime();
  const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium", args: FLAGS });
  const measured = {};
  for (const [name, options] of [
    ["without drawing", 'loop: "own"'],
    ["with drawing", 'loop: "own", draw: drawing'],
  ]) {
    const { context, tab, session, touch } = await opened(
      browser,
      page(options, "window.frames = 0; const count = () => { window.frames += 1; requestAnimationFrame(count); }; count();"),
    );
    const places = await middles(tab);
    const fingers = Array.from({ length: FINGERS }, (_, i) => ({ id: i, ...places[(i * 4) % places.length] }));
    const bytes = async (work) => {
      await session.send("HeapProfiler.startSampling", {
        samplingInterval: 128,
        includeObjectsCollectedByMajorGC: true,
        includeObjectsCollectedByMinorGC: true,
      });
      const from = await tab.evaluate(() => window.frames);
      await work();
      const count = (await tab.evaluate(() => window.frames)) - from;
      const { profile } = await session.send("HeapProfiler.stopSampling");
      const found = new Map();
      const sum = (node, isOurs) => {
        const ours = isOurs || node.callFrame.url.includes("/runtime/");
        if (ours) found.set(node.callFrame.functionName, (found.get(node.callFrame.functionName) ?? 0) + node.selfSize);
        for (const child of node.children) sum(child, ours);
      };
      sum(profile.head, false);
      const all = [...found.values()].reduce((a, b) => a + b, 0);
      return {
        bytes: all / count,
        by: [...found]
          .sort((a, b) => b[1] - a[1])
          .slice(0, 12)
          .map(([fn, size]) => [fn, Math.round(size / count)]),
      };
    };
    await frames(tab, 300);
    const idle = await bytes(() => frames(tab, 240));
    for (let i = 0; i < FINGERS; i += 1) await touch("touchStart", fingers.slice(0, i + 1));
    const move = async (count) => {
      for (let k = 0; k < count; k += 1) {
        const turn = k / 9;
        await touch(
          "touchMove",
          fingers.map(({ id, x, y }) => ({ id, x: x + 9 * Math.cos(turn + id), y: y + 9 * Math.sin(turn + id) })),
        );
      }
    };
    // Code that has not run often yet allocates what code that has does not.
    await move(600);
    const moving = await bytes(() => move(240));
    measured[name] = { idle, moving };
    await context.close();
  }
  await browser.close();
  return measured;
}
