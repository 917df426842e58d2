/**
 * What a running game asked for, as the web runtime writes it down (docs/RUNTIME.md): words that were read, keys that went down. It is held
 * against the ledger as a game's code is: each entry is a line of the file.
 */
import type { ActionRead, ScanResult, Standard } from "./reads";

/** What such a file says of itself. */
const PLAYED_WORDS_FORMAT = "nodulum-words";
/** What asks, as the dialogue names it. @internal exported for its test */
export const ASKED_IN_PLAY = "the game, while it was played";

const textIn = (entry: unknown, key: string): string | null => {
  const value = typeof entry === "object" && entry !== null ? (entry as Record<string, unknown>)[key] : null;
  return typeof value === "string" && value.length > 0 && value.length <= 64 ? value : null;
};

/** What the file reports; null where a text is no such file. Entries that say nothing are passed over. */
export function scanPlayedWords(text: string): ScanResult | null {
  if (!text.includes(PLAYED_WORDS_FORMAT)) return null;
  let file: unknown;
  try {
    file = JSON.parse(text);
  } catch {
    return null;
  }
  if (typeof file !== "object" || file === null || (file as { format?: unknown }).format !== PLAYED_WORDS_FORMAT) return null;
  const listed = (key: string): readonly unknown[] => {
    const list = (file as Record<string, unknown>)[key];
    return Array.isArray(list) ? list : [];
  };
  const reads = listed("words").flatMap((entry, i): ActionRead[] => {
    const word = textIn(entry, "word");
    return word === null ? [] : [{ word, owner: "", callee: ASKED_IN_PLAY, shape: "call", line: i + 1, kind: null, isHandled: true }];
  });
  const standards = listed("keys").flatMap((entry, i): Standard[] => {
    const value = textIn(entry, "code");
    return value === null ? [] : [{ sort: "key", value, line: i + 1, purpose: "", isShared: false }];
  });
  return { reads, standards };
}
