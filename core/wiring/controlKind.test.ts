import fc from "fast-check";
import { fileArbitrary, fileLayout } from "../../test/arbitrary";
import { placed, staged } from "../../test/stage";
import { portFits, serveLacks } from "../engine/input/fits";
import { PORTS } from "../engine/types";
import type { ControlKind, Layout, Serve } from "../format/types";
import { changeControlKind, previewControlKind } from "./controlKind";
import { repeated } from "../../test/repeated";

const KINDS = ["stick", "dpad", "button", "touchpad", "swipe"] as const;
const ACTIONS = [
  { name: "go", kind: "vector" },
  { name: "steer", kind: "axis" },
  { name: "leap", kind: "press" },
  { name: "duck", kind: "press" },
  { name: "look", kind: "motion" },
];
const one = (kind: string, serves: object[], more: object = {}): Layout =>
  staged([{ id: "c", name: "C", kind, placement: placed(200, 200, 100), serves, ...more }], ACTIONS);
const after = (kind: string, serves: object[], to: ControlKind) => {
  const preview = previewControlKind(one(kind, serves), "c", to);
  return { kept: preview.kept.map((k) => k.to), lost: preview.lost.map((l) => l.serve.port), why: preview.lost.map((l) => l.why) };
};

test("a stick made a d-pad keeps every wire as it was", () => {
  const serves: Serve[] = [
    { port: "vector", action: "go", scale: 0.5 },
    { port: "x", action: "steer", scale: -1 },
    { port: "up", action: "leap" },
    { port: "active", action: "duck", repeat: { delayMs: 100, intervalMs: 50, restMs: 0 } },
  ];
  expect(after("stick", serves, "dpad")).toEqual({ kept: serves, lost: [], why: [] });
});

test("the nearest port: press becomes held, held becomes press, a vector turns a motion", () => {
  expect(after("button", [{ port: "press", action: "leap" }], "touchpad").kept).toEqual([{ port: "held", action: "leap" }]);
  expect(after("button", [{ port: "press", action: "leap" }], "swipe").kept).toEqual([{ port: "up", action: "leap" }]);
  expect(after("stick", [{ port: "held", action: "leap" }], "button").kept).toEqual([{ port: "press", action: "leap" }]);
  expect(after("stick", [{ port: "vector", action: "look", scale: 90 }], "touchpad").kept).toEqual([{ port: "motion", action: "look" }]);
  expect(after("touchpad", [{ port: "motion", action: "look", scale: 2 }], "stick").kept).toEqual([{ port: "vector", action: "look", scale: 120 }]);
});

test("what does not fit is told with the reason", () => {
  const directions = after(
    "stick",
    [
      { port: "up", action: "leap" },
      { port: "down", action: "duck" },
    ],
    "button",
  );
  expect(directions.lost).toEqual(["up", "down"]);
  expect(directions.why[0]).toMatch(/one port, press; it cannot tell up from down/);
  expect(after("stick", [{ port: "vector", action: "go" }], "touchpad").why).toEqual([
    "a touchpad has no port like vector; it has motion, dx, dy, held, tapped",
  ]);
  expect(
    after(
      "stick",
      [
        { port: "held", action: "leap" },
        { port: "active", action: "leap" },
      ],
      "button",
    ).why,
  ).toEqual([expect.stringMatching(/would serve `leap` twice/)]);
});

test("hit area, moments, look and place stay; a shape of the old kind becomes the new one's", () => {
  const layout = one("stick", [], { hit: { grow: "5u", minMm: 9 }, look: { label: "C" } });
  const made = changeControlKind(layout, "c", "touchpad");
  if (!made.ok) throw new Error("refused");
  expect(made.value.controls[0]).toMatchObject({ kind: "touchpad", hit: { shape: "box", grow: "5u", minMm: 9 }, look: { label: "C" } });
  expect(made.value.controls[0].placement).toEqual(layout.controls[0].placement);
  expect(changeControlKind(layout, "c", "stick")).toEqual({ ok: true, value: layout });
});

test("any control of any layout: every wire is kept or told, and what is kept is as good as it was", () => {
  fc.assert(
    fc.property(fileArbitrary, fc.nat(), fc.constantFrom(...KINDS), (file, n, kind) => {
      const layout = fileLayout(file);
      fc.pre(layout.controls.length > 0);
      const control = layout.controls[n % layout.controls.length];
      fc.pre(control.kind !== kind);
      const { kept, lost } = previewControlKind(layout, control.id, kind);
      expect([...kept.map((k) => k.from), ...lost.map((l) => l.serve)].map((s) => JSON.stringify(s)).sort()).toEqual(
        (control.serves as Serve[]).map((s) => JSON.stringify(s)).sort(),
      );
      const gives = (s: Serve) => {
        const action = layout.actions.find((a) => a.name === s.action);
        return action !== undefined && portFits(s.port, action.kind) && serveLacks(s.port, action.kind, s.value, s.scale) === null;
      };
      for (const { from, to } of kept) {
        expect(PORTS[kind] as readonly string[]).toContain(to.port);
        expect(gives(from) && !gives(to)).toBe(false);
      }
      for (const { why } of lost) expect(why.length).toBeGreaterThan(10);
      const made = changeControlKind(layout, control.id, kind);
      expect(made.ok && made.value.controls.find((c) => c.id === control.id)!.serves).toEqual(kept.map((k) => k.to));
    }),
    { numRuns: repeated(300) },
  );
});
