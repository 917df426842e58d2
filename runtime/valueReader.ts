/** What a game reads between two of its steps: the last values, the edges of all ticks in between, movements added up; and what it asked for in vain. */
import { magnitude } from "../core/engine/geometry/point";
import type { ActionValue, ActionValues } from "../core/engine/input/events";
import { nearestWord } from "../core/engine/nearest";
import type { PlayedAction } from "../core/engine/types";
import type { UnknownName } from "./handle";

export interface ValueReader {
  /** A step begins: edges and movements are reported again. */
  begin(): void;
  /** A tick was played. */
  tick(values: ActionValues): void;
  value(name: string): ActionValue;
  /** How much an action gives, 0…1; a motion or delta: how far it went. */
  strength(name: string): number;
  /** The way it points, degrees counter-clockwise from the right; 0 where it gives nothing. */
  angle(name: string): number;
  rose(name: string): boolean;
  fell(name: string): boolean;
  /** The layout has changed: which words there are. */
  know(actions: readonly PlayedAction[], atRest: ActionValues): void;
  readonly asked: Record<string, UnknownName>;
  readonly reads: Record<string, number>;
}

const strengthOf = (value: ActionValue) =>
  typeof value === "boolean" ? (value ? 1 : 0) : typeof value === "number" ? Math.abs(value) : magnitude(value[0], value[1]);

/** What is known of an action. Changed in place: at every tick nothing is made. */
interface Known {
  readonly name: string;
  /** Movements are added up from tick to tick. */
  readonly adds: "pair" | "number" | null;
  value: ActionValue;
  /** Of a motion or delta (x): how far it went since the step began. */
  x: number;
  y: number;
  rose: boolean;
  fell: boolean;
}

/** A step begins: nothing has changed in it, and no motion has gone anywhere. */
function beginStep(known: readonly Known[]): void {
  for (let i = 0; i < known.length; i += 1) {
    const one = known[i];
    one.rose = one.fell = false;
    one.x = one.y = 0;
  }
}

/** Takes the values of a tick in. */
function takeTick(known: readonly Known[], values: ActionValues): void {
  for (let i = 0; i < known.length; i += 1) {
    const one = known[i];
    const next = values[one.name];
    if (one.adds === "pair") {
      one.x += (next as readonly [number, number])[0];
      one.y += (next as readonly [number, number])[1];
    } else if (one.adds === "number") one.x += next as number;
    else {
      if (next === true && one.value === false) one.rose = true;
      if (next === false && one.value === true) one.fell = true;
      one.value = next;
    }
  }
}

/** `missing` hears of each word that the layout does not have, once, with the word that was meant; null: none is near. */
export function createReading(missing: (name: string, nearest: string | null) => void = () => undefined): ValueReader {
  let known: readonly Known[] = [];
  let byWord: ReadonlyMap<string, Known> = new Map();
  let rests: ActionValues = {};
  const asked: Record<string, UnknownName> = Object.create(null) as Record<string, UnknownName>;
  const reads: Record<string, number> = Object.create(null) as Record<string, number>;
  const look = (name: string): Known | null => {
    reads[name] = (reads[name] ?? 0) + 1;
    return byWord.get(name) ?? null;
  };
  /** At rest, in the shape of the word that was meant. */
  const notThere = (name: string): ActionValue => {
    const before = asked[name];
    const nearest = before ? before.nearest : nearestWord(name, [...byWord.keys()], 1);
    asked[name] = { times: (before?.times ?? 0) + 1, nearest };
    if (!before) missing(name, nearest);
    return nearest === null ? false : rests[nearest];
  };
  const value = (name: string): ActionValue => {
    const one = look(name);
    if (one === null) return notThere(name);
    return one.adds === "pair" ? [one.x, one.y] : one.adds === "number" ? one.x : one.value;
  };
  const edge = (name: string, which: "rose" | "fell"): boolean => {
    const one = look(name);
    if (one !== null) return one[which];
    notThere(name);
    return false;
  };
  return {
    begin: () => beginStep(known),
    tick: (values) => takeTick(known, values),
    value,
    rose: (name) => edge(name, "rose"),
    fell: (name) => edge(name, "fell"),
    strength: (name) => strengthOf(value(name)),
    angle(name) {
      const at = value(name);
      if (typeof at !== "object" || (at[0] === 0 && at[1] === 0)) return 0;
      return (Math.atan2(at[1], at[0]) * 180) / Math.PI;
    },
    know(actions, atRest) {
      rests = atRest;
      known = actions.map(({ name, kind }): Known => {
        const was = byWord.get(name);
        const adds = kind === "motion" ? "pair" : kind === "delta" ? "number" : null;
        // What is of another kind by now begins at rest.
        const goesOn = was !== undefined && typeof was.value === typeof atRest[name];
        return goesOn ? { ...was, adds } : { name, adds, value: atRest[name], x: 0, y: 0, rose: false, fell: false };
      });
      byWord = new Map(known.map((one) => [one.name, one]));
    },
    asked,
    reads,
  };
}
