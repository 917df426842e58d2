/** What a control's ports are called on its card: the file's own words, but for the one that is no word by itself. */
import type { Serve } from "../../core/format/types";

export const PORT_WORD: Readonly<Record<Serve["port"], string>> = {
  vector: "x, y",
  x: "x",
  y: "y",
  up: "up",
  down: "down",
  left: "left",
  right: "right",
  held: "held",
  active: "active",
  press: "press",
  motion: "motion",
  aim: "aim",
  tapped: "tapped",
  released: "released",
  dx: "dx",
  dy: "dy",
  turn: "turn",
};
