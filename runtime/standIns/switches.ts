/** True and false out of amounts: down at a half, up again below four tenths, so that a thumb at the border does not flutter. */

export const DOWN_AT = 0.5;
const UP_BELOW = 0.4;

/** Whether something counts as down, given whether it was. */
export const isDownNow = (wasDown: boolean, amount: number): boolean => (wasDown ? amount >= UP_BELOW : amount >= DOWN_AT);
