/**
 * What a played file may hold, as data: every key in the order in which it is written, the range of every value (docs/PLAYED.md). The
 * reader holds a file against it, the compiler writes by it, so that what one writes the other reads.
 */
import { ALL_PORTS } from "../input/fits";
import { PORTS, type ControlKind } from "../types";

/** One value: what it may be. `opt`: it may be null, or its key absent. */
export type Rule = (
  | { readonly is: "number"; readonly low: number; readonly high: number; readonly whole?: boolean; readonly above?: boolean }
  | { readonly is: "text"; readonly least: number; readonly most: number; readonly like?: RegExp; readonly means: string }
  /** A length: any, 0 or more, above 0. */
  | { readonly is: "length"; readonly least: "any" | "zero" | "above" }
  | { readonly is: "word"; readonly of: readonly (string | number | boolean)[] }
  | { readonly is: "pair"; readonly of: Rule }
  | { readonly is: "list"; readonly of: Rule; readonly most: number; readonly what: string }
  | { readonly is: "map"; readonly of: Rule }
  | { readonly is: "object"; readonly keys: Readonly<Record<string, Rule>>; readonly contains?: (value: Record<string, number>) => string | null }
  /** An object whose keys follow from the word under one of them. */
  | { readonly is: "kinds"; readonly by: string; readonly of: Readonly<Record<string, Rule>> }
  /** An object whose keys follow from which of some keys it has. */
  | { readonly is: "having"; readonly of: Readonly<Record<string, Rule>> }
  | { readonly is: "or"; readonly bare: Rule; readonly else: Rule }
  /** The id of something that must stand elsewhere in the file. */
  | { readonly is: "ref"; readonly to: "clusters" | "pictures" }
) & { readonly opt?: true };

const BIG = Number.MAX_VALUE;
const number = (low = -BIG, high = BIG): Rule => ({ is: "number", low, high });
const whole = (low: number, high: number): Rule => ({ is: "number", low, high, whole: true });
const above: Rule = { is: "number", low: 0, high: BIG, above: true };
const part = number(0, 1);
const ms = number(0);
const text = (least: number, most: number, means: string, like?: RegExp): Rule => ({ is: "text", least, most, means, like });
const word = (...of: readonly (string | number | boolean)[]): Rule => ({ is: "word", of });
const flag = word(true, false);
const pair = (of: Rule): Rule => ({ is: "pair", of });
const list = (of: Rule, most: number, what: string): Rule => ({ is: "list", of, most, what });
const object = (keys: Readonly<Record<string, Rule>>, contains?: (value: Record<string, number>) => string | null): Rule => ({ is: "object", keys, contains });
const opt = (rule: Rule): Rule => ({ ...rule, opt: true });

