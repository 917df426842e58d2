import fc from "fast-check";
import { layoutArbitrary, screenArbitrary } from "../../test/arbitrary";
import { placed, STAGE, staged } from "../../test/stage";
import type { Layout } from "../format/types";
import type { Result } from "../engine/result";
import { CLUSTER_FORMS, formed } from "./clusterForms";
import { commonSize, dissolve, gather, moveInto, oneSize, scaleCluster, setForm } from "./clusters";
import { editContextOf, type EditContext } from "./placing";
import { growTogether } from "./make";
import { splitScreen } from "./split";
import { clusterOf, inCluster } from "./placeables";
import { makeCopies, makeMirroredCopies } from "./mirroredCopies";
import { repeated } from "../../test/repeated";

const get = <T>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
type Boxes = Record<string, { x: number; y: number; w: number; h: number }>;
const boxes = (context: EditContext): Boxes => Object.fromEntries(context.resolved.controls.map((c) => [c.id, c.visual]));
const near = (a: Boxes, b: Boxes, slack = 0.02) => {
  expect(Object.keys(a).sort()).toEqual(Object.keys(b).sort());
  for (const id of Object.keys(a)) for (const side of ["x", "y", "w", "h"] as const) expect(Math.abs(a[id][side] - b[id][side])).toBeLessThanOrEqual(slack);
};
const unclamped = (layout: Layout): Layout => ({
  ...layout,
  controls: layout.controls.map((c) => (c.placement.kind === "pin" ? { ...c, placement: { ...c.placement, clamp: undefined } } : c)) as Layout["controls"],
  arrangements: layout.arrangements.map((a) => ({
    ...a,
    overrides: Object.fromEntries(
      Object.entries(a.overrides).map(([id, o]) => [id, o.placement?.kind === "pin" ? { ...o, placement: { ...o.placement, clamp: undefined } } : o]),
    ),
  })),
});

test("gathered and dissolved, nothing jumps, in the base and under every arrangement", () => {
  fc.assert(
    fc.property(layoutArbitrary, screenArbitrary, (made, screen) => {
      const layout = unclamped(made);
      const context = editContextOf(layout, screen);
      const ids = layout.controls
        .filter((c) => c.placement.kind === "pin" && context.resolved.controls.some((r) => r.id === c.id && r.visual.w > 0 && r.visual.h > 0))
        .map((c) => c.id);
      fc.pre(ids.length > 0 && layout.arrangements.every((a) => ids.every((id) => a.overrides[id]?.placement?.kind !== "span")));
      const gathered = get(gather(context, ids, "Group"));
      near(boxes(editContextOf(gathered.layout, screen)), boxes(context));
      expect(gathered.layout.controls.filter((c) => clusterOf(c.placement) === gathered.id).map((c) => c.id)).toEqual(ids);
      const apart = get(dissolve(editContextOf(gathered.layout, screen), gathered.id));
      near(boxes(editContextOf(apart, screen)), boxes(context));
      expect(apart.clusters.map((c) => c.id)).not.toContain(gathered.id);
    }),
    { numRuns: repeated(120) },
  );
});

const presses = (n: number) => Array.from({ length: n }, (_, i) => ({ name: `act-${i}`, kind: "press" }));

test("several actions dropped together: one cluster, each served, none on another", () => {
  const context = editContextOf(staged([], presses(4)), STAGE);
  const grown = get(growTogether(context, context.layout.actions, { x: 720, y: 200 }, "arc"));
  expect(grown.layout.clusters).toHaveLength(1);
  const now = editContextOf(grown.layout, STAGE);
  expect(grown.layout.controls.map((c) => c.serves.map((s) => s.action))).toEqual([["act-0"], ["act-1"], ["act-2"], ["act-3"]]);
  const all = Object.values(boxes(now));
  for (const a of all)
    for (const b of all.filter((other) => other !== a))
      expect(Math.hypot(a.x + a.w / 2 - b.x - b.w / 2, a.y + a.h / 2 - b.y - b.h / 2)).toBeGreaterThan((a.w + b.w) / 2);
  // On an arc about the thumb every one is as far from it.
  const far = all.map((b) => Math.hypot(b.x + b.w / 2 - 1000, b.y + b.h / 2 - 350));
  for (const d of far) expect(Math.abs(d - far[0])).toBeLessThan(25);
});

