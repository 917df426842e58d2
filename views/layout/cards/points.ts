/** Points of a frame, or of a control, by their words. */
import { ANCHOR_POINTS } from "../../../core/editing/anchors";
import { anchorWord } from "../anchorWord";

type Fractions = readonly [number, number];
const isKnown = (at: Fractions) => ANCHOR_POINTS.some(([x, y]) => x === at[0] && y === at[1]);

/** The nine points, for a choice; a point that is none of them is before them as it is. */
export const pointChoices = (at: Fractions | null) =>
  (at !== null && !isKnown(at) ? [at, ...ANCHOR_POINTS] : ANCHOR_POINTS).map((p) => [p.join(","), anchorWord(p)] as const);
/** The point that a choice represents. */
export const pointOf = (text: string): [number, number] => text.split(",").map(Number) as [number, number];