const id = text(1, 48, "an id: a small letter, then small letters, digits, hyphens", /^[a-z][a-z0-9-]{0,47}$/);
const name = text(1, 80, "a text of 1 to 80 characters");
const actionName = text(1, 64, "1 to 64 characters, no control characters", /^[^\u0000-\u001f\u007f-\u009f]*$/);
const colour = text(7, 7, "a colour, such as #18242E", /^#[0-9A-Fa-f]{6}$/);
const length: Rule = { is: "length", least: "any" };
const size = pair({ is: "length", least: "above" });
const lengths = pair(length);
const point = pair(part);
const oneOrTwo: Rule = { is: "or", bare: number(), else: pair(number()) };
const ids = list(id, 32, "moments");

const plainFrame = word("screen", "safe", "picture");
const anyFrame: Rule = { is: "or", bare: plainFrame, else: object({ cluster: { is: "ref", to: "clusters" } }) };
const range = (v: Record<string, number>, low: string, high: string, apart: boolean) =>
  v[low] != null && v[high] != null && (apart ? v[low] >= v[high] : v[low] > v[high]) ? `${low} must be ${apart ? "less than" : "at most"} ${high}` : null;
const clamp = object({ minMm: opt(above), maxMm: opt(above) }, (v) => range(v, "minMm", "maxMm", true));
const pinIn = (frame: Rule) => object({ kind: word("pin"), frame, anchor: point, pivot: point, offset: lengths, size, clamp: opt(clamp) });
const span = object({
  kind: word("span"),
  frame: plainFrame,
  from: point,
  to: point,
  inset: object({ left: length, top: length, right: length, bottom: length }),
});
const placement: Rule = { is: "kinds", by: "kind", of: { pin: pinIn(anyFrame), span } };
const plainPlacement: Rule = { is: "kinds", by: "kind", of: { pin: pinIn(plainFrame), span } };

const hit = object({
  shape: word("ellipse", "box", "capsule"),
  size: opt(size),
  grow: length,
  shift: lengths,
  minMm: ms,
  sharing: word("own", "shared"),
});

const face = object({ fill: colour, line: colour, ink: colour, opacity: part });
const label = text(0, 80, "a text of at most 80 characters");
const art: Rule = { is: "ref", to: "pictures" };
const look = object({
  label,
  labels: { is: "map", of: label },
  icon: opt(text(1, 48, "the name of an icon")),
  rotateDeg: number(),
  turnLabel: opt(flag),
  rest: face,
  held: face,
  away: opt(object({ opacity: part, afterMs: ms, fadeMs: ms })),
  hideAtRest: word("none", "knob", "all"),
  knobSize: part,
  knob: opt(object({ rest: opt(face), held: opt(face) })),
  home: word("now", "later", "stay"),
  homeAfterMs: ms,
  returnMs: ms,
  art: opt(object({ rest: opt(art), held: opt(art), knob: opt(art) })),
});

const control01 = number(0.01, 0.99);
const curve: Rule = {
  is: "kinds",
  by: "kind",
  of: {
    linear: object({ kind: word("linear") }),
    power: object({ kind: word("power"), exponent: number(0.5, 5) }),
    bezier: object({ kind: word("bezier"), x1: control01, y1: number(), x2: control01, y2: number() }),
    full: object({ kind: word("full") }),
  },
};
const directions = whole(0, 32);
const axes = word("both", "x", "y");
const holdDeg = number(0, 180);
const slideOut = word("keep", "release");
/** Missing in earlier played files: to the middle, and no taps. */
const rest = opt(word("middle", "stays"));
const taps = { tapMs: opt(number(0, 2000)), tapMm: opt(number(0, 50)) };
const releasesBelow = (v: Record<string, number>) => (v.releaseAt === 0 ? "releaseAt must be above 0" : range(v, "releaseAt", "pressAt", false));
/** What is said of a lever that is not fixed. */
export const LEVER_IS_FIXED = 'rest "stays" needs origin "fixed"';
const fixedLever = (v: Readonly<Record<string, unknown>>) => (v.rest === "stays" && v.origin !== "fixed" ? LEVER_IS_FIXED : null);
const FEEL: Readonly<Record<ControlKind, Rule>> = {
  stick: object(
    {
      origin: word("fixed", "floating", "trailing"),
      rest,
      ...taps,
      start: word("thumb", "centre"),
      travel: { is: "length", least: "zero" },
      landing: opt(plainPlacement),
      inner: part,
      outer: part,
      deadZone: word("radial", "axial"),
      curve,
      directions,
      axes,
      pressAt: part,
      releaseAt: part,
      holdDeg,
    },
    (v) => range(v, "inner", "outer", true) ?? releasesBelow(v) ?? fixedLever(v),
  ),
  dpad: object({ ways: word(4, 8), neutral: number(0.01, 0.9), diagonal: number(10, 80), holdDeg, slideOut }),
  button: object({
    press: word("hold", "latch", "pulse", "release", "long", "double"),
    longMs: ms,
    withinMs: ms,
    slideIn: flag,
    slideOut,
    buzzMs: number(0, 100),
  }),
  touchpad: object({ gain: number(), axes, ...taps }),
  swipe: object({ distanceMm: above, directions, output: word("pulse", "hold"), again: word("never", "each-distance"), withinMs: ms, ...taps }),
  dial: object(
    {
      rangeDeg: number(10, 3600),
      inner: number(0, 0.9),
      curve,
      neutral: number(0, 0.9),
      rest,
      pressAt: part,
      releaseAt: part,
      ...taps,
    },
    releasesBelow,
  ),
};

const repeat = object({ delayMs: ms, intervalMs: number(1), restMs: ms });
const ENTRIES = 32;
const controlOf = (kind: ControlKind): Rule =>
  object({
    id,
    name,
    kind: word(kind),
    placement,
    moments: ids,
    hit,
    feel: FEEL[kind],
    look,
    serves: list(
      object({ port: word(...ALL_PORTS), action: text(1, 64, "1 to 64 characters"), value: opt(oneOrTwo), scale: opt(oneOrTwo), repeat: opt(repeat) }),
      ENTRIES,
      "serves",
    ),
  });

const value = opt(oneOrTwo);
const dead = { inner: part, outer: part };
const innerFirst = (v: Record<string, number>) => range(v, "inner", "outer", true);
const button = (most: number) => object({ button: whole(0, most), value });
const action = object({
  name: actionName,
  kind: word("press", "axis", "vector", "motion", "delta"),
  moments: ids,
  keys: list(object({ code: text(1, 64, "a KeyboardEvent.code"), value }), ENTRIES, "keys"),
  mouse: list({ is: "having", of: { button: button(31), move: object({ move: word(true, "x", "y"), scale: oneOrTwo }) } }, ENTRIES, "mouse inputs"),
  pad: list(
    {
      is: "having",
      of: {
        button: button(63),
        axis: object({ axis: whole(0, 63), scale: oneOrTwo, ...dead }, innerFirst),
        stick: object({ stick: word("left", "right"), scale: oneOrTwo, ...dead }, innerFirst),
      },
    },
    ENTRIES,
    "pad inputs",
  ),
  riseMs: ms,
  fallMs: ms,
  ease: word("all", "switches"),
  combine: word("sum", "strongest"),
});

const bounds = opt(object({ min: opt(number()), max: opt(number()) }));
/** The longest picture in base64: 512 KiB. */
const MOST_PICTURE = Math.ceil((512 * 1024 * 4) / 3) + 4;

/** The word in `format` by which a played file is known, and the version that is read. */
export const PLAYED_FORMAT = "nodulum-played";
/** The version that is written and read; another is refused. */
export const PLAYED_VERSION = 1;

/** The whole file. */
export const PLAYED: Rule = object({
  format: word(PLAYED_FORMAT),
  version: word(PLAYED_VERSION),
  digest: text(64, 64, "64 small hex digits", /^[0-9a-f]{64}$/),
  name,
  reference: object({ width: above, height: above }),
  scale: object({ share: part, of: word("shorter", "longer", "area", "width", "height", "inside", "outside"), mmPerUnit: above }),
  orientation: word("landscape", "portrait", "both"),
  picture: opt(object({ minAspect: above, maxAspect: above }, (v) => range(v, "minAspect", "maxAspect", false))),
  playerSizes: object({ min: above, max: above }, (v) => range(v, "min", "max", false)),
  appear: word("touch", "always", "no-pad"),
  actions: list(action, 200, "actions"),
  moments: list(object({ id, name }), 32, "moments"),
  clusters: list(object({ id, name, placement: pinIn(plainFrame) }), 64, "clusters"),
  controls: list(
    { is: "kinds", by: "kind", of: Object.fromEntries((Object.keys(PORTS) as ControlKind[]).map((kind) => [kind, controlOf(kind)])) },
    200,
    "controls",
  ),
  keepClear: list(object({ id, name, placement: plainPlacement, moments: ids, taps: flag }), 200, "keep-clear zones"),
  arrangements: list(
    object({
      id,
      name,
      when: object({ aspect: bounds, shortSideMm: bounds }),
      overrides: { is: "map", of: object({ placement: opt(placement), hit: opt(hit), landing: opt(plainPlacement), hidden: flag }) },
    }),
    16,
    "arrangements",
  ),
  pictures: list(
    object({
      id,
      name,
      type: word("image/png", "image/webp", "image/svg+xml"),
      data: text(0, MOST_PICTURE, "base64 of at most 512 KiB", /^[A-Za-z0-9+/]*={0,2}$/),
    }),
    200,
    "pictures",
  ),
});
