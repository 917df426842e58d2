/** UTF-8 (RFC 3629) by the letter, strictly: no overlong forms, no surrogates, nothing cut off. */

/** Where each length of a sequence begins: shorter forms of the same letter are refused. */
const LEAST = [0, 0, 0x80, 0x800, 0x10000];
const PIECE = 8192;

/** The text of some bytes; null where they are no UTF-8. */
export function decodeUtf8(bytes: Uint8Array): string | null {
  let text = "";
  let codes: number[] = [];
  for (let at = 0; at < bytes.length;) {
    const lead = bytes[at];
    const length = lead < 0x80 ? 1 : lead >= 0xf0 ? 4 : lead >= 0xe0 ? 3 : 2;
    let code = length === 1 ? lead : lead & (0xff >> (length + 1));
    if ((lead >= 0x80 && lead < 0xc2) || lead > 0xf4 || at + length > bytes.length) return null;
    for (let i = 1; i < length; i += 1) {
      if ((bytes[at + i] & 0xc0) !== 0x80) return null;
      code = (code << 6) | (bytes[at + i] & 0x3f);
    }
    if (code < LEAST[length] || code > 0x10ffff || (code >= 0xd800 && code <= 0xdfff)) return null;
    codes.push(code);
    at += length;
    if (codes.length === PIECE) {
      text += String.fromCodePoint(...codes);
      codes = [];
    }
  }
  return text + String.fromCodePoint(...codes);
}
