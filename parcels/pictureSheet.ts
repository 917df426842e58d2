/** All looks in one picture, and where in it each is. */
import potpack from "potpack";
import type { LookPicture } from "./looks";

/** So far apart, px, that no picture bleeds into its neighbour when a game draws it smaller. */
const GAP = 2;

/** A rectangle of the sheet, px, origin top left; `box` is the control's own within it. */
export interface SheetPlace {
  readonly name: string;
  readonly control: string;
  readonly state: string;
  readonly part: string | null;
  readonly x: number;
  readonly y: number;
  readonly w: number;
  readonly h: number;
  readonly box: { readonly x: number; readonly y: number; readonly w: number; readonly h: number };
}

export interface PictureSheet {
  readonly width: number;
  readonly height: number;
  readonly places: readonly SheetPlace[];
}

/** Packs pictures at a scale into one, in no more room than it takes; the places are in the order of the pictures. */
export function pictureSheet(pictures: readonly LookPicture[], scale: number): PictureSheet {
  const boxes = pictures.map((picture) => ({ picture, x: 0, y: 0, w: picture.width * scale + GAP, h: picture.height * scale + GAP }));
  const { w, h } = potpack([...boxes]);
  const places = boxes.map(({ picture, x, y, w: width, h: height }): SheetPlace => {
    const { name, control, state, part, drawn } = picture;
    const { box } = drawn;
    return {
      ...{ name, control, state, part, x: x + GAP, y: y + GAP, w: width - GAP, h: height - GAP },
      box: { x: box.x * scale, y: box.y * scale, w: box.w * scale, h: box.h * scale },
    };
  });
  return { width: w + GAP, height: h + GAP, places };
}

/** The rectangles as JSON. `file`: what the picture is called; `scale`: px a unit. */
export function pictureSheetJson(file: string, scale: number, { width, height, places }: PictureSheet): string {
  return `${JSON.stringify({ format: "nodulum-picture-sheet", version: 1, picture: file, scale, width, height, places }, null, 2)}\n`;
}
