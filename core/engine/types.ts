/**
 * A validated layout as games load it, with all defaults filled in. Values are immutable. Lengths are strings of a number and a unit
 * (`12mm`, see placement/length.ts); px are device pixels, origin top left, y down; fractions go from 0 to 1. Fields have the meaning of
 * the layout file (docs/FORMAT.md).
 */
import type { LengthText } from "./placement/length";

/** A pair of lengths: horizontal, vertical. */
export type LengthPair = [LengthText, LengthText];
/** A point of a frame or box, as horizontal and vertical fractions. */
export type FractionPair = [number, number];
/** One number for both axes, or one for x and one for y. */
export type OneOrTwo = number | [number, number];

/** A frame of the screen: the whole screen, the safe frame, or the picture frame. */
export type PlainFrame = "screen" | "safe" | "picture";
/** What a pin is in: a frame of the screen, or a cluster by its id. */
export type Frame = PlainFrame | { cluster: string };
/** Bounds for the shorter side, mm; minMm < maxMm where both are given. */
export interface Clamp {
  minMm?: number;
  maxMm?: number;
}

/** A box whose point `pivot` is at `offset` from the point `anchor` of a frame. */
export interface PinIn<F> {
  kind: "pin";
  frame: F;
  anchor: FractionPair;
  pivot: FractionPair;
  offset: LengthPair;
  size: LengthPair;
  clamp?: Clamp;
}
/** A pin in any frame, including a cluster's. */
export type Pin = PinIn<Frame>;
/** A box between two points of a frame, reduced by its insets. */
export interface Span {
  kind: "span";
  frame: PlainFrame;
  from: FractionPair;
  to: FractionPair;
  inset: { left: LengthText; top: LengthText; right: LengthText; bottom: LengthText };
}
/** Where a control is. */
export type Placement = Pin | Span;
/** Where a landing area or a keep-clear zone is: never in a cluster. */
export type PlainPlacement = PinIn<PlainFrame> | Span;

/** The area that takes touches, around the visual box. `minMm`: minimum of each side, mm. */
export interface Hit {
  shape: "ellipse" | "box" | "capsule";
  size?: LengthPair;
  grow: LengthText;
  shift: LengthPair;
  minMm: number;
  /** `own`: controls below do not get the touch; `shared`: they get it too. */
  sharing: "own" | "shared";
}

/** Colours `#RRGGBB`, opacity 0…1. */
export interface Face {
  fill: string;
  line: string;
  ink: string;
  opacity: number;
}
/** The look of a control. It never affects geometry or touches. Times in ms. */
export interface Look {
  label: string;
  /** Translations of the label by language (BCP 47 tag). */
  labels: Record<string, string>;
  icon?: string;
  rotateDeg: number;
  /** Whether the label rotates with the drawing. Missing in earlier played files, where it rotates. */
  turnLabel: boolean;
  rest: Face;
  held: Face;
  away?: { opacity: number; afterMs: number; fadeMs: number };
  hideAtRest: "none" | "knob" | "all";
  /** The knob's side as a fraction of the base's. */
  knobSize: number;
  knob?: { rest?: Face; held?: Face };
  home: "now" | "later" | "stay";
  homeAfterMs: number;
  returnMs: number;
  /** Ids of the layout's pictures. */
  art?: { rest?: string; held?: string; knob?: string };
}

/** The response curve: from deflection without the dead zone to value, both 0…1. */
export type Curve =
  | { kind: "linear" }
  | { kind: "power"; exponent: number }
  | { kind: "bezier"; x1: number; y1: number; x2: number; y2: number }
  | { kind: "full" };
/** The axes along which a control moves. */
export type Axes = "both" | "x" | "y";

