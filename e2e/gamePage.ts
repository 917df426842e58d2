/** A page of a game for the tests of the web runtime: the built package served next to it, fingers by the browser's own input. */
import { readFileSync } from "node:fs";
import { join } from "node:path";
import type { BrowserContext, CDPSession, Page } from "@playwright/test";
import { compile } from "../core/format/compile";
import { parseLayout } from "../core/format/parse";

export const GAME = "http://game.test";
const TYPES: Readonly<Record<string, string>> = { html: "text/html", js: "text/javascript", json: "application/json", css: "text/css" };

/** A pin of this many mm that keeps them on every screen, at a corner of the screen. */
const pin = (anchor: readonly [number, number], offset: readonly [string, string], mm: number) => ({
  kind: "pin",
  frame: "screen",
  anchor,
  pivot: anchor,
  offset,
  size: [`${mm}mm`, `${mm}mm`],
});

/** A stick at the left, two buttons at the right of which the upper can be slid onto, a touchpad in the middle; keys, mouse and pad to all of them. */
export const LAYOUT = {
  format: "nodulum-layout",
  version: 1,
  name: "Quay",
  reference: { width: 1600, height: 720 },
  scale: {},
  orientation: "both",
  moments: [
    { id: "ashore", name: "Ashore" },
    { id: "aboard", name: "Aboard" },
  ],
  actions: [
    {
      name: "walk",
      kind: "vector",
      keys: [
        { code: "KeyD", value: [1, 0] },
        { code: "KeyA", value: [-1, 0] },
        { code: "KeyW", value: [0, 1] },
        { code: "KeyS", value: [0, -1] },
      ],
      pad: [{ stick: "left" }],
    },
    { name: "leap", kind: "press", keys: [{ code: "Space" }], mouse: [{ button: 2 }], pad: [{ button: 0 }] },
    { name: "bleat", kind: "press", keys: [{ code: "KeyB" }], pad: [{ button: 1 }] },
    { name: "look", kind: "motion", mouse: [{ move: true, scale: 1 }] },
  ],
  controls: [
    {
      id: "look",
      name: "look",
      kind: "touchpad",
      placement: { kind: "span", frame: "screen", from: [0.4, 0], to: [0.7, 0.4] },
      serves: [{ port: "motion", action: "look" }],
    },
    {
      id: "walk",
      name: "walk",
      kind: "stick",
      placement: pin([0, 1], ["8mm", "-8mm"], 26),
      feel: { inner: 0.1, outer: 0.95 },
      serves: [{ port: "vector", action: "walk" }],
    },
    {
      id: "leap",
      name: "leap",
      kind: "button",
      placement: pin([1, 1], ["-8mm", "-8mm"], 12),
      feel: { press: "hold", buzzMs: 20 },
      serves: [{ port: "press", action: "leap" }],
    },
    {
      id: "bleat",
      name: "bleat",
      kind: "button",
      placement: pin([1, 1], ["-8mm", "-24mm"], 12),
      moments: ["ashore"],
      look: { label: "bleat", labels: { de: "mäh" } },
      serves: [{ port: "press", action: "bleat" }],
    },
  ],
};

/** The played file of a layout. */
export function played(layout: object = LAYOUT): string {
  const read = parseLayout(layout);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return compile(read.value);
}

/** Files that the page may ask for in addition to the package, by their paths. */
export type GameFiles = Readonly<Record<string, string>>;

/** Opens a page of a game. */
export async function openGame(page: Page, body: string, files: GameFiles = {}): Promise<void> {
  await serveGame(page.context(), body, files);
  await page.goto(`${GAME}/`);
}

/** Serves a page of a game to every page of a browser. */
export async function serveGame(context: BrowserContext, body: string, files: GameFiles = {}): Promise<void> {
  const all: GameFiles = {
    "/": `<!doctype html><html lang="en"><meta name="viewport" content="width=device-width,initial-scale=1"><title>Game</title>${body}`,
    "/quay.played.json": played(),
    ...files,
  };
  await context.route(`${GAME}/**`, (route) => {
    const { pathname } = new URL(route.request().url());
    const ending = pathname === "/" ? "html" : (pathname.split(".").pop() ?? "");
    const inside = all[pathname] ?? (pathname.startsWith("/runtime/") ? readFileSync(join("dist", "runtime", pathname.slice(9)), "utf8") : null);
    return inside === null
      ? route.fulfill({ status: 404, body: "" })
      : route.fulfill({ status: 200, contentType: TYPES[ending] ?? "text/plain", body: inside });
  });
}

/** A page whose canvas fills it, with a handle on the layout as `window.handle`; `options` is the text of an object's inside. */
export const gameBody = (options = "", more = "") => `
<style>html,body{margin:0;height:100%}canvas#game{display:block;width:100vw;height:100vh}</style>
<canvas id="game"></canvas>${more}
<script type="module">
  import { play } from "/runtime/index.js";
  import { drawing } from "/runtime/drawing.js";
  const file = await (await fetch("/quay.played.json")).text();
  window.ticks = [];
  window.handle = play(file, { over: document.querySelector("#game"), draw: drawing, ${options} });
  handle.onTick((values, t) => ticks.push({ t, values }));
  window.isReady = true;
</script>`;

/** Waits until the page's handle is there. */
/** Waits until the page has drawn this many frames. */
export const frames = (page: Page, count = 3) =>
  page.evaluate(async (n) => {
    for (let i = 0; i < n; i += 1) await new Promise((done) => requestAnimationFrame(done));
  }, count);
export const ready = (page: Page) => page.waitForFunction(() => (window as { isReady?: boolean }).isReady === true);

/** Fingers by their numbers, as the browser's own input reports them: points in CSS px. */
export class Hand {
  readonly #down = new Map<number, { x: number; y: number }>();
  constructor(readonly session: CDPSession) {}
  static async of(page: Page): Promise<Hand> {
    return new Hand(await page.context().newCDPSession(page));
  }
  async #send(type: "touchStart" | "touchMove" | "touchCancel") {
    const touchPoints = type === "touchCancel" ? [] : [...this.#down].map(([id, at]) => ({ id, ...at }));
    await this.session.send("Input.dispatchTouchEvent", { type, touchPoints });
  }
  async down(id: number, x: number, y: number) {
    this.#down.set(id, { x, y });
    await this.#send("touchStart");
  }
  async move(id: number, x: number, y: number) {
    this.#down.set(id, { x, y });
    await this.#send("touchMove");
  }
  async up(id: number) {
    // A touch that ends is named; those that are not named stay down.
    const at = this.#down.get(id)!;
    this.#down.delete(id);
    await this.session.send("Input.dispatchTouchEvent", { type: "touchEnd", touchPoints: [{ id, ...at }] });
  }
  async cancel() {
    this.#down.clear();
    await this.#send("touchCancel");
  }
}
