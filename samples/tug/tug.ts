/** The tug as a game to be played. */
import type { Box } from "../../core/engine/geometry/point";
import type { Game } from "../game";
import { drawWorld, instruments } from "./draw";
import { taskPlace, type TaskPlace } from "./taskPlace";
import { momentOf, newTug, sail, type TugState } from "./world";

/** The words the tug reads; a layout that has them all can be played with it. */
export const TUG_WORDS: readonly string[] = ["helm", "lamp", "towline", "horn"];

/** The tug, with its state, and where its task line is on a screen with controls over it. */
export interface Tug extends Game {
  readonly state: () => TugState;
  /** Says what covers the glass, and where the line may stand, px of the screen. */
  cover(covers: readonly Box[], room: Box): void;
}

export function createTug(): Tug {
  let tug = newTug();
  let revision = 0;
  let covered: { readonly covers: readonly Box[]; readonly room: Box } | null = null;
  /** The place for a size of the screen, sought once. */
  let placed: { readonly key: string; readonly place: TaskPlace | null } | null = null;
  const placeOn = (w: number, h: number): TaskPlace | null => {
    const key = `${w} ${h}`;
    if (placed?.key !== key) {
      const { covers, room } = covered ?? { covers: [], room: { x: 0, y: 0, w, h } };
      placed = { key, place: taskPlace([...covers, ...instruments(w, h)], room, { w, h }) };
    }
    return placed.place;
  };
  return {
    tick(values, ms) {
      const next = sail(tug, values, ms);
      // While the log is open or the game is paused, its time is and it is drawn as it was.
      if (next.time !== tug.time || next.logOpen !== tug.logOpen || next.paused !== tug.paused || next.horn !== tug.horn || next.pumping !== tug.pumping)
        revision += 1;
      tug = next;
    },
    revision: () => revision,
    draw: (ctx, w, h) => drawWorld(ctx, tug, { w, h }, placeOn(w, h)),
    moment: () => momentOf(tug),
    state: () => tug,
    cover(covers, room) {
      covered = { covers, room };
      placed = null;
      revision += 1;
    },
  };
}
