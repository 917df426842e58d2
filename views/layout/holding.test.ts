import { moveBy } from "../../core/editing/placing";
import { placeableBox, placeableOf } from "../../core/editing/placeables";
import { sampleLayouts } from "../../test/samples";
import { openWindow } from "../../test/window";
import { benchContextNow } from "../document/benchContext";
import { benchStore } from "./bench";
import { createHolding, isHeldBack, switchHolding } from "./holding";

const [harbour] = sampleLayouts();
/** A window at the harbour, and the way that leads one control onto another on its bench, px. */
function windowWithWay(from: string, to: string) {
  const { session } = openWindow(harbour);
  const context = benchContextNow(session);
  const box = (id: string) => placeableBox(context.resolved, placeableOf(harbour, id)!)!;
  const [a, b] = [box(from), box(to)];
  return { session, edit: (at: { x: number; y: number }) => moveBy(context, [from], at.x, at.y), onto: { x: b.x - a.x, y: b.y - a.y } };
}

test("switched off a drag goes where it is led; switched on it stops before, tells by whom it is held, and lets go when it leads away", async () => {
  const { session, edit, onto } = windowWithWay("pump", "towline");
  const holding = createHolding(session);
  holding.begin(harbour);
  const free = holding.preview(edit, onto);
  expect(free).toEqual(edit(onto));
  holding.end();
  await switchHolding(session);
  holding.begin(harbour);
  const held = holding.preview(edit, onto);
  if (!held.ok) throw new Error(JSON.stringify(held.problems));
  expect(held).not.toEqual(edit(onto));
  expect(benchStore(session).getState().heldBy).not.toBeNull();
  // What belongs to the drag and would break a screen is omitted.
  expect(holding.follow(held.value, edit(onto))).toEqual(held);
  expect(holding.preview(edit, { x: 0, y: 0 })).toEqual(edit({ x: 0, y: 0 }));
  expect(benchStore(session).getState().heldBy).toBeNull();
  holding.end();
});

test("an edit by key is held back only where screens are held and it would break one", async () => {
  const { session, edit, onto } = windowWithWay("pump", "horn");
  expect(isHeldBack(session, () => edit(onto))).toBe(false);
  await switchHolding(session);
  expect(isHeldBack(session, () => edit(onto))).toBe(true);
  expect(isHeldBack(session, () => edit({ x: 0, y: 0 }))).toBe(false);
  expect(benchStore(session).getState().heldBy).toBeNull();
});