/** When a touch counts as a tap: lifted within `tapMs` (0: never), never farther than `tapMm` from where it began. */
export interface TapFeel {
  tapMs: number;
  tapMm: number;
}
/** `inner`, `outer`, `pressAt`, `releaseAt`: fractions of the travel, 0…1. `directions`: 0 for any. `rest` stays: a lever (origin fixed). */
export interface StickFeel extends TapFeel {
  origin: "fixed" | "floating" | "trailing";
  rest: "middle" | "stays";
  start: "thumb" | "centre";
  travel: LengthText;
  landing?: PlainPlacement;
  inner: number;
  outer: number;
  deadZone: "radial" | "axial";
  curve: Curve;
  directions: number;
  axes: Axes;
  pressAt: number;
  releaseAt: number;
  holdDeg: number;
}
/** `neutral`: fraction of half the shorter side; `diagonal`: width of a diagonal, degrees. */
export interface DpadFeel {
  ways: 4 | 8;
  neutral: number;
  diagonal: number;
  holdDeg: number;
  slideOut: "keep" | "release";
}
/** When a button presses (`press`), with its times, ms; whether a touch may slide onto it, and what happens when it leaves. */
export interface ButtonFeel {
  press: "hold" | "latch" | "pulse" | "release" | "long" | "double";
  longMs: number;
  withinMs: number;
  slideIn: boolean;
  slideOut: "keep" | "release";
  /** Vibration at the start of a press, ms; used by runtimes only. */
  buzzMs: number;
}
/** `gain`: motion per mm of movement. */
export interface TouchpadFeel extends TapFeel {
  gain: number;
  axes: Axes;
}
/** `distanceMm`: required distance, above 0; `directions`: 0 for any; `withinMs`: time limit, 0 for none. */
export interface SwipeFeel extends TapFeel {
  distanceMm: number;
  directions: number;
  output: "pulse" | "hold";
  again: "never" | "each-distance";
  withinMs: number;
}

/**
 * `rangeDeg`: from one end of the turn to the other; `neutral`: fraction of half the shorter side within which an angle is not read; `inner`,
 * `pressAt`, `releaseAt`: fractions of half the range, and of the value. `rest` stays: it remains turned when it is let go.
 */
export interface DialFeel extends TapFeel {
  rangeDeg: number;
  inner: number;
  curve: Curve;
  neutral: number;
  rest: "middle" | "stays";
  pressAt: number;
  releaseAt: number;
}

/** The ports of each control kind. */
export const PORTS = {
  stick: ["vector", "x", "y", "up", "down", "left", "right", "held", "active", "tapped", "released", "aim"],
  dpad: ["vector", "x", "y", "up", "down", "left", "right", "held", "active"],
  button: ["press"],
  touchpad: ["motion", "dx", "dy", "held", "tapped"],
  swipe: ["vector", "up", "down", "left", "right", "tapped"],
  dial: ["x", "left", "right", "held", "active", "tapped", "turn"],
} as const;
/** The kinds of controls. */
export type ControlKind = keyof typeof PORTS;
/** A port of any kind of control. */
export type Port = (typeof PORTS)[ControlKind][number];

/** Repetition of a press while its port is true, ms. */
export interface RepeatTimes {
  delayMs: number;
  intervalMs: number;
  restMs: number;
}
/** A wire from a port to an action: `value` for boolean ports, `scale` for others. */
export interface Serve {
  port: Port;
  action: string;
  value?: OneOrTwo;
  scale?: OneOrTwo;
  repeat?: RepeatTimes;
}

interface ControlOf<K extends ControlKind, F> {
  id: string;
  name: string;
  kind: K;
  placement: Placement;
  /** The ids of moments in which it is visible; empty: never. */
  moments: string[];
  hit: Hit;
  feel: F;
  look: Look;
  serves: Serve[];
}
/** A stick: placement, feel, look and wires. */
export type StickControl = ControlOf<"stick", StickFeel>;
/** A d-pad. */
export type DpadControl = ControlOf<"dpad", DpadFeel>;
/** A button. */
export type ButtonControl = ControlOf<"button", ButtonFeel>;
/** A touchpad. */
export type TouchpadControl = ControlOf<"touchpad", TouchpadFeel>;
/** A swipe. */
export type SwipeControl = ControlOf<"swipe", SwipeFeel>;
/** A dial. */
export type DialControl = ControlOf<"dial", DialFeel>;
/** A control of any kind, distinguished by `kind`. */
export type Control = StickControl | DpadControl | ButtonControl | TouchpadControl | SwipeControl | DialControl;

