/** How words and icons are drawn on controls: drawing and the checks of looks go by the same figures. */

/** Letters (the em) are at most this part of each side of their control, and a word at most this part of its width. */
export const LETTER_PART = 0.3;
export const WORD_PART = 0.84;
/** Icons and words are drawn a little stronger than the control's own opacity, for they must be read. */
export const INK_STRENGTH = 1.4;
