/** The bytes of a file that somebody brings, as a text: command line and browser take exactly the same. */
import { withArticle } from "../derived/counted";
import { ok, refused, type Result } from "../engine/result";
import { MOST_FILE_BYTES } from "../format/limits";

const mib = (bytes: number) => `${(bytes / 1048576).toFixed(1)} MiB`;

/** What is said of a file with more bytes than any layout has. */
export const fileTooLarge = (bytes: number): string => `the file has ${mib(bytes)}; a layout has at most ${mib(MOST_FILE_BYTES)}, including pictures`;

/** A picture by its first bytes (PNG, JPEG, GIF and RIFF/WebP signatures), or null. */
function pictureKind(bytes: Uint8Array): string | null {
  const starts = (...signature: number[]) => signature.every((b, i) => bytes[i] === b);
  if (starts(0x89, 0x50, 0x4e, 0x47)) return "PNG";
  if (starts(0xff, 0xd8, 0xff)) return "JPEG";
  if (starts(0x47, 0x49, 0x46, 0x38)) return "GIF";
  return starts(0x52, 0x49, 0x46, 0x46) ? "WebP" : null;
}

/** The text of the bytes of a file of at most `mostBytes`: UTF-8, strictly. A byte order mark stays in it; whoever reads JSON takes one off. */
export function textOfBytes(bytes: Uint8Array, mostBytes = MOST_FILE_BYTES): Result<string> {
  if (bytes.length === 0) return refused("", "the file is empty");
  if (bytes.length > mostBytes) return refused("", fileTooLarge(bytes.length));
  const picture = pictureKind(bytes);
  if (picture) return refused("", `this is ${withArticle(picture)} picture; a layout file is text that ends in .nodulum.json`);
  try {
    // The platform's own decoder (WHATWG Encoding): a file of 30 MiB by the letter would take seconds and a gigabyte.
    return ok(new TextDecoder("utf-8", { fatal: true, ignoreBOM: true }).decode(bytes));
  } catch {
    return refused("", "this is not UTF-8 text; a layout file is text that ends in .nodulum.json");
  }
}

/** Makes each refusal its own sentence. */
export const asSentences = (result: Result<string>): Result<string> =>
  result.ok ? result : { ok: false, problems: result.problems.map((p) => ({ ...p, message: `${p.message[0].toUpperCase()}${p.message.slice(1)}.` })) };
