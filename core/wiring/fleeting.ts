/**
 * Presses that smoothing swallows. A value that rises in 300 ms has come a twentieth of its way when a press of one tick is over: what
 * comes and goes within a tick toward a smoothed action is nearly nothing. That is reported at the wire, with what helps.
 */
import { changeAction } from "../editing/edits/actions";
import { changeFeel } from "../editing/edits/controls";
import { portCarries, portFits, serveLacks } from "../engine/input/fits";
import type { Action, Control, Layout, Serve } from "../format/types";
import type { Result } from "../engine/result";

/** The ticks a second by which it is reported: those of most screens. */
const HZ = 60;
/** From this part on a press of one tick is felt as one. */
const FELT = 0.5;

/** What helps: the value rises at once and still falls slowly; or the control goes on giving until the thumb lifts. */
export type FleetingHelp = "rise-at-once" | "hold-output" | "hold-press";

export interface Fleeting {
  /** The part of what the wire gives that a press of one tick comes to, 0…1. */
  readonly part: number;
  /** Whether the control never gives for longer than a tick, so that this is not about quick taps alone. */
  readonly always: boolean;
  readonly helps: readonly FleetingHelp[];
}

/** Whether a true/false source toward an action is nearly lost where it comes and goes within a tick; null where it is not. `control`: the control whose wire it is, null for a key or button of the desk. */
export function fleeting(action: Action, control: Control | null = null): Fleeting | null {
  if ((action.kind !== "axis" && action.kind !== "vector") || action.riseMs <= 0) return null;
  const part = Math.min(1, 1000 / HZ / action.riseMs);
  if (part >= FELT) return null;
  const pulses = control?.kind === "swipe" ? control.feel.output === "pulse" : control?.kind === "button" && ["pulse", "release"].includes(control.feel.press);
  const helps: FleetingHelp[] = ["rise-at-once"];
  if (pulses) helps.push(control?.kind === "swipe" ? "hold-output" : "hold-press");
  return { part, always: pulses, helps };
}

/** The same for a serve: null too where the wire gives numbers, or nothing. */
export function fleetingServe(action: Action, control: Control, serve: Serve): Fleeting | null {
  const switches =
    portCarries(serve.port) === "press" && portFits(serve.port, action.kind) && serveLacks(serve.port, action.kind, serve.value, serve.scale) === null;
  // A vector of a swipe comes and goes within a tick as its directions do.
  const flicks = control.kind === "swipe" && serve.port === "vector" && action.ease === "all";
  const found = switches || flicks ? fleeting(action, control) : null;
  // A tap and a release are there for one tick, whatever the control does.
  return found && (serve.port === "tapped" || serve.port === "released") ? { ...found, always: true } : found;
}

/** Does what helps. */
export function helpFleeting(layout: Layout, help: FleetingHelp, action: string, control: string | null): Result<Layout> {
  switch (help) {
    case "rise-at-once":
      return changeAction(layout, action, { riseMs: 0 });
    case "hold-output":
      return changeFeel(layout, control ?? "", { output: "hold" });
    case "hold-press":
      return changeFeel(layout, control ?? "", { press: "hold" });
  }
}
