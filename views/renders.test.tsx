/** @jest-environment jsdom */
import { rendered } from "../test/renders";
import { openWindow } from "../test/window";
import { act, cleanup, render } from "@testing-library/react";
import type { ReactNode } from "react";
import { changeAction } from "../core/editing/edits/actions";
import { changeFeel } from "../core/editing/edits/controls";
import { moveBy } from "../core/editing/placing";
import { ok, type Result } from "../core/engine/result";
import { parseLayout } from "../core/format/parse";
import type { Layout } from "../core/format/types";
import { Sheet } from "./actions/sheet/Sheet";
import { setSheetState } from "./actions/sheetState";
import { useSheet } from "./actions/useSheet";
import { Ledger } from "./layout/Ledger";
import { GlassOverlay } from "./layout/GlassOverlay";
import { benchContextNow } from "./document/benchContext";
import { SessionProvider } from "./document/SessionContext";
import type { Session } from "./document/session";

beforeAll(() => {
  Object.assign(globalThis, {
    ResizeObserver: class {
      observe() {}
      disconnect() {}
    },
  });
  Element.prototype.scrollIntoView = () => undefined;
});
afterEach(cleanup);

const must = (result: Result<Layout>): Layout => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};

/** Sixty actions, each with a key, and as many controls. */
function sixty(): Layout {
  const names = Array.from({ length: 60 }, (_, i) => `action ${i}`);
  const offset = (i: number) => [`${20 + (i % 10) * 150}u`, `${16 + Math.floor(i / 10) * 110}u`];
  return must(
    parseLayout({
      format: "nodulum-layout",
      version: 1,
      name: "Grid",
      reference: { width: 1600, height: 720 },
      scale: {},
      actions: names.map((name, i) => ({ name, kind: "press", keys: [{ code: `F${(i % 12) + 1}` }] })),
      controls: names.map((name, i) => ({
        id: `c${i}`,
        name: `control ${i}`,
        kind: "button",
        placement: { kind: "pin", frame: "safe", anchor: [0, 0], pivot: [0, 0], offset: offset(i), size: ["100u", "100u"] },
        serves: [{ port: "press", action: name }],
      })),
    }),
  );
}

function shown(children: ReactNode, layout: Layout): Session {
  const parts = openWindow(layout);
  render(<SessionProvider value={parts}>{children}</SessionProvider>);
  rendered();
  return parts.session;
}
const change = (session: Session, edit: (layout: Layout) => Result<Layout>) => {
  act(() => void session.edit("change", edit));
  return rendered();
};
const Host = () => <Sheet data={useSheet()} />;

test("the sheet of sixty actions: no row draws anew for a change elsewhere", () => {
  const session = shown(<Host />, sixty());
  const noted = change(session, (l) => changeAction(l, "action 7", { note: "loud" }));
  expect([noted.SheetAction, noted.SheetControl ?? 0, noted.SheetEnd ?? 0]).toEqual([1, 0, 0]);
  const felt = change(session, (l) => changeFeel(l, "c9", { longMs: 700 }));
  expect([felt.SheetAction ?? 0, felt.SheetControl, felt.SheetEnd ?? 0]).toEqual([0, 1, 0]);
  const moved = change(session, () => moveBy(benchContextNow(session), ["c3"], 5, 5));
  expect([moved.SheetAction ?? 0, moved.SheetControl, moved.SheetEnd ?? 0]).toEqual([0, 1, 0]);
  const renamed = change(session, (l) => ok({ ...l, name: "Another" }));
  expect([renamed.SheetAction, renamed.SheetControl, renamed.SheetEnd]).toEqual([undefined, undefined, undefined]);
});

test("a sheet of thousands of inputs draws what is in sight, and comes to what is picked from afar", () => {
  const actions = Array.from({ length: 200 }, (_, i) => ({
    name: `action ${i}`,
    kind: "press",
    keys: Array.from({ length: 32 }, (_, k) => ({ code: `K${i}-${k}` })),
  }));
  const layout = must(parseLayout({ format: "nodulum-layout", version: 1, name: "Long", reference: { width: 1600, height: 720 }, scale: {}, actions }));
  const parts = openWindow(layout);
  const { container } = render(
    <SessionProvider value={parts}>
      <Host />
    </SessionProvider>,
  );
  const rows = () => container.querySelectorAll("li").length;
  expect(rows()).toBeLessThan(200);
  expect(container.querySelector('[data-action="action 0"]')).not.toBeNull();
  expect(container.querySelector('[data-action="action 150"]')).toBeNull();
  const room = container.querySelector<HTMLElement>("[data-sheet]")!.parentElement!;
  act(() => setSheetState(parts.session, { pick: { kind: "action", name: "action 150" } }));
  // A page reports scrolling by itself.
  act(() => void room.dispatchEvent(new Event("scroll")));
  expect(room.scrollTop).toBeGreaterThan(100_000);
  expect(container.querySelector('[data-action="action 150"]')).not.toBeNull();
  expect(container.querySelector('[data-action="action 0"]')).toBeNull();
  expect(rows()).toBeLessThan(200);
});

test("the ledger does not draw anew while controls move, and does when one serves something else", () => {
  const session = shown(<Ledger wide glass={{ current: null }} />, sixty());
  expect(change(session, () => moveBy(benchContextNow(session), ["c3"], 5, 5))).toEqual({});
  const unserved = change(session, (l) => ok({ ...l, controls: l.controls.filter((c) => c.id !== "c3") }));
  expect(unserved.Ledger).toBe(1);
});

test("on the glass only the control that moves is drawn anew", () => {
  const session = shown(<GlassOverlay scale={0.3} gestures={null} />, sixty());
  const moved = change(session, () => moveBy(benchContextNow(session), ["c3"], 5, 5));
  expect([moved.GlassOverlay, moved.GlassControl, moved.ControlTarget, moved.ControlAreas]).toEqual([1, 1, 1, 1]);
  const { Zones = 0, Controls = 0, Clusters = 0, DrawnBox = 0, ...inThem } = moved;
  expect([Zones, Controls, Clusters, DrawnBox].every((layer) => layer <= 1)).toBe(true);
  expect(Object.values(inThem).reduce((sum, n) => sum + n, 0)).toBeLessThanOrEqual(6);
});
