import { GLASS, layoutOf, pinned, RIGHT } from "../../test/settleCases";
import { requestFor } from "../../test/spoiled";
import { settle } from "./settle";
import { spelledAnew } from "./correctedNames";

const action = (name: string, more: object = {}) => ({ name, kind: "press", ...more });
const serving = (id: string, ...words: string[]) =>
  pinned(id, "button", [40 + 20 * id.length, 40], 12, { serves: words.map((word) => ({ port: "press", action: word })) });
const wordsOf = (layout: ReturnType<typeof layoutOf>) => layout.controls.map(({ serves }) => serves.map((serve) => serve.action));

test("a word that nearly names an action nobody serves becomes it, where the wire fits; all else stays", () => {
  const layout = layoutOf([serving("a", "tow_lin"), serving("bb", "horn"), serving("ccc", "horm"), serving("dddd", "quite other")], {
    actions: [action("towline"), action("horn"), action("helm", { kind: "vector" })],
  });
  // "horm" is near to an action that is served already, and to none else.
  expect(wordsOf(spelledAnew(layout, new Set()))).toEqual([["towline"], ["horn"], ["horm"], ["quite other"]]);
  expect(spelledAnew(layout, new Set(["a"]))).toBe(layout);
  const vector = layoutOf([serving("a", "helmm")], { actions: [action("helm", { kind: "motion" })] });
  expect(spelledAnew(vector, new Set())).toBe(vector);
  const unread = layoutOf([serving("a", "tow_lin")], { actions: [action("towline", { read: false })] });
  expect(spelledAnew(unread, new Set())).toBe(unread);
});

test("asked for, a misspelt wire is a move like any other, and all there is where nothing has to move; not asked for it stays", () => {
  const layout = layoutOf([serving("a", "tow_lin")], { actions: [action("towline")] });
  const request = requestFor(layout, [GLASS], RIGHT);
  expect(settle(request).kind).toBe("clean");
  const settled = settle({ ...request, changeable: ["word"] });
  expect([settled.kind, wordsOf(settled.layout)]).toEqual(["settled", [["towline"]]]);
  expect(settled.moves).toMatchObject([{ id: "a", farthest: 0, words: [{ was: "tow_lin", is: "towline" }] }]);
});
