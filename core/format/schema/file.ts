/** The whole file: the shape of model.md section 1, with every default that does not depend on another field. */
import { z } from "zod";
import { colour, controlsSchema, hitOverride } from "./control";
import {
  clusterPlacement,
  controlPlacement,
  idSchema,
  lineOf,
  listOf,
  momentsOf,
  nameSchema,
  notNegative,
  numberIn,
  oneOrTwo,
  plainPlacement,
  positive,
  recordOf,
  textSchema,
} from "./parts";
import { withLimit } from "../readThrough";
import { LISTS, SCREENS, PICTURES, TEXTS, base64Letters, type Limit } from "../limits";
import { bytesOf } from "../pictures/base64";
import { pictureProblem, type PictureType } from "../pictures/picture";
import { named } from "./named";

/** The version this program writes. Older ones are migrated, newer ones refused. */
export const FILE_VERSION = 1;
/** The word in `format` by which a layout file is known. */
export const FILE_FORMAT = "nodulum-layout";

const scaleSchema = recordOf({
  share: numberIn(0, 1).default(0),
  of: z.enum(["shorter", "longer", "area", "width", "height", "inside", "outside"]).default("shorter"),
  mmPerUnit: positive.default(0.09),
});

const actionName = lineOf(TEXTS.actionName, "the name the game reads");

const deadRange = { inner: numberIn(0, 1).default(0.1), outer: numberIn(0, 1).default(0.95) };
const innerFirst = "inner must be less than outer";

const mouseSource = z.union(
  [
    recordOf({ button: numberIn(0, 31).int(), value: oneOrTwo.optional() }),
    recordOf({ move: z.union([z.literal(true), z.literal("x"), z.literal("y")]), scale: oneOrTwo.default(1) }),
  ],
  'must be {"button":n} or {"move":true|"x"|"y"}',
);
const padSource = z.union(
  [
    recordOf({ button: numberIn(0, 63).int(), value: oneOrTwo.optional() }),
    recordOf({ axis: numberIn(0, 63).int(), scale: oneOrTwo.default(1), ...deadRange }).refine((p) => p.inner < p.outer, innerFirst),
    recordOf({ stick: z.enum(["left", "right"]), scale: oneOrTwo.default(1), ...deadRange }).refine((p) => p.inner < p.outer, innerFirst),
  ],
  'must be {"button":n}, {"axis":n} or {"stick":"left"|"right"}',
);

/** An action, with its keys, mouse and pad. */
export const actionSchema = recordOf({
  name: actionName,
  kind: z.enum(["press", "axis", "vector", "motion", "delta"], 'must be "press", "axis", "vector", "motion" or "delta"'),
  moments: momentsOf.optional(),
  read: z.boolean().default(true),
  touch: z.enum(["wanted", "never"], 'must be "wanted" or "never"').default("wanted"),
  keys: listOf(recordOf({ code: textSchema(TEXTS.code, 'a KeyboardEvent.code, such as "KeyW"'), value: oneOrTwo.optional() }), LISTS.keys).default([]),
  mouse: listOf(mouseSource, LISTS.mouse).default([]),
  pad: listOf(padSource, LISTS.pad).default([]),
  riseMs: notNegative.default(0),
  fallMs: notNegative.default(0),
  ease: z.enum(["all", "switches"], 'must be "all" or "switches"').default("all"),
  combine: z.enum(["sum", "strongest"], 'must be "sum" or "strongest"').default("sum"),
  note: textSchema(TEXTS.note).default(""),
});

const within = (limit: Limit & { readonly least: number }) => z.number(limit.words).min(limit.least, limit.words).max(limit.most, limit.words);
const side = within(SCREENS.insetPx).default(0);
const sides = recordOf({ left: side, top: side, right: side, bottom: side }).prefault({});
const place = within(SCREENS.cutoutPx);
const extent = within(SCREENS.insetPx);

/** A screen: px in whole device pixels, `ppi` pixels an inch, insets and edges in px. */
export const screenSchema = recordOf({
  name: lineOf(TEXTS.screenName).default(""),
  widthPx: within(SCREENS.sidePx),
  heightPx: within(SCREENS.sidePx),
  ppi: within(SCREENS.ppi),
  insets: sides,
  cornerPx: side,
  cutouts: listOf(recordOf({ x: place, y: place, w: extent, h: extent }), LISTS.cutouts).default([]),
  edges: sides,
});

const range = recordOf({ min: z.number().optional(), max: z.number().optional() });

const arrangementSchema = recordOf({
  id: idSchema,
  name: nameSchema,
  when: recordOf({ aspect: range.optional(), shortSideMm: range.optional() }),
  overrides: withLimit(
    named(
      z.string(),
      recordOf({ placement: controlPlacement.optional(), hit: hitOverride.optional(), landing: plainPlacement.optional(), hidden: z.boolean().default(false) }),
    ),
    LISTS.overrides,
  ).default({}),
});

const spread = z.tuple([notNegative, notNegative], "must be two numbers of 0 or more, such as [1.68,1.33]");
/** Where touches meant for a control land (model.md section 6): mm, and mm² in all and by the square of a side. */
const scatterSchema = recordOf({
  biasMm: z.tuple([z.number(), z.number()], "must be two numbers, such as [0,0]").default([0, 0]),
  baseMm2: spread.default([1.68, 1.33]),
  perSize: spread.default([0.0075, 0.0108]),
}).prefault({});

const limitsSchema = recordOf({
  minTargetMm: notNegative.default(9),
  minGapMm: notNegative.default(1),
  maxCover: numberIn(0, 1).default(0.35),
  grip: z.enum(["two-thumbs", "right-thumb", "left-thumb"]).default("two-thumbs"),
  comfortMm: positive.default(48),
  stretchMm: positive.default(65),
  gripUpMm: notNegative.default(15),
  scatter: scatterSchema,
}).prefault({});

