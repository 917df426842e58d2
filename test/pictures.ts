/** Pictures made for tests, as base64: what their first bytes say is true of nothing else in them. */
import { crc32, deflateSync } from "node:zlib";

const chunk = (kind: string, data: Buffer): Buffer => {
  const body = Buffer.concat([Buffer.from(kind, "latin1"), data]);
  const out = Buffer.alloc(body.length + 8);
  out.writeUInt32BE(data.length, 0);
  body.copy(out, 4);
  out.writeUInt32BE(crc32(body), out.length - 4);
  return out;
};

const SIGNATURE = Buffer.from("\u0089PNG\r\n\u001a\n", "latin1");

/** A whole, grey PNG; with `bytes`, filled up to that many bytes. Its pixels are there only where there are few: readers of its size do not look at them. */
export function pngOf(width: number, height: number, bytes = 0): string {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.writeUInt8(8, 8);
  const pixels = width * height > 4_000_000 ? Buffer.alloc(1) : Buffer.alloc((width + 1) * height, 128);
  for (let y = 0; y < height && pixels.length > 1; y += 1) pixels[y * (width + 1)] = 0;
  const parts = [SIGNATURE, chunk("IHDR", head), chunk("IDAT", deflateSync(pixels)), chunk("IEND", Buffer.alloc(0))];
  const length = parts.reduce((sum, p) => sum + p.length, 0);
  if (bytes > length + 12) parts.splice(2, 0, chunk("teXt", Buffer.alloc(bytes - length - 12, 32)));
  return Buffer.concat(parts).toString("base64");
}

/** A PNG of one colour, as the bytes of a file. */
export function plainPng(width: number, height: number, rgb: readonly [number, number, number]): Buffer {
  const head = Buffer.alloc(13);
  head.writeUInt32BE(width, 0);
  head.writeUInt32BE(height, 4);
  head.writeUInt8(8, 8);
  head.writeUInt8(2, 9);
  const row = Buffer.concat([Buffer.alloc(1), ...Array.from({ length: width }, () => Buffer.from(rgb))]);
  const pixels = Buffer.concat(Array.from({ length: height }, () => row));
  return Buffer.concat([SIGNATURE, chunk("IHDR", head), chunk("IDAT", deflateSync(pixels)), chunk("IEND", Buffer.alloc(0))]);
}

/** An SVG with something in it. */
export const svgOf = (body: string, attributes = ""): string =>
  Buffer.from(`<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 8 8" ${attributes}>${body}</svg>`).toString("base64");
