/** The layout on each chosen screen as a drawing in layers, and all screens on one contact sheet. */
import { fileNameFor } from "../core/exchange/fileName";
import { resolvedOn } from "../core/derived/resolved";
import { DRAWING_LAYERS, layoutDrawing } from "../core/drawing/layoutDrawing";
import { contactSheet } from "../core/handoff/contactSheet";
import type { Parcel, ParcelFile } from "./parcel";
import type { HandOffSource } from "./source";

/** px a mm of the contact sheet as a PNG, and the longest side it may have. */
const SHEET_PX_PER_MM = 4;
const MOST_SIDE_PX = 8192;

const LAYERS = DRAWING_LAYERS.filter((layer) => layer !== "findings");

/** The files. Without a painter the SVGs alone. */
export async function drawingFiles({ layout, screens, playerView, ...source }: HandOffSource): Promise<Pick<Parcel, "files" | "leftOut">> {
  const painter = await source.painter();
  const files: ParcelFile[] = [];
  const add = async (name: string, svg: string, width: number, height: number) => {
    files.push({ path: `${name}.svg`, type: "image/svg+xml", content: `${svg}\n` });
    if (painter !== null) files.push({ path: `${name}.png`, type: "image/png", content: await painter.paintSvg(svg, width, height) });
  };
  const used = new Set<string>();
  for (const screen of screens) {
    const svg = layoutDrawing(layout, resolvedOn(layout, screen, playerView), { layers: LAYERS, shrinks: 1 });
    const bare = fileNameFor(screen.name, "");
    let name = `screens/${bare}`;
    for (let n = 2; used.has(name); n += 1) name = `screens/${bare}-${n}`;
    used.add(name);
    await add(name, svg, screen.widthPx, screen.heightPx);
  }
  const sheet = contactSheet(layout, screens, playerView);
  const [w, h] = sidesMm(sheet);
  const scale = Math.min(SHEET_PX_PER_MM, MOST_SIDE_PX / Math.max(w, h));
  await add("contact-sheet", sheet, Math.round(w * scale), Math.round(h * scale));
  return { files, leftOut: painter === null ? ["PNGs of the drawings: a browser paints them; take this parcel in Hand off"] : [] };
}

/** The sides a drawing says it has, mm. */
function sidesMm(svg: string): readonly [number, number] {
  const [, w = "1", h = "1"] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg) ?? [];
  return [Number(w), Number(h)];
}
