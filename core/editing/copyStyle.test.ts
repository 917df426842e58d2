import { byId } from "../derived/byId";
import { sampleLayouts } from "../../test/samples";
import { changeFeel, changeLook } from "./edits/controls";
import { copyFeel, copyLook } from "./copyStyle";
import type { Layout } from "../format/types";
import type { Result } from "../engine/result";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const [brackwater] = sampleLayouts();
const control = (layout: Layout, id: string) => byId(layout.controls).get(id)!;

test("a look is given on without the word, the icon and the pictures, and takes away what the other had and it has not", () => {
  const ready = get(
    changeLook(get(changeLook(brackwater, "horn", { label: "hoot", icon: "bell", away: { opacity: 0.1, afterMs: 1, fadeMs: 2 } })), "pump", { rotateDeg: 30 }),
  );
  const { look } = control(get(copyLook(ready, "pump", ["horn"])), "horn");
  expect(look).toMatchObject({ label: "hoot", icon: "bell", rotateDeg: 30, rest: control(ready, "pump").look.rest });
  expect(look.away).toEqual(control(ready, "pump").look.away);
});

test("a feel goes to those of its kind, and is refused for another kind", () => {
  const ready = get(changeFeel(brackwater, "horn", { press: "double", withinMs: 333 }));
  expect(control(get(copyFeel(ready, "horn", ["pump", "log"])), "log").feel).toEqual(control(ready, "horn").feel);
  const refused = copyFeel(ready, "horn", ["pump", "helm"]);
  expect(refused.ok ? "" : refused.problems[0].message).toBe("a stick cannot feel like a button; choose another button");
});

test("given to itself nothing changes", () => {
  expect(get(copyLook(brackwater, "horn", ["horn"]))).toBe(brackwater);
});
