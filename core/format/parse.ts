/** The door: text or a plain value in, a whole layout or the reasons why not out. */
import { ok, refused, type Result } from "../engine/result";
import { fillDependent } from "./dependent";
import { readThrough, problemsToTell } from "./readThrough";
import { readJson } from "./parseJson";
import { FILES, MOST_FILE_BYTES } from "./limits";
import { migrate } from "./migrate";
import { referenceProblems } from "./references";
import { backdropData, fileSchema } from "./schema/file";
import type { Layout } from "./types";

/** Reads a plain value (parsed JSON) as a layout, migrating an older version. */
export function parseLayout(value: unknown): Result<Layout> {
  const migrated = migrate(value);
  if (!migrated.ok) return migrated;
  const read = readThrough(fileSchema, migrated.value);
  if (!read.ok) return read;
  const layout = fillDependent(read.value);
  const problems = referenceProblems(layout);
  return problems.length > 0 ? { ok: false, problems: problemsToTell(problems) } : ok(layout);
}

/** Reads the text of a `.nodulum.json` file. */
export function readLayout(text: string): Result<Layout> {
  if (text.length > MOST_FILE_BYTES) return refused("", `${FILES.bytesWithoutPictures.words}; this one holds ${(text.length / 1048576).toFixed(1)} MiB`);
  const value = readJson(text);
  if (!value.ok) return value;
  const result = parseLayout(value.value);
  if (result.ok) {
    const pictures = [...result.value.pictures.map((p) => p.data), ...backdropData(result.value.workbench)].reduce((sum, data) => sum + data.length, 0);
    if (text.length - pictures > FILES.bytesWithoutPictures.most) return refused("", FILES.bytesWithoutPictures.words);
  }
  return result;
}
