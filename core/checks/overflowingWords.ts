/**
 * `look/overflow`: a word that does not fit its control.
 *
 * A word is drawn as large as its control lets it be: at most 0.3 of each side, and no wider than 0.84 of the width, or of what the icon
 * leaves of the height. It fits if its letters need not be drawn smaller than can be read, or than the control's own size asks for.
 */
import { KINDS } from "../engine/kinds";
import { LETTER_PART, WORD_PART } from "../engine/lettering";
import { wordWidth } from "../derived/letterWidths";
import type { Box } from "../engine/geometry/point";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import type { Control } from "../format/types";
import type { Check } from "./context";

/** Letters below this em cannot be read at arm's length, mm: about 6 points, the least that print is set in. */
export const LEAST_LETTERS_MM = 2;

const figure = (mm: number) => String(Number(mm.toFixed(2)));

/** The words on a control: its own, and those by language; null: its own. */
export const wordsOn = ({ look }: Control): readonly (readonly [language: string | null, word: string])[] =>
  [[null, look.label] as const, ...Object.entries(look.labels)].filter(([, word]) => word !== "");

/** How high the letters (the em) of a word can be in a box, and how high they have to be; all in the box's unit, `mm` of which are a millimetre. */
export function lettersIn({ w, h }: Pick<Box, "w" | "h">, word: string, mm: number): { readonly em: number; readonly wanted: number } {
  const largest = Math.min(w, h) * LETTER_PART;
  return { em: Math.min(largest, (w * WORD_PART) / wordWidth(word)), wanted: Math.min(largest, LEAST_LETTERS_MM * mm) };
}

/** The `look/overflow` findings, in file order: of each control the word that fits least. */
export const words: Check = {
  *once({ placed, mm, screenName }) {
    for (const { control, at } of placed) {
      if (control.look.hideAtRest === "all" && !KINDS[control.kind].isReadHeld) continue;
      let worst: { language: string | null; word: string; em: number; wanted: number } | null = null;
      for (const [language, word] of wordsOn(control)) {
        const { em, wanted } = lettersIn(at.visual, word, mm);
        if (em < wanted - LENGTH_SLACK && em < (worst?.em ?? Infinity)) worst = { language, word, em, wanted };
      }
      if (worst === null) continue;
      const { language, word, em, wanted } = worst;
      yield {
        code: "look/overflow",
        severity: "warning",
        subjects: [control.id],
        measure: { value: em / mm, unit: "mm" },
        text: (say) =>
          `the word “${word}”${language === null ? "" : ` (${language})`} is too long for ${say(control.id)} on ${screenName}: its letters would be ${figure(em / mm)} mm high, ${figure(wanted / mm)} mm are wanted. Shorten the word, or make the control wider`,
      };
    }
  },
};
