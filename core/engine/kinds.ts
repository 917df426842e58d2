/**
 * What is true of every control of a kind, in one table: findings, settling, drawing and the editor go by it. What a kind does with touches
 * is in `input/behaviours`.
 */
import type { ControlKind } from "./types";

export interface KindTraits {
  /** A wide area that is touched anywhere: little of it is drawn, it lies below other controls, and it may reach beyond the safe frame. */
  readonly isField: boolean;
  /** A touch is meant for its picture, and can miss it. */
  readonly isTarget: boolean;
  /** A touch on it goes on as a drag, which a system's edge strips can take away. */
  readonly isDragged: boolean;
  /** It has a knob: with its own look, its own travel, and a way back after a touch. */
  readonly hasKnob: boolean;
  /** Its word is read while it is held; of other kinds the thumb covers it. */
  readonly isReadHeld: boolean;
  /** The side of the thumb that usually has it. */
  readonly side: "left" | "right";
}

export const KINDS: Readonly<Record<ControlKind, KindTraits>> = {
  stick: { isField: false, isTarget: true, isDragged: true, hasKnob: true, isReadHeld: false, side: "left" },
  dpad: { isField: false, isTarget: true, isDragged: false, hasKnob: false, isReadHeld: false, side: "left" },
  button: { isField: false, isTarget: true, isDragged: false, hasKnob: false, isReadHeld: true, side: "right" },
  touchpad: { isField: true, isTarget: false, isDragged: true, hasKnob: false, isReadHeld: false, side: "right" },
  swipe: { isField: true, isTarget: false, isDragged: true, hasKnob: false, isReadHeld: false, side: "right" },
  dial: { isField: false, isTarget: true, isDragged: true, hasKnob: false, isReadHeld: false, side: "left" },
};
