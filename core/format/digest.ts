/** Digests of texts. */
import { sha256 } from "@noble/hashes/sha2";
import { bytesToHex, utf8ToBytes } from "@noble/hashes/utils";

/** SHA-256 of a text in UTF-8, 64 small hex digits. */
export function digestOfText(text: string): string {
  return bytesToHex(sha256(utf8ToBytes(text)));
}
