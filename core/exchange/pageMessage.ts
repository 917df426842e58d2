/** What the page of somebody's game sends to the editor, read at the door: a page may send anything, and nothing of it may break the editor. */
import { z } from "zod";

/** At most this many words asked in vain are reported at once. @internal exported for its test */
export const MOST_ASKED = 200;
const text = (most: number) => z.string().max(most);
const asked = z.object({ times: z.number().int().min(0).max(Number.MAX_SAFE_INTEGER), nearest: text(64).nullable() });
const message = z.discriminatedUnion("nodulum", [
  z.object({ nodulum: z.literal("ready") }),
  z.object({ nodulum: z.literal("taken"), problem: text(2000).nullable() }),
  z.object({ nodulum: z.literal("asked"), asked: z.record(text(64), asked) }),
]);

/** A message of a page: it is there, it has taken a layout or says why not, it has asked for words that are not there. */
export type PageMessage = z.output<typeof message>;

/** Reads a message; null where it is none, or over a limit. Nothing of a long list is looked at. */
export function readPageMessage(data: unknown): PageMessage | null {
  const words = typeof data === "object" && data !== null && "asked" in data ? data.asked : null;
  if (typeof words === "object" && words !== null) {
    let count = 0;
    for (const _ in words) if ((count += 1) > MOST_ASKED) return null;
  }
  const read = message.safeParse(data);
  return read.success ? read.data : null;
}

/** How many messages are read: this many at once, and this many more each second. */
const AT_ONCE = 60;
const EACH_SECOND = 60;

/** Says of each message whether it is read. Times are ms, never falling. */
export function createMessageRate(): (nowMs: number) => boolean {
  let room = AT_ONCE;
  let last: number | null = null;
  return (nowMs) => {
    room = Math.min(AT_ONCE, room + ((nowMs - (last ?? nowMs)) / 1000) * EACH_SECOND);
    last = nowMs;
    if (room < 1) return false;
    room -= 1;
    return true;
  };
}
