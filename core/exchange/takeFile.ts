/** Takes as files: one JSON object, read at the door and written in the order of its keys (docs/TAKES.md). */
import { z } from "zod";
import type { TickOutput } from "../engine/input/advance";
import type { ActionValue, InputEvent } from "../engine/input/events";
import { ok, refused, type Problem, type Result } from "../engine/result";
import { readJson } from "../format/parseJson";
import { LISTS, SCREENS, TAKES, TEXTS, TRACES, type Limit } from "../format/limits";
import { problemsToTell, readThrough } from "../format/readThrough";
import { idSchema, lineOf, listOf, nameSchema } from "../format/schema/parts";
import { takeLengthMs, type Take } from "../rehearsal/take";
import { readEvent } from "./traceFile";

const TAKE_FORMAT = "nodulum-take";
const TAKE_VERSION = 1;
/** How the name of a take's file ends. */
export const TAKE_FILE = ".nodulum-take.json";

const within = ({ least, most, words }: Limit & { readonly least: number }) => z.number(words).min(least, words).max(most, words);
const inset = within(SCREENS.insetPx);
const sides = z.strictObject({ left: inset, top: inset, right: inset, bottom: inset });
const cutout = z.strictObject({ x: within(SCREENS.cutoutPx), y: within(SCREENS.cutoutPx), w: inset, h: inset });
/** A screen with every field written: a take represents itself. */
const wholeScreen = z.strictObject({
  name: lineOf(TEXTS.screenName),
  widthPx: within(SCREENS.sidePx),
  heightPx: within(SCREENS.sidePx),
  ppi: within(SCREENS.ppi),
  insets: sides,
  cornerPx: inset,
  cutouts: listOf(cutout, LISTS.cutouts),
  edges: sides,
});
/** All of a take but its long lists, which are read item by item. */
const head = z.strictObject({
  format: z.literal(TAKE_FORMAT, `must be "${TAKE_FORMAT}"`),
  version: z.literal(TAKE_VERSION, `must be ${TAKE_VERSION}; a higher version needs a newer Nodulum`),
  name: nameSchema,
  layout: z.string("must be the digest of a layout").regex(/^[0-9a-f]{64}$/, "must be the digest of a layout: 64 hex digits, a to f small"),
  screen: wholeScreen,
  handed: z.enum(["right", "left"], 'must be "right" or "left"'),
  playerSize: within(TAKES.playerSize),
  hz: within(TAKES.hz).int(TAKES.hz.words),
  moment: idSchema.nullable(),
});

/** Reads a take. Unknown keys are refused, and so is what misses a key; each problem names its place. */
export function readTake(text: string): Result<Take> {
  if (text.length > TRACES.bytes.most) return refused("", TAKES.bytes.words);
  const value = readJson(text);
  return value.ok ? parseTake(value.value) : refused("", "is not JSON; this is not a take, or it is damaged");
}

/** Reads a take from a plain value. */
export function parseTake(value: unknown): Result<Take> {
  if (typeof value !== "object" || value === null || Array.isArray(value)) return refused("", "must be an object; this is not a take");
  const { events, frames, ...rest } = value as Record<string, unknown>;
  const top = readThrough(head, rest);
  const [told, given] = [eventsIn(events), framesIn(frames)];
  const problems = [top, told, given].flatMap((read): readonly Problem[] => (read.ok ? [] : read.problems));
  if (!top.ok || !told.ok || !given.ok) return { ok: false, problems: problemsToTell(problems) };
  const { format: _format, version: _version, ...own } = top.value;
  return ok({ ...own, events: told.value, frames: given.value });
}

function eventsIn(value: unknown): Result<InputEvent[]> {
  if (!Array.isArray(value)) return refused("events", value === undefined ? "is missing; it must be a list" : "must be a list");
  if (value.length > TRACES.events.most) return refused("events", TAKES.events.words);
  const events: InputEvent[] = [];
  let last = 0;
  for (let i = 0; i < value.length; i += 1) {
    const read = readEvent(value[i], `events[${i}]`);
    if (!read.ok) return read;
    if (read.value.t < last) return refused(`events[${i}]`, `its time ${read.value.t} is before the previous one; sort the events by time`);
    last = read.value.t;
    events.push(read.value);
  }
  return ok(events);
}

