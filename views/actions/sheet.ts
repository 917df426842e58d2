/** Where everything stands on the patch sheet, how an action stands, and what belongs to a chain. */
import type { Action, Control, Serve } from "../../core/layout/types";
import { nearestWord } from "../../core/nearest";

const ACTION_HEIGHT = 64;
const CONTROL_HEAD = 26;
const SERVE_HEIGHT = 24;
const CONTROL_GAP = 10;

export interface Places {
  readonly actionHeight: number;
  readonly controlHead: number;
  readonly serveHeight: number;
  readonly gap: number;
  /** The y of an action's wire, CSS px from the top of the sheet. */
  readonly actionY: ReadonlyMap<string, number>;
  /** The y of each serve's wire, by control id and index. */
  readonly serveY: (id: string, index: number) => number;
  readonly height: number;
}

/** Rows of fixed height, so that wires need no measuring. */
export function sheetPlaces(actions: readonly Action[], controls: readonly Control[]): Places {
  const actionY = new Map(actions.map((a, i) => [a.name, i * ACTION_HEIGHT + ACTION_HEIGHT / 2]));
  const tops = new Map<string, number>();
  let y = 0;
  for (const control of controls) {
    tops.set(control.id, y);
    y += CONTROL_HEAD + Math.max(1, control.serves.length) * SERVE_HEIGHT + CONTROL_GAP;
  }
  return {
    actionHeight: ACTION_HEIGHT,
    controlHead: CONTROL_HEAD,
    serveHeight: SERVE_HEIGHT,
    gap: CONTROL_GAP,
    actionY,
    serveY: (id, index) => (tops.get(id) ?? 0) + CONTROL_HEAD + (index + 0.5) * SERVE_HEIGHT,
    height: Math.max(y, actions.length * ACTION_HEIGHT),
  };
}

export type Pick = { readonly kind: "action"; readonly name: string } | { readonly kind: "control"; readonly id: string };
export interface Chain {
  readonly actions: ReadonlySet<string>;
  readonly controls: ReadonlySet<string>;
}

/** What hangs together with a pick: an action and the controls that serve it, or a control and the actions it serves. */
export function chainOf(pick: Pick | null, controls: readonly Control[]): Chain | null {
  if (!pick) return null;
  if (pick.kind === "action")
    return { actions: new Set([pick.name]), controls: new Set(controls.filter((c) => c.serves.some((s) => s.action === pick.name)).map((c) => c.id)) };
  const control = controls.find((c) => c.id === pick.id);
  return { actions: new Set((control?.serves as readonly Serve[] | undefined)?.map((s) => s.action)), controls: new Set([pick.id]) };
}

/** How an action stands, by the word at the end of its wire. `problem`: it wants something done. */
export function stateOf(action: Action, controls: readonly Control[]): { readonly word: string; readonly problem: boolean } {
  const count = controls.filter((c) => c.serves.some((s) => s.action === action.name)).length;
  if (!action.read) return { word: "not read", problem: false };
  if (count === 0 && action.touch === "never") return { word: "desk only", problem: false };
  if (count === 0) {
    const misspelt = controls
      .flatMap((c) => (c.serves as readonly Serve[]).map((s) => s.action))
      .find((name) => name !== action.name && nearestWord(name, [action.name]) !== null);
    return { word: misspelt ? `nothing on touch; nearly ${misspelt}` : "nothing on touch", problem: true };
  }
  return { word: count === 1 ? "served" : count === 2 ? "served twice" : `served ${count} times`, problem: false };
}
