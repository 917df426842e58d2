import { frozen } from "../../../test/arbitrary";
import { parseLayout } from "../../format/parse";
import type { Layout } from "../../format/types";
import { writeLayout } from "../../format/write";
import { addAction, bind, changeAction, removeAction, renameAction, unbind } from "./actions";
import { changeFeel, changeHit, duplicateControls, freeId, removePlaceables, renamePlaceable, reorderControls } from "./controls";
import { changeLayout, newLayout } from "./layout";
import type { Result } from "../../engine/result";

const pin = { kind: "pin", frame: "safe", anchor: [0, 1], pivot: [0, 1], offset: ["10u", "-10u"], size: ["100u", "100u"] };
const button = (id: string, action: string) => ({ id, name: id, kind: "button", placement: pin, serves: [{ port: "press", action }] });
const sample = (): Layout => {
  const read = parseLayout({
    format: "nodulum-layout",
    version: 1,
    name: "Edits",
    reference: { width: 1600, height: 720 },
    scale: {},
    moments: [{ id: "sail", name: "Sail" }],
    actions: [
      { name: "horn", kind: "press" },
      { name: "pump", kind: "press" },
      { name: "helm", kind: "vector" },
    ],
    controls: [button("horn", "horn"), button("pump", "pump"), button("extra", "horn")],
    arrangements: [{ id: "tall", name: "Tall", when: { aspect: { max: 1.5 } }, overrides: { horn: { hidden: true } } }],
    together: [
      { id: "both", actions: ["horn", "pump"] },
      { id: "all", actions: ["horn", "pump", "helm"] },
    ],
    accepted: [
      { code: "bind/twice", subjects: ["horn", "extra"], reason: "meant" },
      { code: "bind/unserved", subjects: ["helm"], reason: "later" },
    ],
  });
  if (!read.ok) throw new Error(JSON.stringify(read));
  return frozen(read.value);
};
const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const reason = (result: Result<unknown>) => (result.ok ? "accepted" : result.problems[0].message);

test("an action renamed takes all that refers to it along", () => {
  const layout = get(renameAction(sample(), "horn", "fog_horn"));
  expect(JSON.stringify(layout)).not.toMatch(/"action":"horn"/);
  expect(layout.controls.filter((c) => c.serves.some((s) => s.action === "fog_horn")).map((c) => c.id)).toEqual(["horn", "extra"]);
  expect(layout.together[0].actions).toEqual(["fog_horn", "pump"]);
  expect(get(renameAction(layout, "fog_horn", "horn"))).toEqual(sample());
  expect(get(renameAction(sample(), "helm", "rudder")).accepted[1].subjects).toEqual(["rudder"]);
});

test("renaming to a name in use is refused and changes nothing", () => {
  const layout = sample();
  const before = writeLayout(layout);
  expect(reason(renameAction(layout, "horn", "pump"))).toMatch(/already an action `pump`/);
  expect(reason(renameAction(layout, "horn", ""))).toMatch(/1 to 64/);
  expect(writeLayout(layout)).toBe(before);
});

test("an action removed leaves its controls naming it and no set of one", () => {
  const layout = get(removeAction(sample(), "pump"));
  expect(layout.controls[1].serves[0].action).toBe("pump");
  expect(layout.together).toEqual([{ id: "all", actions: ["horn", "helm"] }]);
  expect(reason(removeAction(layout, "pump"))).toMatch(/no action/);
});

test("a control removed takes its overrides and accepted findings along", () => {
  const layout = get(removePlaceables(sample(), ["horn"]));
  expect(layout.controls.map((c) => c.id)).toEqual(["pump", "extra"]);
  expect(layout.arrangements[0].overrides).toEqual({});
  expect(layout.accepted.map((a) => a.code)).toEqual(["bind/unserved"]);
});

test("copies get free ids and names and stand on top", () => {
  const made = get(duplicateControls(sample(), sample().controls.slice(0, 2)));
  expect(made.ids).toEqual(["horn-2", "pump-2"]);
  expect(made.layout.controls.map((c) => c.id)).toEqual(["horn", "pump", "extra", "horn-2", "pump-2"]);
  expect(get(duplicateControls(made.layout, [made.layout.controls[3]])).ids).toEqual(["horn-3"]);
});

test("free ids are made from any word", () => {
  expect(freeId(sample(), "Tow Line!")).toBe("tow-line");
  expect(freeId(sample(), "horn")).toBe("horn-2");
  expect(freeId(sample(), "42")).toBe("control");
});

test("order changes by one step or to an end, several keeping theirs", () => {
  const order = (result: Result<Layout>) =>
    get(result)
      .controls.map((c) => c.id)
      .join(" ");
  expect(order(reorderControls(sample(), ["horn"], "up"))).toBe("pump horn extra");
  expect(order(reorderControls(sample(), ["horn", "pump"], "up"))).toBe("extra horn pump");
  expect(order(reorderControls(sample(), ["extra"], "bottom"))).toBe("extra horn pump");
  expect(order(reorderControls(sample(), ["horn"], "down"))).toBe("horn pump extra");
});

test("what the file's schema forbids is refused with its place", () => {
  expect(get(changeHit(sample(), "horn", { grow: "2mm" })).controls[0].hit.grow).toBe("2mm");
  expect(reason(changeHit(sample(), "horn", { grow: "2 mm" }))).toMatch(/write "2mm"/);
  expect(reason(changeFeel(sample(), "horn", { travel: "2mm" }))).toMatch(/unknown key "travel"/);
  expect(reason(renamePlaceable(sample(), "horn", ""))).toMatch(/1 to 80/);
  expect(reason(renamePlaceable(sample(), "nobody", "x"))).toMatch(/no control "nobody"/);
});

test("binding, unbinding, adding", () => {
  const bound = get(bind(sample(), "pump", { port: "press", action: "horn" }));
  expect(bound.controls[1].serves).toHaveLength(2);
  expect(get(unbind(bound, "pump", 1))).toEqual(sample());
  expect(reason(bind(sample(), "pump", { port: "pull", action: "horn" } as never))).toMatch(/must be one of vector, x/);
  expect(reason(addAction(sample(), "horn", "axis"))).toMatch(/already an action/);
  expect(get(addAction(sample(), "anchor", "press")).actions[3]).toMatchObject({ name: "anchor", moments: ["sail"], read: true });
  expect(get(changeAction(sample(), "horn", { touch: "never" })).actions[0].touch).toBe("never");
});

test("the layout's own settings", () => {
  expect(get(changeLayout(sample(), { reference: { width: 720, height: 1280 } })).orientation).toBe("portrait");
  expect(get(changeLayout({ ...sample(), orientation: "both" }, { reference: { width: 720, height: 1280 } })).orientation).toBe("both");
  expect(reason(changeLayout(sample(), { name: "" }))).toMatch(/1 to 80/);
  expect(reason(newLayout("", { width: 1, height: 1 }))).toMatch(/1 to 80/);
  expect(reason(newLayout("x", { width: 0, height: 1 }))).toMatch(/above 0/);
});
