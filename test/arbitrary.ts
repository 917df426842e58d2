/** Layouts, screens and event streams made at random, for the laws. For tests alone. */
import fc from "fast-check";
import type { InputEvent } from "../core/engine/input/events";
import { LENGTH_UNITS } from "../core/engine/placement/length";
import { parseLayout } from "../core/format/parse";
import { PORTS } from "../core/engine/types";
import type { ControlKind, Layout, Screen } from "../core/format/types";
import { plainScreen } from "../core/engine/placement/screen";

const MOMENTS = ["sail", "dock"];
const ACTIONS = [
  { name: "go", kind: "vector", keys: [{ code: "KeyW", value: [0, 1] }], pad: [{ stick: "left" }] },
  { name: "trim", kind: "axis", keys: [{ code: "KeyQ", value: -1 }], pad: [{ axis: 2 }, { button: 7, value: 0.8 }] },
  { name: "spin", kind: "motion", mouse: [{ move: true, scale: [0.2, 0.1] }], pad: [{ stick: "right", scale: 120 }] },
  { name: "reel", kind: "delta", mouse: [{ move: "y", scale: 0.3 }], pad: [{ axis: 3, scale: 90 }] },
  { name: "bell", kind: "press", keys: [{ code: "Space" }], pad: [{ button: 0 }] },
  { name: "winch", kind: "press", mouse: [{ button: 2 }] },
] as const;

const fraction = fc.integer({ min: 0, max: 20 }).map((n) => n / 20);
const amount = (min: number, max: number) => fc.integer({ min: Math.round(min * 10), max: Math.round(max * 10) }).map((n) => n / 10);
const typicalSize: Record<string, [number, number]> = {
  u: [30, 300],
  mm: [3, 40],
  px: [20, 400],
  "%w": [2, 40],
  "%h": [2, 40],
  "%min": [2, 40],
  "%max": [2, 40],
};
const lengthIn = (scale: number, low = 0): fc.Arbitrary<string> =>
  fc.constantFrom(...LENGTH_UNITS).chain((unit) => {
    const [min, max] = typicalSize[unit];
    return amount(low === 0 ? min : low * max * scale, max * scale).map((n) => `${n}${unit}`);
  });
const offset = fc.tuple(lengthIn(0.6, -1), lengthIn(0.6, -1));

const clamp = fc.option(fc.constantFrom({ minMm: 9 }, { maxMm: 20 }, { minMm: 11, maxMm: 16 }), { nil: undefined });
const pinIn = (frame: fc.Arbitrary<unknown>) =>
  fc.record(
    {
      kind: fc.constant("pin"),
      frame,
      anchor: fc.tuple(fraction, fraction),
      pivot: fc.tuple(fraction, fraction),
      offset,
      size: fc.tuple(lengthIn(1), lengthIn(1)),
      clamp,
    },
    { requiredKeys: ["kind", "frame", "anchor", "pivot", "offset", "size"] },
  );
const plainFrame = fc.constantFrom("screen", "safe", "picture");
const span = fc.tuple(plainFrame, fraction, fraction, fraction, fraction, lengthIn(0.3)).map(([frame, a, b, c, d, inset]) => ({
  kind: "span",
  frame,
  from: [Math.min(a, b), Math.min(c, d)],
  to: [Math.max(a, b), Math.max(c, d)],
  inset: { left: inset, top: inset },
}));

const hit = fc.record(
  {
    shape: fc.constantFrom("ellipse", "box", "capsule"),
    size: fc.tuple(lengthIn(1), lengthIn(1)),
    grow: lengthIn(0.2),
    shift: offset,
    minMm: fc.constantFrom(0, 9),
    sharing: fc.constantFrom("own", "shared"),
  },
  { requiredKeys: [] },
);

const taps = { tapMs: fc.constantFrom(0, 80, 250), tapMm: fc.constantFrom(0, 3) };
const curve = fc.constantFrom<unknown>(
  { kind: "linear" },
  { kind: "power", exponent: 2 },
  { kind: "full" },
  { kind: "bezier", x1: 0.4, y1: -0.2, x2: 0.6, y2: 1.3 },
);

