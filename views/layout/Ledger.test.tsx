/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { sampleLayouts } from "../../test/samples";
import { openWindow } from "../../test/window";
import { SessionProvider } from "../document/SessionContext";
import type { GlassHandle } from "./Glass";
import { Ledger } from "./Ledger";

beforeAll(() => {
  Element.prototype.setPointerCapture = () => undefined;
});
afterEach(cleanup);

const [harbour] = sampleLayouts();
const pointer = (element: Element | Window, name: string, x: number, { pointerId = 1, ...more }: { pointerId?: number } & MouseEventInit = {}) =>
  fireEvent(element, Object.assign(new MouseEvent(name, { bubbles: true, cancelable: true, clientX: x, clientY: 300, ...more }), { pointerId }));

/** The ledger next to a glass that begins at x = 400. */
function ledger() {
  const parts = openWindow({ ...harbour, controls: [], clusters: [], arrangements: [], accepted: [] });
  const { session } = parts;
  const glass: GlassHandle = { pointAt: (x, y) => (x < 400 ? null : { x: (x - 400) * 2, y: y * 2 }) };
  const view = render(
    <SessionProvider value={parts}>
      <Ledger wide glass={{ current: glass }} />
    </SessionProvider>,
  );
  const row = (name: string) => screen.getByText(name, { selector: ".figure" }).closest("button")!;
  return { ...view, row, controls: () => session.store.getState().layout.controls, history: () => session.store.getState().history.past.map((e) => e.label) };
}

test("dragged onto the glass an action grows its control there; beside it nothing", () => {
  const { row, controls, history, container } = ledger();
  const horn = row("horn");
  pointer(horn, "pointerdown", 50);
  pointer(horn, "pointermove", 60);
  expect(container.querySelector(".fixed")?.textContent).toBe("horn button");
  pointer(horn, "pointerup", 300);
  expect([controls(), container.querySelector(".fixed")]).toEqual([[], null]);
  pointer(horn, "pointerdown", 50);
  pointer(horn, "pointermove", 700);
  pointer(horn, "pointerup", 800);
  expect(controls().map((c) => c.serves.map((s) => s.action))).toEqual([["horn"]]);
  expect(history()).toEqual(["grow horn"]);
});

test("several marked ones grow together", () => {
  const { row, controls } = ledger();
  for (const name of ["horn", "pump"]) fireEvent.keyDown(row(name), { key: " " });
  const horn = row("horn");
  pointer(horn, "pointerdown", 50);
  pointer(horn, "pointermove", 700);
  pointer(horn, "pointerup", 800);
  expect(
    controls()
      .flatMap((c) => c.serves.map((s) => s.action))
      .sort(),
  ).toEqual(["horn", "pump"]);
});

test.each<[string, (row: Element, unmount: () => void) => void]>([
  ["Escape", () => fireEvent.keyDown(window, { key: "Escape" })],
  ["a cancelled pointer", (row) => pointer(row, "pointercancel", 0)],
  ["a lost capture", (row) => pointer(row, "lostpointercapture", 0)],
  ["a second finger", () => pointer(window, "pointerdown", 0, { pointerId: 2 })],
  ["the ledger going away", (_row, unmount) => unmount()],
])("%s in the middle of a drag grows nothing", (_how, end) => {
  const { row, controls, unmount } = ledger();
  const horn = row("horn");
  pointer(horn, "pointerdown", 50);
  pointer(horn, "pointermove", 700);
  end(horn, unmount);
  pointer(horn, "pointerup", 800);
  expect(controls()).toEqual([]);
});

test("with Shift a press marks and drags nothing; the other buttons of a mouse neither", () => {
  const { row, controls } = ledger();
  const horn = row("horn");
  for (const more of [{ shiftKey: true }, { button: 2 }]) {
    pointer(horn, "pointerdown", 50, more);
    pointer(horn, "pointermove", 700, more);
    pointer(horn, "pointerup", 800, more);
  }
  fireEvent.click(horn, { shiftKey: true, detail: 1 });
  expect(horn.getAttribute("aria-pressed")).toBe("true");
  expect(controls()).toEqual([]);
});
