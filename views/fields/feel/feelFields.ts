/** The fields of how each kind of control feels. A new field costs an entry here and its value in the schema. */
import type { ControlKind, Curve } from "../../../core/format/types";
import { entriesOf, type ChoiceEntry, type Entry, type FormPlace, type NumberEntry, type OfKind } from "../form/entries";

type Feel<K extends ControlKind> = OfKind<K>["feel"];

const DRAG = "drag on the picture · ↑ ↓";
const AXES = [
  ["both", "any direction"],
  ["x", "horizontal only"],
  ["y", "vertical only"],
] as const;
const AXES_ENTRY = { label: "Axes", says: "Axes: {value}. With one axis, the other always gives 0.", options: AXES } as const;
const DIRECTIONS_ENTRY = {
  label: "Directions",
  says: "Directions: {value}. A number snaps the thumb to that many directions; “any” does not snap.",
  none: "any",
  min: 0,
  max: 32,
  digits: 0,
} as const;
const HOLD_ENTRY = {
  label: "Direction hold",
  says: "A direction stays active for {value} beyond its edge before the next direction takes over.",
  unit: "°",
  min: 0,
  max: 180,
} as const;
const LONGEST_MS = 60_000;

const STAYS = [
  ["middle", "goes to the middle"],
  ["stays", "stays where it was left"],
] as const;
/** When a touch counts as a tap, for the kinds that tell taps. */
const TAP_MS = {
  label: "Tap within",
  says: "A touch counts as a tap when it is lifted within {value}. With 0 ms, there are no taps.",
  unit: "ms",
  step: 10,
  min: 0,
  max: 2000,
  more: true,
} as const;
const TAP_MM = {
  label: "Tap distance",
  says: "A touch counts as a tap only if the finger stays within {value} of where it began.",
  unit: "mm",
  step: 0.5,
  min: 0,
  max: 50,
  more: true,
} as const;

const stick = entriesOf<OfKind<"stick">, Feel<"stick">>((c) => c.feel);

/** The curve of each kind, as it begins. */
const CURVES: Readonly<Record<Curve["kind"], Curve>> = {
  linear: { kind: "linear" },
  power: { kind: "power", exponent: 1.6 },
  bezier: { kind: "bezier", x1: 0.5, y1: 0.1, x2: 0.7, y2: 0.9 },
  full: { kind: "full" },
};
/** Curve and exponent of the kinds that have them. */
interface Curved {
  readonly feel: { readonly curve: Curve };
}
const CURVE: ChoiceEntry<Curved, { curve: Curve }> = {
  kind: "choice",
  label: "Curve",
  part: "curve",
  says: "Curve: {value}. It maps the position between the dead zones to the value.",
  keys: "drag on the picture",
  options: [
    ["linear", "linear"],
    ["power", "power"],
    ["bezier", "Bezier"],
    ["full", "full"],
  ],
  read: ({ feel }) => feel.curve.kind,
  edit: (kind) => ({ curve: CURVES[kind as Curve["kind"]] }),
};
const EXPONENT: NumberEntry<Curved, { curve: Curve }> = {
  kind: "number",
  label: "Exponent",
  part: "curve",
  says: "Exponent: {value}. Above 1, the middle is finer; below 1, it is quicker; 1 is linear.",
  keys: DRAG,
  step: 0.1,
  min: 0.5,
  max: 5,
  shown: (all) => all.every(({ feel }) => feel.curve.kind === "power"),
  read: ({ feel: { curve } }) => (curve.kind === "power" ? curve.exponent : 1),
  edit: (exponent) => ({ curve: { kind: "power", exponent: exponent as number } }),
};

const percent = (part: number | null) => (part === null ? "share" : `${Number((part * 100).toFixed(1))} %`);
const ofTravel = (part: number | null, { travelMm }: FormPlace) => (part === null || travelMm === null ? "mixed" : `${(part * travelMm).toFixed(1)} mm`);
const ZONE_ENTRY = {
  keys: DRAG,
  step: 0.01,
  min: 0,
  max: 1,
  figures: (value: number | null, place: FormPlace) => ({ percent: percent(value), mm: ofTravel(value, place) }),
  also: (value: number, place: FormPlace) => ofTravel(value, place),
} as const;

