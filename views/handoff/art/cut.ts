"use client";
/** Pictures cut out of one sheet, by rectangles or by a grid, each its own PNG. */
import type { SheetPiece } from "../../../core/exchange/sortFiles";
import type { PictureData } from "../../../core/editing/edits/pictures";

/** A grid over a sheet, row by row from the top left; what remains over at the right and below belongs to no piece. */
export function gridPieces(name: string, { w, h }: { readonly w: number; readonly h: number }, columns: number, rows: number): readonly SheetPiece[] {
  const [side, height] = [Math.floor(w / columns), Math.floor(h / rows)];
  if (side < 1 || height < 1) return [];
  return Array.from({ length: columns * rows }, (_, i): SheetPiece => {
    const [column, row] = [i % columns, Math.floor(i / columns)];
    return { name: `${name} ${row + 1}-${column + 1}`, box: { x: column * side, y: row * height, w: side, h: height } };
  });
}

/** The image of a picture, whole. */
export async function sheetImage({ type, data }: Pick<PictureData, "type" | "data">): Promise<HTMLImageElement> {
  const image = new Image();
  image.src = `data:${type};base64,${data}`;
  await image.decode();
  return image;
}

/** Cuts a piece; null where nothing of it is on the sheet, or nothing is drawn in it. */
export function cutPiece(image: HTMLImageElement, { name, box }: SheetPiece): PictureData | null {
  const [x, y] = [Math.max(0, Math.round(box.x)), Math.max(0, Math.round(box.y))];
  const [w, h] = [Math.min(image.naturalWidth, Math.round(box.x + box.w)) - x, Math.min(image.naturalHeight, Math.round(box.y + box.h)) - y];
  if (w < 1 || h < 1) return null;
  const canvas = document.createElement("canvas");
  canvas.width = w;
  canvas.height = h;
  const ctx = canvas.getContext("2d", { willReadFrequently: true });
  if (!ctx) return null;
  ctx.drawImage(image, -x, -y);
  const { data } = ctx.getImageData(0, 0, w, h);
  let isEmpty = true;
  for (let i = 3; i < data.length && isEmpty; i += 4) isEmpty = data[i] === 0;
  if (isEmpty) return null;
  return { name, type: "image/png", data: canvas.toDataURL("image/png").split(",")[1] };
}
