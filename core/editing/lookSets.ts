/**
 * Three sets of looks, each put on a whole layout at once: `line`, thin and hardly in the way; `solid`, plates that are seen on any
 * picture; `night`, dim and warm, for eyes that are used to the dark. Words, icons, pictures and fading stay each control's own.
 */
import type { Result } from "../engine/result";
import type { Control, Layout, Look } from "../format/types";
import { checked } from "./edits/checked";

export const LOOK_SETS = ["line", "solid", "night"] as const;
export type LookSet = (typeof LOOK_SETS)[number];

/** The colours of each, at rest and held (as the file writes them; opacity 0…1). */
const FACES: Readonly<Record<LookSet, Pick<Look, "rest" | "held">>> = {
  line: {
    rest: { fill: "#16212A", line: "#FBFAF6", ink: "#FBFAF6", opacity: 0.5 },
    held: { fill: "#16212A", line: "#8EA2FF", ink: "#FBFAF6", opacity: 0.9 },
  },
  solid: {
    rest: { fill: "#E8E4DA", line: "#18242E", ink: "#18242E", opacity: 0.85 },
    held: { fill: "#2B44C7", line: "#FBFAF6", ink: "#FBFAF6", opacity: 0.95 },
  },
  night: {
    rest: { fill: "#0F171D", line: "#C9A77C", ink: "#C9A77C", opacity: 0.65 },
    held: { fill: "#C9A77C", line: "#E8E4DA", ink: "#0F171D", opacity: 0.85 },
  },
};

/** The faces of a set, to be shown before it is put on. */
export const looksOfSet = (set: LookSet): Pick<Look, "rest" | "held"> => FACES[set];

/** Puts a set of looks on every control. */
export function putLooks(layout: Layout, set: LookSet): Result<Layout> {
  const { rest, held } = FACES[set];
  const dressed = (control: Control): Control => {
    const { knob: _, ...look } = control.look;
    return { ...control, look: { ...look, rest: { ...rest }, held: { ...held } } } as Control;
  };
  return checked(layout, { ...layout, controls: layout.controls.map(dressed) });
}

/** The set that every control wears, or null. */
export function lookSetOf({ controls }: Pick<Layout, "controls">): LookSet | null {
  const wears = (control: Control, { rest, held }: Pick<Look, "rest" | "held">) =>
    control.look.knob === undefined && isSame(control.look.rest, rest) && isSame(control.look.held, held);
  return controls.length === 0 ? null : (LOOK_SETS.find((set) => controls.every((c) => wears(c, FACES[set]))) ?? null);
}

const isSame = (a: Look["rest"], b: Look["rest"]) => a.fill === b.fill && a.line === b.line && a.ink === b.ink && a.opacity === b.opacity;
