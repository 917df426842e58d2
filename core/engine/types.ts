/**
 * A layout as a game carries it, behind the door of a reader: every default is filled in, nothing needs to be checked again. Values are
 * never changed in place. Lengths are texts of a number and a unit (`12mm`, see placement/length.ts); px are device pixels, origin top
 * left, y down; fractions run from 0 to 1. The meaning of every field is that of the layout file (docs/FORMAT.md).
 */
import type { LengthText } from "./placement/length";

/** A pair of lengths: across, down. */
export type LengthPair = [LengthText, LengthText];
/** A point of a frame or box, fractions across and down. */
export type FractionPair = [number, number];
/** One number for both ways, or one for x and one for y. */
export type OneOrTwo = number | [number, number];

/** A frame of the screen itself: all of it, what the system leaves free, the picture of the game. */
export type PlainFrame = "screen" | "safe" | "picture";
/** What a pin is in: a frame of the screen, or a cluster by its id. */
export type Frame = PlainFrame | { cluster: string };
/** Bounds for the shorter side, mm; minMm < maxMm where both are given. */
export interface Clamp {
  minMm?: number;
  maxMm?: number;
}

/** A box tied by one its own point (`pivot`) to one of a frame (`anchor`), `offset` apart. */
export interface PinIn<F> {
  kind: "pin";
  frame: F;
  anchor: FractionPair;
  pivot: FractionPair;
  offset: LengthPair;
  size: LengthPair;
  clamp?: Clamp;
}
/** A pin in any frame, a cluster's among them. */
export type Pin = PinIn<Frame>;
/** A box that runs between two points of a frame, less its insets. */
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

/** The area that takes touches, about the visual box. `minMm`: each side is raised to it, mm. */
export interface Hit {
  shape: "ellipse" | "box" | "capsule";
  size?: LengthPair;
  grow: LengthText;
  shift: LengthPair;
  minMm: number;
  /** `own`: what lies below gets no touch; `shared`: it gets it too. */
  sharing: "own" | "shared";
}

/** Colours `#RRGGBB`, opacity 0…1. */
export interface Face {
  fill: string;
  line: string;
  ink: string;
  opacity: number;
}
/** How a control looks. No look changes geometry or touch. Times in ms. */
export interface Look {
  label: string;
  /** The word by language (a BCP 47 tag). */
  labels: Record<string, string>;
  icon?: string;
  rotateDeg: number;
  /** Whether the word turns with what is drawn. Played files of earlier versions lack it, and their words turn. */
  turnLabel: boolean;
  rest: Face;
  held: Face;
  away?: { opacity: number; afterMs: number; fadeMs: number };
  hideAtRest: "none" | "knob" | "all";
  /** The knob's side as a part of the base's. */
  knobSize: number;
  knob?: { rest?: Face; held?: Face };
  home: "now" | "later" | "stay";
  homeAfterMs: number;
  returnMs: number;
  /** Ids of the layout's pictures. */
  art?: { rest?: string; held?: string; knob?: string };
}

/** From how far the thumb has gone, dead zone taken off, to how much is given: both 0…1. */
export type Curve =
  | { kind: "linear" }
  | { kind: "power"; exponent: number }
  | { kind: "bezier"; x1: number; y1: number; x2: number; y2: number }
  | { kind: "full" };
/** The ways along which a control moves. */
export type Axes = "both" | "x" | "y";

