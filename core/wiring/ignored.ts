/** Parts of wires that give nothing: a value where the port gives its own amount, a scale where it gives only yes or no. */
import { portCarries, portFits } from "../engine/input/fits";
import { byName } from "../derived/byId";
import type { ActionKind, Layout, Serve } from "../format/types";

/** A part of a wire that is ignored: its control, the index of its serve, which part, and why, with what to write instead. */
export interface IgnoredPart {
  readonly control: string;
  readonly index: number;
  readonly part: "value" | "scale";
  readonly word: string;
}

/** The part of a serve that is ignored toward an action of this kind (the table of docs/FORMAT.md), and why; null where every part counts. A pair that does not fit gives nothing at all and is reported elsewhere. */
export function ignoredPart({ port, value, scale }: Pick<Serve, "port" | "value" | "scale">, kind: ActionKind): Pick<IgnoredPart, "part" | "word"> | null {
  if (!portFits(port, kind)) return null;
  const isPress = portCarries(port) === "press";
  if (value !== undefined && kind === "press") return { part: "value", word: "value ignored: a press is on or off" };
  if (value !== undefined && !isPress) return { part: "value", word: `value ignored: ${port} gives an amount; write scale` };
  if (scale !== undefined && isPress)
    return { part: "scale", word: kind === "press" ? "scale ignored: a press is on or off" : `scale ignored: ${port} is on or off; write value` };
  return null;
}

/** Every ignored part of a layout's wires, in drawing order. */
export function ignoredParts({ actions, controls }: Pick<Layout, "actions" | "controls">): IgnoredPart[] {
  const named = byName(actions);
  return controls.flatMap((control) =>
    (control.serves as readonly Serve[]).flatMap((serve, index) => {
      const action = named.get(serve.action);
      const ignored = action ? ignoredPart(serve, action.kind) : null;
      return ignored ? [{ control: control.id, index, ...ignored }] : [];
    }),
  );
}
