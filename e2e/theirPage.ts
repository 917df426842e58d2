/** Pages of games as strangers write them, and what the tests of the runtime ask of them. */
import type { Page } from "@playwright/test";
import { frames, Hand, openGame, ready } from "./gamePage";

/* eslint-disable @typescript-eslint/no-explicit-any -- what a page has under its names is its own */
export const value = (page: Page, name: string) => page.evaluate((word) => (window as any).controls.value(word), name);
/** The middle of a control in the window, CSS px: where the drawing says that it is, read from the drawn pixels' own canvas. */
export const middleOf = (page: Page, id: string): Promise<{ x: number; y: number }> =>
  page.evaluate((one) => {
    const { controls } = window as any;
    const { visual } = controls.controls().find((c: any) => c.id === one);
    const box = controls.over.getBoundingClientRect();
    return { x: box.left + visual.x + visual.w / 2, y: box.top + visual.y + visual.h / 2 };
  }, id);

/** A page of somebody's: style, body, and what the script does with the handle. */
export const theirs = (style: string, body: string, more = "", options = 'over: "#game"') => `
<style>${style}</style>${body}
<script type="module">
  import { play } from "/runtime/index.js";
  import { drawing } from "/runtime/drawing.js";
  const controls = (window.controls = play(await (await fetch("/quay.played.json")).text(), { draw: drawing, appear: "always", ${options} }));
  ${more}
  window.isReady = true;
</script>`;
/** A reset that many games begin with; its rules for canvases are meant for the game's. */
export const FULL =
  "* { margin: 0; padding: 0 } html, body { height: 100%; background: #222; overflow: hidden } canvas { display: block; background: #000; width: 100vw; height: 100vh; image-rendering: pixelated; border: 0 }";
export const CANVAS = `<canvas id="game"></canvas>`;

/** Opens a page and waits for its handle. */
export async function open(page: Page, body: string, files = {}): Promise<Hand> {
  await openGame(page, body, files);
  await ready(page);
  await frames(page);
  return Hand.of(page);
}

/** Boxes of what is drawn: the drawing's pixels that are not clear, as a box in CSS px of the window. */
export const drawnBox = (page: Page): Promise<{ left: number; top: number; right: number; bottom: number }> =>
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
