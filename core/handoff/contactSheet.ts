/** The layout on all chosen screens at one scale, in one drawing. */
import { counted } from "../derived/counted";
import { resolvedOn } from "../derived/resolved";
import { element, escaped, figure } from "../drawing/svgElement";
import { FIGURES, FONT, INK } from "../drawing/ink";
import { layoutDrawing } from "../drawing/layoutDrawing";
import type { PlayerView } from "../engine/placement/resolve";
import { pxPerMm } from "../engine/placement/screen";
import type { Layout, Screen } from "../format/types";

/** Rows break before they grow wider, mm, unless one screen alone is. */
const ROW_MM = 420;
const GAP_MM = 6;
const CAPTION_MM = 8;
/** A letter is about so wide, in its size. */
const LETTER = 0.56;

interface Cell {
  readonly screen: Screen;
  readonly w: number;
  readonly h: number;
}

/** The screens in rows, each as high as its highest. */
function rowsOf(screens: readonly Screen[]): readonly (readonly Cell[])[] {
  const rows: Cell[][] = [];
  let room = 0;
  for (const screen of screens) {
    const mm = pxPerMm(screen);
    const cell = { screen, w: screen.widthPx / mm, h: screen.heightPx / mm };
    if (rows.length === 0 || room + cell.w > ROW_MM) {
      rows.push([]);
      room = 0;
    }
    rows.at(-1)!.push(cell);
    room += cell.w + GAP_MM;
  }
  return rows;
}

/** The drawing, life size: its units are mm of glass. */
export function contactSheet(layout: Layout, screens: readonly Screen[], playerView: PlayerView): string {
  const rows = rowsOf(screens);
  const width = GAP_MM + Math.max(...rows.map((row) => row.reduce((sum, { w }) => sum + w + GAP_MM, 0)), 0);
  let y = GAP_MM;
  let count = 0;
  const drawn = rows.map((row) => {
    const height = Math.max(...row.map(({ h }) => h));
    let x = GAP_MM;
    const cells = row.map(({ screen, w, h }) => {
      const top = y + height - h;
      const drawing = layoutDrawing(layout, resolvedOn(layout, screen, playerView), {
        layers: ["glass", "zones", "controls", "names"],
        shrinks: 1,
        prefix: `s${count}.`,
        within: { x, y: top },
      });
      const caption = (text: string, down: number, family: string, fill: string) => {
        const size = Math.min(3, w / (LETTER * Math.max(1, text.length)));
        return element("text", { x, y: y + height + down, "font-size": size, "font-family": family, fill }, escaped(text));
      };
      count += 1;
      const words =
        caption(screen.name, 3.4, FONT, INK.ink) +
        caption(`${screen.widthPx} × ${screen.heightPx} px, ${figure(Math.round(w))} × ${figure(Math.round(h))} mm`, 7, FIGURES, INK.muted);
      x += w + GAP_MM;
      return element("g", { "data-screen": screen.name }, drawing + words);
    });
    y += height + CAPTION_MM + GAP_MM;
    return cells.join("");
  });
  return element(
    "svg",
    {
      xmlns: "http://www.w3.org/2000/svg",
      width: `${figure(width)}mm`,
      height: `${figure(y)}mm`,
      viewBox: `0 0 ${figure(width)} ${figure(y)}`,
      role: "img",
      "aria-label": `${layout.name} on ${counted(screens.length, "screen")}`,
    },
    element("rect", { x: 0, y: 0, width, height: y, fill: INK.paper }) + drawn.join(""),
  );
}
