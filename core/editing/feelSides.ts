/** Two feels of one control held side by side: what is compared of them, in words; and feels of our own to begin with. */
import type { Result } from "../engine/result";
import type { Control, Layout, StickControl } from "../format/types";
import { changeFeel } from "./edits/controls";

/** How a control feels, without what belongs to its place: a landing area stays where it is whatever the feel. */
export type Feel = Readonly<Record<string, unknown>>;

/** The feel of a control, as it is held beside another. */
export function feelOf(control: Control): Feel {
  const { landing: _, ...feel } = { landing: undefined, ...control.feel };
  return feel;
}

/** Gives a control another feel, as one edit; refused where a figure of it is none for this kind. */
export const putFeel = (layout: Layout, id: string, feel: Feel): Result<Layout> => changeFeel(layout, id, feel);

/** What the fields of feels are called, and how their figures are written. */
const FIELDS: Readonly<Record<string, string>> = {
  origin: "base",
  start: "begins",
  travel: "travel",
  inner: "inner dead zone",
  outer: "outer dead zone",
  deadZone: "dead zone",
  curve: "curve",
  directions: "directions",
  axes: "moves",
  pressAt: "presses at",
  releaseAt: "lets go at",
  holdDeg: "holds on for",
  ways: "ways",
  neutral: "neutral",
  diagonal: "diagonal",
  slideOut: "slide out",
  slideIn: "slide in",
  press: "press",
  gain: "gain",
  distanceMm: "distance",
  output: "gives",
  again: "again",
  withinMs: "within",
};

/** A figure of a feel in words. */
function figureWords(value: unknown): string {
  if (value !== null && typeof value === "object") {
    const { kind, ...rest } = value as Record<string, unknown>;
    const figures = Object.values(rest).filter((v) => typeof v === "number");
    return [kind ?? "", ...figures].join(" ").trim();
  }
  return String(value);
}

/** What two feels do not have in common, a field a line: `inner dead zone 0.1 · 0.2`. */
export function feelDifferences(a: Feel, b: Feel): string[] {
  const keys = [...new Set([...Object.keys(a), ...Object.keys(b)])];
  return keys.flatMap((key) => {
    const [left, right] = [figureWords(a[key]), figureWords(b[key])];
    return JSON.stringify(a[key]) === JSON.stringify(b[key]) ? [] : [`${FIELDS[key] ?? key} ${left} · ${right}`];
  });
}

/** A feel to begin with: what it is for, and what it sets. */
export interface FeelStart {
  readonly name: "direct" | "even" | "heavy";
  readonly plain: string;
  readonly feel: Partial<StickControl["feel"]>;
}

/** Feels of our own for sticks; travel, base and directions stay as they are. */
export const FEEL_STARTS: readonly FeelStart[] = [
  { name: "direct", plain: "answers at once: inner 5 %, outer 85 %, a straight line", feel: { inner: 0.05, outer: 0.85, curve: { kind: "linear" } } },
  { name: "even", plain: "fine in the middle: inner 10 %, outer 95 %, power 1.4", feel: { inner: 0.1, outer: 0.95, curve: { kind: "power", exponent: 1.4 } } },
  { name: "heavy", plain: "wants to be pushed: inner 18 %, outer 100 %, power 2.2", feel: { inner: 0.18, outer: 1, curve: { kind: "power", exponent: 2.2 } } },
];