export const STICK = {
  travel: stick.length("travel", {
    label: "Travel",
    part: "travel",
    says: "Travel: the knob moves up to {value} ({mm}) from the middle. Beyond that, the value does not increase.",
    keys: DRAG,
  }),
  curve: CURVE,
  base: stick.choice("origin", {
    label: "Base",
    says: "Base: {value}. It stays in place, moves to the thumb, or follows a thumb that goes beyond the travel.",
    options: [
      ["fixed", "stays"],
      ["floating", "moves to the thumb"],
      ["trailing", "follows"],
    ],
  }),
  rest: stick.choice("rest", {
    label: "Let go",
    says: "When it is let go, the knob {value}. A lever that stays is for throttles and sliders; its base does not move.",
    options: STAYS,
    shown: (all) => all.every(({ feel }) => feel.origin === "fixed"),
  }),
  start: stick.choice("start", {
    label: "A touch starts",
    says: "A touch starts {value}. A base that follows can move to the thumb or wait in place.",
    options: [
      ["thumb", "under the thumb"],
      ["centre", "at the middle"],
    ],
    shown: (all) => all.every(({ feel }) => feel.origin === "trailing"),
  }),
  exponent: EXPONENT,
  inner: stick.number("inner", {
    ...ZONE_ENTRY,
    label: "Inner dead zone",
    part: "inner",
    says: "Inner dead zone: the stick gives nothing below {percent} of its travel ({mm}).",
  }),
  outer: stick.number("outer", {
    ...ZONE_ENTRY,
    label: "Outer dead zone",
    part: "outer",
    says: "Outer dead zone: the stick gives its full value from {percent} of its travel ({mm}).",
  }),
  deadZone: stick.choice("deadZone", {
    label: "Dead zone",
    says: "Dead zone: {value}. A round dead zone is a disc; per-axis dead zones keep straight movements straight.",
    options: [
      ["radial", "round"],
      ["axial", "by axis"],
    ],
  }),
  directions: stick.numberOrNone("directions", DIRECTIONS_ENTRY),
  axes: stick.choice("axes", { ...AXES_ENTRY, more: true }),
  pressAt: stick.number("pressAt", {
    label: "Directions press at",
    says: "Direction ports press at {value} of the full value and release a little lower.",
    step: 0.05,
    min: 0.01,
    max: 1,
    more: true,
  }),
  releaseAt: stick.number("releaseAt", {
    label: "Directions release at",
    says: "Direction ports release at {value} of the full value. Keep this below the press point to avoid flicker.",
    step: 0.05,
    min: 0.01,
    max: 1,
    more: true,
  }),
  holdDeg: stick.number("holdDeg", { ...HOLD_ENTRY, more: true }),
  tapMs: stick.number("tapMs", TAP_MS),
  tapMm: stick.number("tapMm", TAP_MM),
};

const dpad = entriesOf<OfKind<"dpad">, Feel<"dpad">>((c) => c.feel);
const SLIDE_OUT_ENTRY = {
  label: "Slide out",
  says: "When the thumb slides out, the button {value}.",
  options: [
    ["keep", "stays pressed"],
    ["release", "releases"],
  ],
} as const;
const WAYS: ChoiceEntry<OfKind<"dpad">, Partial<Feel<"dpad">>> = {
  kind: "choice",
  label: "Directions",
  says: "Directions: {value}. With eight, two neighbouring directions give a diagonal.",
  options: [
    ["4", "four"],
    ["8", "eight"],
  ],
  read: ({ feel }) => String(feel.ways),
  edit: (ways) => ({ ways: ways === "4" ? 4 : 8 }),
};

export const DPAD = {
  ways: WAYS,
  neutral: dpad.number("neutral", {
    label: "Neutral",
    part: "neutral",
    says: "Neutral middle: nothing is pressed below {value} of the distance from the middle to the edge.",
    keys: DRAG,
    step: 0.01,
    min: 0.01,
    max: 0.9,
  }),
  diagonal: dpad.number("diagonal", {
    label: "Diagonals",
    part: "diagonal",
    says: "Diagonals are {value} wide. 45° makes all eight directions equal.",
    keys: DRAG,
    unit: "°",
    min: 10,
    max: 80,
    shown: (all) => all.some(({ feel }) => feel.ways === 8),
  }),
  holdDeg: dpad.number("holdDeg", HOLD_ENTRY),
  slideOut: dpad.choice("slideOut", SLIDE_OUT_ENTRY),
};

const button = entriesOf<OfKind<"button">, Feel<"button">>((c) => c.feel);
const pressedBy = (press: Feel<"button">["press"]) => (all: readonly OfKind<"button">[]) => all.every(({ feel }) => feel.press === press);

