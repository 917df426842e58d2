import { clearance } from "../engine/geometry/distance";
import { framesOf, plainScreen, pxPerMm } from "../engine/placement/screen";
import type { Layout } from "../format/types";
import { sampleLayouts } from "../../test/samples";
import { newLayout } from "./edits/layout";
import { growControl } from "./make";
import { placesNear } from "./placesNear";
import { editContextOf, moveBy, type EditContext } from "./placing";

const SCREEN = plainScreen("a phone", 2400, 1080, 411);
const mm = pxPerMm(SCREEN);
const [brackwater] = sampleLayouts();
const context = (layout: Layout) => editContextOf(layout, SCREEN);
const nearestFit = (context: EditContext, ids: readonly string[]) => placesNear(context, ids).next().value ?? null;
const boxOf = (layout: Layout, id: string) => context(layout).resolved.controls.find((c) => c.id === id)!.hit;

test("what fits stays", () => {
  expect(nearestFit(context(brackwater), ["horn"])).toEqual({ x: 0, y: 0 });
});

test("two buttons dropped on others find a place beside them: inside the frame, a gap from all else, and no shorter way was to be had", () => {
  const pump = boxOf(brackwater, "pump");
  let layout = brackwater;
  const ids: string[] = [];
  for (const dx of [0, 12 * mm]) {
    const grown = growControl(context(layout), { kind: "button", action: null, at: { x: pump.x + dx, y: pump.y + pump.h / 2 } });
    if (!grown.ok) throw new Error(JSON.stringify(grown.problems));
    layout = grown.value.layout;
    ids.push(grown.value.id);
  }
  const by = nearestFit(context(layout), ids)!;
  const far = Math.hypot(by.x, by.y);
  expect(far).toBeGreaterThan(0);
  const moved = moveBy(context(layout), ids, by.x, by.y);
  if (!moved.ok) throw new Error(JSON.stringify(moved.problems));
  const { controls } = context(moved.value).resolved;
  const { safe } = framesOf(SCREEN);
  for (const id of ids) {
    const own = boxOf(moved.value, id);
    expect(own.x).toBeGreaterThanOrEqual(safe.x - 1e-2);
    expect(own.x + own.w).toBeLessThanOrEqual(safe.x + safe.w + 1e-2);
    for (const other of controls) {
      const kind = moved.value.controls.find((c) => c.id === other.id)!;
      if (ids.includes(other.id) || kind.kind === "touchpad" || (kind.kind === "stick" && kind.feel.origin !== "fixed")) continue;
      expect(clearance(own, other.hit).px).toBeGreaterThanOrEqual(mm - 0.05);
    }
  }
  // Two millimetres less in any of many directions, and something is in the way.
  for (let i = 0; i < 32; i += 1) {
    const [x, y] = [Math.cos((i * Math.PI) / 16) * (far - 2 * mm), Math.sin((i * Math.PI) / 16) * (far - 2 * mm)];
    const nearer = moveBy(context(layout), ids, x, y);
    if (!nearer.ok) throw new Error(JSON.stringify(nearer.problems));
    expect(nearestFit(context(nearer.value), ids)).not.toEqual({ x: 0, y: 0 });
  }
});

test("where there is no place that is said; of nothing nothing is asked", () => {
  const made = newLayout("Full", { width: 1600, height: 720 });
  if (!made.ok) throw new Error("no layout");
  const full = growControl(context(made.value), { kind: "touchpad", action: null, at: { x: 0, y: 0, w: 2400, h: 1080 } });
  if (!full.ok) throw new Error(JSON.stringify(full.problems));
  const walled: Layout = {
    ...full.value.layout,
    keepClear: [
      {
        id: "all",
        name: "All",
        moments: [],
        taps: false,
        placement: { kind: "span", frame: "screen", from: [0, 0], to: [1, 1], inset: { left: "0u", top: "0u", right: "0u", bottom: "0u" } },
      },
    ],
  };
  expect(nearestFit(context(walled), [full.value.id])).toBeNull();
  expect(nearestFit(context(brackwater), [])).toEqual({ x: 0, y: 0 });
});
