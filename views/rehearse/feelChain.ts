/** The chain of one control while it is played: the raw point, what the dead zone leaves of it, what the curve makes of that, what the actions get. */
import { ownEntry } from "../../core/engine/own";
import { isIdle } from "../../core/engine/input/kinds";
import type { ActionValue, ActionValues } from "../../core/engine/input/events";
import { deflection } from "../../core/engine/input/stick";
import type { Control, Serve } from "../../core/format/types";
import type { Player } from "../../runtime/player";

export interface FeelNow {
  readonly isHeld: boolean;
  /** Of a stick: the deflection in travels, y up; its length 0…1; null for other kinds and at rest. */
  readonly raw: { readonly x: number; readonly y: number; readonly length: number } | null;
  /** How far between the two dead zones the thumb has come, 0…1: the curve's argument. */
  readonly argument: number;
  /** How much the control gives, 0…1 (of a stick the length of its vector). */
  readonly gives: number;
  /** What each action that the control serves has just now, by its word, in the order of the wires. */
  readonly values: readonly (readonly [string, ActionValue | undefined])[];
}

/** Where a length of deflection lies between the two dead zones, 0…1. Dead zones that meet leave nothing between: all or nothing. */
export function beyondDeadZone(length: number, inner: number, outer: number): number {
  if (length <= inner) return 0;
  return length >= outer || outer <= inner ? 1 : (length - inner) / (outer - inner);
}

/** Reads the chain of a control from a player; null where the layout that is played has no such control. */
export function feelNow(player: Player, control: Control, values: ActionValues): FeelNow | null {
  const index = player.setup().controls.findIndex((c) => c.id === control.id);
  if (index < 0) return null;
  const state = player.state().controls[index];
  const ready = player.setup().controls[index];
  const words = [...new Set((control.serves as readonly Serve[]).map((s) => s.action))];
  const given = words.map((word) => [word, ownEntry(values, word)] as const);
  const isHeld = !isIdle(state);
  if (state.kind !== "stick" || ready.kind !== "stick" || !state.held) return { isHeld, raw: null, argument: 0, gives: isHeld ? 1 : 0, values: given };
  const [x, y] = deflection(state.held, ready);
  const length = Math.hypot(x, y);
  const { inner, outer } = ready.feel;
  return { isHeld, raw: { x, y, length }, argument: beyondDeadZone(length, inner, outer), gives: Math.hypot(state.held.vx, state.held.vy), values: given };
}
