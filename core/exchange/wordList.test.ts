import fc from "fast-check";
import { newAction } from "../editing/edits/actions";
import { newLayout } from "../editing/edits/layout";
import { actionsCsv, actionsJson } from "./actionList";
import { readWordList } from "./wordList";

const read = (text: string) => {
  const list = readWordList(text);
  if (!list.ok) throw new Error(JSON.stringify(list.problems));
  return list.value.map((a) => `${a.name} ${a.kind}`);
};

test("words are read one a line, with commas, as a list, with or without a kind", () => {
  const expected = ["walk vector", "leap press", "bleat press", "look motion"];
  expect(read("walk\nleap\nbleat\nlook")).toEqual(expected);
  expect(read("walk, leap, bleat, look")).toEqual(expected);
  expect(read("- walk: vector\n- leap (press)\n* `bleat`\n2. look motion\n\n")).toEqual(expected);
  expect(read('"walk"; "leap"; leap; bleat;look')).toEqual(expected);
  expect(read("throttle: press, tow line")).toEqual(["throttle press", "tow line press"]);
  expect(read("  ")).toEqual([]);
});

test("a list that we wrote is read as that, and one that is broken says so", () => {
  const made = newLayout("x", { width: 1600, height: 720 });
  if (!made.ok) throw new Error("no layout");
  const actions = [newAction(made.value, "helm", "vector"), newAction(made.value, "look, up", "motion")];
  for (const text of [actionsCsv(actions), actionsJson(actions)]) expect(read(text)).toEqual(["helm vector", "look, up motion"]);
  expect(readWordList('[{"name": 3}]').ok).toBe(false);
});

test("every plain word comes out as it went in, once", () => {
  const word = fc.stringMatching(/^[A-Za-z][A-Za-z_]{2,11}$/).filter((w) => !/^(?:press|axis|vector|motion)$/i.test(w));
  fc.assert(
    fc.property(fc.uniqueArray(word, { maxLength: 12 }), fc.constantFrom("\n", ", ", ";", "\n\n- "), (words, between) => {
      const text = words.join(between);
      fc.pre(!/^name\s*[,;]/i.test(text));
      const list = readWordList(text);
      expect(list.ok && list.value.map((a) => a.name)).toEqual(words);
    }),
  );
});
