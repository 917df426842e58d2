/** The whole file: the shape of model.md section 1, with every default that does not depend on another field. */
import { z } from "zod";
import { colour, controlsSchema, hitOverride } from "./control";
import { clusterPlacement, controlPlacement, idSchema, nameSchema, notNegative, numberIn, oneOrTwo, plainPlacement, positive, record } from "./parts";

/** The version this program writes. Older ones are migrated, newer ones refused. */
export const FILE_VERSION = 1;
/** The word in `format` by which a layout file is known. */
export const FILE_FORMAT = "nodulum-layout";

/** What a file may hold at most. */
export const LIMITS = {
  controls: 200,
  actions: 200,
  moments: 32,
  arrangements: 16,
  bytesWithoutPictures: 8 * 1024 * 1024,
  pictureBytes: 512 * 1024,
  picturesBytes: 6 * 1024 * 1024,
  backdropBytes: 4 * 1024 * 1024,
  backdropsBytes: 12 * 1024 * 1024,
} as const;

function listOf<T extends z.ZodType>(item: T, most: number, what: string) {
  return z.array(item).max(most, `a layout holds at most ${most} ${what}`).default([]);
}

const scaleSchema = record({
  share: numberIn(0, 1).default(0),
  of: z.enum(["shorter", "longer", "area", "width", "height", "inside", "outside"]).default("shorter"),
  mmPerUnit: positive.default(0.09),
});

const actionName = z
  .string("must be the word the game reads")
  .min(1, "must have 1 to 64 characters")
  .max(64, "must have 1 to 64 characters")
  // Control characters (Unicode category Cc) cannot be typed or seen.
  .regex(/^[^\u0000-\u001f\u007f-\u009f]*$/, "must have no control characters");

const deadRange = { inner: numberIn(0, 1).default(0.1), outer: numberIn(0, 1).default(0.95) };
const innerFirst = "inner must be less than outer";

const mouseSource = z.union(
  [record({ button: numberIn(0, 31).int(), value: oneOrTwo.optional() }), record({ move: z.literal(true), scale: oneOrTwo.default(1) })],
  'must be {"button":n} or {"move":true}',
);
const padSource = z.union(
  [
    record({ button: numberIn(0, 63).int(), value: oneOrTwo.optional() }),
    record({ axis: numberIn(0, 63).int(), scale: z.number().default(1), ...deadRange }).refine((p) => p.inner < p.outer, innerFirst),
    record({ stick: z.enum(["left", "right"]), scale: oneOrTwo.default(1), ...deadRange }).refine((p) => p.inner < p.outer, innerFirst),
  ],
  'must be {"button":n}, {"axis":n} or {"stick":"left"|"right"}',
);

/** An action, with its keys, mouse and pad. */
export const actionSchema = record({
  name: actionName,
  kind: z.enum(["press", "axis", "vector", "motion"], 'must be "press", "axis", "vector" or "motion"'),
  moments: z.array(idSchema).optional(),
  read: z.boolean().default(true),
  touch: z.enum(["wanted", "never"], 'must be "wanted" or "never"').default("wanted"),
  keys: z.array(record({ code: z.string().min(1).max(64), value: oneOrTwo.optional() })).default([]),
  mouse: z.array(mouseSource).default([]),
  pad: z.array(padSource).default([]),
  riseMs: notNegative.default(0),
  fallMs: notNegative.default(0),
  ease: z.enum(["all", "switches"], 'must be "all" or "switches"').default("all"),
  combine: z.enum(["sum", "strongest"], 'must be "sum" or "strongest"').default("sum"),
  note: z.string().max(2000, "must have 2000 characters at most").default(""),
});

const side = notNegative.default(0);
const sides = record({ left: side, top: side, right: side, bottom: side }).prefault({});

/** A screen: px in whole device pixels, `ppi` pixels an inch, insets and edges in px. */
export const screenSchema = record({
  name: z.string().max(80).default(""),
  widthPx: positive,
  heightPx: positive,
  ppi: positive,
  insets: sides,
  cornerPx: notNegative.default(0),
  cutouts: z.array(record({ x: z.number(), y: z.number(), w: notNegative, h: notNegative })).default([]),
  edges: sides,
});

const range = record({ min: z.number().optional(), max: z.number().optional() });

const arrangementSchema = record({
  id: idSchema,
  name: nameSchema,
  when: record({ aspect: range.optional(), shortSideMm: range.optional() }),
  overrides: z
    .record(
      z.string(),
      record({ placement: controlPlacement.optional(), hit: hitOverride.optional(), landing: plainPlacement.optional(), hidden: z.boolean().default(false) }),
    )
    .default({}),
});

const spread = z.tuple([notNegative, notNegative], "must be two numbers of 0 or more, such as [1.68,1.33]");
/** Where touches meant for a control land (model.md section 6): mm, and mm² in all and by the square of a side. */
const scatterSchema = record({
  biasMm: z.tuple([z.number(), z.number()], "must be two numbers, such as [0,0]").default([0, 0]),
  baseMm2: spread.default([1.68, 1.33]),
  perSize: spread.default([0.0075, 0.0108]),
}).prefault({});

const limitsSchema = record({
  minTargetMm: notNegative.default(9),
  minGapMm: notNegative.default(1),
  maxCover: numberIn(0, 1).default(0.35),
  grip: z.enum(["two-thumbs", "right-thumb", "left-thumb"]).default("two-thumbs"),
  comfortMm: positive.default(48),
  stretchMm: positive.default(65),
  gripUpMm: notNegative.default(15),
  scatter: scatterSchema,
}).prefault({});

