/** What a game reads between two of its steps: the last values, the edges of all ticks in between, movements added up; and what it asked for in vain. */
import { magnitude } from "../core/engine/geometry/point";
import type { ActionValue, ActionValues } from "../core/engine/input/events";
import { nearestWord } from "../core/engine/nearest";
import type { PlayedAction } from "../core/engine/types";
import type { Asked } from "./handle";

export interface Reading {
  /** A step begins: edges and movements are told anew. */
  begin(): void;
  /** A tick was played. */
  tick(values: ActionValues): void;
  value(name: string): ActionValue;
  /** How much an action gives, 0…1; a motion: how far it went. */
  strength(name: string): number;
  /** The way it points, degrees counter-clockwise from the right; 0 where it gives nothing. */
  angle(name: string): number;
  rose(name: string): boolean;
  fell(name: string): boolean;
  /** The layout has changed: which words there are. */
  know(actions: readonly PlayedAction[], atRest: ActionValues): void;
  readonly asked: Record<string, Asked>;
  readonly reads: Record<string, number>;
}

const strengthOf = (value: ActionValue) =>
  typeof value === "boolean" ? (value ? 1 : 0) : typeof value === "number" ? Math.abs(value) : magnitude(value[0], value[1]);

/** `missing` hears of each word that the layout does not have, once, with the word that was meant; null: none is near. */
export function createReading(missing: (name: string, nearest: string | null) => void = () => undefined): Reading {
  let last = new Map<string, ActionValue>();
  let rests: ActionValues = {};
  let motions = new Set<string>();
  const risen = new Set<string>();
  const fallen = new Set<string>();
  const asked: Record<string, Asked> = Object.create(null) as Record<string, Asked>;
  const reads: Record<string, number> = Object.create(null) as Record<string, number>;
  const look = (name: string): ActionValue => {
    reads[name] = (reads[name] ?? 0) + 1;
    const value = last.get(name);
    if (value !== undefined) return value;
    const before = asked[name];
    const nearest = before ? before.nearest : nearestWord(name, [...last.keys()], 1);
    asked[name] = { times: (before?.times ?? 0) + 1, nearest };
    if (!before) missing(name, nearest);
    // At rest, in the shape of the word that was meant.
    return nearest === null ? false : rests[nearest];
  };
  return {
    begin() {
      risen.clear();
      fallen.clear();
      for (const name of motions) last.set(name, [0, 0]);
    },
    tick(values) {
      for (const name of last.keys()) {
        const value = values[name];
        const before = last.get(name);
        if (value === true && before === false) risen.add(name);
        if (value === false && before === true) fallen.add(name);
        if (motions.has(name)) {
          const [x, y] = before as readonly [number, number];
          last.set(name, [x + (value as readonly [number, number])[0], y + (value as readonly [number, number])[1]]);
        } else last.set(name, value);
      }
    },
    value: look,
    rose: (name) => (look(name), risen.has(name)),
    fell: (name) => (look(name), fallen.has(name)),
    strength: (name) => strengthOf(look(name)),
    angle(name) {
      const value = look(name);
      if (typeof value !== "object" || (value[0] === 0 && value[1] === 0)) return 0;
      return (Math.atan2(value[1], value[0]) * 180) / Math.PI;
    },
    know(actions, atRest) {
      rests = atRest;
      const known = new Map<string, ActionValue>();
      for (const { name } of actions) {
        const [was, rests] = [last.get(name), atRest[name]];
        // What is of another kind by now begins at rest.
        known.set(name, was !== undefined && typeof was === typeof rests ? was : rests);
      }
      last = known;
      motions = new Set(actions.filter(({ kind }) => kind === "motion").map(({ name }) => name));
    },
    asked,
    reads,
  };
}
