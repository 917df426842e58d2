/** Controls and layouts as the schema makes them where the file says nothing: what fields begin with. */
import type { Control, ControlKind, Layout } from "./types";
import { parseLayout } from "./parse";

/** A layout that says as little as it may. */
function bareLayout(controls: readonly object[]): Layout {
  const read = parseLayout({ format: "nodulum-layout", version: 1, name: "bare", reference: { width: 1600, height: 720 }, scale: {}, controls });
  if (!read.ok) throw new Error(`the bare layout is none: ${read.problems[0].message}`);
  return read.value;
}

/** A layout with every setting at its default. */
export const DEFAULT_LAYOUT = bareLayout([]);

const MADE = new Map<ControlKind, Control>();

/** A control of a kind with every value at its default. */
export function defaultControl<K extends ControlKind>(kind: K): Extract<Control, { kind: K }> {
  let made = MADE.get(kind);
  if (!made) {
    const placement = { kind: "pin", frame: "safe", anchor: [0, 0], pivot: [0, 0], offset: ["0u", "0u"], size: ["100u", "100u"] };
    made = bareLayout([{ id: kind, name: kind, kind, placement }]).controls[0];
    MADE.set(kind, made);
  }
  return made as Extract<Control, { kind: K }>;
}
