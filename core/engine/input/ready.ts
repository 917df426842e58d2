/** Controls made ready for touches on one screen: geometry in px next to the feel of each kind. */
import type { Box, Point } from "../geometry/point";
import { centreOf } from "../geometry/point";
import type { Shape } from "../geometry/shape";
import type { Control, ControlKind } from "../types";
import type { ResolvedControl } from "../placement/resolve";

type FeelOf<K extends ControlKind> = Extract<Control, { kind: K }>["feel"];

interface Common {
  readonly id: string;
  readonly visual: Box;
  readonly centre: Point;
  readonly hit: Shape;
  /** Where a touch is taken: the hit area, or the landing area of a floating or trailing stick that has one. */
  readonly area: Shape;
  readonly own: boolean;
  readonly moments: readonly string[];
  readonly mmPx: number;
  readonly screenW: number;
  readonly screenH: number;
}
/** A control made ready for input on one screen, px: `mmPx` px a mm, `own` whether it cuts the stack; a stick with the radius of its travel. */
export type Ready<K extends ControlKind> = Common & { readonly kind: K; readonly feel: FeelOf<K> } & (K extends "stick"
    ? { readonly travelPx: number }
    : unknown);
/** A stick on one screen. */
export type ReadyStick = Ready<"stick">;
/** A d-pad on one screen. */
export type ReadyDpad = Ready<"dpad">;
/** A button on one screen. */
export type ReadyButton = Ready<"button">;
/** A touchpad on one screen. */
export type ReadyTouchpad = Ready<"touchpad">;
/** A swipe on one screen. */
export type ReadySwipe = Ready<"swipe">;
/** A dial on one screen. */
export type ReadyDial = Ready<"dial">;
/** A control of any kind on one screen. */
export type ReadyAny = ReadyStick | ReadyDpad | ReadyButton | ReadyTouchpad | ReadySwipe | ReadyDial;

/** Joins a control with where it is. */
export function readyInput(control: Control, at: ResolvedControl, screen: { widthPx: number; heightPx: number; ppi: number }): ReadyAny {
  const common: Common = {
    id: control.id,
    visual: at.visual,
    centre: centreOf(at.visual),
    hit: at.hit,
    area: touchArea(at),
    own: at.sharing === "own",
    moments: control.moments,
    mmPx: screen.ppi / 25.4,
    screenW: screen.widthPx,
    screenH: screen.heightPx,
  };
  switch (control.kind) {
    case "stick":
      return { ...common, kind: "stick", feel: control.feel, travelPx: at.travel ?? 0 };
    case "dpad":
      return { ...common, kind: "dpad", feel: control.feel };
    case "button":
      return { ...common, kind: "button", feel: control.feel };
    case "touchpad":
      return { ...common, kind: "touchpad", feel: control.feel };
    case "swipe":
      return { ...common, kind: "swipe", feel: control.feel };
    case "dial":
      return { ...common, kind: "dial", feel: control.feel };
  }
}

/** The area of a control: its hit area, or the landing box of a floating or trailing stick that has one. */
export function touchArea(at: ResolvedControl): Shape {
  return at.landing ? { shape: "box", ...at.landing } : at.hit;
}