/** Base64 of at most this many bytes. */
const base64Of = (limit: Limit) => z.string("must be base64").max(base64Letters(limit).most, { error: limit.words, abort: true });

/** What the data of a picture are must be what its type says, and such that it can be drawn without harm. */
function soundPicture({ type, data }: { type: PictureType; data: string }, context: z.core.$RefinementCtx): void {
  const problem = pictureProblem(type, data);
  if (problem !== null) context.addIssue({ code: "custom", message: problem, path: ["data"] });
}

const pictureSchema = recordOf({
  id: idSchema,
  name: nameSchema,
  type: z.enum(["image/png", "image/webp", "image/svg+xml"]),
  data: base64Of(PICTURES.fileBytes),
}).superRefine(soundPicture);

/** The data (base64) of all backdrops of a workbench. */
export function backdropData(bench: { picture?: { data: string } | undefined; momentPictures: Readonly<Record<string, { data: string }>> }): string[] {
  return [...(bench.picture ? [bench.picture] : []), ...Object.values(bench.momentPictures)].map((picture) => picture.data);
}

/** A picture of the game behind the glass. */
const backdropPicture = recordOf({
  name: nameSchema,
  type: z.enum(["image/png", "image/webp", "image/jpeg"]),
  data: base64Of(PICTURES.backdropBytes),
}).superRefine(soundPicture);

/**
 * What the editor alone remembers: players ignore it. `backdrop` is one of the stills drawn by the project; `picture` is the user's
 * own and shown instead, `momentPictures` the user's own for one moment and shown before that; `colour` is that of the plain backdrop
 * (absent: the paper's). `fit`: whether a picture covers the glass or all of it is seen; `dim`: how far it is darkened; `gridMm`: the
 * grid's step. `locked`: what of a control, cluster or zone must stay. `playersPart`: by a screen's name, the part of the players who
 * have it. What names something the layout no longer has means nothing.
 */
const workbenchSchema = recordOf({
  backdrop: z.enum(["plain", "harbour", "post-office"]).default("plain"),
  colour: colour.optional(),
  picture: backdropPicture.optional(),
  momentPictures: withLimit(named(idSchema, backdropPicture), LISTS.momentPictures).default({}),
  fit: z.enum(["fill", "fit"]).default("fill"),
  dim: numberIn(0, 1).default(0),
  gridMm: numberIn(0.5, 50).default(5),
  screen: textSchema(TEXTS.screenName).default(""),
  /** What in the game's code reads an input: callees that the user has ticked. */
  callees: listOf(textSchema(TEXTS.callee), LISTS.callees).default([]),
  rail: listOf(textSchema(TEXTS.screenName), LISTS.rail).default([]),
  screens: listOf(screenSchema, LISTS.ownScreens).default([]),
  playersPart: withLimit(named(textSchema(TEXTS.screenName), numberIn(0, 1)), LISTS.playersPart).default({}),
  locked: withLimit(named(idSchema, z.array(z.enum(["x", "y", "size"], 'must be "x", "y" or "size"')).max(3)), LISTS.locked).default({}),
})
  .refine((bench) => backdropData(bench).reduce((sum, data) => sum + bytesOf(data), 0) <= PICTURES.backdropsBytes.most, PICTURES.backdropsBytes.words)
  .prefault({});

const pictureFrame = recordOf({ minAspect: positive, maxAspect: positive }).refine((p) => p.minAspect <= p.maxAspect, "minAspect must be at most maxAspect");

/** The whole layout file, before its references are checked. */
export const fileSchema = recordOf({
  format: z.literal(FILE_FORMAT, `must be "${FILE_FORMAT}"`),
  version: z.literal(FILE_VERSION),
  name: nameSchema,
  reference: recordOf({ width: positive, height: positive }),
  scale: scaleSchema,
  orientation: z.enum(["landscape", "portrait", "both"]).optional(),
  picture: pictureFrame.optional(),
  playerSizes: recordOf({ min: positive.default(0.8), max: positive.default(1.3) })
    .refine((sizes) => sizes.min <= sizes.max, "min must be at most max")
    .prefault({}),
  appear: z.enum(["touch", "always", "no-pad"]).default("touch"),
  actions: listOf(actionSchema, LISTS.actions).default([]),
  moments: listOf(recordOf({ id: idSchema, name: nameSchema }), LISTS.moments).default([]),
  clusters: listOf(recordOf({ id: idSchema, name: nameSchema, placement: clusterPlacement }), LISTS.clusters).default([]),
  controls: listOf(controlsSchema, LISTS.controls).default([]),
  keepClear: listOf(
    recordOf({ id: idSchema, name: nameSchema, placement: plainPlacement, moments: momentsOf.optional(), taps: z.boolean().default(false) }),
    LISTS.keepClear,
  ).default([]),
  arrangements: listOf(arrangementSchema, LISTS.arrangements).default([]),
  together: listOf(
    recordOf({ id: idSchema, actions: listOf(textSchema(TEXTS.actionName, "the name of an action"), LISTS.togetherActions) }),
    LISTS.together,
  ).default([]),
  limits: limitsSchema,
  accepted: listOf(
    recordOf({ code: textSchema(TEXTS.findingCode), subjects: listOf(textSchema(TEXTS.subject), LISTS.subjects), reason: textSchema(TEXTS.reason) }),
    LISTS.accepted,
  ).default([]),
  pictures: listOf(pictureSchema, LISTS.pictures).default([]),
  workbench: workbenchSchema,
});
/** The file as the schema alone reads it: defaults that depend on another field may still be missing. */
export type FileValue = z.output<typeof fileSchema>;
