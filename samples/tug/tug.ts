/** The tug as a game to be played. */
import type { Game } from "../game";
import { drawWorld } from "./draw";
import { momentOf, newTug, sail, type TugState } from "./world";

/** The words the tug reads; a layout that has them all can be played with it. */
export const TUG_WORDS: readonly string[] = ["helm", "lamp", "towline", "horn"];

export function createTug(): Game & { readonly state: () => TugState } {
  let tug = newTug();
  let revision = 0;
  return {
    tick(values, ms) {
      const next = sail(tug, values, ms);
      // While the log is open or the game is paused, its time stands and it is drawn as it was.
      if (next.time !== tug.time || next.logOpen !== tug.logOpen || next.paused !== tug.paused || next.horn !== tug.horn || next.pumping !== tug.pumping)
        revision += 1;
      tug = next;
    },
    revision: () => revision,
    draw: (ctx, w, h) => drawWorld(ctx, tug, w, h),
    moment: () => momentOf(tug),
    state: () => tug,
  };
}
