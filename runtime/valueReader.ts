/** What a game reads between two of its steps: the last values, the edges of all ticks in between, movements added up; and what it asked for in vain. */
import { magnitude } from "../core/engine/geometry/point";
import type { ActionValue, ActionValues } from "../core/engine/input/events";
import { nearestWord } from "../core/engine/nearest";
import type { ActionKind, PlayedAction } from "../core/engine/types";
import type { UnknownName, ValueByKind } from "./handle";

export interface ValueReader {
  /** A step begins: edges and movements are reported again. */
  begin(): void;
  /** A tick was played. */
  tick(values: ActionValues): void;
  value(name: string): ActionValue;
  /** The value of an action of a kind; the kind's own value at rest for another kind and for a word that is not there. */
  typed<K extends ActionKind>(name: string, kind: K): ValueByKind[K];
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
  readonly kind: ActionKind;
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

/** The value at rest of each kind. */
export const RESTS: ValueByKind = { press: false, axis: 0, vector: [0, 0], motion: [0, 0], delta: 0 };

/** Who hears of what is asked for in vain, each word once. */
export interface InVain {
  /** The layout has no such word; the one that was meant, or null: none is near. */
  missing(name: string, nearest: string | null): void;
  /** It was asked for as another kind than it is. */
  otherKind(name: string, is: ActionKind, asked: ActionKind): void;
}
const NOBODY: InVain = { missing: () => undefined, otherKind: () => undefined };

const valueOf = (one: Known): ActionValue => (one.adds === "pair" ? [one.x, one.y] : one.adds === "number" ? one.x : one.value);
/** The direction of a value, degrees. */
const angleOf = (at: ActionValue): number => (typeof at !== "object" || (at[0] === 0 && at[1] === 0) ? 0 : (Math.atan2(at[1], at[0]) * 180) / Math.PI);

/** What is known of the actions of a layout, going on from what was known of the same words before. */
function knownOf(actions: readonly PlayedAction[], atRest: ActionValues, before: ReadonlyMap<string, Known>): readonly Known[] {
  return actions.map(({ name, kind }): Known => {
    const was = before.get(name);
    const adds = kind === "motion" ? "pair" : kind === "delta" ? "number" : null;
    // What is of another kind by now begins at rest.
    const goesOn = was !== undefined && typeof was.value === typeof atRest[name];
    return goesOn ? { ...was, kind, adds } : { name, kind, adds, value: atRest[name], x: 0, y: 0, rose: false, fell: false };
  });
}

export function createReading({ missing, otherKind }: InVain = NOBODY): ValueReader {
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
  const told = new Set<string>();
  const value = (name: string): ActionValue => {
    const one = look(name);
    return one === null ? notThere(name) : valueOf(one);
  };
  const typed = <K extends ActionKind>(name: string, kind: K): ValueByKind[K] => {
    const one = look(name);
    if (one?.kind === kind) return valueOf(one) as ValueByKind[K];
    if (one === null) notThere(name);
    else if (!told.has(name)) {
      told.add(name);
      otherKind(name, one.kind, kind);
    }
    return RESTS[kind];
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
    typed,
    rose: (name) => edge(name, "rose"),
    fell: (name) => edge(name, "fell"),
    strength: (name) => strengthOf(value(name)),
    angle: (name) => angleOf(value(name)),
    know(actions, atRest) {
      rests = atRest;
      known = knownOf(actions, atRest, byWord);
      byWord = new Map(known.map((one) => [one.name, one]));
    },
    asked,
    reads,
  };
}