/** `inner`, `outer`, `pressAt`, `releaseAt`: parts of the travel, 0…1. `directions`: 0 for any. */
export interface StickFeel {
  origin: "fixed" | "floating" | "trailing";
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
/** `neutral`: a part of half the shorter side; `diagonal`: how wide a diagonal is, degrees. */
export interface DpadFeel {
  ways: 4 | 8;
  neutral: number;
  diagonal: number;
  holdDeg: number;
  slideOut: "keep" | "release";
}
/** When a button's press is given (`press`), with the times it goes by, ms; whether a touch may slide onto it, and what becomes of one that leaves. */
export interface ButtonFeel {
  press: "hold" | "latch" | "pulse" | "release" | "long" | "double";
  longMs: number;
  withinMs: number;
  slideIn: boolean;
  slideOut: "keep" | "release";
  /** How long the device vibrates when a press starts, ms; players alone. */
  buzzMs: number;
}
/** `gain`: what is given for a mm of movement, mm. */
export interface TouchpadFeel {
  gain: number;
  axes: Axes;
}
/** `distanceMm`: how far it must go, above 0; `directions`: 0 for any; `withinMs`: in what time, 0 for any. */
export interface SwipeFeel {
  distanceMm: number;
  directions: number;
  output: "pulse" | "hold";
  again: "never" | "each-distance";
  withinMs: number;
}

/** What each kind of control can give, by the name of the port. */
export const PORTS = {
  stick: ["vector", "x", "y", "up", "down", "left", "right", "held", "active"],
  dpad: ["vector", "x", "y", "up", "down", "left", "right", "held", "active"],
  button: ["press"],
  touchpad: ["motion", "held"],
  swipe: ["vector", "up", "down", "left", "right"],
} as const;
/** The kinds of controls. */
export type ControlKind = keyof typeof PORTS;
/** The ports of a kind. */
export type PortOf<K extends ControlKind> = (typeof PORTS)[K][number];
/** A port of any kind of control. */
export type Port = PortOf<ControlKind>;

/** A press given again while its port is true, ms. */
export interface RepeatTimes {
  delayMs: number;
  intervalMs: number;
  restMs: number;
}
/** What a port gives to an action: `value` of a true/false port, `scale` of the others. */
export interface ServeBy<P> {
  port: P;
  action: string;
  value?: OneOrTwo;
  scale?: OneOrTwo;
  repeat?: RepeatTimes;
}
/** What a port of any control gives to an action. */
export type Serve = ServeBy<Port>;

interface ControlOf<K extends ControlKind, F> {
  id: string;
  name: string;
  kind: K;
  placement: Placement;
  /** The moments it shows in, by id; none: never. */
  moments: string[];
  hit: Hit;
  feel: F;
  look: Look;
  serves: ServeBy<PortOf<K>>[];
}
/** A stick: where it is, how it feels and looks, what it serves. */
export type StickControl = ControlOf<"stick", StickFeel>;
/** A d-pad. */
export type DpadControl = ControlOf<"dpad", DpadFeel>;
/** A button. */
export type ButtonControl = ControlOf<"button", ButtonFeel>;
/** A touchpad. */
export type TouchpadControl = ControlOf<"touchpad", TouchpadFeel>;
/** A swipe. */
export type SwipeControl = ControlOf<"swipe", SwipeFeel>;
/** A control of any kind, distinguished by `kind`. */
export type Control = StickControl | DpadControl | ButtonControl | TouchpadControl | SwipeControl;

/** What an action takes: true/false, −1…1, a vector no longer than 1, or a movement since the last tick. */
export type ActionKind = "press" | "axis" | "vector" | "motion";
/** A key by its KeyboardEvent.code (UI Events). */
export interface KeyInput {
  code: string;
  value?: OneOrTwo;
}
/** A mouse button by PointerEvent.button, or the mouse's movement in CSS px. */
export type MouseInput = { button: number; value?: OneOrTwo } | { move: true; scale: OneOrTwo };
/** A pad's button, axis or stick (W3C standard mapping); `inner`, `outer`: its dead zone, 0…1. */
export type PadInput =
  | { button: number; value?: OneOrTwo }
  | { axis: number; scale: number; inner: number; outer: number }
  | { stick: "left" | "right"; scale: OneOrTwo; inner: number; outer: number };
/** A word the game reads, and what gives to it in addition controls. */
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

/** A time in the game with its own controls. */
export interface Moment {
  id: string;
  name: string;
}
/** Controls that stand together: a pin that they are pinned in. */
export interface Cluster {
  id: string;
  name: string;
  placement: PinIn<PlainFrame>;
}
/** What controls must leave free; `taps`: the game takes taps there itself. */
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
/** What an arrangement says of one control, zone or cluster; what is absent holds as in the base. */
export interface Override {
  placement?: Placement;
  hit?: Hit;
  landing?: PlainPlacement;
  hidden: boolean;
}
/** Other places on some screens: the first whose ranges hold the screen applies. */
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

/** What a unit keeps from screen to screen: its millimetres (share 0), its share of the screen (1), or a mix. */
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

/** What of a layout decides where things are. */
export interface PlacedLayout {
  reference: Size;
  scale: Scale;
  picture?: { minAspect: number; maxAspect: number };
  clusters: Cluster[];
  controls: Control[];
  keepClear: KeepClear[];
  arrangements: Arrangement[];
}
/** A layout as a game carries it. */
export interface PlayedLayout extends PlacedLayout {
  name: string;
  orientation: "landscape" | "portrait" | "both";
  playerSizes: { min: number; max: number };
  appear: "touch" | "always" | "no-pad";
  actions: PlayedAction[];
  moments: Moment[];
  pictures: Picture[];
}

/** A screen: sides, insets, corners, cut-outs and edge strips in device px, `ppi` pixels an inch. */
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
