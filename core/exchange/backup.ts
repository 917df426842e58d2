/** The table of contents of a backup: which layouts, named states and takes a zip holds, and in which of its files. */
import { z } from "zod";
import { refused, type Result } from "../engine/result";
import { readThrough } from "../format/readThrough";
import { readJson } from "../format/parseJson";
import { LISTS } from "../format/limits";
import { listOf } from "../format/schema/parts";

/** The file of a backup that says what is in it. */
export const CONTENTS_FILE = "backup.json";
const FORMAT = "nodulum-backup";
const VERSION = 1;

const file = z.string().min(1).max(200);
const time = z.number().min(0);
const schema = z.object({
  format: z.literal(FORMAT, `must be "${FORMAT}"`),
  version: z.number().int(),
  made: time,
  layouts: listOf(z.object({ id: z.string().min(1), name: z.string(), savedAt: time, deletedAt: time.nullable(), file }), LISTS.backupLayouts),
  states: listOf(z.object({ id: z.string().min(1), layout: z.string().min(1), name: z.string(), time, file }), LISTS.backupStates),
  /** Backups made before there were takes have none. `on`: the file of the layout that a take was played on, in its stored form. */
  takes: listOf(
    z.object({ id: z.string().min(1), layout: z.string().min(1), name: z.string(), time, seconds: time, digest: z.string(), file, on: file.nullable() }),
    LISTS.backupTakes,
  ).default([]),
});

/** What a backup holds. Layouts are in their files whole, with their pictures; states in their stored form, whose pictures are apart; takes as their files, without frames. Times are ms since 1970. */
export type BackupContents = Omit<z.output<typeof schema>, "format" | "version">;

/** The text of the table of contents. */
export function writeContents(contents: BackupContents): string {
  return `${JSON.stringify({ format: FORMAT, version: VERSION, ...contents }, null, 2)}\n`;
}

/** Reads a table of contents. */
export function readContents(text: string): Result<BackupContents> {
  const value = readJson(text);
  if (!value.ok) return refused(CONTENTS_FILE, "is not JSON; this is not a Nodulum backup, or it is damaged");
  const read = readThrough(schema, value.value);
  if (!read.ok) return { ok: false, problems: read.problems.map((p) => ({ ...p, path: `${CONTENTS_FILE}: ${p.path}` })) };
  const { format: _format, version, ...contents } = read.value;
  if (version !== VERSION) return refused(CONTENTS_FILE, `has version ${version}; this program reads version ${VERSION}. Use the newest program`);
  return { ok: true, value: contents };
}
