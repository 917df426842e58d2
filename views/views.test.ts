import fc from "fast-check";
import { sampleLayouts } from "../samples/samples";
import { directionWord, keyWord, nextKeyValue } from "./actions/keys";
import { chainOf, sheetPlaces, stateOf } from "./actions/sheet";
import { textOfFile } from "./handoff/textOfFile";
import { anchorWord } from "./layout/anchorWord";
import { shiftedCopy } from "./layout/copies";
import { draggedBox, HANDLES } from "./layout/handlePlaces";
import { valueText } from "./rehearse/traces";
import { benchScreenOf, railOf, shelfOf } from "./session/screens";
import { fileNameFor } from "./shared/download";

const [brackwater, pigeonhole, draft] = sampleLayouts();

test("a dragged handle keeps the opposite side where it is, and corners keep the proportion", () => {
  fc.assert(
    fc.property(fc.constantFrom(...HANDLES), fc.integer({ min: -500, max: 500 }), fc.integer({ min: -500, max: 500 }), (handle, dx, dy) => {
      const box = { x: 100, y: 200, w: 80, h: 40 };
      const next = draggedBox(box, handle.key, dx, dy, 10);
      if (handle.fx !== 0) expect(next.x).toBeCloseTo(box.x, 9);
      else expect(next.x + next.w).toBeCloseTo(box.x + box.w, 9);
      if (handle.fy !== 0) expect(next.y).toBeCloseTo(box.y, 9);
      else expect(next.y + next.h).toBeCloseTo(box.y + box.h, 9);
      expect(Math.min(next.w, next.h)).toBeGreaterThanOrEqual(10 - 1e-9);
      if (handle.fx !== 0.5 && handle.fy !== 0.5) expect(next.w / next.h).toBeCloseTo(2, 9);
    }),
  );
});

test("anchors, keys, values and file names in words", () => {
  expect([anchorWord([0, 1]), anchorWord([0.5, 0.5]), anchorWord([0.5, 0]), anchorWord([0.2, 1])]).toEqual(["bottom left", "centre", "top", "20 %, 100 %"]);
  expect([keyWord("KeyW"), keyWord("ArrowUp"), keyWord("Digit1"), keyWord("Space")]).toEqual(["W", "↑", "1", "Space"]);
  expect([valueText([0.001, -0.004]), valueText(-1), valueText(true), valueText(undefined)]).toEqual(["0.00, 0.00", "-1.00", "true", "–"]);
  expect(fileNameFor("Brackwater, first draft")).toBe("brackwater-first-draft.nodulum.json");
  expect(fileNameFor("!!!")).toBe("layout.nodulum.json");
});

test("a newly bound key gives its usual direction, else one that is free", () => {
  const helm = { kind: "vector" as const, keys: [] as { code: string; value?: number | [number, number] }[] };
  expect(nextKeyValue(helm, "KeyA")).toEqual([-1, 0]);
  expect(nextKeyValue({ ...helm, keys: [{ code: "KeyI", value: [0, 1] }] }, "KeyK")).toEqual([0, -1]);
  expect(nextKeyValue({ kind: "axis", keys: [{ code: "KeyQ", value: -1 }] }, "KeyE")).toBe(1);
  expect(nextKeyValue({ kind: "press", keys: [] }, "KeyE")).toBeUndefined();
  expect(directionWord(undefined)).toBe("+1");
});

test("the state of an action says what is wrong with it", () => {
  const state = (name: string, layout = brackwater) =>
    stateOf(
      layout.actions.find((a) => a.name === name)!,
      layout.controls,
    );
  expect(state("sidle")).toEqual({ word: "served twice", problem: false });
  expect(state("towline", draft)).toEqual({ word: "nothing on touch; nearly tow_line", problem: true });
  expect(stateOf({ ...brackwater.actions[0], touch: "never" }, []).word).toBe("desk only");
});

test("the sheet gives every serve a place of its own, and a chain both its ends", () => {
  const places = sheetPlaces(brackwater.actions, brackwater.controls);
  const ys = brackwater.controls.flatMap((c) => c.serves.map((_, i) => places.serveY(c.id, i)));
  expect(new Set(ys).size).toBe(ys.length);
  expect(Math.max(...ys)).toBeLessThan(places.height);
  const chain = chainOf({ kind: "action", name: "sidle" }, brackwater.controls)!;
  expect([...chain.controls]).toEqual(["sidle-left", "sidle-right"]);
});

test("rail and shelf follow the orientation; the bench falls back where its screen is unknown", () => {
  expect(railOf(brackwater)).toHaveLength(8);
  expect(shelfOf(pigeonhole).every((s) => s.heightPx > s.widthPx)).toBe(true);
  expect(benchScreenOf({ ...brackwater, workbench: { ...brackwater.workbench, screen: "no such" } }).name).toBe(railOf(brackwater)[0].name);
  expect(railOf({ ...brackwater, orientation: "both" })).toHaveLength(8);
});

test("a copy is set off inwards", () => {
  const horn = brackwater.controls.find((c) => c.id === "horn")!;
  expect(shiftedCopy(horn).placement).toMatchObject({ offset: ["-94u", "-286u"] });
});

test("files that cannot be layouts are told apart before they are read", async () => {
  const file = (bytes: Uint8Array, size = bytes.length) => ({ size, arrayBuffer: () => Promise.resolve(bytes.buffer as ArrayBuffer) });
  const reason = async (f: ReturnType<typeof file>) => {
    const read = await textOfFile(f);
    return read.ok ? read.value : read.problems[0].message;
  };
  expect(await reason(file(new Uint8Array([0x89, 0x50, 0x4e, 0x47, 1])))).toMatch(/PNG picture/);
  expect(await reason(file(new Uint8Array(), 50 * 1048576))).toMatch(/50\.0 MiB; a layout holds at most/);
  expect(await reason(file(new Uint8Array([0xff, 0xfe, 0x00])))).toMatch(/UTF-8/);
  expect(await reason(file(new Uint8Array()))).toMatch(/empty/);
  expect(await reason(file(new TextEncoder().encode("{}")))).toBe("{}");
});
