/**
 * Layouts as they are stored: the text of the file in which every picture is reported by the digest of its data, and the pictures apart,
 * each once. A picture of a megabyte is not written again because a button has moved.
 */
import type { Problem, Result } from "../engine/result";
import { readJson } from "./parseJson";
import { backdropData } from "./schema/file";
import { parseLayout, readLayout } from "./parse";
import type { Layout } from "./types";

/** What is in place of a picture's data; no base64 text begins so. */
const REFERENCE = "sha256:";
/** The text that represents the data of this digest. */
export const pictureReference = (digest: string): string => `${REFERENCE}${digest}`;

/** The data (base64) of every picture of a layout, those of its controls and its backdrops. */
export function pictureData(layout: Pick<Layout, "pictures" | "workbench">): readonly string[] {
  return [...layout.pictures.map((p) => p.data), ...backdropData(layout.workbench)];
}

type DataOf = (digest: string) => string | undefined;

/** The digests that a stored text refers to; none where it is no stored text. */
export function digestsIn(text: string): readonly string[] {
  return [...new Set([...text.matchAll(/"sha256:([0-9a-f]{64})"/g)].map((match) => match[1]))];
}

/** Reads a stored text, or the text of a file, with the pictures that it refers to. A picture that is not there is a problem with its place. */
export function readStored(text: string, dataOf: DataOf): Result<Layout> {
  if (!text.includes(`"${REFERENCE}`)) return readLayout(text);
  const value = readJson(text);
  if (!value.ok) return value;
  const missing: Problem[] = [];
  const whole = withData(value.value, "", dataOf, missing);
  return missing.length > 0 ? { ok: false, problems: missing } : parseLayout(whole);
}

/** A stored text with its pictures in it again, as far as they are there: the text of a file. What is no JSON stays as it is. */
export function wholeText(text: string, dataOf: DataOf): string {
  if (!text.includes(`"${REFERENCE}`)) return text;
  const value = readJson(text);
  return value.ok ? `${JSON.stringify(withData(value.value, "", dataOf, []), null, 2)}\n` : text;
}

/** A transparent PNG of one pixel: what is in place of a picture that is lost. */
const EMPTY_PNG = "iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==";

/** A stored text as the text of a file that can be read, with empty pictures in place of those that are not there. What is no JSON stays as it is. */
export const textWithoutMissing = (text: string, dataOf: DataOf): string => wholeText(text, (digest) => dataOf(digest) ?? EMPTY_PNG);

/** A value in which the data of pictures are in place of what refers to them. */
function withData(value: unknown, path: string, dataOf: DataOf, missing: Problem[]): unknown {
  if (Array.isArray(value)) return value.map((item, i) => withData(item, `${path}[${i}]`, dataOf, missing));
  if (typeof value !== "object" || value === null) return value;
  return Object.fromEntries(
    Object.entries(value).map(([key, item]) => {
      const at = path === "" ? key : `${path}.${key}`;
      if (key !== "data" || typeof item !== "string" || !item.startsWith(REFERENCE)) return [key, withData(item, at, dataOf, missing)];
      const data = dataOf(item.slice(REFERENCE.length));
      if (data === undefined) missing.push({ path: at, message: "this picture is no longer stored" });
      return [key, data ?? item];
    }),
  );
}
