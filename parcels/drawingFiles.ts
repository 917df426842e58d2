/** The layout on each chosen screen as a drawing in layers, and all screens on one contact sheet. */
import { fileNamesOnce } from "../core/exchange/fileName";
import { resolvedOn } from "../core/derived/resolved";
import { DRAWING_LAYERS, layoutDrawing } from "../core/drawing/layoutDrawing";
import { contactSheet } from "../core/handoff/contactSheet";
import type { Parcel, ParcelFile } from "./parcel";
import { MOST_SIDE_PX, type HandOffSource } from "./parcelSource";

/** px a mm of the contact sheet as a PNG; fewer where it would be larger than browsers paint. */
const SHEET_PX_PER_MM = 4;

const LAYERS = DRAWING_LAYERS.filter((layer) => layer !== "findings");

/** The files. Without a painter the SVGs alone. */
export async function drawingFiles({ layout, screens, playerView, ...source }: HandOffSource): Promise<Pick<Parcel, "files" | "leftOut">> {
  const painter = await source.painter();
  const files: ParcelFile[] = [];
  const leftOut = painter === null ? ["PNGs of the drawings: a browser paints them; take this parcel in Hand off"] : [];
  const add = async (name: string, svg: string, width: number, height: number) => {
    files.push({ path: `${name}.svg`, type: "image/svg+xml", content: `${svg}\n` });
    if (painter === null) return;
    if (Math.max(width, height) > MOST_SIDE_PX) leftOut.push(`${name}.png: ${width} × ${height} px is more than browsers paint`);
    else files.push({ path: `${name}.png`, type: "image/png", content: await painter.paintSvg(svg, width, height) });
  };
  const fileName = fileNamesOnce();
  for (const screen of screens) {
    const svg = layoutDrawing(layout, resolvedOn(layout, screen, playerView), { layers: LAYERS, shrinks: 1 });
    await add(`screens/${fileName(screen.name, "")}`, svg, screen.widthPx, screen.heightPx);
  }
  const sheet = contactSheet(layout, screens, playerView);
  const [w, h] = sidesMm(sheet);
  const scale = Math.min(SHEET_PX_PER_MM, MOST_SIDE_PX / Math.max(w, h));
  await add("contact-sheet", sheet, Math.round(w * scale), Math.round(h * scale));
  return { files, leftOut };
}

/** The sides a drawing says it has, mm. */
function sidesMm(svg: string): readonly [number, number] {
  const [, w = "1", h = "1"] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg) ?? [];
  return [Number(w), Number(h)];
}
