/** JSON texts from outside: as bytes or as a text in, a plain value or the reason why not out. */
import { ok, refused, type Result } from "../engine/result";
import { FILES } from "./limits";

/** A text with a byte order mark less; a second one is a fault of the JSON. */
export const withoutByteOrderMark = (text: string): string => (text.startsWith("\uFEFF") ? text.slice(1) : text);

/** How deep a JSON text is nested; what is in strings does not count. Stops at the first place that is deeper than `most`. @internal exported for its test */
export function isNestedDeeper(text: string, most: number): boolean {
  let depth = 0;
  for (let i = 0; i < text.length; i += 1) {
    const letter = text.charCodeAt(i);
    if (letter === 0x22) i = endOfString(text, i);
    else if (letter === 0x5b || letter === 0x7b) {
      depth += 1;
      if (depth > most) return true;
    } else if (letter === 0x5d || letter === 0x7d) depth -= 1;
  }
  return false;
}

/** The place of the quotation mark that ends the string which begins at one; the end of the text where none does. */
function endOfString(text: string, from: number): number {
  for (let at = from + 1; ;) {
    const end = text.indexOf('"', at);
    if (end < 0) return text.length;
    let slashes = 0;
    while (text.charCodeAt(end - 1 - slashes) === 0x5c) slashes += 1;
    if (slashes % 2 === 0) return end;
    at = end + 1;
  }
}

/** Reads a JSON text (RFC 8259), one byte order mark before it allowed. */
export function readJson(text: string): Result<unknown> {
  const bare = withoutByteOrderMark(text);
  if (isNestedDeeper(bare, FILES.nesting.most)) return refused("", FILES.nesting.words);
  try {
    return ok(JSON.parse(bare) as unknown);
  } catch (error) {
    return refused("", `this is not JSON: ${error instanceof Error ? error.message : "it cannot be read"}`);
  }
}
