/** Small moves that fix a finding: what they are, and what is said of them. */
import type { Say } from "./say";

export type FixSide = "up" | "down" | "left" | "right";
/**
 * A move of a control (`leaves`: out of the frame of the cluster it is in), a growth of its hit area on every side, its being drawn above all
 * others, or edges of its span (`part`: of its landing area) brought in, mm for each side.
 */
export type Fix =
  | { readonly kind: "move"; readonly id: string; readonly side: FixSide; readonly mm: number; readonly leaves: boolean }
  | { readonly kind: "grow"; readonly id: string; readonly mm: number }
  | { readonly kind: "raise"; readonly id: string }
  | { readonly kind: "trim"; readonly id: string; readonly part: "landing" | "whole"; readonly mm: Readonly<Partial<Record<FixSide, number>>> };

/** What is said of a move that takes a control out of its cluster's frame. */
export const LEAVES = ", out of the frame of its cluster";

/** The edge of a box on a side, in words. */
const EDGE: Readonly<Record<FixSide, string>> = { up: "top", down: "bottom", left: "left", right: "right" };

/** By how much which edges are brought in: `2.1 mm at the left and 1.0 mm at the bottom`. */
export const trimText = (mm: Readonly<Partial<Record<FixSide, number>>>): string =>
  (Object.entries(mm) as [FixSide, number][]).map(([side, by]) => `${by.toFixed(1)} mm at the ${EDGE[side]}`).join(" and ");

/** What a fix says in a text. */
export function fixText(fix: Fix, say: Say): string {
  switch (fix.kind) {
    case "move":
      return `move ${say(fix.id)} ${fix.mm.toFixed(1)} mm ${fix.side}${fix.leaves ? LEAVES : ""}`;
    case "grow":
      return `grow it by ${fix.mm.toFixed(1)} mm all round`;
    case "raise":
      return `draw ${say(fix.id)} above`;
    case "trim":
      return `bring ${fix.part === "landing" ? "the landing area" : "the area"} of ${say(fix.id)} in by ${trimText(fix.mm)}`;
  }
}
