/**
 * Words as people write them down: one a line, or with commas or semicolons between, each with its kind behind it where they say one
 * (`walk: vector`, `leap (press)`, `look motion`); with the dots and dashes of a list before them, in quotes or not. A list that an
 * export of ours wrote, as CSV or JSON, is read as that.
 */
import { ok, type Result } from "../engine/result";
import type { ActionKind } from "../format/types";
import { wordKind } from "../wiring/wordKind";
import { readActionList, type ListedAction } from "./actionList";

const KIND = /^(.+?)\s*(?:[:=\t(]\s*|\s)(press|axis|vector|motion)\)?$/i;

/** The actions that a text reports, each once, in order; kinds that are not told are guessed from the words. Refused where a list of ours does not read. */
export function readWordList(text: string): Result<readonly ListedAction[]> {
  const bare = text.trim();
  if (/^[[{]/.test(bare) || /^name\s*[,;\t]/i.test(bare)) return readActionList(bare);
  const found = new Map<string, ActionKind>();
  for (const piece of bare.split(/[\n,;]+/)) {
    const item = piece.replace(/^\s*(?:[-*•·]|\d+[.)])\s+/, "").trim();
    const told = KIND.exec(item);
    const word = (told ? told[1] : item).trim().replace(/^(["'`])(.*)\1$/, "$2");
    if (word !== "" && !found.has(word)) found.set(word, told ? (told[2].toLowerCase() as ActionKind) : wordKind(word));
  }
  return ok([...found].map(([name, kind]) => ({ name, kind })));
}
