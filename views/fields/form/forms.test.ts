import fc from "fast-check";
import { changeFeel, changeHit, changeLook } from "../../../core/editing/edits/controls";
import { parseLength } from "../../../core/engine/placement/length";
import type { Result } from "../../../core/engine/result";
import { changeLayout } from "../../../core/editing/edits/layout";
import { DEFAULT_LAYOUT, defaultControl } from "../../../core/format/defaults";
import type { Control, Layout } from "../../../core/format/types";
import { layoutOf } from "../../../test/settleCases";
import { LAYOUT_FORM, scaleForm } from "../../layout/cards/layoutForm";
import { LOOK } from "../../layout/cards/lookForm";
import { TOUCH } from "../../layout/cards/touchFields";
import { FEEL_FIELDS } from "../feel/feelFields";
import type { Entry, FieldEntry } from "./entries";

const CONTROL_KINDS = Object.keys(FEEL_FIELDS) as Control["kind"][];

type AnyEntry = Entry<Control, object>;
interface Case {
  readonly kind: Control["kind"];
  readonly entry: AnyField;
  readonly apply: (layout: Layout, id: string, change: object) => Result<Layout>;
}

const feelCases = CONTROL_KINDS.map((kind) => ({ kind, entries: FEEL_FIELDS[kind] as readonly AnyEntry[], apply: changeFeel }));
/** Touch and look are the same for every kind but for what sticks alone have. */
const otherCases = (["stick", "button"] as const).flatMap((kind) => [
  { kind, entries: Object.values(TOUCH) as readonly AnyEntry[], apply: (l: Layout, id: string, change: object) => changeHit(l, id, change) },
  { kind, entries: Object.values(LOOK) as readonly AnyEntry[], apply: changeLook },
]);
const CASES = [...feelCases, ...otherCases].flatMap(({ kind, entries, apply }) =>
  entries.flatMap((entry): (readonly [string, Case])[] =>
    entry.kind === "own" || (entry.of && !entry.of(defaultControl(kind))) ? [] : [[`${kind}: ${entry.label}`, { kind, entry, apply }]],
  ),
);

const layoutWith = (control: Control): Layout => layoutOf([control]);
const controlIn = (layout: Layout): Control => layout.controls[0];

/** Values that a field may be given. */
function valuesOf(entry: AnyField): fc.Arbitrary<Value> {
  switch (entry.kind) {
    case "number": {
      const { min = -1000, max = 1000, step = 1, digits } = entry;
      const steps = fc.integer({ min: 0, max: Math.floor((max - min) / step) }).map((n) => Number((min + n * step).toFixed(6)));
      const numbers = fc.oneof(fc.constant(min), fc.constant(max), digits === 0 && entry.none === "any" ? fc.integer({ min: 1, max }) : steps);
      return entry.none === undefined ? numbers : fc.oneof(numbers, fc.constant("none"));
    }
    case "choice":
      return fc.constantFrom(...entry.options.map(([value]) => value));
    case "switch":
      return fc.boolean();
    case "text":
      return fc.string({ maxLength: 12 }).map((text) => text.replace(/[^\p{L}\d ]/gu, "").trim());
    case "length":
      return fc.tuple(fc.integer({ min: 0, max: 40 }), fc.constantFrom("u", "mm", "%min")).map(([n, unit]) => `${n}${unit}`);
  }
}
type Value = number | string | boolean;
type AnyField = FieldEntry<Control, object>;
/** Where none has a word, the number 0 is none. */
const isNone = (entry: AnyField, value: Value) => entry.kind === "number" && entry.none === "any" && value === 0;

test("there are fields of every kind", () => {
  for (const kind of CONTROL_KINDS) expect([kind, FEEL_FIELDS[kind].length > 1]).toEqual([kind, true]);
  expect(CASES.length).toBeGreaterThan(60);
  expect(new Set(CASES.map(([name]) => name)).size).toBe(CASES.length);
});

test.each(CASES)("%s: its sentence is one, fits the line, and says its value", (_, { entry }) => {
  expect(entry.says).toMatch(/^[\p{Lu}{].*\.$/u);
  expect(entry.says.length).toBeLessThanOrEqual(150);
  expect(entry.kind === "switch" || /\{(value|percent)\}/.test(entry.says)).toBe(true);
});

test.each(CASES)("%s: what the schema begins with is in its range, and counts as not set", (_, { kind, entry }) => {
  const control = defaultControl(kind);
  const value = entry.read(control);
  expect(entry.isSet?.(control) ?? false).toBe(false);
  expect(isAllowed(entry, value)).toBe(true);
});

/** Whether a field may show a value. */
function isAllowed(entry: AnyField, value: unknown): boolean {
  switch (entry.kind) {
    case "number":
      return value === "none" ? entry.none !== undefined : (value as number) >= (entry.min ?? -Infinity) && (value as number) <= (entry.max ?? Infinity);
    case "choice":
      return entry.options.some(([option]) => option === value);
    case "switch":
      return typeof value === "boolean";
    case "text":
      return typeof value === "string";
    case "length":
      return parseLength(String(value)) !== null;
  }
}

test.each(CASES)("%s: what is written is read back, twice is once, and what is refused says why", (_, { kind, entry, apply }) => {
  const before = layoutWith(defaultControl(kind));
  const edited = (layout: Layout, value: Value) => apply(layout, kind, (entry as AnyField).edit(value as never, controlIn(layout)));
  let taken = 0;
  fc.assert(
    fc.property(valuesOf(entry), (value) => {
      const made = edited(before, value);
      taken += made.ok ? 1 : 0;
      const messages = made.ok ? [] : made.problems.map(({ message }) => message);
      expect(messages.every((message) => message.length > 10)).toBe(true);
      const after = made.ok ? made.value : before;
      const wanted = made.ok ? (isNone(entry, value) ? "none" : value) : entry.read(controlIn(before));
      const read = entry.read(controlIn(after));
      expect(typeof read === "number" ? Number(read.toFixed(9)) : read).toBe(wanted);
      const again = edited(after, value);
      expect(again.ok ? again.value.controls : after.controls).toEqual(after.controls);
    }),
    { numRuns: 12 },
  );
  expect(taken).toBeGreaterThan(0);
});

const LAYOUT_ENTRIES = [...LAYOUT_FORM.entries, ...scaleForm({ px: 1, mm: 0.1 }).entries].filter((entry) => entry.kind !== "own");

test.each(LAYOUT_ENTRIES.map((entry) => [entry.label, entry] as const))(
  "the layout, %s: a sentence, a default in range, and what is written is read back",
  (_, entry) => {
    expect(entry.says).toMatch(/^[\p{Lu}].*\.$/u);
    expect(entry.says.length).toBeLessThanOrEqual(150);
    expect(isAllowed(entry as unknown as AnyField, entry.read(DEFAULT_LAYOUT))).toBe(true);
    let taken = 0;
    fc.assert(
      fc.property(valuesOf(entry as unknown as AnyField), (value) => {
        const made = changeLayout(DEFAULT_LAYOUT, entry.edit(value as never, DEFAULT_LAYOUT));
        taken += made.ok ? 1 : 0;
        const read = entry.read(made.ok ? made.value : DEFAULT_LAYOUT);
        const wanted = made.ok ? value : entry.read(DEFAULT_LAYOUT);
        expect(typeof read === "number" ? Number(read.toFixed(9)) : read).toBe(wanted);
      }),
      { numRuns: 12 },
    );
    expect(taken).toBeGreaterThan(0);
  },
);