const pictureSchema = record({
  id: idSchema,
  name: nameSchema,
  type: z.enum(["image/png", "image/webp", "image/svg+xml"]),
  data: z
    .string()
    .regex(/^[A-Za-z0-9+/]*={0,2}$/, "must be base64")
    .max(Math.ceil((LIMITS.pictureBytes * 4) / 3) + 4, "a picture holds at most 512 KiB"),
});

/** The number of bytes behind a base64 text. */
export function bytesOf(base64: string): number {
  return Math.floor((base64.length * 3) / 4) - (base64.endsWith("==") ? 2 : base64.endsWith("=") ? 1 : 0);
}

/** The data (base64) of all backdrops of a workbench. */
export function backdropData(bench: { picture?: { data: string } | undefined; momentPictures: Readonly<Record<string, { data: string }>> }): string[] {
  return [...(bench.picture ? [bench.picture] : []), ...Object.values(bench.momentPictures)].map((picture) => picture.data);
}

/** A picture of the game behind the glass. */
const backdropPicture = record({
  name: nameSchema,
  type: z.enum(["image/png", "image/webp", "image/jpeg"]),
  data: z
    .string()
    .regex(/^[A-Za-z0-9+/]*={0,2}$/, "must be base64")
    .max(Math.ceil((LIMITS.backdropBytes * 4) / 3) + 4, "a backdrop holds at most 4 MiB"),
});

/**
 * What the editor alone remembers: players ignore it. `backdrop` is one of the stills drawn by the project; `picture` is the user's
 * own and shown instead, `momentPictures` the user's own for one moment and shown before that; `colour` is that of the plain backdrop
 * (absent: the paper's). `fit`: whether a picture covers the glass or all of it is seen; `dim`: how far it is darkened; `gridMm`: the
 * grid's step. `locked`: what of a control, cluster or zone must stay. `playersPart`: by a screen's name, the part of the players who
 * have it. What names something the layout no longer has means nothing.
 */
const workbenchSchema = record({
  backdrop: z.enum(["plain", "harbour", "post-office"]).default("plain"),
  colour: colour.optional(),
  picture: backdropPicture.optional(),
  momentPictures: z.record(idSchema, backdropPicture).default({}),
  fit: z.enum(["fill", "fit"]).default("fill"),
  dim: numberIn(0, 1).default(0),
  gridMm: numberIn(0.5, 50).default(5),
  screen: z.string().max(80).default(""),
  /** What in the game's code reads an input: callees that the user has ticked. */
  callees: z.array(z.string().max(200)).max(200).default([]),
  rail: z.array(z.string().max(80)).max(64).default([]),
  screens: z.array(screenSchema).max(64).default([]),
  playersPart: z.record(z.string().max(80), numberIn(0, 1)).default({}),
  locked: z.record(idSchema, z.array(z.enum(["x", "y", "size"], 'must be "x", "y" or "size"')).max(3)).default({}),
})
  .refine(
    (bench) => backdropData(bench).reduce((sum, data) => sum + bytesOf(data), 0) <= LIMITS.backdropsBytes,
    "the backdrops of a layout hold at most 12 MiB in all",
  )
  .prefault({});

const pictureFrame = record({ minAspect: positive, maxAspect: positive }).refine((p) => p.minAspect <= p.maxAspect, "minAspect must be at most maxAspect");

/** The whole layout file, before its references are checked. */
export const fileSchema = record({
  format: z.literal(FILE_FORMAT, `must be "${FILE_FORMAT}"`),
  version: z.literal(FILE_VERSION),
  name: nameSchema,
  reference: record({ width: positive, height: positive }),
  scale: scaleSchema,
  orientation: z.enum(["landscape", "portrait", "both"]).optional(),
  picture: pictureFrame.optional(),
  playerSizes: record({ min: positive.default(0.8), max: positive.default(1.3) })
    .refine((sizes) => sizes.min <= sizes.max, "min must be at most max")
    .prefault({}),
  appear: z.enum(["touch", "always", "no-pad"]).default("touch"),
  actions: listOf(actionSchema, LIMITS.actions, "actions"),
  moments: listOf(record({ id: idSchema, name: nameSchema }), LIMITS.moments, "moments"),
  clusters: listOf(record({ id: idSchema, name: nameSchema, placement: clusterPlacement }), LIMITS.controls, "clusters"),
  controls: listOf(controlsSchema, LIMITS.controls, "controls"),
  keepClear: listOf(
    record({ id: idSchema, name: nameSchema, placement: plainPlacement, moments: z.array(idSchema).optional(), taps: z.boolean().default(false) }),
    LIMITS.controls,
    "keep-clear zones",
  ),
  arrangements: listOf(arrangementSchema, LIMITS.arrangements, "arrangements"),
  together: listOf(record({ id: idSchema, actions: z.array(z.string().min(1).max(64)) }), LIMITS.actions, "together sets"),
  limits: limitsSchema,
  accepted: listOf(record({ code: z.string(), subjects: z.array(z.string()), reason: z.string().max(2000) }), 2000, "accepted findings"),
  pictures: listOf(pictureSchema, 200, "pictures"),
  workbench: workbenchSchema,
});
/** The file as the schema alone reads it: defaults that depend on another field may still be missing. */
export type FileValue = z.output<typeof fileSchema>;
