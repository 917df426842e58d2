/**
 * The bench's speed in the browser: script time of a frame while dragging with 60 controls, pictures and twelve screens
 * live in the rail (from the browser's own trace), cold load to the first drag, JavaScript shipped. Printed, never asserted.
 */
import { createRequire } from "node:module";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { ensureBuilt, root } from "../scripts/lib.mjs";
import { serve } from "../scripts/server.mjs";
import { countInPage } from "./counts.mjs";

const require = createRequire(join(root, "package.json"));
const { chromium } = require("@playwright/test");
const { zipSync } = require("fflate");
const PORT = 4333;
export const FLAGS = [
  "--no-sandbox",
  "--disable-gpu",
  "--disable-quic",
  "--no-first-run",
  "--disable-background-networking",
  "--disable-component-update",
  "--disable-sync",
];

const RAIL = [
  "Tall phone 20:9, notch",
  "Small phone 16:9",
  "Large tall phone 19.5:9, cut-out",
  "Foldable closed 23:9",
  "Foldable open 6:5",
  "Handheld 16:9, 6.2 inches",
  "Tablet 4:3",
  "Small 4:3, 3.5 inches",
];
const SVG = (hue) =>
  `<svg xmlns="http://www.w3.org/2000/svg" width="64" height="64"><circle cx="32" cy="32" r="30" fill="hsl(${hue} 40% 40%)"/><path d="M16 32h32M32 16v32" stroke="#fff" stroke-width="4"/></svg>`;

/** A layout of `count` buttons and sticks in a grid, each with its own action; every third has a picture, and twelve screens are in the rail. */
export function gridLayout(count, screens) {
  const columns = 10;
  const actions = Array.from({ length: count }, (_, i) => ({ name: `action-${i}`, kind: i % 4 === 0 ? "vector" : "press" }));
  const controls = actions.map((action, i) => ({
    id: `c${i}`,
    name: action.name,
    kind: action.kind === "vector" ? "stick" : "button",
    placement: {
      kind: "pin",
      frame: "safe",
      anchor: [0, 0],
      pivot: [0, 0],
      offset: [`${20 + (i % columns) * 156}u`, `${16 + Math.floor(i / columns) * 116}u`],
      size: ["104u", "104u"],
    },
    look: { label: action.kind === "press" ? action.name : "", ...(i % 3 === 0 ? { art: { rest: `art-${i % 5}` } } : {}) },
    serves: [{ port: action.kind === "vector" ? "vector" : "press", action: action.name }],
  }));
  const pictures = [0, 1, 2, 3, 4].map((i) => ({ id: `art-${i}`, name: `art ${i}`, type: "image/svg+xml", data: Buffer.from(SVG(i * 70)).toString("base64") }));
  return {
    format: "nodulum-layout",
    version: 1,
    name: `Grid of ${count}`,
    reference: { width: 1600, height: 720 },
    scale: { share: 0.3 },
    actions,
    controls,
    pictures,
    workbench: { rail: [...RAIL, ...screens.map((s) => s.name)], screens },
  };
}

const OWN_SCREENS = [2.0, 1.9, 1.7, 1.5].map((aspect, i) => ({ name: `Own ${i + 1}`, widthPx: Math.round(1000 * aspect), heightPx: 1000, ppi: 380 }));

const at = (sorted, share) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))];

/** Script time of each frame, ms: the outermost script events of the renderer's main thread between two frames. */
function scriptPerFrame(events) {
  const main = events.filter((e) => e.name === "thread_name" && e.args?.name === "CrRendererMain").map((e) => `${e.pid}:${e.tid}`);
  const SCRIPT = new Set([
    "FunctionCall",
    "EventDispatch",
    "FireAnimationFrame",
    "RunMicrotasks",
    "TimerFire",
    "EvaluateScript",
    "V8.GC_SCAVENGER",
    "MajorGC",
    "MinorGC",
  ]);
  const frames = events
    .filter((e) => e.name === "WebFrameWidgetImpl::BeginMainFrame" && main.includes(`${e.pid}:${e.tid}`))
    .map((e) => e.ts)
    .sort((a, b) => a - b);
  const script = events.filter((e) => e.ph === "X" && SCRIPT.has(e.name) && main.includes(`${e.pid}:${e.tid}`)).sort((a, b) => a.ts - b.ts);
  const outer = [];
  let reached = -Infinity;
  for (const e of script) {
    if (e.ts >= reached) outer.push(e);
    reached = Math.max(reached, e.ts + e.dur);
  }
  return frames.slice(0, -1).map((from, i) => outer.filter((e) => e.ts >= from && e.ts < frames[i + 1]).reduce((sum, e) => sum + e.dur, 0) / 1000);
}

