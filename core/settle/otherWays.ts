/** The ways in which a pair may be reported to keep clear, other than the one it takes by itself. */
import type { Reached } from "./descend";
import type { Scenario } from "./scenarios";
import { isHeld, pairWord, type Way } from "./constraints";

/** A way for a pair, and a word for the two together. */
export interface PairWay {
  readonly word: string;
  readonly pair: string;
  readonly way: Way;
}

/** The ways that pairs may be reported, those that press most first. */
export function waysAbout({ pressing }: Reached, faces: readonly Scenario[]): PairWay[] {
  const pairs = new Map<string, { weight: number; along: { x: number; y: number }; overlap: boolean }>();
  for (const { wish, multiplier } of pressing) {
    if (wish.subjects.length !== 2 || isHeld(wish.code)) continue;
    const pair = pairWord(wish.subjects[0], wish.subjects[1]);
    const known = pairs.get(pair) ?? { weight: 0, along: { x: 0, y: 0 }, overlap: false };
    pairs.set(pair, known);
    known.weight += multiplier;
    // The first two terms tell how it changes with where the first of the two is: away from the other.
    const turn = faces[wish.face].mirrored ? -1 : 1;
    known.along = { x: known.along.x - turn * wish.terms[0][1] * multiplier, y: known.along.y - wish.terms[1][1] * multiplier };
    known.overlap ||= wish.code === "touch/overlap";
  }
  return [...pairs]
    .sort(([, a], [, b]) => b.weight - a.weight)
    .flatMap(([pair, { along, overlap }]) => {
      const length = Math.hypot(along.x, along.y) || 1;
      const others = DIRECTIONS.filter(({ x, y }) => (x * along.x + y * along.y) / length < 0.6);
      const ways: Way[] = [...others.map((one): Way => ({ along: one, apart: false })), ...(overlap ? [{ along: null, apart: true }] : [])];
      return ways.map((way) => ({ word: `${pair} ${way.along?.x} ${way.along?.y} ${way.apart}`, pair, way }));
    });
}

/** The directions in which a pair may be reported to keep clear. */
const DIRECTIONS = [
  { x: 0, y: -1 },
  { x: 0, y: 1 },
  { x: -1, y: 0 },
  { x: 1, y: 0 },
] as const;
