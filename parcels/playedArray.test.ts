import { playedArray } from "./playedArray";

test("the array has every byte of the file, in order, and its length", () => {
  const played = `{"name":"Grüße"}${" ".repeat(50)}`;
  const text = playedArray(played);
  const bytes = /NODULUM_PLAYED\[\] = \{([^}]*)\}/.exec(text)![1].match(/\d+/g)!.map(Number);
  expect(new TextDecoder().decode(new Uint8Array(bytes))).toBe(played);
  expect(text).toContain(`#define NODULUM_PLAYED_LENGTH ${bytes.length}\n`);
});