async function trace(browser, page, work) {
  await browser.startTracing(page, { categories: ["devtools.timeline", "disabled-by-default-devtools.timeline", "blink", "v8", "__metadata"] });
  await work();
  return JSON.parse((await browser.stopTracing()).toString()).traceEvents;
}

/** Serves the built application and opens a browser on it for the time of some work. */
async function withBrowser(work) {
  if (ensureBuilt() !== 0) throw new Error("the build failed");
  const server = await serve(PORT);
  try {
    const browser = await chromium.launch({ executablePath: process.env.CHROMIUM ?? "/usr/bin/chromium", args: FLAGS });
    const result = await work(browser);
    await browser.close();
    return result;
  } finally {
    server.close();
    server.closeAllConnections();
  }
}

/** The pattern of a length in the file, as the core looks at texts with it. */
const LENGTH_PATTERN = String.raw`^(-?\d+(?:\.\d+)?)(u|mm|px|%w|%h|%min|%max)$`;

/** A page with a grid of controls imported, at a view. `counts`: what a frame has to do is counted; that costs its own time. */
async function pageWithGrid(browser, { controls = 60, counts = false } = {}) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  if (counts) await page.addInitScript(countInPage, LENGTH_PATTERN);
  await page.goto(`http://127.0.0.1:${PORT}/handoff`);
  await page
    .getByLabel("Files to import")
    .setInputFiles({ name: "grid.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(gridLayout(controls, OWN_SCREENS))) });
  await page.waitForURL(/layout$/);
  await page.locator('[data-control="c17"]').waitFor();
  await page.waitForTimeout(1500);
  return page;
}

const scripted = async (browser, page, work) =>
  scriptPerFrame(await trace(browser, page, work))
    .filter((ms) => ms > 0.2)
    .sort((a, b) => a - b);

/** How many edits a log holds at most. */
const LOG = 1000;

/** From the start of a load to the glass, ms: of a layout without a log, and of the same with as long a log as is kept. */
async function reopenedWithLog(browser) {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
  const page = await context.newPage();
  const loaded = async () => {
    const times = [];
    for (let i = 0; i < 5; i += 1) {
      await page.goto(`http://127.0.0.1:${PORT}/layout`);
      await page.locator('[data-control="horn"] rect').first().waitFor();
      times.push(await page.evaluate(() => performance.now()));
    }
    return times.sort((a, b) => a - b)[2];
  };
  await loaded();
  const bare = await loaded();
  await page.evaluate(
    (count) =>
      new Promise((resolve) => {
        const opening = indexedDB.open("nodulum");
        opening.onsuccess = () => {
          const tx = opening.result.transaction(["layouts", "log"], "readwrite");
          const layouts = tx.objectStore("layouts");
          layouts.get("shipped-1").onsuccess = ({ target }) => layouts.put({ ...target.result, revision: count });
          for (let seq = 1; seq <= count; seq += 1) {
            const at = (n) => [`${120 + n}u`, `${60 + n}u`];
            const changes = [{ kind: "value", path: ["controls", "horn", "placement", "offset"], was: at(seq), is: at(seq + 1) }];
            const record = { id: `b.${seq}`, kind: "edit", label: "move horn", words: "horn moved 0.1 mm right", time: Date.now(), by: "bench", changes };
            tx.objectStore("log").put({ layout: "shipped-1", seq, record, digests: [] });
          }
          tx.oncomplete = () => resolve(opening.result.close());
        };
      }),
    LOG,
  );
  const logged = await loaded();
  await context.close();
  return { bare, logged };
}

export const benchBrowser = () =>
  withBrowser(async (browser) => {
    const loads = [];
    let shipped = 0;
    for (let run = 0; run < 5; run += 1) {
      const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
      const page = await context.newPage();
      const sizes = [];
      page.on("response", (r) => {
        if (r.request().resourceType() === "script")
          sizes.push(
            r.body().then(
              (body) => gzipSync(body).length,
              () => 0,
            ),
          );
      });
      await page.goto(`http://127.0.0.1:${PORT}/layout`);
      const control = page.locator('[data-control="horn"] rect').first();
      await control.waitFor();
      const before = await control.getAttribute("x");
      const box = await control.boundingBox();
      await page.mouse.move(box.x + 20, box.y + 20);
      await page.mouse.down();
      await page.mouse.move(box.x - 20, box.y + 10, { steps: 2 });
      await page.waitForFunction((x) => document.querySelector('[data-control="horn"] rect')?.getAttribute("x") !== x, before, { polling: "raf" });
      loads.push(await page.evaluate(() => performance.now()));
      await page.mouse.up();
      shipped = (await Promise.all(sizes)).reduce((sum, n) => sum + n, 0);
      await context.close();
    }
    const dragOn = (page) => async () => {
      const box = await page.locator('[data-control="c17"] rect').first().boundingBox();
      await page.mouse.move(box.x + 20, box.y + 20);
      await page.mouse.down();
      for (let i = 0; i < 150; i += 1) {
        await page.mouse.move(box.x + 20 + Math.sin(i / 12) * 80, box.y + 20 + Math.sin(i / 9) * 40);
        await page.waitForTimeout(8);
      }
      await page.mouse.up();
    };
    const page = await pageWithGrid(browser);
    const drag = dragOn(page);
    await drag();
    const frames = await scripted(browser, page, drag);
    await page.close();
    const counted = await countedDrag(browser, dragOn);
    const nudges = await nudged(browser);
    const reopened = await reopenedWithLog(browser);
    loads.sort((a, b) => a - b);
    return {
      frames: frames.length,
      median: at(frames, 0.5),
      p95: at(frames, 0.95),
      load: at(loads, 0.5),
      shippedKb: shipped / 1024,
      counted,
      nudges,
      reopened,
    };
  });

/** What the frames of a drag have to do: for each count the median and the most, and which components were rendered how often a frame. */
async function countedDrag(browser, dragOn) {
  const page = await pageWithGrid(browser, { counts: true });
  const drag = dragOn(page);
  await drag();
  await page.evaluate(() => window.countedFrames.clear());
  await drag();
  const { frames, names } = await page.evaluate(() => window.countedFrames.take());
  await page.close();
  const moved = frames.filter((f) => f.screens > 0);
  const of = (key) => {
    const sorted = moved.map((f) => f[key]).sort((a, b) => a - b);
    return { median: at(sorted, 0.5), most: at(sorted, 1) };
  };
  const counts = Object.fromEntries(["components", "lengths", "screens", "controls", "canvases"].map((key) => [key, of(key)]));
  return { frames: moved.length, counts, names: names.slice(0, 14).map(([name, n]) => `${name} ${(n / moved.length).toFixed(1)}`) };
}

/**
 * Script of the main thread a press of an arrow key, with 100 controls of which one is selected, ms, over runs of ten presses: `press` until
 * the key is worked off and what it changed is drawn, `all` with what follows: findings, fixes, saving.
 */
async function nudged(browser) {
  const page = await pageWithGrid(browser, { controls: 100 });
  await page
    .locator('[data-control="c17"] rect')
    .first()
    .click({ position: { x: 20, y: 20 } });
  const runs = [];
  for (let run = 0; run < 6; run += 1) {
    const events = await trace(browser, page, async () => {
      for (let i = 0; i < 10; i += 1) {
        await page.keyboard.press(i % 2 === 0 ? "ArrowRight" : "ArrowLeft");
        await page.waitForTimeout(150);
      }
    });
    const presses = events.filter((e) => e.ph === "X" && e.name === "EventDispatch" && /^key/.test(e.args?.data?.type ?? ""));
    runs.push({ press: presses.reduce((sum, e) => sum + e.dur / 1000, 0) / 10, all: scriptPerFrame(events).reduce((sum, ms) => sum + ms, 0) / 10 });
  }
  await page.close();
  const medianOf = (key) =>
    at(
      runs.map((run) => run[key]).sort((a, b) => a - b),
      0.5,
    );
  return { press: medianOf("press"), all: medianOf("all") };
}

/**
 * The Actions view: script a frame while a wire is drawn over 60 actions and 60 controls; a folder of 5,000 files, 30 MB in all,
 * read to its end, with the longest time for which the page did not answer meanwhile.
 */
export const benchActions = () =>
  withBrowser(async (browser) => {
    const page = await pageWithGrid(browser);
    await page.keyboard.press("1");
    const knob = page.getByRole("button", { name: "Draw a wire from action-3 to a control", exact: true });
    const box = await knob.boundingBox();
    const draw = async () => {
      await page.mouse.move(box.x + 12, box.y + 20);
      await page.mouse.down();
      for (let i = 0; i < 120; i += 1) {
        await page.mouse.move(box.x + 120 + Math.sin(i / 12) * 120, box.y + 120 + Math.sin(i / 9) * 200);
        await page.waitForTimeout(8);
      }
      await page.keyboard.press("Escape");
      await page.mouse.up();
    };
    await draw();
    const frames = await scripted(browser, page, draw);
    await page.getByRole("button", { name: "From the game’s code…" }).click();
    await page.locator("[role=dialog] [data-drop]").waitFor();
    await page.evaluate(() => {
      const asks = (i) => `  if (input.pressed("act_${i % 60}") && this.state == "run_${i % 7}") this.go(${i}); // "not_this"\n`;
      const code = (i) => `    const drift_${i} = Math.hypot(this.x - other.x * ${i}, this.y) + wind.at(${i});\n`;
      const transfer = new DataTransfer();
      // One line in ten asks for something.
      const source = (i) => (asks(i) + code(i).repeat(9)).repeat(8);
      for (let i = 0; i < 5000; i += 1) transfer.items.add(new File([source(i)], `src/part_${i}.ts`));
      window.bytes = source(1000).length * 5000;
      window.longest = 0;
      let last = performance.now();
      const beat = () => {
        const now = performance.now();
        window.longest = Math.max(window.longest, now - last);
        last = now;
        window.beating = setTimeout(beat, 0);
      };
      window.began = performance.now();
      beat();
      document.querySelector("[role=dialog] [data-drop]").dispatchEvent(new DragEvent("drop", { bubbles: true, cancelable: true, dataTransfer: transfer }));
    });
    await page.getByText(/5000 files read/).waitFor({ timeout: 120_000 });
    const scan = await page.evaluate(() => ({ seconds: (performance.now() - window.began) / 1000, longestMs: window.longest, mb: window.bytes / 1e6 }));
    return { frames: frames.length, median: at(frames, 0.5), p95: at(frames, 0.95), ...scan };
  });

/** Playing: 40 controls, ten pinned fingers that loop; script a frame, and the memory before and after this many seconds of it, MB after a collection. */
export const benchPlay = (seconds) =>
  withBrowser(async (browser) => {
    const page = await pageWithGrid(browser, { controls: 40 });
    await page.keyboard.press("3");
    await page.getByTestId("play-glass").waitFor();
    const add = page.getByLabel("Pin a finger on a control");
    const options = await add.locator("option").evaluateAll((all) => all.slice(1).map((o) => o.value));
    for (let i = 0; i < 10; i += 1) {
      await add.selectOption(options[(i * 4) % options.length]);
      await page.getByRole("button", { name: `Loop pin ${i + 1}` }).click();
    }
    await page.waitForTimeout(3000);
    const frames = await scripted(browser, page, () => page.waitForTimeout(6000));
    const cdp = await page.context().newCDPSession(page);
    const memory = async () => {
      await cdp.send("HeapProfiler.collectGarbage");
      return (await cdp.send("Runtime.getHeapUsage")).usedSize / 1e6;
    };
    const before = await memory();
    await page.waitForTimeout(seconds * 1000);
    return { frames: frames.length, median: at(frames, 0.5), p95: at(frames, 0.95), before, after: await memory(), seconds };
  });

/** Half an hour on Brackwater: a thumb that steers without a break, and a horn now and then; some 30 events a second. */
function halfAnHour() {
  const shipped = JSON.parse(readFileSync(join(root, "samples/takes/brackwater-1.nodulum-take.json"), "utf8"));
  const { x, y } = shipped.events[0];
  const events = [];
  let t = 100;
  for (let n = 0; t < 1_795_000; n += 1) {
    events.push({ t, id: 1, type: "down", x, y });
    for (let i = 0; i < 60; i += 1)
      events.push({ t: (t += 33), id: 1, type: "move", x: x + Math.round(90 * Math.sin(i / 5 + n)), y: y - Math.round(90 * Math.cos(i / 7)) });
    events.push({ t: (t += 10), id: 1, type: "up", x, y });
    t += 40;
  }
  return { ...shipped, name: "half an hour", events, frames: null };
}

/** A take of half an hour: how long until it is open, until all of it is known, what a frame of it costs at eight times its speed; and what running traces cost. */
export const benchTake = () =>
  withBrowser(async (browser) => {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
    await page.goto(`http://127.0.0.1:${PORT}/rehearse`);
    await page.getByTestId("play-glass").waitFor();
    // What running traces cost: the same frames with them, and with a list in their place.
    const median = async () => {
      await page.waitForTimeout(1500);
      return at(await scripted(browser, page, () => page.waitForTimeout(5000)), 0.5);
    };
    const withTraces = await median();
    await page.getByRole("button", { name: "Notices", exact: true }).click();
    const without = await median();
    await page.getByRole("button", { name: "Traces", exact: true }).click();
    await page
      .getByLabel("Import a take")
      .setInputFiles({ name: "long.nodulum-take.json", mimeType: "application/json", buffer: Buffer.from(JSON.stringify(halfAnHour())) });
    const button = page.getByRole("button", { name: /^Take half an hour/ });
    await button.waitFor();
    await page.waitForTimeout(1000);
    const times = await button.evaluate(
      (element) =>
        new Promise((done) => {
          const from = performance.now();
          let opened = 0;
          const look = () => {
            const strip = document.querySelector('[data-testid="lane-glass"]');
            if (!opened && document.querySelector('[data-testid="take-glass"] canvas')?.width > 300 && Number(strip?.getAttribute("aria-valuenow")) >= 0)
              opened = performance.now() - from;
            if (Number(strip?.getAttribute("aria-valuemax")) > 100_000) return done({ opened, known: performance.now() - from });
            requestAnimationFrame(look);
          };
          element.click();
          requestAnimationFrame(look);
        }),
    );
    await page.getByLabel("Speed of the take").selectOption("8");
    const tick = () => page.getByTestId("lane-glass").getAttribute("aria-valuenow").then(Number);
    const [from, began] = [await tick(), Date.now()];
    const frames = await scripted(browser, page, () => page.waitForTimeout(5000));
    const speed = (((await tick()) - from) / 60 / (Date.now() - began)) * 1000;
    return { ...times, speed, median: at(frames, 0.5), p95: at(frames, 0.95), traces: withTraces - without };
  });

/** The grid of 60 controls on 40 screens and 4 faces, until the first screen and until all of them are judged, as a user sees it. */
export const benchGrid = () =>
  withBrowser(async (browser) => {
    const page = await pageWithGrid(browser, { controls: 60 });
    await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Screens" }).click();
    const state = page.getByTestId("screens-judged");
    await state.waitFor();
    await page.waitForTimeout(4000);
    await page.getByRole("button", { name: "Grid", exact: true }).click();
    const screens = Number(/of (\d+) screens/.exec(await state.textContent())[1]);
    // A change makes all of it again: undo is one, and the page reports when the first and the last have come.
    await page.getByRole("navigation", { name: "Views" }).getByRole("link", { name: "Layout" }).click();
    await page.locator('[data-control="c17"]').click();
    await page.keyboard.press("ArrowRight");
    await page.waitForTimeout(1500);
    const times = await page.evaluate(
      () =>
        new Promise((done) => {
          const link = [...document.querySelectorAll("nav a")].find((a) => a.textContent.includes("Screens"));
          const from = performance.now();
          let first = 0;
          const look = () => {
            const told = document.querySelector('[data-testid="screens-judged"]')?.textContent ?? "";
            if (!first && document.querySelectorAll("[data-cell] .figure").length > 0) first = performance.now() - from;
            if (first && told !== "" && !told.includes("judged")) return done({ first, all: performance.now() - from });
            requestAnimationFrame(look);
          };
          link.click();
          requestAnimationFrame(look);
        }),
    );
    return { ...times, screens };
  });

/** A zip whose one file unpacks to this many MiB and says that it is 100 bytes. */
function lyingZip(mib) {
  const bytes = zipSync({ "bomb.json": new Uint8Array(mib * 1024 * 1024) }, { level: 1 });
  const view = new DataView(bytes.buffer);
  for (let at = 0; at < bytes.length - 4; at += 1) {
    if (view.getUint32(at, true) === 0x04034b50) view.setUint32(at + 22, 100, true);
    if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 100, true);
  }
  return bytes;
}

