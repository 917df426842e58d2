import { sampleLayouts } from "../../test/samples";
import { byId } from "../derived/byId";
import { FEEL_STARTS, feelDifferences, feelOf, putFeel } from "./feelSides";

const [brackwater] = sampleLayouts();
const helm = byId(brackwater.controls).get("helm")!;

test.each(FEEL_STARTS.map((s) => [s.name, s] as const))("%s sets what it says, and putting the first feel back leaves the layout as it was", (_, start) => {
  const put = putFeel(brackwater, "helm", start.feel);
  if (!put.ok) throw new Error(JSON.stringify(put.problems));
  const now = byId(put.value.controls).get("helm")!;
  expect(now.feel).toMatchObject(start.feel);
  const percent = (part: number) => `${Math.round(part * 100)} %`;
  expect(start.plain).toContain(`inner ${percent(start.feel.inner!)}, outer ${percent(start.feel.outer!)}`);
  const back = putFeel(put.value, "helm", feelOf(helm));
  expect(back.ok && back.value).toEqual(brackwater);
  expect(feelDifferences(feelOf(helm), feelOf(now)).length).toBeGreaterThan(0);
});

test("differences are told field by field, a landing area is none of them", () => {
  const feel = feelOf(helm);
  expect(feel).not.toHaveProperty("landing");
  expect(feelDifferences(feel, feel)).toEqual([]);
  expect(feelDifferences({ inner: 0.1, curve: { kind: "linear" } }, { inner: 0.2, curve: { kind: "power", exponent: 1.4 } })).toEqual([
    "inner dead zone 0.1 · 0.2",
    "curve linear · power 1.4",
  ]);
});

test("a feel that is none for the kind is refused", () => {
  expect(putFeel(brackwater, "helm", { inner: 7 }).ok).toBe(false);
});
