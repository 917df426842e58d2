/**
 * What a picture is, looked at before anything takes it: that its data are base64, that decoding it costs no more than the limits say,
 * and that an SVG only draws. Command line and browser refuse the same.
 */
import { PICTURES } from "../limits";
import { decodeBase64, isBase64 } from "./base64";
import { jpegSize, pngSize, webpSize, type PixelSize } from "./pixelSize";
import { svgProblem } from "./svg";
import { decodeUtf8 } from "../utf8";

export type PictureType = "image/png" | "image/webp" | "image/jpeg" | "image/svg+xml";

/** Of a JPEG so much is looked through for its size, bytes: segments before it (colours, a small copy of the picture) hold at most 64 KiB each. */
const LOOKED_THROUGH = 1024 * 1024;

/** What was found of pictures already, by their data: the same picture is read again with every edit of its list. */
const KNOWN: Readonly<Record<PictureType, Map<string, Look>>> = {
  "image/png": new Map(),
  "image/webp": new Map(),
  "image/jpeg": new Map(),
  "image/svg+xml": new Map(),
};
const MOST_KNOWN = 256;

interface Look {
  readonly problem: string | null;
  /** Its sides when it is decoded; null for an SVG, which is drawn as large as it is wanted, and for what is no picture. */
  readonly size: PixelSize | null;
}

function look(type: PictureType, data: string): Look {
  const known = KNOWN[type];
  let found = known.get(data);
  if (!found) {
    if (known.size >= MOST_KNOWN) known.clear();
    known.set(data, (found = lookAt(type, data)));
  }
  return found;
}

/** Why a picture cannot be taken, as the end of a sentence about its data; null where it can. */
export const pictureProblem = (type: PictureType, data: string): string | null => look(type, data).problem;

/** How many pixels a picture has when it is decoded; 0 for an SVG. */
export function pictureArea(type: PictureType, data: string): number {
  const { size } = look(type, data);
  return size === null ? 0 : size.width * size.height;
}

/** Whether a picture may be given to a browser to be decoded. Base64 that begins as no picture of pixels is taken by the file, and never shown: what a browser would make of it is not known. */
export function canBeShown(type: PictureType, data: string): boolean {
  const { problem, size } = look(type, data);
  return problem === null && (type === "image/svg+xml" || size !== null);
}

function lookAt(type: PictureType, data: string): Look {
  if (!isBase64(data)) return { problem: "must be base64: letters, digits, + and /, in groups of four, = only at the end", size: null };
  if (type === "image/svg+xml") {
    const text = decodeUtf8(decodeBase64(data));
    return { problem: text === null ? "is damaged: it is not UTF-8 text" : svgProblem(text), size: null };
  }
  // Browsers go by what the bytes are, not by what they are called.
  const bytes = decodeBase64(data, LOOKED_THROUGH);
  const size = pngSize(bytes) ?? webpSize(bytes) ?? jpegSize(bytes);
  return { problem: size && sizeProblem(size), size };
}

function sizeProblem({ width, height }: PixelSize): string | null {
  const { sidePx, area } = PICTURES;
  if (Math.min(width, height) < sidePx.least || Math.max(width, height) > sidePx.most) return `has ${width} × ${height} pixels; ${sidePx.words}`;
  return width * height > area.most ? `has ${width} × ${height} pixels; ${area.words}` : null;
}
