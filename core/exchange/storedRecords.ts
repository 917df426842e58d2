/** Records as the browser keeps them, read again: whoever wrote them, an older version or a fault of the disk, only what is sound comes through. */
import { z } from "zod";
import type { Result } from "../engine/result";
import { readThrough } from "../format/readThrough";
import type { FieldChange } from "../versions/fieldChanges";
import type { LogRecord } from "../versions/log";

/**
 * One kept layout. `text`: its stored form, in which pictures are reported by their digests, or the whole text of a file. Times are ms since
 * 1970; `deletedAt` null: it is in the list. `revision`: how many records have ever been written to its log.
 */
export interface KeptLayout {
  readonly id: string;
  readonly name: string;
  readonly text: string;
  readonly savedAt: number;
  readonly deletedAt: number | null;
  readonly revision: number;
}

/** A named point of a layout's history. `layout`: the id of the layout; `text`: its stored form at that time. */
export interface KeptState {
  readonly id: string;
  readonly layout: string;
  readonly name: string;
  readonly time: number;
  readonly text: string;
}

/**
 * A kept take, without its events. `layout`: the id of the layout that it is listed with; `digest`: of the layout it was played on, as the
 * take says it; `seconds`: how long it is.
 */
export interface KeptTake {
  readonly id: string;
  readonly layout: string;
  readonly name: string;
  readonly time: number;
  readonly seconds: number;
  readonly digest: string;
}
/** What of a take is large. `text`: its file, without frames; `on`: the stored form of the layout it was played on, null where that is not known. */
export interface KeptTakeText {
  readonly text: string;
  readonly on: string | null;
}

const time = z.number().min(0);
const keptLayout = z.object({
  id: z.string().min(1),
  name: z.string(),
  text: z.string(),
  savedAt: time,
  deletedAt: time.nullable().default(null),
  revision: z.number().int().min(0).default(0),
});
const keptState = z.object({ id: z.string().min(1), layout: z.string().min(1), name: z.string(), time, text: z.string() });

const keptTake = z.object({ id: z.string().min(1), layout: z.string().min(1), name: z.string(), time, seconds: time, digest: z.string() });
const keptTakeText = z.object({ text: z.string(), on: z.string().nullable() });

const path = z.array(z.string()).min(1).max(24);
const names = z.array(z.string());
const change = z.discriminatedUnion("kind", [
  z.object({ kind: z.literal("value"), path, was: z.unknown().optional(), is: z.unknown().optional() }),
  z.object({ kind: z.literal("order"), path, was: names, is: names }),
]);
const logRecord = z.object({
  id: z.string().min(1),
  kind: z.enum(["edit", "undo", "redo", "remembered"]),
  label: z.string(),
  words: z.string().optional(),
  time,
  by: z.string(),
  of: z.string().optional(),
  joins: z.string().optional(),
  changes: z.array(change),
});

/** Reads a kept layout; one of an older version, which counted no revisions, begins at 0. The text in it is not read. */
export const readKeptLayout = (value: unknown): Result<KeptLayout> => readThrough(keptLayout, value);
/** Reads a named state. The text in it is not read. */
export const readKeptState = (value: unknown): Result<KeptState> => readThrough(keptState, value);
/** Reads a kept take. */
export const readKeptTake = (value: unknown): Result<KeptTake> => readThrough(keptTake, value);
/** Reads the large part of one. The texts in it are not read. */
export const readKeptTakeText = (value: unknown): Result<KeptTakeText> => readThrough(keptTakeText, value);
/** Reads a record of the log. */
export const readLogRecord = (value: unknown): Result<LogRecord> => readThrough(logRecord as unknown as z.ZodType<LogRecord>, value);

/** The part of a log that can be relied on: all after the last record that cannot be read. */
export function readableLog(values: readonly unknown[]): readonly LogRecord[] {
  const records = values.map(readLogRecord);
  const broken = records.findLastIndex((r) => !r.ok);
  return records.slice(broken + 1).flatMap((r) => (r.ok ? [r.value] : []));
}

/** Where in a layout the data of pictures stand. */
const holdsPictures = ({ path: [list] }: FieldChange) => list === "pictures" || list === "workbench";

/** Changes in which something is in place of the data of pictures: their digests on the way in, the data again on the way out. */
export function withPictureData(changes: readonly FieldChange[], instead: (data: string) => string): readonly FieldChange[] {
  const within = (value: unknown): unknown => {
    if (Array.isArray(value)) return value.map(within);
    if (typeof value !== "object" || value === null) return value;
    return Object.fromEntries(Object.entries(value).map(([key, item]) => [key, key === "data" && typeof item === "string" ? instead(item) : within(item)]));
  };
  const at = (value: unknown, leaf: string | undefined) => (leaf === "data" && typeof value === "string" ? instead(value) : within(value));
  return changes.map((c) => (c.kind === "order" || !holdsPictures(c) ? c : { ...c, was: at(c.was, c.path.at(-1)), is: at(c.is, c.path.at(-1)) }));
}
