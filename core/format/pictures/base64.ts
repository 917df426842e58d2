/** Base64 (RFC 4648 section 4, padded): the form in which the file holds the bytes of pictures. */

const ALPHABET = "ABCDEFGHIJKLMNOPQRSTUVWXYZabcdefghijklmnopqrstuvwxyz0123456789+/";
const SHAPE = /^[A-Za-z0-9+/]*={0,2}$/;
const VALUES = new Uint8Array(128);
for (let i = 0; i < 64; i += 1) VALUES[ALPHABET.charCodeAt(i)] = i;

/** Whether a text is base64 that decodes: whole groups of four, padding only at the end. */
export const isBase64 = (text: string): boolean => text.length % 4 === 0 && SHAPE.test(text);

/** The number of bytes behind a base64 text. */
export function bytesOf(base64: string): number {
  return Math.floor((base64.length * 3) / 4) - (base64.endsWith("==") ? 2 : base64.endsWith("=") ? 1 : 0);
}

/** The bytes of a base64 text, or only the first `most` of them. */
export function decodeBase64(text: string, most = Infinity): Uint8Array {
  const bytes = new Uint8Array(Math.min(bytesOf(text), most));
  for (let i = 0, at = 0; at < bytes.length; i += 4) {
    const group =
      (VALUES[text.charCodeAt(i)] << 18) | (VALUES[text.charCodeAt(i + 1)] << 12) | (VALUES[text.charCodeAt(i + 2)] << 6) | VALUES[text.charCodeAt(i + 3)];
    bytes[at] = group >> 16;
    if (at + 1 < bytes.length) bytes[at + 1] = (group >> 8) & 255;
    if (at + 2 < bytes.length) bytes[at + 2] = group & 255;
    at += 3;
  }
  return bytes;
}
