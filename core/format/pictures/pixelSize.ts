/** How large a picture of pixels says it is, read from its first bytes; nothing is decoded. */

/** Width and height in pixels. */
export interface PixelSize {
  readonly width: number;
  readonly height: number;
}

const starts = (bytes: Uint8Array, at: number, text: string) => [...text].every((letter, i) => bytes[at + i] === letter.charCodeAt(0));
const big16 = (b: Uint8Array, at: number) => (b[at] << 8) | b[at + 1];
const big32 = (b: Uint8Array, at: number) => big16(b, at) * 65536 + big16(b, at + 2);
const little16 = (b: Uint8Array, at: number) => b[at] | (b[at + 1] << 8);
const little24 = (b: Uint8Array, at: number) => little16(b, at) | (b[at + 2] << 16);

/** PNG (ISO/IEC 15948): the signature, then the header chunk with width and height. Null where it is none. */
export function pngSize(b: Uint8Array): PixelSize | null {
  if (b.length < 33 || !starts(b, 0, "\u0089PNG\r\n\u001a\n") || !starts(b, 12, "IHDR")) return null;
  return { width: big32(b, 16), height: big32(b, 20) };
}

/** WebP (RFC 9649): lossy, lossless or extended. Null where it is none. */
export function webpSize(b: Uint8Array): PixelSize | null {
  if (b.length < 30 || !starts(b, 0, "RIFF") || !starts(b, 8, "WEBP")) return null;
  if (starts(b, 12, "VP8X")) return { width: little24(b, 24) + 1, height: little24(b, 27) + 1 };
  if (starts(b, 12, "VP8 ") && b[23] === 0x9d && b[24] === 0x01 && b[25] === 0x2a) return { width: little16(b, 26) & 0x3fff, height: little16(b, 28) & 0x3fff };
  if (starts(b, 12, "VP8L") && b[20] === 0x2f) return { width: (little16(b, 21) & 0x3fff) + 1, height: ((little24(b, 22) >> 6) & 0x3fff) + 1 };
  return null;
}

/** Whether a JPEG marker begins a frame, which says how large the picture is: SOF0 to SOF15 but the tables among them (ITU-T T.81, table B.1). */
const isFrame = (marker: number) => marker >= 0xc0 && marker <= 0xcf && marker !== 0xc4 && marker !== 0xc8 && marker !== 0xcc;

/** JPEG (ITU-T T.81): the segments up to the first frame. Null where it is none, or the frame does not come within the bytes given. */
export function jpegSize(b: Uint8Array): PixelSize | null {
  if (big16(b, 0) !== 0xffd8) return null;
  for (let at = 2; at + 9 < b.length;) {
    if (b[at] !== 0xff) return null;
    const marker = b[at + 1];
    if (marker === 0xff) at += 1;
    else if (isFrame(marker)) return { width: big16(b, at + 7), height: big16(b, at + 5) };
    // Markers that are alone have no length.
    else if (marker === 0x01 || (marker >= 0xd0 && marker <= 0xd7)) at += 2;
    else at += 2 + Math.max(2, big16(b, at + 2));
  }
  return null;
}
