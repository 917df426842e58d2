"use client";
/** How wide the words on a layout's controls are in the letters they are drawn in. */
import { wordsOn, type WordWidths } from "../../core/checks/overflowingWords";
import type { Layout } from "../../core/format/types";
import { wordEm } from "../../runtime/art";

let ctx: CanvasRenderingContext2D | null | undefined;
let last: { readonly words: string; readonly widths: WordWidths } = { words: "", widths: {} };

/** The widths, as parts of the letters' em. While the words are the same, the same object; without a canvas none. */
export function wordWidths(layout: Layout): WordWidths {
  if (ctx === undefined) ctx = typeof document === "undefined" ? null : document.createElement("canvas").getContext("2d");
  const found = [...new Set(layout.controls.flatMap((control) => wordsOn(control).map(([, word]) => word)))];
  const words = JSON.stringify(found);
  const measured = ctx;
  if (measured && words !== last.words) last = { words, widths: Object.fromEntries(found.map((word) => [word, wordEm(measured, word)])) };
  return last.widths;
}
