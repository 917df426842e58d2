/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render } from "@testing-library/react";
import type { ReactNode } from "react";
import { openWindow } from "../../../test/window";
import { changeFeel, changeLook } from "../../../core/editing/edits/controls";
import { editContextOf } from "../../../core/editing/placing";
import { plainScreen } from "../../../core/engine/placement/screen";
import { gather } from "../../../core/editing/clusters";
import type { Layout } from "../../../core/format/types";
import type { Result } from "../../../core/engine/result";
import { sampleLayouts } from "../../../test/samples";
import { benchContextNow } from "../../document/benchContext";
import { SessionProvider, useSession } from "../../document/SessionContext";
import { Tray } from "../../layout/Tray";
import { SENTENCES } from "./sentences";
import { watchReading, type ReadElement } from "./watch";

const get = <T,>(result: Result<T>): T => {
  if (!result.ok) throw new Error(JSON.stringify(result.problems));
  return result.value;
};
const [brackwater, pigeonhole] = sampleLayouts();

beforeAll(() => {
  Object.assign(globalThis, {
    ResizeObserver: class {
      observe() {}
      unobserve() {}
      disconnect() {}
    },
  });
});
afterEach(cleanup);

/** The tray with something selected, every fold of it open. */
function trayOf(layout: Layout, selection: readonly string[]): HTMLElement {
  const parts = openWindow(layout);
  parts.session.select(selection);
  const Live = (): ReactNode => {
    useSession((s) => s.layout);
    return <Tray context={benchContextNow(parts.session)} />;
  };
  const { container } = render(
    <SessionProvider value={parts}>
      <Live />
    </SessionProvider>,
  );
  for (;;) {
    const folded = container.querySelector('button[aria-expanded="false"]:not([aria-haspopup])');
    if (!folded) return container;
    act(() => void fireEvent.click(folded));
  }
}

/** Everything in it that can be set or pressed. What a file is chosen by has its own button; a unit's list speaks for itself next to its field. */
const FIELDS = 'input:not([type="file"]), select, textarea, [role="slider"]';
const nameOf = (element: Element) =>
  element.getAttribute("aria-label") ??
  (element.id ? element.ownerDocument.querySelector(`label[for="${element.id}"]`)?.textContent : null) ??
  element.outerHTML;

/** The fields of a tray that say nothing, or not the unit that they show, or whose sentence has a figure omitted. */
function speechless(container: HTMLElement): string[] {
  return [...container.querySelectorAll(FIELDS)].flatMap((field) => {
    const name = nameOf(field);
    if (name.endsWith(": unit")) return [];
    const words = field.getAttribute("aria-description");
    if (!words) return [`${name}: nothing`];
    if (/[{}]/.test(words)) return [`${name}: ${words}`];
    const box = field.closest(".box") ?? field;
    const unit = box.querySelector<HTMLSelectElement>('select[aria-label$=": unit"]')?.value ?? box.querySelector(".caption")?.textContent ?? "";
    return unit === "" || words.includes(unit) ? [] : [`${name} shows ${unit}: ${words}`];
  });
}

const clustered = (): Layout => get(gather(editContextOf(brackwater, plainScreen("a phone", 2400, 1080, 411)), ["horn", "pump"], "Pair")).layout;
const every = (id: string, feel: Record<string, unknown>, look: Record<string, unknown> = {}) =>
  get(changeLook(get(changeFeel(brackwater, id, feel)), id, look));
const firstOf = (kind: string) => [brackwater, pigeonhole].flatMap((l) => l.controls.filter((c) => c.kind === kind).map((c) => [l, [c.id]] as const))[0];
const AWAY = { away: { opacity: 0.2, afterMs: 100, fadeMs: 100 } };

const CASES: readonly (readonly [string, Layout, readonly string[]])[] = [
  ["nothing", brackwater, []],
  ["a stick that stays", every("helm", { origin: "fixed" }, AWAY), ["helm"]],
  [
    "a stick that follows",
    every("helm", { origin: "trailing", curve: { kind: "power", exponent: 2 } }, { home: "later", labels: { de: "Ruder", ar: "دفة" } }),
    ["helm"],
  ],
  ...(["dpad", "touchpad", "swipe"] as const).map((kind) => [`a ${kind}`, firstOf(kind)[0], firstOf(kind)[1]] as const),
  ["a button pressed long", every("horn", { press: "long" }), ["horn"]],
  ["a button pressed twice", every("horn", { press: "double" }), ["horn"]],
  ["several of a kind", brackwater, ["horn", "pump"]],
  ["several kinds", brackwater, ["horn", "helm", "lamp"]],
  ["a cluster", clustered(), ["pair"]],
  ["a zone", brackwater, [brackwater.keepClear[0].id]],
];

test.each(CASES)("with %s selected every field of the tray says what it is, with its unit", (_, layout, selection) => {
  const container = trayOf(layout, selection);
  expect(container.querySelectorAll(FIELDS).length).toBeGreaterThan(3);
  expect(speechless(container)).toEqual([]);
});

test("every button of the bar of what is selected says what it does to it", () => {
  const container = trayOf(brackwater, ["horn", "pump", "log"]);
  const bar = container.querySelector('[role="toolbar"]')!;
  const silent = [...bar.querySelectorAll("button")]
    .filter((b) => !/./.test(b.getAttribute("aria-description") ?? ""))
    .map((b) => b.getAttribute("aria-label"));
  expect(bar.querySelectorAll("button").length).toBeGreaterThan(9);
  expect(silent).toEqual([]);
});

test("sentences are sentences, and fit the line", () => {
  for (const [key, { words }] of Object.entries(SENTENCES)) {
    if (words === "{value}") continue;
    expect([key, words]).toEqual([key, expect.stringMatching(/^[\p{Lu}{].*\.$/u)]);
    // At 1024 px the line has room for some 150 letters next to its keys.
    expect([key, words.length <= 150]).toEqual([key, true]);
  }
});

describe("the line follows what is pointed at and what has the focus", () => {
  const read: (ReadElement | null)[] = [];
  let stop = () => undefined as void;
  beforeEach(() => {
    read.length = 0;
    document.body.innerHTML = `<div data-row><label id="word">Grow</label><input id="grow" aria-description="Grow: 2 mm." data-keys="drag" /></div><button id="do" aria-description="Does it."></button><p id="else">x</p>`;
    stop = watchReading(openWindow(brackwater).session, document, (now) => read.push(now));
  });
  afterEach(() => stop());
  const at = (id: string) => document.getElementById(id)!;

  test("the name of a field speaks for it; beside all it is silent", () => {
    fireEvent.pointerOver(at("word"));
    fireEvent.pointerOver(at("else"));
    expect(read).toEqual([{ words: "Grow: 2 mm.", keys: "drag" }, null]);
  });

  test("what the pointer is on counts before the focus, which comes back when it leaves", () => {
    act(() => at("grow").focus());
    fireEvent.pointerOver(at("do"));
    fireEvent.pointerOver(at("else"));
    expect(read.map((r) => r?.words)).toEqual(["Grow: 2 mm.", "Does it.", "Grow: 2 mm."]);
  });

  test("its figures are live", async () => {
    fireEvent.pointerOver(at("grow"));
    at("grow").setAttribute("aria-description", "Grow: 3 mm.");
    await Promise.resolve();
    expect(read.at(-1)?.words).toBe("Grow: 3 mm.");
  });
});