test.each(CLUSTER_FORMS)("in the form %s neighbours keep their gap", (form) => {
  fc.assert(
    fc.property(fc.array(fc.integer({ min: 10, max: 120 }), { minLength: 1, maxLength: 8 }), (sides) => {
      const points = formed(
        form,
        sides.map((s) => ({ w: s, h: s })),
        10,
        { middle: { x: 700, y: 300 }, thumb: { x: 1000, y: 350 } },
      );
      points.slice(1).forEach((p, i) => {
        const apart = Math.hypot(p.x - points[i].x, p.y - points[i].y) - (sides[i] + sides[i + 1]) / 2;
        expect(apart).toBeGreaterThanOrEqual(10 - 1e-6);
      });
    }),
  );
});

const pair = () =>
  staged(
    [
      { id: "a", name: "A", kind: "button", placement: placed(700, 300, 80), serves: [{ port: "press", action: "act-0" }] },
      { id: "b", name: "B", kind: "button", placement: placed(850, 300, 120), serves: [{ port: "press", action: "act-1" }] },
      { id: "helm", name: "Helm", kind: "stick", placement: placed(150, 350, 200) },
    ],
    presses(2),
  );

test("a cluster grows with all in it; one size for all; in and out without a jump", () => {
  const gathered = get(gather(editContextOf(pair(), STAGE), ["a", "b"], "Deck"));
  const context = editContextOf(gathered.layout, STAGE);
  const { x, y, w, h } = context.resolved.clusters[gathered.id];
  const grown = boxes(editContextOf(get(scaleCluster(context, gathered.id, { x, y, w: w * 1.5, h: h * 1.5 })), STAGE));
  expect(grown.a.w).toBeCloseTo(120, 3);
  expect(grown.b.x + grown.b.w / 2 - grown.a.x - grown.a.w / 2).toBeCloseTo(225, 3);
  expect(commonSize(context, gathered.id)).toBeNull();
  const sized = editContextOf(get(oneSize(context, gathered.id, 90)), STAGE);
  expect(boxes(sized).a).toMatchObject({ x: 655, w: 90 });
  expect(boxes(sized).b.w).toBeCloseTo(90, 3);
  expect(commonSize(sized, gathered.id)).toBe("90px");
  const row = editContextOf(get(setForm(sized, gathered.id, "column")), STAGE);
  expect(boxes(row).a.x).toBeCloseTo(boxes(row).b.x, 3);
  const out = editContextOf(get(moveInto(sized, "a", null)), STAGE);
  near(boxes(out), boxes(sized));
  expect(inCluster(out.layout, gathered.id, null)).toEqual(["b"]);
  const back = editContextOf(get(moveInto(out, "a", gathered.id)), STAGE);
  near(boxes(back), boxes(sized));
});

test("the second side is the mirror image, under names of its own, with nothing bound", () => {
  const gathered = get(gather(editContextOf(pair(), STAGE), ["a", "b"], "Deck"));
  const context = editContextOf(gathered.layout, STAGE);
  const mirrored = get(makeMirroredCopies(context, ["helm", gathered.id]));
  const now = boxes(editContextOf(mirrored.layout, STAGE));
  expect(mirrored.keys).toEqual(["helm-right", "deck-left"]);
  expect(now["helm-right"].x + now["helm-right"].w).toBeCloseTo(1000 - now.helm.x, 6);
  expect(now["a-left"].x + now["a-left"].w).toBeCloseTo(1000 - now.a.x, 4);
  const made = mirrored.layout.controls.slice(3);
  expect(made.map((c) => [c.name, c.serves.length])).toEqual([
    ["Helm, right", 0],
    ["A, left", 0],
    ["B, left", 0],
  ]);
  expect(new Set(mirrored.layout.controls.map((c) => c.name)).size).toBe(6);
  expect([...mirrored.originals]).toEqual([
    ["helm-right", "helm"],
    ["a-left", "a"],
    ["b-left", "b"],
  ]);
});

