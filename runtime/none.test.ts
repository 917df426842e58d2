import { compile } from "../core/format/compile";
import { sampleLayouts } from "../test/samples";
import { play } from "./none";

const [layout] = sampleLayouts();
const text = compile(layout);

test.each([
  ["text", text],
  ["bytes", new TextEncoder().encode(text)],
  ["JSON", JSON.parse(text) as object],
])("every word has the shape of its kind at rest, from %s; a misspelt one that of the word that was meant", (_name, played) => {
  const handle = play(played);
  const rests = { press: false, axis: 0, vector: [0, 0], motion: [0, 0], delta: 0 };
  expect(layout.actions.map(({ name }) => handle.value(name))).toEqual(layout.actions.map(({ kind }) => rests[kind]));
  expect([handle.value("hlem"), handle.value("sidel"), handle.value("horm"), handle.value("something else")]).toEqual([[0, 0], 0, false, false]);
  expect([handle.press("horn"), handle.axis("helm"), handle.vector("?"), handle.motion("lamp"), handle.delta("lamp")]).toEqual([false, 0, [0, 0], [0, 0], 0]);
  expect([handle.justPressed("horn"), handle.magnitude("helm"), handle.angle("helm"), handle.controls()]).toEqual([false, 0, 0, []]);
});

test("what cannot be read, or is not given, rests as well", () => {
  for (const played of [undefined, "", "{", "null", 7, null]) expect(play(played).value("helm")).toBe(false);
});
