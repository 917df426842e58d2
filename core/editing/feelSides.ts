/** Two feels of one control held side by side: what is compared of them, in words; and feels of our own to begin with. */
import { isEqual } from "../engine/equal";
import type { Result } from "../engine/result";
import type { Control, Layout } from "../format/types";
import { changeFeel } from "./edits/controls";

/** How a control feels, without what belongs to its place: a landing area stays where it is whatever the feel. */
export type Feel = Readonly<Record<string, unknown>>;

/** The feel of a control, as it is held next to another. */
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
  releaseAt: "releases at",
  holdDeg: "holds for",
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
  rest: "let go",
  tapMs: "tap within",
  tapMm: "tap distance",
  rangeDeg: "range",
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
    return isEqual(a[key], b[key]) ? [] : [`${FIELDS[key] ?? key} ${left} · ${right}`];
  });
}

/** A feel to begin with: what it is for, and what it sets. */
export interface FeelStart {
  readonly name: "direct" | "even" | "heavy";
  readonly plain: string;
  readonly feel: Feel;
}

/**
 * Feels of our own to begin with, by kind: direct answers at once, even is fine in the middle, heavy wants to be meant. What belongs to the
 * place of a control (travel, base, directions) and what it is for (how a button presses) stays as it is.
 */
export const FEEL_STARTS: Readonly<Record<Control["kind"], readonly FeelStart[]>> = {
  stick: [
    { name: "direct", plain: "quick: inner 5 %, outer 85 %, linear", feel: { inner: 0.05, outer: 0.85, curve: { kind: "linear" } } },
    {
      name: "even",
      plain: "precise in the middle: inner 10 %, outer 95 %, power 1.4",
      feel: { inner: 0.1, outer: 0.95, curve: { kind: "power", exponent: 1.4 } },
    },
    {
      name: "heavy",
      plain: "wants to be pushed: inner 18 %, outer 100 %, power 2.2",
      feel: { inner: 0.18, outer: 1, curve: { kind: "power", exponent: 2.2 } },
    },
  ],
  dpad: [
    { name: "direct", plain: "quick: neutral 12 %, diagonals 45°, hold 2°", feel: { neutral: 0.12, diagonal: 45, holdDeg: 2 } },
    { name: "even", plain: "slightly wider straight directions: neutral 20 %, diagonals 40°, hold 4°", feel: { neutral: 0.2, diagonal: 40, holdDeg: 4 } },
    { name: "heavy", plain: "deliberate diagonals: neutral 30 %, diagonals 28°, hold 9°", feel: { neutral: 0.3, diagonal: 28, holdDeg: 9 } },
  ],
  button: [
    {
      name: "direct",
      plain: "thumb may slide on and off, long press 300 ms, double tap 220 ms",
      feel: { slideIn: true, slideOut: "release", longMs: 300, withinMs: 220 },
    },
    {
      name: "even",
      plain: "keeps the thumb that pressed it, long press 500 ms, double tap 300 ms",
      feel: { slideIn: false, slideOut: "keep", longMs: 500, withinMs: 300 },
    },
    {
      name: "heavy",
      plain: "releases off the button, long press 800 ms, double tap 400 ms",
      feel: { slideIn: false, slideOut: "release", longMs: 800, withinMs: 400 },
    },
  ],
  touchpad: [
    { name: "direct", plain: "fast: gain 1.6", feel: { gain: 1.6 } },
    { name: "even", plain: "1 to 1: gain 1", feel: { gain: 1 } },
    { name: "heavy", plain: "slow and precise: gain 0.6", feel: { gain: 0.6 } },
  ],
  swipe: [
    { name: "direct", plain: "short flick: 5 mm, no time limit", feel: { distanceMm: 5, withinMs: 0 } },
    { name: "even", plain: "thumb width: 8 mm, no time limit", feel: { distanceMm: 8, withinMs: 0 } },
    { name: "heavy", plain: "deliberate: 14 mm within 400 ms", feel: { distanceMm: 14, withinMs: 400 } },
  ],
  dial: [
    { name: "direct", plain: "quick: 120°, dead zone 2 %, linear", feel: { rangeDeg: 120, inner: 0.02, curve: { kind: "linear" } } },
    { name: "even", plain: "half a turn: 180°, dead zone 5 %, power 1.3", feel: { rangeDeg: 180, inner: 0.05, curve: { kind: "power", exponent: 1.3 } } },
    { name: "heavy", plain: "a wheel with a long way: 540°, dead zone 5 %, linear", feel: { rangeDeg: 540, inner: 0.05, curve: { kind: "linear" } } },
  ],
};