/** The value type of an action: boolean, −1…1, a vector of length at most 1, or the movement since the last tick: in two ways, or in one. */
export type ActionKind = "press" | "axis" | "vector" | "motion" | "delta";
/** A key by its KeyboardEvent.code (UI Events). */
export interface KeyInput {
  code: string;
  value?: OneOrTwo;
}
/** A mouse button by PointerEvent.button, or the mouse's movement in CSS px: both ways (`true`), or one of them. */
export type MouseInput = { button: number; value?: OneOrTwo } | { move: true | "x" | "y"; scale: OneOrTwo };
/** A pad's button, axis or stick (W3C standard mapping); `inner`, `outer`: its dead zone, 0…1. */
export type PadInput =
  | { button: number; value?: OneOrTwo }
  | { axis: number; scale: OneOrTwo; inner: number; outer: number }
  | { stick: "left" | "right"; scale: OneOrTwo; inner: number; outer: number };
/** An action of the game with its keys, mouse and pad inputs. */
export interface PlayedAction {
  name: string;
  kind: ActionKind;
  moments: string[];
  keys: KeyInput[];
  mouse: MouseInput[];
  pad: PadInput[];
  riseMs: number;
  fallMs: number;
  ease: "all" | "switches";
  combine: "sum" | "strongest";
}

/** A part of the game with its own controls. */
export interface Moment {
  id: string;
  name: string;
}
/** A group of controls: a pin that serves as their frame. */
export interface Cluster {
  id: string;
  name: string;
  placement: PinIn<PlainFrame>;
}
/** A keep-clear zone; `taps`: the game takes taps there. */
export interface KeepClear {
  id: string;
  name: string;
  placement: PlainPlacement;
  moments: string[];
  taps: boolean;
}
/** A half-open range, min ≤ v < max. */
export interface Range {
  min?: number;
  max?: number;
}
/** The overrides of one control, zone or cluster; missing fields come from the base. */
export interface Override {
  placement?: Placement;
  hit?: Hit;
  landing?: PlainPlacement;
  hidden: boolean;
}
/** An arrangement: overrides for some screens. The first whose ranges contain the screen applies. */
export interface Arrangement {
  id: string;
  name: string;
  when: { aspect?: Range; shortSideMm?: Range };
  overrides: Record<string, Override>;
}
/** A picture of the layout's own, base64. */
export interface Picture {
  id: string;
  name: string;
  type: "image/png" | "image/webp" | "image/svg+xml";
  data: string;
}

/** The scale of a layout unit: constant millimetres (share 0), constant share of the screen (1), or a mix. */
export interface Scale {
  share: number;
  of: "shorter" | "longer" | "area" | "width" | "height" | "inside" | "outside";
  mmPerUnit: number;
}
/** A size in layout units. */
export interface Size {
  width: number;
  height: number;
}

/** The parts of a layout that determine positions. */
export interface PlacedLayout {
  reference: Size;
  scale: Scale;
  picture?: { minAspect: number; maxAspect: number };
  clusters: Cluster[];
  controls: Control[];
  keepClear: KeepClear[];
  arrangements: Arrangement[];
}
/** A played layout. */
export interface PlayedLayout extends PlacedLayout {
  name: string;
  orientation: "landscape" | "portrait" | "both";
  playerSizes: { min: number; max: number };
  appear: "touch" | "always" | "no-pad";
  actions: PlayedAction[];
  moments: Moment[];
  pictures: Picture[];
}

/** A screen: sides, insets, corners, cut-outs and edge strips in device px, `ppi` pixels per inch. */
export interface Screen {
  name: string;
  widthPx: number;
  heightPx: number;
  ppi: number;
  insets: { left: number; top: number; right: number; bottom: number };
  cornerPx: number;
  cutouts: { x: number; y: number; w: number; h: number }[];
  edges: { left: number; top: number; right: number; bottom: number };
}
