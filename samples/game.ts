/** What a demo game is to the view that plays it: it reads action values by name, nothing else, at a fixed tick. */
import { ownEntry } from "../core/engine/playerChanges";
import type { ActionValues } from "../core/engine/input/events";

export interface Game {
  /** One tick with the values of every action. */
  tick(values: ActionValues, tickMs: number): void;
  /** Draws the game on a screen of w × h px. */
  draw(ctx: CanvasRenderingContext2D, w: number, h: number): void;
  /** A number that is another one whenever the game would be drawn otherwise: who draws it leaves out what would be the same. */
  revision(): number;
  /** The moment the game is in, or null where it has none. */
  moment(): string | null;
}

/** A press by its word; false where the game is given none. */
export function pressOf(values: ActionValues, name: string): boolean {
  return ownEntry(values, name) === true;
}

/** An axis by its word, −1…1, or a delta; 0 where the game is given none. */
export function axisOf(values: ActionValues, name: string): number {
  const value = ownEntry(values, name);
  return typeof value === "number" ? value : 0;
}

/** A vector or motion by its word; [0, 0] where the game is given none. */
export function pairOf(values: ActionValues, name: string): readonly [number, number] {
  const value = ownEntry(values, name);
  return typeof value === "object" ? value : [0, 0];
}
