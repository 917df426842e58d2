import { sampleLayouts } from "../../test/samples";
import { byId } from "../derived/byId";
import { FEEL_STARTS, feelDifferences, feelOf, putFeel } from "./feelSides";

const [brackwater] = sampleLayouts();
const helm = byId(brackwater.controls).get("helm")!;

const starts = brackwater.controls.flatMap((control, i, all) =>
  all.findIndex((c) => c.kind === control.kind) === i
    ? FEEL_STARTS[control.kind].map((start) => [`${start.name} of a ${control.kind}`, control, start] as const)
    : [],
);

test.each(starts)("%s sets what it says, and putting the first feel back leaves the layout as it was", (_, control, start) => {
  const put = putFeel(brackwater, control.id, start.feel);
  if (!put.ok) throw new Error(JSON.stringify(put.problems));
  const now = byId(put.value.controls).get(control.id)!;
  expect(now.feel).toMatchObject(start.feel);
  // Each figure that it sets is in its words, as itself or in per cent.
  for (const value of Object.values(start.feel)) {
    const figure = typeof value === "object" && value !== null && "exponent" in value ? value.exponent : value;
    if (typeof figure !== "number" || figure === 0) continue;
    expect([`${figure}`, `${Math.round(figure * 100)} %`].some((words) => start.plain.includes(words))).toBe(true);
  }
  const back = putFeel(put.value, control.id, feelOf(control));
  expect(back.ok && back.value).toEqual(brackwater);
});

test("direct, even and heavy of a stick differ from each other", () => {
  const [direct, even, heavy] = FEEL_STARTS.stick.map((s) => s.feel);
  expect(feelDifferences(direct, even).length).toBeGreaterThan(0);
  expect(feelDifferences(even, heavy).length).toBeGreaterThan(0);
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
