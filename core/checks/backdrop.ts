/** What is seen behind the controls, as far as it is known without decoding a picture. */
import type { Workbench } from "../format/types";
import { over, rgbOf, type Still } from "./contrast";

/** A backdrop is darkened by laying this colour over it, as the views do. */
export const DIM_COLOUR = [5, 8, 11] as const;
/** The side of a still of one colour, px. */
const SIDE = 4;

/** A still of the plain colour that a layout is looked at on, dimmed; null for any other backdrop, and where no colour is chosen. */
export function plainStill({ picture, backdrop, colour, dim }: Workbench): Still | null {
  if (picture || backdrop !== "plain" || colour === undefined) return null;
  const [r, g, b] = over(DIM_COLOUR, rgbOf(colour), dim).map(Math.round);
  return { width: SIDE, height: SIDE, data: Array.from({ length: SIDE * SIDE }, () => [r, g, b, 255]).flat() };
}

/** Why `look/faint` is not judged without a still of the backdrop; null where the backdrop is a plain colour. */
export function whyFaintNotJudged(bench: Workbench): string | null {
  if (plainStill(bench)) return null;
  return !bench.picture && bench.backdrop === "plain"
    ? "no backdrop is chosen"
    : "the backdrop cannot be decoded outside the browser; choose a plain colour, or look at Screens";
}
