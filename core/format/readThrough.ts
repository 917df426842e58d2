/**
 * The door: a plain value and a schema in, what the schema reads or the problems out. First it is measured: lists that are too long, objects
 * with keys by the thousand, texts that are no text are reported before any of what they hold is looked at, so that the work is bounded by the
 * limits (limits.ts) and not by whoever made the value. Then the schema reads it.
 */
import { z } from "zod";
import { ok, type Problem, type Result } from "../engine/result";
import { FILES, type Limit } from "./limits";

// Schemas are walked, never turned into code: where the application runs no text may become code (its Content-Security-Policy says so).
z.config({ jitless: true });

type AnySchema = z.core.$ZodType;
interface LooseDef {
  readonly type: string;
  readonly innerType?: AnySchema;
  readonly in?: AnySchema;
  readonly shape?: Readonly<Record<string, AnySchema>>;
  readonly element?: AnySchema;
  readonly options?: readonly AnySchema[];
  readonly discriminator?: string;
  readonly valueType?: AnySchema;
}
const defOf = (schema: AnySchema): LooseDef => schema._zod.def as unknown as LooseDef;

/** Which limit a list or a record of a schema has. */
const limits = z.registry<Limit>();

/** Gives a list or a record its limit. A value that is over it is refused in the limit's words, and nothing it holds is read. */
export function withLimit<S extends z.ZodType>(schema: S, limit: Limit): S {
  limits.add(schema, limit);
  return schema;
}

/** Where in a value: `controls[3].placement.size[0]`. */
function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>((text, key) => (typeof key === "number" ? `${text}[${key}]` : text ? `${text}.${String(key)}` : String(key)), "");
}

const cut = (text: string) =>
  text.length <= FILES.problemLetters.most ? text : `${text.slice(0, FILES.problemLetters.most - 1).replace(/[\ud800-\udbff]$/, "")}…`;

/** Problems as they may be reported: at most 50, the last of which counts what is omitted, each of at most 200 characters. */
export function problemsToTell(problems: readonly Problem[], count = problems.length): readonly Problem[] {
  const most = FILES.problems.most;
  const told = problems.slice(0, count > most ? most - 1 : most).map((p) => ({ path: cut(p.path), message: cut(p.message) }));
  return count > most ? [...told, { path: "", message: `and ${count - most + 1} ${FILES.problems.words}` }] : told;
}

/** What a schema without its own words says of a wrong type, in words that a sentence can end with. */
const TYPE_WORDS = new Map([
  ["object", "an object"],
  ["record", "an object"],
  ["array", "a list"],
  ["tuple", "a list"],
  ["number", "a number"],
  ["int", "a whole number"],
  ["string", "a text"],
  ["boolean", "true or false"],
]);
const plainMessage = (message: string) =>
  message.replace(/^Invalid input: expected (\w+).*$/, (all, type: string) => (TYPE_WORDS.has(type) ? `must be ${TYPE_WORDS.get(type)}` : all));

function problemOf(issue: z.core.$ZodIssue): Problem {
  const missing = "input" in issue && issue.input === undefined && issue.path.length > 0;
  const message = plainMessage(issue.message);
  return { path: pathText(issue.path), message: missing ? `is missing; it ${message}` : message };
}

/** Reads a value through a schema. */
export function readThrough<S extends z.ZodType>(schema: S, value: unknown): Result<z.output<S>> {
  const large: Problem[] = [];
  measure(schema, value, [], large);
  if (large.length > 0) return { ok: false, problems: problemsToTell(large) };
  const context = { async: false, reportInput: true };
  const read = schema._zod.run({ value, issues: [] }, context);
  if (read instanceof Promise) throw new Error("a schema waits for something; none may");
  if (read.issues.length === 0) return ok(read.value as z.output<S>);
  // Only as many as are reported are put into words: a file may have a hundred thousand.
  const issues = read.issues.slice(0, FILES.problems.most).map((issue) => z.core.util.finalizeIssue(issue, context, z.core.config()));
  return { ok: false, problems: problemsToTell(issues.map(problemOf), read.issues.length) };
}

const isObject = (value: unknown): value is Readonly<Record<string, unknown>> => typeof value === "object" && value !== null && !Array.isArray(value);
/** An object with this many keys more than its schema knows is not read key by key. */
const SPARE_KEYS = 64;

/** Tells what of a value is too large, or no text, for its schema. Nothing within something too large is looked at. */
function measure(schema: AnySchema, value: unknown, path: readonly PropertyKey[], tell: Problem[]): void {
  if (tell.length >= FILES.problems.most || value === undefined || value === null) return;
  if (typeof value === "string") return measureText(value, path, tell);
  if (typeof value !== "object") return;
  const def = defOf(schema);
  const limit = limits.get(schema as z.ZodType);
  const over = limit !== undefined && (Array.isArray(value) ? value.length : Object.keys(value).length) > limit.most;
  if (over) return void tell.push({ path: pathText(path), message: limit.words });
  switch (def.type) {
    case "optional":
    case "nullable":
    case "default":
    case "prefault":
      return measure(def.innerType!, value, path, tell);
    case "pipe":
      return measure(def.in!, value, path, tell);
    case "union":
      return measureUnion(def, value, path, tell);
    case "array":
      if (Array.isArray(value)) value.forEach((item, i) => measure(def.element!, item, [...path, i], tell));
      return;
    case "object":
      return measureObject(def, value, path, tell);
    case "record":
      if (isObject(value))
        for (const [key, item] of Object.entries(value)) {
          measureText(key, [...path, key], tell);
          measure(def.valueType!, item, [...path, key], tell);
        }
      return;
  }
}

function measureObject({ shape = {} }: LooseDef, value: object, path: readonly PropertyKey[], tell: Problem[]): void {
  const count = Object.keys(value).length;
  if (count > Object.keys(shape).length + SPARE_KEYS) return void tell.push({ path: pathText(path), message: `has ${count} keys, most of them unknown` });
  for (const key of Object.keys(shape)) if (Object.hasOwn(value, key)) measure(shape[key], (value as Record<string, unknown>)[key], [...path, key], tell);
}

function measureUnion({ options = [], discriminator }: LooseDef, value: object, path: readonly PropertyKey[], tell: Problem[]): void {
  const word = discriminator === undefined ? undefined : (value as Record<string, unknown>)[discriminator];
  for (const option of options) {
    const kinds = discriminator === undefined ? undefined : option._zod.propValues?.[discriminator];
    if (kinds !== undefined && !kinds.has(word as never)) continue;
    measure(option, value, path, tell);
    // What is too large for one is so for all; telling it once is enough.
    if (discriminator === undefined && (tell.length > 0 || !Array.isArray(value))) return;
  }
}

/** A lone half of a surrogate pair (Unicode 3.9, D71–D75): no UTF-8 text can hold it. */
const LONE_HALF = /[\ud800-\udfff]/u;

function measureText(text: string, path: readonly PropertyKey[], tell: Problem[]): void {
  if (text.includes("\u0000")) tell.push({ path: pathText(path), message: "contains a NUL character (U+0000); remove it" });
  else if (LONE_HALF.test(text)) tell.push({ path: pathText(path), message: "contains half a character (a lone surrogate); write it again" });
}
