/** The tug as a game to be played. */
import type { Game } from "../game";
import { drawWorld } from "./draw";
import { momentOf, newTug, sail, type TugState } from "./world";

/** The words the tug reads; a layout that has them all can be played with it. */
export const TUG_WORDS: readonly string[] = ["helm", "lamp", "towline", "horn"];

export function createTug(): Game & { readonly state: () => TugState } {
  let tug = newTug();
  return {
    tick(values, ms) {
      tug = sail(tug, values, ms);
    },
    draw: (ctx, w, h) => drawWorld(ctx, tug, w, h),
    moment: () => momentOf(tug),
    state: () => tug,
  };
}
