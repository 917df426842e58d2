import { drawingBegins, drawingEnds, undrawable } from "./drawingGuard";

const notes = (kept = new Map<string, string>()) => ({
  getItem: (key: string) => kept.get(key) ?? null,
  setItem: (key: string, value: string) => void kept.set(key, value),
  removeItem: (key: string) => void kept.delete(key),
});

test("what failed once is not opened by itself, until it is opened on purpose and stands", () => {
  const all = notes();
  drawingBegins(all, "a");
  drawingEnds(all, "a", "failed");
  drawingEnds(all, "a", "drawn");
  expect([...undrawable(all)]).toEqual(["a"]);
  drawingBegins(all, "a");
  drawingEnds(all, "a", "drawn");
  expect(undrawable(all).size).toBe(0);
});

test("a window that vanished once is no failure; twice in a row it is", () => {
  const all = notes();
  drawingBegins(all, "a");
  expect(undrawable(all).size).toBe(0);
  drawingBegins(all, "a");
  expect([...undrawable(all)]).toEqual(["a"]);
  drawingBegins(all, "b");
  expect(undrawable(all).size).toBe(0);
});

test("what cannot be noted, or is no note, is as if nothing had been", () => {
  const full = {
    ...notes(),
    setItem: () => {
      throw new Error("full");
    },
  };
  drawingBegins(full, "a");
  drawingEnds(full, "a", "failed");
  expect(undrawable(full).size).toBe(0);
  for (const text of ["{", "7", '{"id":5}']) expect(undrawable(notes(new Map([["nodulum.drawing", text]]))).size).toBe(0);
});