const isNumber = (value: unknown): value is number => typeof value === "number" && Number.isFinite(value);
const isValue = (value: unknown): value is ActionValue =>
  typeof value === "boolean" || isNumber(value) || (Array.isArray(value) && value.length === 2 && isNumber(value[0]) && isNumber(value[1]));

/** Frames are looked at by hand: a take of half an hour has a hundred thousand. */
function framesIn(value: unknown): Result<TickOutput[] | null> {
  if (value === null) return ok(null);
  if (!Array.isArray(value)) return refused("frames", value === undefined ? "is missing; it must be a list or null" : "must be a list or null");
  if (value.length > TAKES.frames.most) return refused("frames", TAKES.frames.words);
  for (let i = 0; i < value.length; i += 1) {
    const frame = value[i] as Record<string, unknown> | null;
    if (typeof frame !== "object" || frame === null || Array.isArray(frame)) return refused(`frames[${i}]`, "must be an object with t and values");
    const strange = Object.keys(frame).find((key) => key !== "t" && key !== "values");
    if (strange !== undefined) return refused(`frames[${i}]`, `has the unknown key "${strange.slice(0, 80)}"; a frame has t and values`);
    if (!isNumber(frame.t)) return refused(`frames[${i}].t`, "must be a number");
    const { values } = frame;
    if (typeof values !== "object" || values === null || Array.isArray(values)) return refused(`frames[${i}].values`, "must be an object of actions");
    for (const [name, one] of Object.entries(values)) {
      if (name.length < TEXTS.actionName.least || name.length > TEXTS.actionName.most)
        return refused(`frames[${i}].values`, `the name of an action ${TEXTS.actionName.words}`);
      if (!isValue(one)) return refused(`frames[${i}].values.${name}`, "must be true, false, a number or two numbers");
    }
  }
  return ok(value as TickOutput[]);
}

/** The text of a take's file: its keys in order, each event and each frame on its own line. */
export function writeTake(take: Take): string {
  const { widthPx, heightPx, ppi, insets, cornerPx, cutouts, edges } = take.screen;
  const screen = { name: take.screen.name, widthPx, heightPx, ppi, insets, cornerPx, cutouts, edges };
  const { name, layout, handed, playerSize, hz, moment } = take;
  const top = Object.entries({ format: TAKE_FORMAT, version: TAKE_VERSION, name, layout, screen, handed, playerSize, hz, moment });
  const lines = (items: readonly unknown[]) => (items.length === 0 ? "[]" : `[\n${items.map((item) => `    ${JSON.stringify(item)}`).join(",\n")}\n  ]`);
  const rows = top.map(([key, value]) => `  "${key}": ${JSON.stringify(value)}`);
  return `{\n${rows.join(",\n")},\n  "events": ${lines(take.events)},\n  "frames": ${take.frames === null ? "null" : lines(take.frames)}\n}\n`;
}

/** The frames of a replay as NDJSON, one a line: as `replay` prints them. */
export const framesText = (frames: Iterable<TickOutput>): string => [...frames].map((frame) => `${JSON.stringify(frame)}\n`).join("");

/** The events of a take as NDJSON, one a line: what `replay --trace` reads. */
export const traceText = (events: readonly InputEvent[]): string => events.map((event) => `${JSON.stringify(event)}\n`).join("");

/** A take's file as it is kept: its text without frames, and what a list of takes says of it. */
export interface ReadTake {
  readonly name: string;
  /** The digest of the layout it was played on. */
  readonly layout: string;
  readonly seconds: number;
  readonly text: string;
}

/** A take ready to be kept. */
export const readTakeOf = (take: Take): ReadTake => ({
  name: take.name,
  layout: take.layout,
  seconds: takeLengthMs(take) / 1000,
  text: writeTake({ ...take, frames: null }),
});
