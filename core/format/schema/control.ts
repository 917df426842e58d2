/** Controls: what each kind can be reported about how it takes touches, how it feels and how it looks. */
import { z } from "zod";
import {
  controlPlacement,
  idSchema,
  lengthPair,
  lengthSchema,
  listOf,
  momentsOf,
  nameSchema,
  notNegative,
  numberIn,
  oneOrTwo,
  plainPlacement,
  positive,
  recordOf,
  sizePair,
  textSchema,
} from "./parts";
import { withLimit } from "../readThrough";
import { LISTS, TEXTS } from "../limits";
import { named } from "./named";
import { LEVER_IS_FIXED } from "../../engine/read/rules";
import { ALL_PORTS } from "../../engine/input/fits";

const shapes = z.enum(["ellipse", "box", "capsule"], 'must be "ellipse", "box" or "capsule"');

const hitFields = {
  size: sizePair.optional(),
  grow: lengthSchema.default("0u"),
  shift: lengthPair.default(["0u", "0u"]),
  minMm: notNegative.default(0),
  sharing: z.enum(["own", "shared"], 'must be "own" or "shared"').default("own"),
};

/** The hit area of a kind; the shape it has when the file is silent differs from kind to kind. */
function hitSchema(shape: "ellipse" | "box") {
  return recordOf({ shape: shapes.default(shape), ...hitFields });
}

/** The hit area in an arrangement's override, where the kind of the control is not known yet. */
export const hitOverride = recordOf({ shape: shapes.optional(), ...hitFields });

