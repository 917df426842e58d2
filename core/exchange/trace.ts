/** Traces of input events as NDJSON: one event a line, in time order. */
import { z } from "zod";
import type { InputEvent } from "../engine/input/events";
import type { Layout } from "../format/types";
import { ok, refused, type Problem, type Result } from "../engine/result";

const time = z.number().min(0, "t must be 0 or more");
const touchId = z.number().int();
const eventSchema = z.union(
  [
    z.strictObject({ t: time, id: touchId, type: z.enum(["down", "move", "up", "cancel"]), x: z.number(), y: z.number() }),
    z.strictObject({ t: time, type: z.literal("key"), code: z.string().min(1).max(64), down: z.boolean() }),
    z.strictObject({ t: time, type: z.literal("mouse"), button: z.number().int(), down: z.boolean() }),
    z.strictObject({ t: time, type: z.literal("mouse"), dx: z.number(), dy: z.number() }),
    z.strictObject({ t: time, type: z.literal("pad"), buttons: z.array(z.number()).max(64), axes: z.array(z.number()).max(64) }),
    z.strictObject({ t: time, type: z.literal("moment"), moment: z.string().nullable() }),
    z.strictObject({ t: time, type: z.literal("control"), id: z.string(), shown: z.boolean() }),
    z.strictObject({ t: time, type: z.enum(["off", "on", "blur"]) }),
  ],
  "is not an event; see the events of the format's description",
);

/** Reads one event; a number that is not finite is refused here, so the core never meets one. */
export function readEvent(value: unknown, path: string): Result<InputEvent> {
  const read = eventSchema.safeParse(value);
  return read.success ? ok(read.data) : refused(path, read.error.issues[0].message);
}

/** What an event names that the layout lacks, as a message; null for nothing. */
function strangerIn(event: InputEvent, layout: Layout): string | null {
  const known = (items: readonly { id: string }[]) => (items.length > 0 ? `; known: ${items.map((item) => item.id).join(", ")}` : "; the layout has none");
  if (event.type === "moment" && event.moment !== null && !layout.moments.some((m) => m.id === event.moment))
    return `there is no moment "${event.moment}"${known(layout.moments)}`;
  if (event.type === "control" && !layout.controls.some((c) => c.id === event.id)) return `there is no control "${event.id}"${known(layout.controls)}`;
  return null;
}

/** Reads a whole trace to be played on a layout: what it names must stand there. Errors name the line. Empty lines are passed over. */
export function readTrace(text: string, layout: Layout): Result<InputEvent[]> {
  const events: InputEvent[] = [];
  const problems: Problem[] = [];
  let last = 0;
  text.split("\n").forEach((line, index) => {
    if (line.trim() === "" || problems.length >= 20) return;
    const path = `line ${index + 1}`;
    let value: unknown;
    try {
      value = JSON.parse(line);
    } catch {
      problems.push({ path, message: "is not JSON" });
      return;
    }
    const read = readEvent(value, path);
    if (!read.ok) problems.push(...read.problems);
    else if (read.value.t < last) problems.push({ path, message: `its time ${read.value.t} lies before that of the line above; events must be in time order` });
    else {
      const stranger = strangerIn(read.value, layout);
      if (stranger) problems.push({ path, message: stranger });
      last = read.value.t;
      events.push(read.value);
    }
  });
  return problems.length > 0 ? { ok: false, problems } : ok(events);
}