/** A backup of one layout with this many named states. */
function backupOf(count) {
  const sample = readFileSync(join(root, "samples", "pigeonhole.nodulum.json"));
  const states = Array.from({ length: count }, (_, i) => ({ id: `s${i}`, layout: "kept", name: `State ${i}`, time: i + 1, file: `states/${i}.json` }));
  const layouts = [{ id: "kept", name: "From a backup", savedAt: 1, deletedAt: null, file: "layouts/1.nodulum.json" }];
  const contents = { format: "nodulum-backup", version: 1, made: 1, layouts, states, takes: [] };
  const files = { "backup.json": Buffer.from(JSON.stringify(contents)), "layouts/1.nodulum.json": sample };
  for (const { file } of states) files[file] = sample;
  return zipSync(files, { level: 1 });
}

/** A layout file as large as one with pictures may be: a screenshot behind each of several moments, 12 MiB of them. */
function largeLayout() {
  const moments = Array.from({ length: 3 }, (_, i) => ({ id: `m${i}`, name: `m${i}` }));
  const picture = { name: "shot", type: "image/png", data: Buffer.alloc(3_900_000, 7).toString("base64") };
  const controls = gridLayout(200, []).controls;
  return { ...gridLayout(200, []), controls, moments, workbench: { momentPictures: Object.fromEntries(moments.map(({ id }) => [id, picture])) } };
}