/** A colour as the file writes it: # and six hex digits. */
export const colour = z.string('must be a colour, such as "#18242E"').regex(/^#[0-9A-Fa-f]{6}$/, 'must be a colour, such as "#18242E"');

function faceSchema(fill: string, line: string, ink: string, opacity: number) {
  return recordOf({
    fill: colour.default(fill),
    line: colour.default(line),
    ink: colour.default(ink),
    opacity: numberIn(0, 1).default(opacity),
  });
}
const restFace = faceSchema("#22323F", "#E8E4DA", "#FBFAF6", 0.6);
const heldFace = faceSchema("#E8E4DA", "#FBFAF6", "#18242E", 0.95);

const word = textSchema(TEXTS.label);
/** The shape of a language tag (BCP 47, RFC 5646 section 2.1): parts of one to eight letters or digits; the first is the language. */
const languageTag = textSchema(TEXTS.languageTag).regex(/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/, 'must be a language tag, such as "en" or "pt-BR"');

const lookSchema = recordOf({
  label: word.default(""),
  labels: withLimit(named(languageTag, word), LISTS.labels).default({}),
  icon: textSchema(TEXTS.icon).optional(),
  rotateDeg: z.number().default(0),
  turnLabel: z.boolean().default(true),
  rest: restFace.prefault({}),
  held: heldFace.prefault({}),
  away: recordOf({ opacity: numberIn(0, 1), afterMs: notNegative, fadeMs: notNegative.default(200) }).optional(),
  hideAtRest: z.enum(["none", "knob", "all"]).default("none"),
  knobSize: numberIn(0, 1).default(0.45),
  knob: recordOf({ rest: restFace.optional(), held: heldFace.optional() }).optional(),
  home: z.enum(["now", "later", "stay"]).default("now"),
  homeAfterMs: notNegative.default(0),
  returnMs: notNegative.default(80),
  art: recordOf({ rest: idSchema.optional(), held: idSchema.optional(), knob: idSchema.optional() }).optional(),
}).prefault({});

const curveSchema = z.discriminatedUnion(
  "kind",
  [
    recordOf({ kind: z.literal("linear") }),
    recordOf({ kind: z.literal("power"), exponent: numberIn(0.5, 5) }),
    recordOf({ kind: z.literal("bezier"), x1: numberIn(0.01, 0.99), y1: z.number(), x2: numberIn(0.01, 0.99), y2: z.number() }),
    recordOf({ kind: z.literal("full") }),
  ],
  'must have kind "linear", "power", "bezier" or "full"',
);

const holdDeg = numberIn(0, 180).default(4);
const directions = (count: number) => numberIn(0, 32).int("must be a whole number from 0 to 32").default(count);
const axes = z.enum(["both", "x", "y"]).default("both");

const stays = z.enum(["middle", "stays"], 'must be "middle" or "stays"').default("middle");
/** When a touch counts as a tap. */
const taps = { tapMs: numberIn(0, 2000).default(250), tapMm: numberIn(0, 50).default(3) };
const releasesBelow = (feel: { pressAt: number; releaseAt: number }) => feel.releaseAt > 0 && feel.releaseAt <= feel.pressAt;
const RELEASES_BELOW = "releaseAt must be above 0 and at most pressAt";

const stickFeel = recordOf({
  origin: z.enum(["fixed", "floating", "trailing"], 'must be "fixed", "floating" or "trailing"').default("fixed"),
  rest: stays,
  ...taps,
  start: z.enum(["thumb", "centre"], 'must be "thumb" or "centre"').default("thumb"),
  travel: lengthSchema.refine((text) => !text.startsWith("-"), "must be 0 or more").default("50%min"),
  landing: plainPlacement.optional(),
  inner: numberIn(0, 1).default(0.1),
  outer: numberIn(0, 1).default(0.95),
  deadZone: z.enum(["radial", "axial"]).default("radial"),
  curve: curveSchema.default({ kind: "linear" }),
  directions: directions(0),
  axes,
  pressAt: numberIn(0, 1).default(0.5),
  releaseAt: numberIn(0, 1).default(0.4),
  holdDeg,
})
  .refine((feel) => feel.inner < feel.outer, "the inner dead zone must be less than the outer one")
  .refine(releasesBelow, RELEASES_BELOW)
  .refine((feel) => feel.rest === "middle" || feel.origin === "fixed", LEVER_IS_FIXED)
  .prefault({});

const dpadFeel = recordOf({
  ways: z.union([z.literal(4), z.literal(8)], "must be 4 or 8").default(8),
  neutral: numberIn(0.01, 0.9).default(0.2),
  diagonal: numberIn(10, 80).default(45),
  holdDeg,
  slideOut: z.enum(["keep", "release"]).default("keep"),
}).prefault({});

const buttonFeel = recordOf({
  press: z.enum(["hold", "latch", "pulse", "release", "long", "double"], 'must be "hold", "latch", "pulse", "release", "long" or "double"').default("hold"),
  longMs: notNegative.default(500),
  withinMs: notNegative.default(300),
  slideIn: z.boolean().default(false),
  slideOut: z.enum(["keep", "release"]).optional(),
  buzzMs: numberIn(0, 100).default(0),
}).prefault({});

const touchpadFeel = recordOf({ gain: z.number().default(1), axes, ...taps }).prefault({});

const swipeFeel = recordOf({
  distanceMm: positive.default(8),
  directions: directions(4),
  output: z.enum(["pulse", "hold"]).default("pulse"),
  again: z.enum(["never", "each-distance"]).default("never"),
  withinMs: notNegative.default(0),
  ...taps,
}).prefault({});

const dialFeel = recordOf({
  rangeDeg: numberIn(10, 3600).default(180),
  inner: numberIn(0, 0.9).default(0.05),
  curve: curveSchema.default({ kind: "linear" }),
  neutral: numberIn(0, 0.9).default(0.2),
  rest: stays,
  pressAt: numberIn(0, 1).default(0.5),
  releaseAt: numberIn(0, 1).default(0.4),
  ...taps,
})
  .refine(releasesBelow, RELEASES_BELOW)
  .prefault({});

/** A press given again: ms, the interval 1 or more. */
const repeatSchema = recordOf({
  delayMs: notNegative,
  intervalMs: z.number("must be a number of 1 or more").min(1, "must be a number of 1 or more"),
  restMs: notNegative.default(0),
});

/** Any port is read: one that the kind does not have gives nothing, and the findings say so. */
const servesSchema = listOf(
  recordOf({
    port: z.enum(ALL_PORTS, `must be one of ${ALL_PORTS.join(", ")}`),
    action: textSchema(TEXTS.actionName, "the name of an action"),
    value: oneOrTwo.optional(),
    scale: oneOrTwo.optional(),
    repeat: repeatSchema.optional(),
  }),
  LISTS.serves,
).default([]);

function controlSchema<const K extends string, F extends z.ZodType>(kind: K, shape: "ellipse" | "box", feel: F) {
  return recordOf({
    id: idSchema,
    name: nameSchema,
    kind: z.literal(kind),
    placement: controlPlacement,
    moments: momentsOf.optional(),
    hit: hitSchema(shape).prefault({}),
    feel,
    look: lookSchema,
    serves: servesSchema,
  });
}

/** A control of any kind, distinguished by `kind`; an error names the key and the way out. */
export const controlsSchema = z.discriminatedUnion(
  "kind",
  [
    controlSchema("stick", "ellipse", stickFeel),
    controlSchema("dpad", "ellipse", dpadFeel),
    controlSchema("button", "ellipse", buttonFeel),
    controlSchema("touchpad", "box", touchpadFeel),
    controlSchema("swipe", "box", swipeFeel),
    controlSchema("dial", "ellipse", dialFeel),
  ],
  'must have kind "stick", "dpad", "button", "touchpad", "swipe" or "dial"',
);
