/** The door: text or a plain value in, a whole layout or the reasons why not out. */
import type { z } from "zod";
import { ok, refused, type Problem, type Result } from "../engine/result";
import { fillDependent } from "./dependent";
import { migrate } from "./migrate";
import { referenceProblems } from "./references";
import { backdropData, fileSchema, LIMITS } from "./schema/file";
import type { Layout } from "./types";

/** Where in a value: `controls[3].placement.size[0]`. */
export function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>((text, key) => (typeof key === "number" ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key)), "");
}

/** What a schema without words of its own says of a wrong type, in words that a sentence can end with. */
const TYPE_WORDS: Readonly<Record<string, string>> = {
  object: "an object",
  record: "an object",
  array: "a list",
  tuple: "a list",
  number: "a number",
  int: "a whole number",
  string: "a text",
  boolean: "true or false",
};
const plainMessage = (message: string) =>
  message.replace(/^Invalid input: expected (\w+).*$/, (all, type: string) => (TYPE_WORDS[type] ? `must be ${TYPE_WORDS[type]}` : all));

/** The problems of a failed schema, each with its path. The schema must have been asked to report its input, so that what is missing can be told from what is wrong. */
export function schemaProblems(error: z.ZodError): Problem[] {
  return error.issues.map((issue) => {
    const missing = "input" in issue && issue.input === undefined && issue.path.length > 0;
    const message = plainMessage(issue.message);
    return { path: pathText(issue.path), message: missing ? `is missing; it ${message}` : message };
  });
}

/** Reads a plain value (parsed JSON) as a layout, migrating an older version. */
export function parseLayout(value: unknown): Result<Layout> {
  const migrated = migrate(value);
  if (!migrated.ok) return migrated;
  const read = fileSchema.safeParse(migrated.value, { reportInput: true });
  if (!read.success) return { ok: false, problems: schemaProblems(read.error) };
  const layout = fillDependent(read.data);
  const problems = referenceProblems(layout);
  return problems.length > 0 ? { ok: false, problems } : ok(layout);
}

/** Reads the text of a `.nodulum.json` file. */
export function readLayout(text: string): Result<Layout> {
  const most = LIMITS.bytesWithoutPictures + Math.ceil(((LIMITS.picturesBytes + LIMITS.backdropsBytes) * 4) / 3);
  if (text.length > most)
    return refused("", `the file is too large: ${(text.length / 1048576).toFixed(1)} MiB; a layout holds at most 8 MiB without its pictures`);
  let value: unknown;
  try {
    value = JSON.parse(text.startsWith("\uFEFF") ? text.slice(1) : text);
  } catch (error) {
    return refused("", `this is not JSON: ${error instanceof Error ? error.message : "it cannot be read"}`);
  }
  const result = parseLayout(value);
  if (result.ok) {
    const pictures = [...result.value.pictures.map((p) => p.data), ...backdropData(result.value.workbench)].reduce((sum, data) => sum + data.length, 0);
    if (text.length - pictures > LIMITS.bytesWithoutPictures) return refused("", "the file is too large: a layout holds at most 8 MiB without its pictures");
  }
  return result;
}
