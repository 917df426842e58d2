import { isMended } from "./useFirstStepWatch";

const tally = (blocker: number, warning: number, note = 0) => ({ tally: { blocker, warning, note }, list: null });

test("a screen is mended when its last blocker or warning is gone, not when it is no longer looked at", () => {
  expect(isMended({ a: tally(0, 0, 3) }, { a: tally(1, 0, 3) })).toBe(true);
  expect(isMended({ a: tally(0, 1), b: tally(0, 0) }, { a: tally(2, 1), b: tally(0, 2) })).toBe(true);
  expect(isMended({ a: tally(0, 1) }, { a: tally(3, 1) })).toBe(false);
  expect(isMended({ a: tally(0, 0) }, { a: tally(0, 0, 1) })).toBe(false);
  expect(isMended({ b: tally(0, 0) }, { a: tally(1, 0) })).toBe(false);
});
