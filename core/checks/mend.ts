/** Small moves that mend a finding: what they are, and what is said of them. */
import type { Say } from "./say";

export type Side = "up" | "down" | "left" | "right";
/** A move of a control (`leaves`: out of the frame of the cluster it stands in), a growth of its hit area on every side, or its being drawn above all others. */
export type Mend =
  | { readonly kind: "move"; readonly id: string; readonly side: Side; readonly mm: number; readonly leaves: boolean }
  | { readonly kind: "grow"; readonly id: string; readonly mm: number }
  | { readonly kind: "raise"; readonly id: string };

/** What is said of a move that takes a control out of its cluster's frame. */
export const LEAVES = ", out of the frame of its cluster";

/** What a mend says in a text. */
export function mendText(mend: Mend, say: Say): string {
  switch (mend.kind) {
    case "move":
      return `move ${say(mend.id)} ${mend.mm.toFixed(1)} mm ${mend.side}${mend.leaves ? LEAVES : ""}`;
    case "grow":
      return `grow it by ${mend.mm.toFixed(1)} mm all round`;
    case "raise":
      return `bring ${say(mend.id)} above`;
  }
}
