/** Converts amounts to booleans with hysteresis: down at 0.5, up below 0.4. */

export const DOWN_AT = 0.5;
const UP_BELOW = 0.4;

/** Returns whether an amount counts as down, given the previous state. */
export const isDownNow = (wasDown: boolean, amount: number): boolean => (wasDown ? amount >= UP_BELOW : amount >= DOWN_AT);
