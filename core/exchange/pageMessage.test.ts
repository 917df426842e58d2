import fc from "fast-check";
import { createMessageRate, MOST_ASKED, readPageMessage } from "./pageMessage";

const words = (count: number, word = "w") => Object.fromEntries(Array.from({ length: count }, (_, i) => [`${word}${i}`, { times: 1, nearest: null }]));

test("messages of the runtime are read as they are, without the token", () => {
  expect(readPageMessage({ nodulum: "ready", token: "t" })).toEqual({ nodulum: "ready" });
  expect(readPageMessage({ nodulum: "taken", token: "t", problem: "controls[0]: no" })).toEqual({ nodulum: "taken", problem: "controls[0]: no" });
  const asked = { tow_line: { times: 3, nearest: "towline" } };
  expect(readPageMessage({ nodulum: "asked", token: "t", asked })).toEqual({ nodulum: "asked", asked });
});

test.each([
  ["nothing", null],
  ["another message", { nodulum: "hello" }],
  ["a word that is no word", { nodulum: "asked", asked: { a: { times: 1, nearest: {} } } }],
  ["times that are none", { nodulum: "asked", asked: { a: { times: "many", nearest: null } } }],
  ["a word that is too long", { nodulum: "asked", asked: { ["a".repeat(65)]: { times: 1, nearest: null } } }],
  ["too many words", { nodulum: "asked", asked: words(MOST_ASKED + 1) }],
  ["a reason that is too long", { nodulum: "taken", problem: "x".repeat(2001) }],
  ["a reason that is none", { nodulum: "taken", problem: { toString: "x" } }],
])("%s is not read", (_, data) => expect(readPageMessage(data)).toBeNull());

test("as many words as there may be are read", () => {
  expect(readPageMessage({ nodulum: "asked", asked: words(MOST_ASKED) })).not.toBeNull();
});

test("whatever a page sends is a message or none, and never throws", () => {
  fc.assert(fc.property(fc.anything(), (data) => expect(() => readPageMessage(data)).not.toThrow()));
});

test("however many messages come, no more are read than a burst and so many a second", () => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 0, max: 400 }), { minLength: 1, maxLength: 600 }), (waits) => {
      const isRead = createMessageRate();
      let now = 0;
      let read = 0;
      for (const wait of waits) if (isRead((now += wait))) read += 1;
      expect(read).toBeLessThanOrEqual(60 + (now / 1000) * 60);
      expect(read).toBeGreaterThanOrEqual(Math.min(waits.length, 60));
    }),
  );
});
