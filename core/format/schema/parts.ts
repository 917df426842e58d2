/**
 * The small pieces the file is made of: ids, lengths, fractions, placements.
 * Each piece words its own error: what is wrong and what to write instead.
 */
import { z } from "zod";
import { nearestWord } from "../../engine/nearest";
import { withLimit } from "../readThrough";
import { FILES, LISTS, TEXTS, type Limit } from "../limits";
import { canonicalLength, LENGTH_PATTERN, lengthAdvice, parseLength } from "../../engine/placement/length";

/** An object that takes its own keys and no others; an unknown key is answered with the nearest known one. */
export function recordOf<S extends z.ZodRawShape>(shape: S) {
  const known = Object.keys(shape);
  return z.strictObject(shape, { error: (issue) => (issue.code === "unrecognized_keys" ? unknownKeys(issue.keys as string[], known) : undefined) });
}

/** What is said of unknown keys: the first few by name, the others by their number. */
function unknownKeys(keys: readonly string[], known: readonly string[]): string {
  const { most: longest } = FILES.nearLetters;
  const named = keys.slice(0, FILES.unknownKeys.most).map((key) => {
    const near = nearestWord(key, known);
    const word = key.length > longest ? `${key.slice(0, longest)}…` : key;
    return { text: `unknown key ${JSON.stringify(word)}${near ? `; did you mean "${near}"?` : ""}`, near };
  });
  const rest = keys.length > named.length ? [`and ${keys.length - named.length} ${FILES.unknownKeys.words}`] : [];
  const list = named.some(({ near }) => near === null) ? `; known here: ${known.join(", ")}` : "";
  return [...named.map(({ text }) => text), ...rest].join(" · ") + list;
}

/** A number within closed bounds; the message gives the range. */
export function numberIn(low: number, high: number) {
  const message = `must be a number from ${low} to ${high}`;
  return z.number(message).min(low, message).max(high, message);
}

const positive = z.number("must be a number above 0").positive("must be a number above 0");
const notNegative = z.number("must be a number of 0 or more").min(0, "must be a number of 0 or more");
export { positive, notNegative };

/** A list of at most this many items; of a longer one nothing is read. JSON Schema and whoever else walks the schema see the limit too. */
export function listOf<T extends z.ZodType>(item: T, limit: Limit, what = "a list") {
  return withLimit(z.array(item, `must be ${what}`).max(limit.most, limit.words), limit);
}

/** An id: a small letter, then at most 47 small letters, digits, hyphens. */
export const idSchema = z
  .string("must be an id: a small letter, then small letters, digits and hyphens")
  .regex(/^[a-z][a-z0-9-]{0,47}$/, "must be an id: a small letter, then up to 47 small letters, digits and hyphens");

/** The moments of an item. */
export const momentsOf = listOf(idSchema, LISTS.momentsOf, "a list of moments");

/** A text of this many characters. */
export function textSchema(limit: Limit, what = "a text") {
  const text = z.string(`must be ${what}`).max(limit.most, limit.words);
  return limit.least === undefined ? text : text.min(limit.least, limit.words);
}

/** Control characters (Unicode category Cc, line feed and tab among them) and the line and paragraph separators: nobody sees them in a name, and they break lists, tables and terminals. */
const UNSEEN = /[\u0000-\u001f\u007f-\u009f\u2028\u2029]/;
const UNSEEN_ALL = new RegExp(UNSEEN, "g");

/** A text that is in one line: without control characters and line ends. */
export function lineOf(limit: Limit, what = "a text") {
  return textSchema(limit, what).refine((text) => !UNSEEN.test(text), {
    error: ({ input }) => {
      const plain = String(input).replace(UNSEEN_ALL, " ").replace(/ +/g, " ").trim();
      return `must have no control characters or line ends; ${plain === "" ? "write a name" : `write ${JSON.stringify(plain)}`}`;
    },
  });
}

/** A name: 1 to 80 characters in one line. */
export const nameSchema = lineOf(TEXTS.name, "a text of 1 to 80 characters");

/** A length: a number and its unit. */
export const lengthSchema = z
  .string('must be a length, such as "12mm"')
  .max(TEXTS.length.most, { error: TEXTS.length.words, abort: true })
  .refine((text) => parseLength(text) !== null, {
    error: ({ input }) => (LENGTH_PATTERN.test(String(input)) ? "is too large a number" : `"${String(input)}" is not a length; ${lengthAdvice(String(input))}`),
  })
  .overwrite(canonicalLength)
  .meta({ pattern: LENGTH_PATTERN.source });

const sizeSchema = lengthSchema.refine((text) => {
  const length = parseLength(text);
  return length === null || length.amount > 0;
}, "must be more than 0");

const fraction = numberIn(0, 1);
/** Two fractions, 0…1, of a frame or a box. */
const pointSchema = z.tuple([fraction, fraction], "must be two fractions from 0 to 1, such as [0,1]");
/** Two lengths: across, down. */
export const lengthPair = z.tuple([lengthSchema, lengthSchema], 'must be two lengths, such as ["12mm","8u"]');
/** Two lengths above 0: width, height. */
export const sizePair = z.tuple([sizeSchema, sizeSchema], 'must be two lengths above 0, such as ["12mm","8u"]');

/** A frame that is no cluster's. */
const plainFrame = z.enum(["screen", "safe", "picture"], 'must be "screen", "safe" or "picture"');
const anyFrame = z.union([plainFrame, recordOf({ cluster: idSchema })], 'must be "screen", "safe", "picture" or {"cluster":id}');

const clampSchema = recordOf({ minMm: positive.optional(), maxMm: positive.optional() }).refine(
  (clamp) => clamp.minMm === undefined || clamp.maxMm === undefined || clamp.minMm < clamp.maxMm,
  "minMm must be less than maxMm",
);

function pinSchema<F extends z.ZodType>(frame: F) {
  return recordOf({
    kind: z.literal("pin"),
    frame,
    anchor: pointSchema,
    pivot: pointSchema,
    offset: lengthPair,
    size: sizePair,
    clamp: clampSchema.optional(),
  });
}

const spanSchema = recordOf({
  kind: z.literal("span"),
  frame: plainFrame,
  from: pointSchema,
  to: pointSchema,
  inset: recordOf({
    left: lengthSchema.default("0u"),
    top: lengthSchema.default("0u"),
    right: lengthSchema.default("0u"),
    bottom: lengthSchema.default("0u"),
  }).prefault({}),
});

/** A pin in a plain frame: what clusters are. */
export const clusterPlacement = pinSchema(plainFrame);
/** Pin or span, screen, safe or picture: landing areas and keep-clear zones. */
export const plainPlacement = z.discriminatedUnion("kind", [pinSchema(plainFrame), spanSchema], 'must have kind "pin" or "span"');
/** Pin or span; a pin may be in a cluster: controls. */
export const controlPlacement = z.discriminatedUnion("kind", [pinSchema(anyFrame), spanSchema], 'must have kind "pin" or "span"');

/** A scale or a value: one number, or one for x and one for y. */
export const oneOrTwo = z.union([z.number(), z.tuple([z.number(), z.number()])], "must be a number, or two such as [1,0]");
