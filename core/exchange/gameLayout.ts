/** A layout begun from what a game reads: its words as actions, its keys bound, nothing on the glass yet. */
import { changeLayout, newLayout } from "../editing/edits/layout";
import type { Result } from "../engine/result";
import type { Layout } from "../format/types";
import { takeInputs, type TakenInput } from "../wiring/takenInputs";
import { applyActions, type ListedAction } from "./actionList";

/** How a game is held: the screens it is drawn for lie, stand, or do either. */
export type Held = "wide" | "tall" | "either";

/** A game as it is reported at the start. */
export interface GameDescription {
  readonly name: string;
  readonly held: Held;
  readonly words: readonly ListedAction[];
  /** Keys and pad inputs it reads by themselves, each with the action it gives to. */
  readonly inputs: readonly TakenInput[];
  /** The screen it is designed for, layout units, where that is not the usual one of how it is held. */
  readonly reference?: Layout["reference"];
  /** What of the scale is not as usual. */
  readonly scale?: Partial<Layout["scale"]>;
  /** What in its code reads an input. */
  readonly callees: readonly string[];
}

/** The screens layouts are drawn for at the start, layout units. */
export const REFERENCE: Readonly<Record<Held, Layout["reference"]>> = {
  wide: { width: 1600, height: 720 },
  tall: { width: 720, height: 1440 },
  either: { width: 1600, height: 720 },
};

/** The layout a game begins with; refused where a word or the name is none. */
export function layoutOfGame({ name, held, words, inputs, callees, reference = REFERENCE[held], scale }: GameDescription): Result<Layout> {
  const made = newLayout(name, reference, scale);
  if (!made.ok) return made;
  const named = words.length > 0 ? applyActions(made.value, words) : made;
  if (!named.ok) return named;
  const bound = takeInputs(named.value, inputs);
  if (!bound.ok) return bound;
  const { workbench } = bound.value;
  return changeLayout(bound.value, { ...(held === "either" ? { orientation: "both" } : {}), workbench: { ...workbench, callees: [...callees] } });
}
