/**
 * How wide words are, for drawings that are made where no font is at hand: the advance widths of Archivo at weight 600, as a browser measures
 * them, in thousandths of the em. What it lacks counts as a usual letter, letters of East Asia as a whole em.
 */

/** ASCII from the space on, then Latin-1 from the no-break space on. */
const ASCII = [
  200, 292, 444, 583, 541, 966, 729, 246, 357, 357, 407, 636, 300, 333, 300, 298, 575, 576, 576, 576, 577, 575, 576, 576, 576, 575, 336, 336, 636, 636, 636,
  613, 998, 709, 706, 721, 728, 672, 609, 794, 732, 282, 585, 695, 570, 844, 732, 782, 670, 782, 717, 667, 619, 724, 671, 954, 686, 677, 634, 339, 298, 339,
  636, 507, 209, 556, 592, 547, 592, 561, 307, 591, 584, 252, 250, 543, 252, 861, 584, 598, 592, 592, 362, 541, 314, 583, 529, 758, 546, 529, 509, 394, 245,
  394, 636,
];
const LATIN_1 = [
  200, 292, 577, 580, 580, 572, 245, 579, 313, 764, 397, 571, 636, 0, 764, 305, 400, 636, 357, 357, 209, 587, 590, 333, 232, 357, 391, 571, 855, 855, 855, 613,
  709, 709, 709, 709, 709, 709, 999, 721, 672, 672, 672, 672, 282, 282, 282, 282, 728, 732, 782, 782, 782, 782, 782, 636, 782, 724, 724, 724, 724, 677, 690,
  625, 556, 556, 556, 556, 556, 556, 895, 547, 561, 561, 561, 561, 252, 252, 252, 252, 614, 584, 598, 598, 598, 598, 598, 636, 598, 583, 583, 583, 583, 529,
  592, 529,
];
const USUAL = 580;
const WIDE = /[\u1100-\u115f\u2e80-\ua4cf\uac00-\ud7a3\uf900-\ufaff\ufe30-\ufe6f\uff00-\uff60\u{1f000}-\u{3fffd}]/u;

function widthOf(letter: string): number {
  const code = letter.codePointAt(0)!;
  if (code >= 0x20 && code < 0x7f) return ASCII[code - 0x20];
  if (code >= 0xa0 && code <= 0xff) return LATIN_1[code - 0xa0];
  return WIDE.test(letter) ? 1000 : USUAL;
}

/** How wide a word is as a part of its letters' em; a word of nothing counts as a hair, for sizes are divided by it. */
export function wordWidth(word: string): number {
  return Math.max(0.01, [...word.normalize("NFC")].reduce((sum, letter) => sum + widthOf(letter), 0) / 1000);
}
