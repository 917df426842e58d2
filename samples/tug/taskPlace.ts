/** Where the tug's task line is: near the top, under no control. Lengths in px of the screen. */
import { wordWidth } from "../../core/derived/letterWidths";
import type { Box } from "../../core/engine/geometry/point";

/** A place for the line: the middle of each of its lines, and the height of its letters (em). */
export interface TaskPlace {
  readonly x: number;
  /** The baselines of one or two lines. */
  readonly lines: readonly number[];
  readonly em: number;
}

/** Letters of the line, parts of the shorter side; smaller ones where there is no room. */
const EM_PARTS = [19 / 720, 15 / 720, 12 / 720] as const;
/** The longest the line can be: the clock, and both tasks. */
export const TASKS = { cast: "cast the barge off in its berth", tow: "tow the barge to its berth", fire: "put the fire out" } as const;
const LONGEST = [`00:00 · ${TASKS.cast} · ${TASKS.fire}`] as const;
const LONGEST_OF_TWO = [`00:00 · ${TASKS.cast}`, TASKS.fire] as const;
/** Room above a baseline and below it, parts of the em. */
const ABOVE = 0.85;
const BELOW = 0.25;
const LINE = 1.3;
/** Places are tried so far from each other, parts of the shorter side. */
const STEP = 1 / 60;

/** The box that a place takes. @internal exported for its test */
export function boxOfTask({ x, lines, em }: TaskPlace): Box {
  const width = Math.max(...(lines.length === 1 ? LONGEST : LONGEST_OF_TWO).map(wordWidth)) * em;
  return { x: x - width / 2, y: lines[0] - ABOVE * em, w: width, h: lines[lines.length - 1] - lines[0] + (ABOVE + BELOW) * em };
}

const meet = (a: Box, b: Box) => a.x < b.x + b.w && b.x < a.x + a.w && a.y < b.y + b.h && b.y < a.y + a.h;

/** The place nearest to where the line usually is that nothing covers, in one line before two, in large letters before small ones; null where there is none. */
export function taskPlace(covers: readonly Box[], room: Box, { w, h }: { readonly w: number; readonly h: number }): TaskPlace | null {
  const shorter = Math.min(w, h);
  const usual = { x: w / 2, y: (78 / 720) * shorter };
  const step = STEP * shorter;
  for (const part of EM_PARTS)
    for (const count of [1, 2]) {
      const em = part * shorter;
      let best: TaskPlace | null = null;
      let nearest = Infinity;
      for (let y = room.y + em; y < room.y + room.h; y += step)
        for (let x = room.x; x < room.x + room.w; x += step) {
          const far = Math.hypot(x - usual.x, 2 * (y - usual.y));
          if (far >= nearest) continue;
          const place: TaskPlace = { x, lines: Array.from({ length: count }, (_, i) => y + i * LINE * em), em };
          const box = boxOfTask(place);
          const isInside = box.x >= room.x && box.y >= room.y && box.x + box.w <= room.x + room.w && box.y + box.h <= room.y + room.h;
          if (isInside && !covers.some((cover) => meet(box, cover))) [best, nearest] = [place, far];
        }
      if (best) return best;
    }
  return null;
}
