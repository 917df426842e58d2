/**
 * `look/overflow`: a word that does not fit its control.
 *
 * A word is drawn as large as its control lets it be: at most 0.3 of each side, and no wider than 0.84 of the width, or of what the icon
 * leaves of the height. It fits if its letters need not be drawn smaller than can be read, or than the control's own size asks for.
 */
import type { Control, Layout } from "../format/types";
import type { Resolved } from "../engine/placement/resolve";
import { pxPerMm } from "../engine/placement/screen";
import { byId } from "../derived/byId";
import type { BareFinding, LookCode } from "./finding";

/** Letters (the em) are at most this part of each side of their control, and a word at most this part of its width; a test of the drawing holds the figures together. @internal exported for its test */
export const LETTER_PART = 0.3;
/** @internal exported for its test */
export const WORD_PART = 0.84;
/** Letters below this em cannot be read at arm's length, mm: about 6 points, the least that print is set in. */
const LEAST_LETTERS_MM = 2;

/** How wide words are, as parts of their letters' em. Words that nobody has measured are passed over. */
export type WordWidths = Readonly<Record<string, number>>;

const figure = (mm: number) => String(Number(mm.toFixed(2)));

/** A word that does not fit; the text is worked out only where it is read. */
export interface OverflowingWord {
  readonly finding: BareFinding<LookCode>;
  readonly text: () => string;
}

/** The words on a control: its own, and those by language; null: its own. */
export const wordsOn = ({ look }: Control): readonly (readonly [language: string | null, word: string])[] =>
  [[null, look.label] as const, ...Object.entries(look.labels)].filter(([, word]) => word !== "");

/** The `look/overflow` findings of a layout on a screen, in file order: of each control the word that fits least. */
export function overflowingWords(layout: Layout, resolved: Resolved, widths: WordWidths): OverflowingWord[] {
  const mm = pxPerMm(resolved.screen);
  const places = byId(resolved.controls);
  return layout.controls.flatMap((control): OverflowingWord[] => {
    const at = places.get(control.id);
    if (!at || (control.look.hideAtRest === "all" && control.kind !== "button")) return [];
    const { w, h } = at.visual;
    const largest = Math.min(w, h) * LETTER_PART;
    const wanted = Math.min(largest, LEAST_LETTERS_MM * mm);
    let worst: { language: string | null; word: string; em: number } | null = null;
    for (const [language, word] of wordsOn(control)) {
      const width = Object.hasOwn(widths, word) ? widths[word] : 0;
      const em = width > 0 ? Math.min(largest, (w * WORD_PART) / width) : largest;
      if (em < wanted - 1e-9 && em < (worst?.em ?? Infinity)) worst = { language, word, em };
    }
    if (worst === null) return [];
    const { language, word, em } = worst;
    const entry = layout.accepted.find((a) => a.code === "look/overflow" && a.subjects.length === 1 && a.subjects[0] === control.id);
    return [
      {
        finding: {
          code: "look/overflow",
          severity: "warning",
          subjects: [control.id],
          moment: null,
          measure: { value: em / mm, unit: "mm" },
          accepted: entry?.reason ?? null,
        },
        text: () =>
          `“${word}”${language === null ? "" : ` (${language})`} does not fit “${control.name}” on ${resolved.screen.name}: its letters would be ${figure(em / mm)} mm high, ${figure(wanted / mm)} mm are wanted. Shorten the word, or make the control wider`,
      },
    ];
  });
}
