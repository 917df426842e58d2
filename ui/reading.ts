/** What the reading line says of an element, and a screen reader with it: a sentence with live figures, and the keys that do it. */

/** A sentence. `{value}` in it represents what the element shows just now, with its unit. */
export interface Reading {
  readonly words: string;
  /** The key, or the gesture, that does it. */
  readonly keys?: string;
}

/** The attributes by which an element is read. The description is what a screen reader says after the name (WAI-ARIA 1.3, aria-description). */
export interface ReadingProps {
  readonly "aria-description"?: string;
  readonly "data-keys"?: string;
}

/** The attributes of a sentence with what is shown put into it. `usual`: the keys where the sentence names none. */
export function readingProps(reading: Reading | undefined, value = "", usual?: string): ReadingProps {
  if (!reading) return {};
  return { "aria-description": reading.words.replaceAll("{value}", value), "data-keys": reading.keys ?? usual };
}
