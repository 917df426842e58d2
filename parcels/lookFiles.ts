/** The pictures of a layout's controls, each alone and all on one sheet. */
import { drawLook, lookPictures, lookSvg } from "./looks";
import type { Parcel, ParcelFile } from "./parcel";
import { pictureSheet, pictureSheetJson } from "./pictureSheet";
import { MOST_SIDE_PX, type HandOffSource } from "./parcelSource";

/** How many px a unit PNGs have. */
const LOOK_SCALES = [1, 2, 3, 4] as const;
/** The px a unit of the picture sheet. */
const SHEET_SCALE = 2;

const png = (path: string, content: Uint8Array): ParcelFile => ({ path, type: "image/png", content });

/** The files. Without a painter the SVGs and the rectangles alone. */
export async function lookFiles({ layout, ...source }: HandOffSource): Promise<Pick<Parcel, "files" | "leftOut">> {
  const painter = await source.painter();
  const pictures = lookPictures(layout);
  const svgs = pictures.map((picture): ParcelFile => ({ path: `svg/${picture.name}.svg`, type: "image/svg+xml", content: lookSvg(layout, picture) }));
  const sheet = pictureSheet(pictures, SHEET_SCALE);
  const rectangles: ParcelFile = { path: "sheet.json", type: "application/json", content: pictureSheetJson("sheet.png", SHEET_SCALE, sheet) };
  if (painter === null) {
    return { files: [...svgs, rectangles], leftOut: ["PNGs of the looks and of the picture sheet: a browser paints them; take this parcel in Hand off"] };
  }
  const files: ParcelFile[] = [];
  const leftOut: string[] = [];
  for (const scale of LOOK_SCALES) {
    for (const picture of pictures) {
      const [w, h] = [picture.width * scale, picture.height * scale];
      if (Math.max(w, h) > MOST_SIDE_PX) leftOut.push(`png-${scale}x/${picture.name}.png: ${w} × ${h} px is more than browsers paint`);
      else files.push(png(`png-${scale}x/${picture.name}.png`, await painter.paint(w, h, (ctx) => drawLook(ctx, picture, scale, painter.supplies))));
    }
  }
  if (Math.max(sheet.width, sheet.height) > MOST_SIDE_PX) leftOut.push(`sheet.png: ${sheet.width} × ${sheet.height} px is more than browsers paint`);
  else if (sheet.places.length > 0) {
    const whole = await painter.paint(sheet.width, sheet.height, (ctx) =>
      sheet.places.forEach(({ x, y }, i) => {
        ctx.save();
        ctx.translate(x, y);
        drawLook(ctx, pictures[i], SHEET_SCALE, painter.supplies);
        ctx.restore();
      }),
    );
    files.unshift(png("sheet.png", whole));
  }
  return { files: [...files, rectangles, ...svgs], leftOut };
}
