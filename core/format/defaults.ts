/** A control as the schema makes it where the file says nothing: what fields begin with. */
import type { Control, ControlKind } from "./types";
import { parseLayout } from "./parse";

const MADE = new Map<ControlKind, Control>();

/** A control of a kind with every value at its default. */
export function defaultControl<K extends ControlKind>(kind: K): Extract<Control, { kind: K }> {
  let made = MADE.get(kind);
  if (!made) {
    const placement = { kind: "pin", frame: "safe", anchor: [0, 0], pivot: [0, 0], offset: ["0u", "0u"], size: ["100u", "100u"] };
    const bare = { id: kind, name: kind, kind, placement };
    const read = parseLayout({ format: "nodulum-layout", version: 1, name: kind, reference: { width: 100, height: 100 }, scale: {}, controls: [bare] });
    if (!read.ok) throw new Error(`the bare ${kind} is no control: ${read.problems[0].message}`);
    made = read.value.controls[0];
    MADE.set(kind, made);
  }
  return made as Extract<Control, { kind: K }>;
}
