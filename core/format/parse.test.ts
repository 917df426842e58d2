import { parseLayout, readLayout } from "./parse";
import { migrate } from "./migrate";

const base = { format: "nodulum-layout", version: 1, name: "Test", reference: { width: 1600, height: 720 }, scale: {} };
const stick = {
  id: "helm",
  name: "helm",
  kind: "stick",
  placement: { kind: "pin", frame: "safe", anchor: [0, 1], pivot: [0, 1], offset: ["0u", "0u"], size: ["10u", "10u"] },
};
const problemsOf = (value: unknown) => {
  const read = parseLayout(value);
  return read.ok ? [] : read.problems.map((p) => `${p.path}: ${p.message}`);
};

test("fills in every default at the door", () => {
  const read = parseLayout({
    ...base,
    moments: [{ id: "sail", name: "Sail" }],
    actions: [{ name: "go", kind: "press" }],
    controls: [stick, { ...stick, id: "b", kind: "button", feel: { slideIn: true } }, { ...stick, id: "t", kind: "touchpad" }],
  });
  if (!read.ok) throw new Error(JSON.stringify(read));
  const { value } = read;
  expect(value.orientation).toBe("landscape");
  expect(value.scale).toEqual({ share: 0, of: "shorter", mmPerUnit: 0.09 });
  expect(value.limits.minTargetMm).toBe(9);
  expect(value.actions[0]).toMatchObject({ moments: ["sail"], read: true, touch: "wanted", riseMs: 0 });
  expect(value.controls[0]).toMatchObject({
    moments: ["sail"],
    hit: { shape: "ellipse", grow: "0u" },
    feel: { origin: "fixed", inner: 0.1, curve: { kind: "linear" } },
    look: { knobSize: 0.45, rest: { opacity: 0.6 } },
  });
  expect(value.controls[1].feel).toMatchObject({ slideOut: "release" });
  expect(value.controls[2].hit.shape).toBe("box");
});

test.each([
  [{ ...base, refrence: 1 }, /^: unknown key "refrence"; did you mean "reference"\?$/],
  [{ ...base, scale: { shares: 1 } }, /^scale: unknown key "shares"; did you mean "share"\?$/],
  [
    { ...base, controls: [{ ...stick, placement: { ...stick.placement, size: ["12 mm", "3u"] } }] },
    /^controls\[0\]\.placement\.size\[0\]: "12 mm" is not a length; write "12mm"$/,
  ],
  [{ ...base, controls: [{ ...stick, placement: { ...stick.placement, size: ["0u", "3u"] } }] }, /size\[0\]: must be more than 0/],
  [{ ...base, controls: [{ ...stick, kind: "wheel" }] }, /^controls\[0\]\.kind: must have kind "stick"/],
  [{ ...base, controls: [{ ...stick, feel: { inner: 0.9, outer: 0.5 } }] }, /feel: the inner dead zone must be less/],
  [{ ...base, controls: [stick, stick] }, /controls\[1\]\.id: "helm" is already used by controls\[0\]\.id/],
  [{ ...base, controls: [{ ...stick, moments: ["nowhere"] }] }, /moments\[0\]: there is no moment "nowhere"/],
  [{ ...base, controls: [{ ...stick, placement: { ...stick.placement, frame: { cluster: "ring" } } }] }, /there is no cluster "ring"/],
  [
    {
      ...base,
      actions: [
        { name: "a", kind: "press" },
        { name: "a", kind: "axis" },
      ],
    },
    /names of actions must be unique/,
  ],
  [{ ...base, actions: [{ name: "tab\there", kind: "press" }] }, /control characters/],
  [{ ...base, name: undefined }, /^name: is missing; it must be a text/],
  [{ ...base, scale: undefined }, /^scale: is missing; it must be an object/],
  [{ ...base, controls: "none" }, /^controls: must be a list/],
  [{ ...base, reference: { width: "1", height: 1 } }, /^reference.width: must be a number/],
  [{ ...base, reference: { width: Infinity, height: 1 } }, /reference\.width/],
  [{ ...base, controls: Array.from({ length: 201 }, (_, i) => ({ ...stick, id: `c${i}` })) }, /at most 200 controls/],
])("refuses with place, fault and way out (%#)", (value, expected) => {
  expect(problemsOf(value).join("\n")).toMatch(expected);
});

test("refuses a newer version with both numbers, and what is no layout at all", () => {
  expect(problemsOf({ ...base, version: 3 })[0]).toMatch(/version 3.*up to version 1/);
  expect(problemsOf({ ...base, format: "other" })[0]).toMatch(/not a layout file/);
  expect(problemsOf([])[0]).toMatch(/one JSON object/);
  const broken = readLayout("{");
  expect(broken.ok ? "" : broken.problems[0].message).toMatch(/not JSON/);
  expect(readLayout("x".repeat(20_000_000)).ok).toBe(false);
});

test("migrates step by step and says which step is missing", () => {
  const chain = [
    { from: 1, name: "one", apply: (file: Record<string, unknown>) => ({ ...file, one: true }) },
    { from: 2, name: "two", apply: (file: Record<string, unknown>) => ({ ...file, two: file.one }) },
  ];
  expect(migrate(base, 3, chain)).toEqual({ ok: true, value: { ...base, version: 3, one: true, two: true } });
  const missing = migrate(base, 4, chain);
  expect(missing.ok ? "" : missing.problems[0].message).toMatch(/step from 3 is missing/);
});