const BUTTON = {
  press: button.choice("press", {
    label: "Press",
    says: "Pressed: {value}.",
    options: [
      ["hold", "while held"],
      ["latch", "latches"],
      ["pulse", "once, on press"],
      ["release", "once, on release"],
      ["long", "after a while"],
      ["double", "on a double tap"],
    ],
  }),
  longMs: button.number("longMs", {
    label: "After",
    says: "The button presses after it is held for {value}.",
    unit: "ms",
    step: 10,
    min: 0,
    max: LONGEST_MS,
    shown: pressedBy("long"),
  }),
  withinMs: button.number("withinMs", {
    label: "Within",
    says: "The button presses after two taps within {value}.",
    unit: "ms",
    step: 10,
    min: 0,
    max: LONGEST_MS,
    shown: pressedBy("double"),
  }),
  slideIn: button.toggle("slideIn", { label: "Slide in", says: "Slide in: {value}. A thumb that lands elsewhere presses the button by sliding onto it." }),
  slideOut: button.choice("slideOut", SLIDE_OUT_ENTRY),
  buzzMs: button.number("buzzMs", {
    label: "Vibration",
    says: "When a press starts, the device vibrates for {value}. 0 ms does not vibrate.",
    unit: "ms",
    step: 5,
    min: 0,
    max: 100,
  }),
};

const touchpad = entriesOf<OfKind<"touchpad">, Feel<"touchpad">>((c) => c.feel);

const TOUCHPAD = {
  gain: touchpad.number("gain", { label: "Gain", says: "Gain: 1 mm of thumb movement gives {value} mm of motion.", unit: "×", step: 0.1 }),
  axes: touchpad.choice("axes", AXES_ENTRY),
  tapMs: touchpad.number("tapMs", TAP_MS),
  tapMm: touchpad.number("tapMm", TAP_MM),
};

const swipe = entriesOf<OfKind<"swipe">, Feel<"swipe">>((c) => c.feel);

const SWIPE = {
  distanceMm: swipe.number("distanceMm", {
    label: "Distance",
    says: "Distance: a swipe counts after the thumb moves {value}.",
    unit: "mm",
    min: 0.5,
    max: 100,
  }),
  directions: swipe.numberOrNone("directions", DIRECTIONS_ENTRY),
  output: swipe.choice("output", {
    label: "Gives",
    says: "The swipe gives its direction {value}: for one tick, or while the thumb stays down.",
    options: [
      ["pulse", "once"],
      ["hold", "while the thumb stays down"],
    ],
  }),
  again: swipe.choice("again", {
    label: "Repeat",
    says: "One touch can swipe several times: {value}.",
    options: [
      ["never", "never"],
      ["each-distance", "each distance"],
    ],
  }),
  withinMs: swipe.number("withinMs", {
    label: "Within",
    says: "A swipe counts only if the thumb covers the distance within {value}.",
    unit: "ms",
    step: 10,
    min: 0,
    max: LONGEST_MS,
  }),
  tapMs: swipe.number("tapMs", TAP_MS),
  tapMm: swipe.number("tapMm", TAP_MM),
};

const dial = entriesOf<OfKind<"dial">, Feel<"dial">>((c) => c.feel);

const DIAL = {
  rangeDeg: dial.number("rangeDeg", {
    label: "Range",
    says: "Range: {value} from one end of the turn to the other.",
    unit: "°",
    step: 5,
    min: 10,
    max: 3600,
  }),
  rest: dial.choice("rest", { label: "Let go", says: "When it is let go, the dial {value}.", options: STAYS }),
  inner: dial.number("inner", {
    label: "Dead zone",
    says: "Dead zone: the dial gives nothing below {value} of half its range.",
    step: 0.01,
    min: 0,
    max: 0.9,
  }),
  curve: CURVE,
  exponent: EXPONENT,
  neutral: dial.number("neutral", {
    label: "Neutral",
    says: "Neutral middle: within {value} of half the shorter side, a finger does not turn the dial.",
    step: 0.01,
    min: 0,
    max: 0.9,
  }),
  pressAt: dial.number("pressAt", {
    label: "Directions press at",
    says: "Left and right press at {value} of the full value and release a little lower.",
    step: 0.05,
    min: 0.01,
    max: 1,
    more: true,
  }),
  releaseAt: dial.number("releaseAt", {
    label: "Directions release at",
    says: "Left and right release at {value} of the full value. Keep this below the press point to avoid flicker.",
    step: 0.05,
    min: 0.01,
    max: 1,
    more: true,
  }),
  tapMs: dial.number("tapMs", TAP_MS),
  tapMm: dial.number("tapMm", TAP_MM),
};

/** The fields of every kind, in the order in which they are shown. */
export const FEEL_FIELDS: { readonly [K in ControlKind]: readonly Entry<OfKind<K>, Partial<Feel<K>>>[] } = {
  stick: Object.values(STICK),
  dpad: Object.values(DPAD),
  button: Object.values(BUTTON),
  touchpad: Object.values(TOUCHPAD),
  swipe: Object.values(SWIPE),
  dial: Object.values(DIAL),
};
