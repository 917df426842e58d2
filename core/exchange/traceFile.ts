/** Traces of input events as NDJSON: one event a line, in time order. */
import { z } from "zod";
import type { InputEvent } from "../engine/input/events";
import { readJson } from "../format/parseJson";
import { FILES, TEXTS, TRACES, type Limit } from "../format/limits";
import { problemsToTell, readThrough } from "../format/readThrough";
import { idSchema, listOf, textSchema } from "../format/schema/parts";
import type { Layout } from "../format/types";
import { ok, refused, type Problem, type Result } from "../engine/result";

const within = ({ least, most, words }: Limit & { readonly least: number }) => z.number(words).min(least, words).max(most, words);
const whole = (limit: Limit & { readonly least: number }) => within(limit).int(limit.words);
const time = within(TRACES.timeMs);
const button = whole(TRACES.mouseButton);
const amount = z.number("must be a number");
const touch = z.strictObject({ t: time, id: whole(TRACES.touchId), type: z.enum(["down", "move", "up", "cancel"]), x: amount, y: amount });
const key = z.strictObject({ t: time, type: z.literal("key"), code: textSchema(TEXTS.code), down: z.boolean() });
const mouseButton = z.strictObject({ t: time, type: z.literal("mouse"), button, down: z.boolean() });
const mouseMove = z.strictObject({ t: time, type: z.literal("mouse"), dx: amount, dy: amount });
const pad = z.strictObject({ t: time, type: z.literal("pad"), buttons: listOf(amount, TRACES.padButtons), axes: listOf(amount, TRACES.padAxes) });
const moment = z.strictObject({ t: time, type: z.literal("moment"), moment: idSchema.nullable() });
const control = z.strictObject({ t: time, type: z.literal("control"), id: idSchema, shown: z.boolean() });
const plain = z.strictObject({ t: time, type: z.enum(["off", "on", "blur"]) });

/** The form of an event by its type: each is held against its own and no other, for a trace may have 200,000. Null where there is none. */
function formOf(value: unknown): z.ZodType<InputEvent> | null {
  if (typeof value !== "object" || value === null) return null;
  switch ((value as { type?: unknown }).type) {
    case "down":
    case "move":
    case "up":
    case "cancel":
      return touch;
    case "key":
      return key;
    case "mouse":
      return "button" in value ? mouseButton : mouseMove;
    case "pad":
      return pad;
    case "moment":
      return moment;
    case "control":
      return control;
    case "off":
    case "on":
    case "blur":
      return plain;
    default:
      return null;
  }
}

/** Reads one event; a number that is not finite is refused here, so the core never meets one. */
export function readEvent(value: unknown, path: string): Result<InputEvent> {
  const form = formOf(value);
  if (!form) return refused(path, "is not an event; see the events of the format's description");
  const read = readThrough(form, value);
  if (read.ok) return read;
  const [{ path: at, message }] = read.problems;
  return refused(path, at === "" ? message : `${at}: ${message}`);
}

/** What an event names that the layout lacks, as a message; null for nothing. */
function strangerIn(event: InputEvent, layout: Layout): string | null {
  const known = (items: readonly { id: string }[]) => (items.length > 0 ? `; known: ${items.map((item) => item.id).join(", ")}` : "; the layout has none");
  if (event.type === "moment" && event.moment !== null && !layout.moments.some((m) => m.id === event.moment))
    return `there is no moment "${event.moment}"${known(layout.moments)}`;
  if (event.type === "control" && !layout.controls.some((c) => c.id === event.id)) return `there is no control "${event.id}"${known(layout.controls)}`;
  return null;
}

/** Reads a trace line by line as it comes, to be played on a layout: what it names must be there. */
export interface TraceReader {
  /** The next line, in order; null for an empty one, which is passed over. */
  line(text: string): Result<InputEvent | null>;
}

/** A reader at the beginning of a trace. */
export function createTraceReader(layout: Layout): TraceReader {
  let lines = 0;
  let events = 0;
  let last = 0;
  const eventIn = (text: string, path: string): Result<InputEvent> => {
    if (text.length > TRACES.lineLetters.most) return refused(path, TRACES.lineLetters.words);
    const value = readJson(text);
    if (!value.ok) return refused(path, "is not JSON");
    const read = readEvent(value.value, path);
    if (!read.ok) return read;
    if (read.value.t < last) return refused(path, `its time ${read.value.t} is before the previous line; sort the events by time`);
    const stranger = strangerIn(read.value, layout);
    return stranger ? refused(path, stranger) : read;
  };
  return {
    line(text) {
      lines += 1;
      if (text.trim() === "") return ok(null);
      const read = eventIn(text, `line ${lines}`);
      if (!read.ok) return read;
      events += 1;
      if (events > TRACES.events.most) return refused(`line ${lines}`, TRACES.events.words);
      last = read.value.t;
      return read;
    },
  };
}

/** Reads a whole trace. Errors name the line. */
export function readTrace(text: string, layout: Layout): Result<InputEvent[]> {
  if (text.length > TRACES.bytes.most) return refused("", TRACES.bytes.words);
  const reader = createTraceReader(layout);
  const events: InputEvent[] = [];
  const problems: Problem[] = [];
  for (const line of text.split("\n")) {
    const read = reader.line(line);
    if (!read.ok) problems.push(...read.problems);
    else if (read.value !== null) events.push(read.value);
    if (problems.length > FILES.problems.most || events.length > TRACES.events.most) break;
  }
  return problems.length > 0 ? { ok: false, problems: problemsToTell(problems) } : ok(events);
}
