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
  /** What its parts are called, of which each may have a picture of its own: what lies still, and what moves upon it. Null: it is drawn as a whole. */
  readonly parts: { readonly base: string; readonly moving: string } | null;
  /** Its word is read while it is held; of other kinds the thumb covers it. */
  readonly isReadHeld: boolean;
  /** The side of the thumb that usually has it. */
  readonly side: "left" | "right";
}

export const KINDS: Readonly<Record<ControlKind, KindTraits>> = {
  stick: { isField: false, isTarget: true, isDragged: true, hasKnob: true, parts: { base: "Base", moving: "Knob" }, isReadHeld: false, side: "left" },
  dpad: { isField: false, isTarget: true, isDragged: false, hasKnob: false, parts: null, isReadHeld: false, side: "left" },
  button: { isField: false, isTarget: true, isDragged: false, hasKnob: false, parts: null, isReadHeld: true, side: "right" },
  touchpad: { isField: true, isTarget: false, isDragged: true, hasKnob: false, parts: null, isReadHeld: false, side: "right" },
  swipe: { isField: true, isTarget: false, isDragged: true, hasKnob: false, parts: null, isReadHeld: false, side: "right" },
  dial: { isField: false, isTarget: true, isDragged: true, hasKnob: false, parts: { base: "Rim", moving: "Mark" }, isReadHeld: false, side: "left" },
};
