/** The part of the input that does not change between ticks: controls on the screen, and the sources of each action. */
import { hasPort, portCarries, portFits, serveLacks } from "./fits";
import type { ActionKind, PlayedAction, PlayedLayout, Port } from "../types";
import type { Resolved } from "../placement/resolve";
import type { ActionValues } from "./events";
import { readyInput, type ReadyAny } from "./ready";

type Two = readonly [number, number];

/** A repeat, ms; `slot`: its index in the state's repeats. */
export interface Repeat {
  readonly delayMs: number;
  readonly intervalMs: number;
  readonly restMs: number;
  readonly slot: number;
}
/** One touch source of an action: a control's port, by the control's index. */
export interface TouchSource {
  readonly control: number;
  /** The kind of the action it gives to. */
  readonly kind: ActionKind;
  readonly port: Port;
  readonly carries: ReturnType<typeof portCarries>;
  /** Toward an axis x only, toward a vector both; given while the port is true. */
  readonly value: Two;
  readonly scale: Two;
  readonly repeat: Repeat | null;
}
/** An action with its touch sources; keys, mouse and pad are read from the action itself. */
export interface ActionSources {
  readonly action: PlayedAction;
  readonly kind: ActionKind;
  readonly touch: readonly TouchSource[];
  readonly smooth: boolean;
  /** It has only touch sources and no smoothing: it is at rest when all controls are. */
  readonly plain: boolean;
}
/** What stays the same from tick to tick: the shown controls on their screen in file order, what feeds every action, and the rate `hz`, ticks a second. */
export interface InputSetup {
  readonly hz: number;
  readonly controls: readonly ReadyAny[];
  readonly actions: readonly ActionSources[];
  /** The values at rest by action name; each tick copies this object, which is faster than building a new one. */
  readonly atRest: ActionValues;
  /** What each repeat of the state belongs to: a text that names control, port and action. */
  readonly repeats: readonly string[];
  /** Whether any button can be slid into. */
  readonly slides: boolean;
}

/** A number for both axes, or one for each. */
export function asPair(value: number | readonly [number, number] | undefined, fallback: number): Two {
  if (value === undefined) return [fallback, fallback];
  return typeof value === "number" ? [value, value] : value;
}

/** Returns the values at rest. Action names may equal properties of Object. */
function valuesAtRest(actions: readonly PlayedAction[]): ActionValues {
  const resting = { press: false, axis: 0, vector: [0, 0], motion: [0, 0], delta: 0 } as const;
  return Object.fromEntries(actions.map((action) => [action.name, resting[action.kind]]));
}

/** Returns a unique key of a repeat: control, port and action. */
function repeatName(used: readonly string[], ...parts: readonly string[]): string {
  const name = JSON.stringify(parts);
  const same = used.filter((other) => other.startsWith(name)).length;
  return same === 0 ? name : `${name} ${same + 1}`;
}

/** Joins a layout with where it is on a screen. Serves that fit no action give nothing; the findings say so. */
export function prepareInput(layout: Pick<PlayedLayout, "controls" | "actions">, resolved: Resolved, hz: number): InputSetup {
  const byId = new Map(layout.controls.map((control) => [control.id, control]));
  const controls = resolved.controls.map((at) => readyInput(byId.get(at.id)!, at, resolved.screen));
  const repeats: string[] = [];
  const actions = layout.actions.map((action): ActionSources => {
    const touch: TouchSource[] = [];
    resolved.controls.forEach((at, control) => {
      const { kind, serves } = byId.get(at.id)!;
      for (const serve of serves) {
        if (serve.action !== action.name || !hasPort(kind, serve.port) || !portFits(serve.port, action.kind)) continue;
        if (serveLacks(serve.port, action.kind, serve.value, serve.scale)) continue;
        const repeat = serve.repeat && action.kind === "press" ? { ...serve.repeat, slot: repeats.length } : null;
        if (repeat) repeats.push(repeatName(repeats, at.id, serve.port, action.name));
        touch.push({
          control,
          kind: action.kind,
          port: serve.port,
          carries: portCarries(serve.port),
          value: asPair(serve.value, 1),
          scale: asPair(serve.scale, 1),
          repeat,
        });
      }
    });
    const smooth = (action.kind === "axis" || action.kind === "vector") && (action.riseMs > 0 || action.fallMs > 0);
    const alone = action.keys.length + action.mouse.length + action.pad.length === 0;
    return { action, kind: action.kind, touch, smooth, plain: alone && !smooth && touch.every((source) => source.repeat === null) };
  });
  return { hz, controls, actions, atRest: valuesAtRest(layout.actions), repeats, slides: controls.some((c) => c.kind === "button" && c.feel.slideIn) };
}