const feels: Record<ControlKind, fc.Arbitrary<unknown>> = {
  stick: fc
    .record(
      {
        origin: fc.constantFrom("fixed", "floating", "trailing"),
        rest: fc.constantFrom("middle", "stays"),
        ...taps,
        start: fc.constantFrom("thumb", "centre"),
        travel: lengthIn(0.6),
        inner: fc.constantFrom(0, 0.1, 0.3),
        outer: fc.constantFrom(0.5, 0.95, 1),
        deadZone: fc.constantFrom("radial", "axial"),
        directions: fc.constantFrom(0, 4, 6, 8),
        axes: fc.constantFrom("both", "x", "y"),
        curve,
        landing: span,
      },
      { requiredKeys: [] },
    )
    // A lever is fixed.
    .map((feel) => (feel.rest === "stays" && (feel.origin ?? "fixed") !== "fixed" ? { ...feel, rest: "middle" } : feel)),
  dpad: fc.record(
    { ways: fc.constantFrom(4, 8), neutral: fc.constantFrom(0.1, 0.3), diagonal: fc.constantFrom(20, 45, 80), slideOut: fc.constantFrom("keep", "release") },
    { requiredKeys: [] },
  ),
  button: fc.record(
    {
      press: fc.constantFrom("hold", "latch", "pulse", "release", "long", "double"),
      longMs: fc.constantFrom(60, 200),
      withinMs: fc.constantFrom(200, 400),
      slideIn: fc.boolean(),
      slideOut: fc.constantFrom("keep", "release"),
    },
    { requiredKeys: [] },
  ),
  touchpad: fc.record({ gain: fc.constantFrom(-1, 0.5, 2), axes: fc.constantFrom("both", "x", "y"), ...taps }, { requiredKeys: [] }),
  swipe: fc.record(
    {
      distanceMm: fc.constantFrom(3, 8),
      directions: fc.constantFrom(0, 4, 8),
      output: fc.constantFrom("pulse", "hold"),
      again: fc.constantFrom("never", "each-distance"),
      withinMs: fc.constantFrom(0, 120),
      ...taps,
    },
    { requiredKeys: [] },
  ),
  dial: fc.record(
    {
      rangeDeg: fc.constantFrom(90, 180, 720),
      inner: fc.constantFrom(0, 0.05, 0.3),
      curve,
      neutral: fc.constantFrom(0, 0.2, 0.6),
      rest: fc.constantFrom("middle", "stays"),
      ...taps,
    },
    { requiredKeys: [] },
  ),
};

const serveOf = (kind: ControlKind) =>
  fc.record(
    {
      port: fc.constantFrom(...PORTS[kind]),
      action: fc.constantFrom(...ACTIONS.map((a) => a.name), "bel"),
      value: fc.constantFrom<unknown>(1, -0.5, [0, 1], [-1, 0]),
      scale: fc.constantFrom<unknown>(1, 90, [90, -45]),
      repeat: fc.constantFrom({ delayMs: 0, intervalMs: 60 }, { delayMs: 150, intervalMs: 25, restMs: 70 }),
    },
    { requiredKeys: ["port", "action"] },
  );

const control = (id: string) =>
  fc.constantFrom<ControlKind>("stick", "dpad", "button", "touchpad", "swipe", "dial").chain((kind) =>
    fc.record(
      {
        id: fc.constant(id),
        name: fc.constant(`Control ${id}`),
        kind: fc.constant(kind),
        placement: fc.oneof(
          pinIn(fc.oneof({ weight: 3, arbitrary: plainFrame as fc.Arbitrary<unknown> }, { weight: 1, arbitrary: fc.constant({ cluster: "ring" }) })),
          span,
        ),
        moments: fc.subarray(MOMENTS),
        hit,
        feel: feels[kind],
        serves: fc.array(serveOf(kind), { maxLength: 3 }),
      },
      { requiredKeys: ["id", "name", "kind", "placement"] },
    ),
  );

/** A layout as a file's value, sound by construction. */
export const fileArbitrary: fc.Arbitrary<Record<string, unknown>> = fc.record(
  {
    format: fc.constant("nodulum-layout"),
    version: fc.constant(1),
    name: fc.constant("Made at random"),
    reference: fc.constantFrom({ width: 1600, height: 720 }, { width: 720, height: 1280 }),
    scale: fc.record(
      { share: fc.constantFrom(0, 0.3, 1), of: fc.constantFrom("shorter", "longer", "area", "width", "height", "inside", "outside") },
      { requiredKeys: [] },
    ),
    picture: fc.constantFrom({ minAspect: 1.4, maxAspect: 1.9 }),
    orientation: fc.constantFrom("landscape", "portrait", "both"),
    actions: fc
      .tuple(fc.constantFrom(0, 80), fc.constantFrom(0, 60), fc.constantFrom("all", "switches"), fc.constantFrom("sum", "strongest"))
      .map(([riseMs, fallMs, ease, combine]) => ACTIONS.map((a) => (a.kind === "vector" || a.kind === "axis" ? { ...a, riseMs, fallMs, ease, combine } : a))),
    moments: fc.constant(MOMENTS.map((id) => ({ id, name: id }))),
    clusters: pinIn(plainFrame).map((placement) => [{ id: "ring", name: "Ring", placement }]),
    controls: fc.integer({ min: 0, max: 6 }).chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => control(`c${i}`)))),
    keepClear: fc.oneof(pinIn(plainFrame), span).map((placement) => [{ id: "map", name: "Map", placement, taps: true }]),
    arrangements: fc
      .tuple(fc.oneof(pinIn(plainFrame)), fc.boolean())
      .map(([placement, hidden]) => [{ id: "tall", name: "Tall", when: { aspect: { max: 1.5 } }, overrides: { ring: { placement, hidden } } }]),
  },
  { requiredKeys: ["format", "version", "name", "reference", "scale", "moments", "clusters", "actions"] },
);

