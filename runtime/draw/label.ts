/** Words on controls: how wide they are, and how they are drawn. */
import { LETTER_PART, WORD_PART } from "../../core/engine/lettering";
import type { Box } from "../../core/engine/geometry/point";
import type { DrawingContext } from "./drawn";

type Ctx = DrawingContext;
const FAMILY = '"Archivo Variable", system-ui, sans-serif';
/** Widths of words at 100 px, by word; measuring is dear, and words are few. Emptied when fonts come in or it grows out of hand. */
const widths = new Map<string, number>();

/** Forgets how wide words are: call it when a font has come in. */
export function forgetWordWidths(): void {
  widths.clear();
}

function widthAt100(ctx: Ctx, label: string): number {
  let width = widths.get(label);
  if (width === undefined) {
    ctx.font = `600 100px ${FAMILY}`;
    width = Math.max(1, ctx.measureText(label).width);
    if (widths.size > 2000) widths.clear();
    widths.set(label, width);
  }
  return width;
}

/** How wide a word is in the letters it is drawn in, as a part of their em. */
export const wordEm = (ctx: Ctx, word: string): number => widthAt100(ctx, word) / 100;

/** Words whose first letter is of a script written from right to left: Hebrew, Arabic, Syriac, Thaana, N'Ko (Unicode blocks). */
const FROM_RIGHT = /^[^\p{L}]*[\u0590-\u08ff\ufb1d-\ufdff\ufe70-\ufeff]/u;

/** A word about the origin, within a box's sides. */
export function drawLabel(ctx: Ctx, { w, h }: Box, label: string, em: number): void {
  const size = Math.min(h * LETTER_PART, w * LETTER_PART, (w * WORD_PART) / em);
  ctx.direction = FROM_RIGHT.test(label) ? "rtl" : "ltr";
  // In halves of a pixel: the browser reads every new font again, and the rail has a dozen sizes of each word.
  ctx.font = `600 ${Math.round(size * 2) / 2}px ${FAMILY}`;
  ctx.textAlign = "center";
  ctx.textBaseline = "middle";
  ctx.fillText(label, 0, 0);
}