test("split, two landing areas share the screen without gap or overlap, and lie under the rest", () => {
  const sticks = staged(
    [
      { id: "top", name: "Top", kind: "button", placement: placed(500, 100, 80) },
      { id: "right", name: "Right", kind: "stick", placement: placed(850, 350, 160) },
      { id: "left", name: "Left", kind: "stick", placement: placed(150, 350, 160) },
    ],
    [],
  );
  const split = editContextOf(get(splitScreen(editContextOf(sticks, STAGE), ["right", "left"], 0.4)), STAGE);
  const of = (id: string) => split.resolved.controls.find((c) => c.id === id)!.landing;
  expect(of("left")).toEqual({ x: 0, y: 0, w: 400, h: 500 });
  expect(of("right")).toEqual({ x: 400, y: 0, w: 600, h: 500 });
  // The system's edge strips stay free, the widest of all screens named, on both sides alike.
  const edged = { ...STAGE, edges: { left: 20, top: 0, right: 31, bottom: 12 } };
  const free = editContextOf(get(splitScreen(editContextOf(sticks, STAGE), ["right", "left"], 0.5, [edged])), STAGE);
  const landingOf = (id: string) => free.resolved.controls.find((c) => c.id === id)!.landing;
  expect(landingOf("left")).toEqual({ x: 31, y: 0, w: 469, h: 488 });
  expect(landingOf("right")).toEqual({ x: 500, y: 0, w: 469, h: 488 });
  expect(split.layout.controls.map((c) => c.id)).toEqual(["right", "left", "top"]);
  expect(split.layout.controls[0].feel).toMatchObject({ origin: "floating" });
  expect(splitScreen(editContextOf(sticks, STAGE), ["top", "left"]).ok).toBe(false);
});

test("copies of controls, clusters and zones: bound as their originals, set off by one step, under free names", () => {
  const gathered = get(gather(editContextOf(pair(), STAGE), ["a", "b"], "Deck"));
  const context = editContextOf(gathered.layout, STAGE);
  const copies = get(makeCopies(context, ["helm", gathered.id, "a"]));
  expect(copies.keys).toEqual(["helm-2", "deck-2"]);
  const now = boxes(editContextOf(copies.layout, STAGE));
  expect(now["helm-2"]).toEqual({ ...now.helm, x: now.helm.x + 24, y: now.helm.y - 24 });
  expect([now["a-2"].x - now.a.x, now["b-2"].x - now.b.x].map(Math.round)).toEqual([-24, -24]);
  expect(copies.layout.controls.find((c) => c.id === "a-2")!.serves).toEqual([{ port: "press", action: "act-0" }]);
  expect(copies.layout.clusters.map((c) => c.name)).toEqual(["Deck", "Deck 2"]);
});

test("mirrored copies that would be too many are refused with the reason, all or none", () => {
  const buttons = Array.from({ length: 199 }, (_, i) => ({ id: `b${i}`, name: `B${i}`, kind: "button", placement: placed(100 + i, 100, 40) }));
  const context = editContextOf(staged(buttons, []), STAGE);
  expect(get(makeMirroredCopies(context, ["b0"])).layout.controls).toHaveLength(200);
  const refused = makeMirroredCopies(context, ["b0", "b1"]);
  expect(refused.ok ? "" : refused.problems[0].message).toBe("a layout holds at most 200 controls");
});
