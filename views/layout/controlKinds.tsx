"use client";
/** The kinds of control and their signs in palettes and lists. */
import type { ControlKind } from "../../core/format/types";

export const CONTROL_KINDS: readonly ControlKind[] = ["stick", "dpad", "button", "touchpad", "swipe", "dial"];
export const KIND_WORD: Readonly<Record<ControlKind | "zone", string>> = {
  stick: "Stick",
  dpad: "D-pad",
  button: "Button",
  touchpad: "Touchpad",
  swipe: "Swipe",
  dial: "Dial",
  zone: "Keep-clear zone",
};
/** With Shift: takes the kind in hand. */
export const KIND_LETTER: Readonly<Record<ControlKind | "zone", string>> = {
  stick: "s",
  dpad: "d",
  button: "b",
  touchpad: "t",
  swipe: "w",
  dial: "l",
  zone: "k",
};

const PATHS: Readonly<Record<ControlKind | "zone", string>> = {
  stick: "M2 8a6 6 0 1 0 12 0a6 6 0 1 0 -12 0M6.5 6.5a2.5 2.5 0 1 0 5 0a2.5 2.5 0 1 0 -5 0",
  dpad: "M6 2h4v4h4v4h-4v4h-4v-4h-4v-4h4z",
  button: "M2.5 8a5.5 5.5 0 1 0 11 0a5.5 5.5 0 1 0 -11 0",
  touchpad: "M2 5V3h3M11 3h3v2M14 11v2h-3M5 13H2v-2M6 8h4",
  swipe: "M2 3h12v10h-12zM5 8h6M9 6l2 2l-2 2",
  dial: "M2 8a6 6 0 1 0 12 0a6 6 0 1 0 -12 0M6 8a2 2 0 1 0 4 0a2 2 0 1 0 -4 0M8 2v2.5M3 8h3M10 8h3M8 10v3",
  zone: "M2 3h12v10h-12zM2 8l5 -5M2 13l10 -10M7 13l7 -7M12 13l2 -2",
};

export function KindIcon({ kind, size = 16 }: { kind: ControlKind | "zone"; size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 16 16" fill="none" stroke="currentColor" strokeWidth={1.2} aria-hidden>
      <path d={PATHS[kind]} />
    </svg>
  );
}