/** The layout of a sound file's value. */
export function fileLayout(file: Record<string, unknown>): Layout {
  const read = parseLayout(file);
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

/** A layout behind the door. */
export const layoutArbitrary: fc.Arbitrary<Layout> = fileArbitrary.map(fileLayout);

/** A screen of any common size, with insets and edges or without. */
export const screenArbitrary: fc.Arbitrary<Screen> = fc
  .tuple(fc.constantFrom([1334, 750, 326], [2400, 1080, 411], [2048, 1536, 264], [640, 480, 229], [1080, 2400, 411]), fc.boolean())
  .map(([[w, h, ppi], edged]) => ({
    ...plainScreen("made", w, h, ppi),
    ...(edged ? { insets: { left: 96, top: 0, right: 0, bottom: 48 }, edges: { left: 40, top: 0, right: 40, bottom: 50 } } : {}),
  }));

/** Events in time order: ids reused, moves of unknown ids, down twice, times equal, points far off the screen. */
export const eventsArbitrary: fc.Arbitrary<InputEvent[]> = fc
  .array(
    fc.tuple(
      fc.integer({ min: 0, max: 60 }),
      fc.oneof(
        {
          weight: 8,
          arbitrary: fc.record({
            id: fc.integer({ min: 1, max: 4 }),
            type: fc.constantFrom("down" as const, "move" as const, "move" as const, "up" as const, "cancel" as const),
            x: fc.oneof(fc.integer({ min: 0, max: 2400 }), fc.integer({ min: -1e6, max: 1e6 })),
            y: fc.oneof(fc.integer({ min: 0, max: 1536 }), fc.integer({ min: -1e6, max: 1e6 })),
          }) as fc.Arbitrary<Record<string, unknown>>,
        },
        {
          weight: 2,
          arbitrary: fc.record({ type: fc.constant("key"), code: fc.constantFrom("KeyW", "KeyQ", "Space", "KeyX"), down: fc.boolean() }) as fc.Arbitrary<
            Record<string, unknown>
          >,
        },
        {
          weight: 1,
          arbitrary: fc.record({ type: fc.constant("mouse"), button: fc.constantFrom(0, 2), down: fc.boolean() }) as fc.Arbitrary<Record<string, unknown>>,
        },
        {
          weight: 1,
          arbitrary: fc.record({ type: fc.constant("mouse"), dx: fc.integer({ min: -50, max: 50 }), dy: fc.integer({ min: -50, max: 50 }) }) as fc.Arbitrary<
            Record<string, unknown>
          >,
        },
        {
          weight: 1,
          arbitrary: fc
            .tuple(
              fc.array(fraction, { minLength: 8, maxLength: 8 }),
              fc.array(
                fraction.map((f) => f * 2 - 1),
                { minLength: 4, maxLength: 4 },
              ),
            )
            .map(([buttons, axes]) => ({ type: "pad", buttons, axes })) as fc.Arbitrary<Record<string, unknown>>,
        },
        {
          weight: 1,
          arbitrary: fc.constantFrom<Record<string, unknown>>(
            { type: "moment", moment: "sail" },
            { type: "moment", moment: "dock" },
            { type: "moment", moment: null },
            { type: "control", id: "c0", shown: false },
            { type: "control", id: "c0", shown: true },
            { type: "off" },
            { type: "on" },
            { type: "blur" },
          ),
        },
      ),
    ),
    { maxLength: 60 },
  )
  .map((steps) => {
    let t = 0;
    return steps.map(([wait, event]) => ({ ...event, t: (t += wait) }) as unknown as InputEvent);
  });

/** Freezes a value to its depth, so that a change in place throws. */
export function frozen<T>(value: T): T {
  if (typeof value === "object" && value !== null && !Object.isFrozen(value)) {
    Object.freeze(value);
    Object.values(value).forEach(frozen);
  }
  return value;
}
