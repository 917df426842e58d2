/** What letting go of a stick that aims does: the rule of the engine in words. */
import type { Serve } from "../../../core/format/types";

export type AimPhase = "rest" | "aiming" | "off" | "fired";
/** The phases in their order, in words. */
export const AIM_PHASES: Readonly<Record<AimPhase, string>> = {
  rest: "at rest",
  aiming: "aiming: let go fires",
  off: "back: called off",
  fired: "fired",
};

/** Whether an aim is served, and whether a tap is. */
export function firesBy(serves: readonly Serve[]): { readonly released: boolean; readonly tapped: boolean } {
  const has = (...ports: readonly Serve["port"][]) => serves.some(({ port }) => ports.includes(port));
  return { released: has("released", "aim"), tapped: has("tapped") };
}

/** `held`: how far the knob is from the middle, 0…1; null: let go. `last`: how far it was when it was let go; null: not yet. */
export function aimPhaseOf(held: number | null, last: number | null, inner: number): AimPhase {
  const fires = (far: number) => far > inner;
  if (held !== null) return fires(held) ? "aiming" : "off";
  return last !== null && fires(last) ? "fired" : "rest";
}
