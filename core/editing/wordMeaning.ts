/**
 * What the names of a game's actions mean for controls: the way of a stick for an axis, the direction for a press. These are proposals; the user
 * decides.
 */
import type { Port, Serve } from "../format/types";

export type Direction = "up" | "down" | "left" | "right";
export const DIRECTIONS: readonly Direction[] = ["up", "down", "left", "right"];

const list = (words: string): ReadonlySet<string> => new Set(words.split(" "));

/** Words of directions: English, German, French, Spanish, Italian, Portuguese, without accents. */
const DIRECTION_WORDS: Readonly<Record<Direction, ReadonlySet<string>>> = {
  up: list("up upward upwards north forward forwards ahead oben hoch rauf vor haut avant arriba adelante su sopra avanti cima"),
  down: list("down downward downwards south back backward backwards unten runter zuruck zurueck bas arriere abajo atras giu sotto indietro baixo"),
  left: list("left leftward leftwards west links gauche izquierda sinistra esquerda"),
  right: list("right rightward rightwards east rechts droite derecha destra direita"),
};
/** Words of axes along each way of a stick, next to those of directions. */
const AXIS_WORDS: Readonly<Record<"x" | "y", ReadonlySet<string>>> = {
  x: list("x horizontal horizontally turn turning steer steering strafe strafing sideways sidestep sidle lateral yaw rudder lean"),
  y: list("y vertical vertically climb climbing throttle gas thrust pitch elevate elevation altitude lift accelerate"),
};

/** The words of a name in small letters without accents: `moveX`, `move_x` and "Move x" are move and x. */
export const wordsOf = (name: string): string[] =>
  name
    .replace(/([\p{Ll}\d])(?=\p{Lu})/gu, "$1 ")
    .normalize("NFD")
    .replace(/\p{M}+/gu, "")
    .toLowerCase()
    .split(/[^\p{L}\d]+/u)
    .filter((word) => word !== "");

const directionOf = (word: string): Direction | null => DIRECTIONS.find((direction) => DIRECTION_WORDS[direction].has(word)) ?? null;

/** Returns the way of a stick or d-pad that the name of an axis means; null if it means neither or both. */
export function axisMeant(name: string): "x" | "y" | null {
  const ways = new Set<"x" | "y">();
  for (const word of wordsOf(name)) {
    const direction = directionOf(word);
    if (AXIS_WORDS.x.has(word) || direction === "left" || direction === "right") ways.add("x");
    if (AXIS_WORDS.y.has(word) || direction === "up" || direction === "down") ways.add("y");
  }
  return ways.size === 1 ? [...ways][0] : null;
}

/** Returns the port of a stick or d-pad for an axis: the one its name means, else the one of x and y that serves nothing yet, else x. */
export function axisPort(name: string, serves: readonly Serve[]): "x" | "y" {
  const isFree = (port: Port) => !serves.some((serve) => serve.port === port);
  return axisMeant(name) ?? (!isFree("x") && isFree("y") ? "y" : "x");
}

/** Returns the direction in a name, and the name with `*` in its place; null if there is none, or more than one. */
function partedByDirection(name: string): { readonly direction: Direction; readonly rest: string } | null {
  const words = wordsOf(name);
  const said = words.flatMap((word, i) => {
    const direction = directionOf(word);
    return direction ? [{ direction, i }] : [];
  });
  if (said.length !== 1) return null;
  const [{ direction, i }] = said;
  return { direction, rest: [...words.slice(0, i), "*", ...words.slice(i + 1)].join(" ") };
}

/**
 * Which of four names is up, down, left and right, where they differ in that alone: `up, down, left, right`, `move_left, move_right, …`,
 * `linksGehen, rechtsGehen, …`. Null for other names.
 */
export function fourDirections<T extends { readonly name: string }>(items: readonly T[]): Readonly<Record<Direction, T>> | null {
  if (items.length !== 4) return null;
  const found = new Map<Direction, T>();
  const rests = new Set<string>();
  for (const item of items) {
    const parted = partedByDirection(item.name);
    if (!parted) return null;
    found.set(parted.direction, item);
    rests.add(parted.rest);
  }
  if (found.size !== 4 || rests.size !== 1) return null;
  return Object.fromEntries(found) as Record<Direction, T>;
}

/** Returns the words that all names share: of `moveX` and `moveY`, move. Null if there are none. */
export function commonName(items: readonly { readonly name: string }[]): string | null {
  const words = items.map(({ name }) => wordsOf(name));
  const common = words[0]?.filter((word) => words.every((other) => other.includes(word))) ?? [];
  return common.length > 0 ? common.join(" ") : null;
}

/** The order of directions round a ring, from the top with the clock, and along an arc, from left to right. */
const ORDER = { ring: ["up", "right", "down", "left"], arc: ["left", "up", "down", "right"] } as const satisfies Record<string, readonly Direction[]>;

/** Names by their meaning in a form, where all of them say a direction; otherwise as they are. */
export function orderedByMeaning<T>(items: readonly T[], nameOf: (item: T) => string, form: "ring" | "arc"): readonly T[] {
  const placed = items.map((item) => ({ item, direction: partedByDirection(nameOf(item))?.direction ?? null }));
  if (placed.some(({ direction }) => direction === null)) return items;
  const order: readonly Direction[] = ORDER[form];
  return placed.sort((a, b) => order.indexOf(a.direction!) - order.indexOf(b.direction!)).map(({ item }) => item);
}

/** Words by which two names of the same form mean two things. */
const APART = list(
  "x y z w h a b c d 1 2 3 4 one two first second left right up down top bottom in out on off start stop begin end next prev previous plus minus min max",
);

/** Whether two names mean two things by the one word in which they differ: `moveX` and `moveY`, `look_left` and `look_right`, `slot 1` and `slot 2`. */
export function differByMeaning(a: string, b: string): boolean {
  const parted = (name: string) => wordsOf(name.replace(/(\d+)/g, " $1 "));
  const [mine, theirs] = [parted(a), parted(b)];
  if (mine.length !== theirs.length) return false;
  const differing = mine.flatMap((word, i) => (word === theirs[i] ? [] : [[word, theirs[i]]]));
  return differing.length === 1 && differing[0].every((word) => APART.has(word) || /^\d+$/.test(word) || directionOf(word) !== null);
}
