/**
 * What is printed for a terminal: nothing that comes out of a file may move its cursor, colour it, retitle it or turn its words around.
 * Such characters are reported by their number instead.
 */

/**
 * Characters that a terminal acts on, or that change how others are shown: control characters (Unicode category Cc), line and paragraph
 * separators, the marks, embeddings and isolates of writing direction (UAX #9), the byte order mark.
 */
const ACTING = /[\u0000-\u001f\u007f-\u009f\u061c\u200e\u200f\u2028-\u202e\u2066-\u2069\ufeff]/g;
const hex = (character: string) => character.charCodeAt(0).toString(16).toUpperCase();

/** A text as one line: what a terminal would act on is as `\u{1B}`. */
export function lineForTerminal(text: string): string {
  return text.replace(ACTING, (character) => `\\u{${hex(character)}}`);
}

/** A JSON text, which may have its own lines: the same characters, which can only are in its strings, as JSON's escapes. It means what it meant. */
export function jsonForTerminal(json: string): string {
  return json.replace(ACTING, (character) => (character === "\n" ? character : `\\u${hex(character).padStart(4, "0")}`));
}

/** A text of XML, already escaped: the same characters by their numbers. */
export function xmlForTerminal(xml: string): string {
  return xml.replace(ACTING, (character) => `&#x${hex(character)};`);
}
