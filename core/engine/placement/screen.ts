/** Screens as the command line writes them, and what follows from a screen alone. */
import type { Box } from "../geometry/point";
import type { Screen } from "../types";
import { ok, refused, type Result } from "../result";

export type { Screen };

const NO_SIDES = { left: 0, top: 0, right: 0, bottom: 0 } as const;

/** A screen from its bare figures; everything else is absent. */
export function plainScreen(name: string, widthPx: number, heightPx: number, ppi: number): Screen {
  return { name, widthPx, heightPx, ppi, insets: { ...NO_SIDES }, cornerPx: 0, cutouts: [], edges: { ...NO_SIDES } };
}

/** Reads `2400x1080@411+96,0,96,48`: px, pixels an inch, then optionally the insets left, top, right, bottom in px. The text becomes the name. */
export function parseScreen(text: string): Result<Screen> {
  const number = "(\\d+(?:\\.\\d+)?)";
  const match = new RegExp(`^${number}x${number}@${number}(?:\\+${number},${number},${number},${number})?$`).exec(text.trim());
  if (!match)
    return refused("screen", `"${text}" is not a screen; write WIDTHxHEIGHT@PPI, then optionally +LEFT,TOP,RIGHT,BOTTOM, such as 2400x1080@411+96,0,96,48`);
  const [width, height, ppi, left = 0, top = 0, right = 0, bottom = 0] = match
    .slice(1)
    .filter((part) => part !== undefined)
    .map(Number);
  if (!(width > 0 && height > 0 && ppi > 0)) return refused("screen", `"${text}": width, height and ppi must be above 0`);
  if (left + right >= width || top + bottom >= height) return refused("screen", `"${text}": the insets leave no room`);
  return ok({ ...plainScreen(text, width, height, ppi), insets: { left, top, right, bottom } });
}

/** Pixels a millimetre. */
export function pxPerMm(screen: Screen): number {
  return screen.ppi / 25.4;
}

/** Width over height. */
export function aspectOf(screen: Screen): number {
  return screen.widthPx / screen.heightPx;
}

/** The three frames of a screen, px. A safe frame whose insets meet has no width (or height) and is at their mean. */
export interface ScreenFrames {
  readonly screen: Box;
  readonly safe: Box;
  readonly picture: Box;
}

/** The frames: the screen, the screen less its insets, and the largest centred box of an aspect within `picture` (none given: the screen). */
export function framesOf(screen: Screen, picture?: { minAspect: number; maxAspect: number }): ScreenFrames {
  const { widthPx: w, heightPx: h, insets } = screen;
  const whole = { x: 0, y: 0, w, h };
  const safe = { x: insets.left, y: insets.top, w: Math.max(0, w - insets.left - insets.right), h: Math.max(0, h - insets.top - insets.bottom) };
  if (!picture) return { screen: whole, safe, picture: whole };
  const own = w / h;
  const aspect = Math.min(Math.max(own, picture.minAspect), picture.maxAspect);
  const pw = aspect < own ? h * aspect : w;
  const ph = aspect > own ? w / aspect : h;
  return { screen: whole, safe, picture: { x: (w - pw) / 2, y: (h - ph) / 2, w: pw, h: ph } };
}
