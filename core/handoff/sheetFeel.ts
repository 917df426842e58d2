/** How a control feels, as rows of the sheet. */
import type { TapFeel } from "../engine/types";
import type { ResolvedControl } from "../engine/placement/resolve";
import type { Control, ControlKind, Curve } from "../format/types";
import { number, row, units, type SheetRow } from "./sheetRow";

/** A curve in words. */
function curveWords(curve: Curve): string {
  switch (curve.kind) {
    case "linear":
      return "as it is";
    case "power":
      return `to the power of ${number(curve.exponent)}`;
    case "bezier":
      return `cubic-bezier(${[curve.x1, curve.y1, curve.x2, curve.y2].map(number).join(", ")})`;
    case "full":
      return "on or off";
  }
}

const ORIGIN_WORDS = { fixed: "stays", floating: "moves to the thumb", trailing: "follows" } as const;
const waysWords = (count: number): string => (count === 0 ? "any" : String(count));

const feel = (field: string, value: string, written = "") => row("feel", field, value, written);
type OfKind<K extends ControlKind> = Extract<Control, { kind: K }>;
// A method, so that the rows of a stick are the rows of a control.
type RowsOf<C> = { rows(control: C, at: ResolvedControl): SheetRow[] }["rows"];

const tapRows = ({ tapMs, tapMm }: TapFeel) => [feel("tap", tapMs === 0 ? "never" : `within ${number(tapMs)} ms and ${number(tapMm)} mm`)];

/** The rows of each kind. */
const ROWS: { readonly [K in ControlKind]: RowsOf<OfKind<K>> } = {
  stick({ feel: f }, at) {
    const travel = at.travel ?? 0;
    const share = (part: number) => `${number(part)} of the travel, ${units(part * travel)}`;
    return [
      feel("base", f.rest === "stays" ? "lever: stays where it was left" : ORIGIN_WORDS[f.origin]),
      ...(f.origin === "fixed" ? [] : [feel("begins", f.start === "thumb" ? "under the thumb" : "at its own centre")]),
      feel("travel", units(travel), f.travel),
      feel("dead zone, inner", share(f.inner)),
      feel("dead zone, outer", share(f.outer)),
      feel("dead zone measured", f.deadZone === "radial" ? "from the middle" : "along each axis"),
      feel("response curve", curveWords(f.curve)),
      feel("axes", f.axes),
      feel("directions", waysWords(f.directions)),
      feel("direction on from", share(f.pressAt)),
      feel("direction off below", share(f.releaseAt)),
      feel("direction held", `${number(f.holdDeg)}°`),
      ...tapRows(f),
    ];
  },
  dpad({ feel: f }, at) {
    const half = Math.min(at.visual.w, at.visual.h) / 2;
    return [
      feel("ways", String(f.ways)),
      feel("neutral", `${number(f.neutral)} of half the shorter side, ${units(f.neutral * half)}`),
      ...(f.ways === 8 ? [feel("diagonal width", `${number(f.diagonal)}°`)] : []),
      feel("direction held", `${number(f.holdDeg)}°`),
      feel("slide out", f.slideOut === "keep" ? "keeps its direction" : "releases"),
    ];
  },
  button: ({ feel: f }) => [
    feel("press", f.press),
    ...(f.press === "long" ? [feel("long press", `${number(f.longMs)} ms`)] : []),
    ...(f.press === "double" ? [feel("double tap", `${number(f.withinMs)} ms`)] : []),
    feel("slide in", f.slideIn ? "yes" : "no"),
    feel("slide out", f.slideOut === "keep" ? "stays pressed" : "releases"),
    ...(f.buzzMs > 0 ? [feel("vibrates", `${number(f.buzzMs)} ms`)] : []),
  ],
  touchpad: ({ feel: f }) => [feel("gain", `× ${number(f.gain)}, of mm moved`), feel("axes", f.axes), ...tapRows(f)],
  swipe: ({ feel: f }) => [
    feel("distance", `${number(f.distanceMm)} mm`),
    feel("directions", waysWords(f.directions)),
    feel("gives", f.output === "pulse" ? "one tick" : "until release"),
    feel("again", f.again === "never" ? "once per touch" : "after each distance"),
    ...(f.withinMs > 0 ? [feel("within", `${number(f.withinMs)} ms`)] : []),
    ...tapRows(f),
  ],
  dial: ({ feel: f }) => [
    feel("range", `${number(f.rangeDeg)}°`),
    feel("let go", f.rest === "stays" ? "stays where it was turned" : "goes to the middle"),
    feel("dead zone", `${number(f.inner)} of half the range`),
    feel("response curve", curveWords(f.curve)),
    feel("angle not read within", `${number(f.neutral)} of half the shorter side`),
    feel("direction on from", number(f.pressAt)),
    feel("direction off below", number(f.releaseAt)),
    ...tapRows(f),
  ],
};

/** Every value of a feel, lengths and parts of them in units; of all kinds what they have. */
export function feelRows(control: Control, at: ResolvedControl): SheetRow[] {
  const rows: RowsOf<Control> = ROWS[control.kind];
  return rows(control, at);
}
