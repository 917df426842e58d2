/** Small moves that fix a finding: what they are, and what is said of them. */
import type { Say } from "./say";

export type Side = "up" | "down" | "left" | "right";
/** A move of a control (`leaves`: out of the frame of the cluster it stands in), a growth of its hit area on every side, or its being drawn above all others. */
export type Fix =
  | { readonly kind: "move"; readonly id: string; readonly side: Side; readonly mm: number; readonly leaves: boolean }
  | { readonly kind: "grow"; readonly id: string; readonly mm: number }
  | { readonly kind: "raise"; readonly id: string };

/** What is said of a move that takes a control out of its cluster's frame. */
export const LEAVES = ", out of the frame of its cluster";

/** What a fix says in a text. */
export function fixText(fix: Fix, say: Say): string {
  switch (fix.kind) {
    case "move":
      return `move ${say(fix.id)} ${fix.mm.toFixed(1)} mm ${fix.side}${fix.leaves ? LEAVES : ""}`;
    case "grow":
      return `grow it by ${fix.mm.toFixed(1)} mm all round`;
    case "raise":
      return `bring ${say(fix.id)} above`;
  }
}
