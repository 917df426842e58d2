/** `look/overflow`: a word that fits its control keeps fitting; the letters of one that does not fit become no smaller. */
import { KINDS } from "../../engine/kinds";
import { LETTER_PART } from "../../engine/lettering";
import { LEAST_LETTERS_MM, lettersIn, wordsOn } from "../../checks/overflowingWords";
import { NOT_NEW, AS_IT_WAS, ofControl, visualOf, visualPlace, type Constraint, type ConstraintContext, type Terms } from "./constraint";

export function* wordConstraints(context: ConstraintContext): Iterable<Constraint> {
  const { data, numbers } = context;
  for (const placed of data.controls) {
    const { control } = placed;
    if (control.look.hideAtRest === "all" && !KINDS[control.kind].isReadHeld) continue;
    const { w, h } = visualOf(numbers, placed);
    const at = visualPlace(placed);
    /** Terms of a fraction of the shorter side. */
    const ofShorter = (part: number): Terms => [[w <= h ? at + 2 : at + 3, part]];
    for (const [, word] of wordsOn(control)) {
      const now = lettersIn({ w, h }, word, 1);
      const before = lettersIn(visualOf(data.origin, placed), word, 1);
      const fitted = before.em >= before.wanted;
      const bySide: Terms = now.em < Math.min(w, h) * LETTER_PART ? [[at + 2, now.em / w]] : ofShorter(LETTER_PART);
      const terms = fitted && now.wanted < LEAST_LETTERS_MM ? [...bySide, ...ofShorter(-LETTER_PART)] : bySide;
      yield ofControl(context, placed, "look/overflow", {
        target: fitted ? NOT_NEW : AS_IT_WAS,
        value: now.em - (fitted ? now.wanted : before.em),
        terms,
      });
    }
  }
}