/** What is imported, and by which words it is over. */
const imports = () => {
  const cells = (rows, columns) => Array.from({ length: rows }, (_, i) => Array.from({ length: columns }, (_, k) => `${i * k}`).join(",")).join("\n");
  const named = (columns) => ["name", "x", "y", "w", "h", ...Array.from({ length: columns - 5 }, (_, i) => `c${i}`)].join(",");
  const many = Object.fromEntries(Array.from({ length: 60_000 }, (_, i) => [`f${i}.bin`, Buffer.from(String(i))]));
  return [
    ["a zip that says 100 bytes and unpacks to 200 MB", "bomb.zip", lyingZip(200)],
    ["a zip of 60,000 files", "many.zip", zipSync(many, { level: 0 })],
    ["a layout of 16 MB", "large.nodulum.json", Buffer.from(JSON.stringify(largeLayout()))],
    ["a CSV of 4,900 rows and 200 columns", "wide.csv", Buffer.from(`${named(200)}\n${cells(4000, 200)}`)],
    ["a CSV of 300,000 rows", "tall.csv", Buffer.from(`${named(5)}\n${cells(300_000, 5)}`)],
    ["a backup with 3,000 named states", "backup.zip", backupOf(3000)],
  ];
};

/** For each import, how long it took and the longest that the page was silent meanwhile, ms. */
export const benchImports = () =>
  withBrowser(async (browser) => {
    const done = [];
    // From the disk, as a user's are: bytes that are handed over would be unpacked in the page.
    const folder = mkdtempSync(join(tmpdir(), "nodulum-imports-"));
    for (const [what, name, bytes] of imports()) {
      const file = join(folder, name);
      writeFileSync(file, bytes);
      const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
      await page.goto(`http://127.0.0.1:${PORT}/handoff`);
      await page.locator('[data-parcel="layout"]').waitFor();
      await page.waitForTimeout(2000);
      await page.evaluate(() => {
        window.longest = 0;
        let last = performance.now();
        const beat = () => {
          const now = performance.now();
          window.longest = Math.max(window.longest, now - last);
          last = now;
          setTimeout(beat);
        };
        beat();
      });
      const began = Date.now();
      await page.getByLabel("Files to import").setInputFiles(file);
      const over = page.locator('[aria-label="Import"] [role=alert], [data-testid=taken-in], [role=dialog]').first();
      await Promise.race([over.waitFor({ timeout: 120_000 }), page.waitForURL(/\/layout$/, { timeout: 120_000 })]);
      const ms = Date.now() - began;
      done.push({ what, ms, longestMs: await page.evaluate(() => window.longest) });
      await page.close();
    }
    return done;
  });
