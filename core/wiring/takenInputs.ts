/** Keys and pad inputs that a game reads by themselves, made into actions: what such an action is called, and how it comes in, bound. */
import { addAction } from "../editing/edits/actions";
import { byName } from "../derived/byId";
import { ok, type Result } from "../engine/result";
import type { Action, ActionKind, Layout } from "../format/types";
import { hardwareEnds, hardwareGives, hardwareWhyNot, type HardwareGives, plugIn, sourceOfEnd } from "./hardwareWires";

/** An input by its end (`key KeyW`), and the action it is to give to: one of the ledger, or a new one. */
export interface TakenInput {
  readonly end: string;
  readonly name: string;
}

/** What an action for an input is called: what the game seems to read it for, else what the input itself is called. One of the ledger's names is proposed only where the input can give to it. */
export function nameForInput(end: string, purpose: string, actions: readonly Action[]): string {
  const own = nameOfEnd(end);
  // A word that is spelt otherwise alone is the same word.
  const alike = actions.find((a) => a.name === purpose) ?? actions.find((a) => bareWord(a.name) === bareWord(purpose));
  const word = alike?.name ?? purpose;
  const source = sourceOfEnd(end)?.source;
  const fits = alike === undefined || (source !== undefined && hardwareWhyNot(source, alike.kind) === null);
  return word.length > 2 && fits ? word : own;
}
/** What an input itself is called: `left`, `key_q`, `shift_left`, `pad_button_3`; of the main mouse button what it is on glass. */
function nameOfEnd(end: string): string {
  if (end === "mouse 0") return "any_touch";
  if (end.startsWith("mouse move ")) return `mouse_${end.slice("mouse move ".length)}`;
  if (!end.startsWith("key ")) return end.replace(/^mouse /, "mouse_button ").replace(/ /g, "_");
  const code = end.slice(4);
  const letter = /^(?:Key|Digit)(.)$/.exec(code)?.[1];
  return letter !== undefined
    ? `key_${letter.toLowerCase()}`
    : code
        .replace(/^Arrow/, "")
        .replace(/(?<=[a-z])(?=[A-Z])/g, "_")
        .toLowerCase();
}
const bareWord = (name: string) => name.toLowerCase().replace(/[\s_-]+/g, "");

/** The kind of action that is made for an input, by what it gives. */
const KIND_OF: Readonly<Record<HardwareGives, ActionKind>> = { press: "press", number: "axis", vector: "vector", motion: "motion", change: "delta" };

/** Takes inputs over: each gives to the action of its name, which is made where there is none (an axis for an axis of a pad, a delta for a way of the mouse, else a press). One that gives to it already is passed over. */
export function takeInputs(layout: Layout, inputs: readonly TakenInput[]): Result<Layout> {
  let next = layout;
  for (const { end, name } of inputs) {
    const source = sourceOfEnd(end)?.source;
    if (!byName(next.actions).has(name)) {
      const added = addAction(next, name, source ? KIND_OF[hardwareGives(source)] : "press");
      if (!added.ok) return added;
      next = added.value;
    }
    if (hardwareEnds(byName(next.actions).get(name)!).includes(end)) continue;
    const plugged = plugIn(next, name, end);
    if (!plugged.ok) return plugged;
    next = plugged.value;
  }
  return ok(next);
}
