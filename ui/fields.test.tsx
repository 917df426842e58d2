/** @jest-environment jsdom */
import { cleanup, fireEvent, render, screen } from "@testing-library/react";
import { useState, type ReactNode } from "react";
import { startDrag } from "../views/interaction/pointerDrag";
import { NumberDragsProvider, type NumberDrags } from "./drags";
import { ChoiceField, ColourField, SwitchField } from "./Choice";
import { LengthField, NumberField } from "./Field";
import { Tally } from "./Tally";
import { stepsOf, TypedField } from "./Typed";

afterEach(cleanup);
const type = (field: HTMLElement, text: string, end: "Enter" | "Escape" | "blur" = "Enter") => {
  fireEvent.focus(field);
  fireEvent.change(field, { target: { value: text } });
  if (end === "blur") fireEvent.blur(field);
  else {
    fireEvent.keyDown(field, { key: end });
    fireEvent.blur(field);
  }
};

describe("a typed field", () => {
  test("commits on Enter and when it is left, not on Escape, and not what stands there already", () => {
    const commits: string[] = [];
    render(<TypedField label="Name" value="horn" onCommit={(text) => void commits.push(text)} />);
    const field = screen.getByLabelText("Name");
    type(field, "hoot");
    type(field, "toot", "blur");
    type(field, "moot", "Escape");
    type(field, "horn");
    expect(commits).toEqual(["hoot", "toot"]);
    expect((field as HTMLInputElement).value).toBe("horn");
  });

  test("steps by the arrow keys, tenfold with Shift; without steps they are its own", () => {
    const steps: number[] = [];
    render(<TypedField label="x" value="1" onCommit={() => undefined} onStep={(n) => void steps.push(n)} />);
    const field = screen.getByLabelText("x");
    fireEvent.keyDown(field, { key: "ArrowUp" });
    fireEvent.keyDown(field, { key: "ArrowDown", shiftKey: true });
    fireEvent.keyDown(field, { key: "ArrowLeft" });
    expect(steps).toEqual([1, -10]);
  });
});

describe("a number", () => {
  const number = (more: Partial<Parameters<typeof NumberField>[0]> = {}) => {
    const changes: number[] = [];
    const refusals: string[] = [];
    render(
      <NumberField
        label="inner"
        value={0.2}
        min={0}
        max={1}
        step={0.1}
        onChange={(v) => void changes.push(v)}
        onRefuse={(m) => void refusals.push(m)}
        {...more}
      />,
    );
    return { field: screen.getByLabelText("inner"), changes, refusals };
  };

  test("takes figures, arithmetic and a change of what stands there", () => {
    const { field, changes } = number();
    for (const text of ["0.5", "1/4", "+0.3", "*2"]) type(field, text);
    expect(changes).toEqual([0.5, 0.25, 0.5, 0.4]);
  });

  test("tells its range and what is no number, and changes nothing", () => {
    const { field, changes, refusals } = number();
    type(field, "7");
    type(field, "wide");
    type(field, "");
    expect(changes).toEqual([]);
    expect(refusals).toEqual(Array(3).fill("inner: write a number from 0 to 1."));
  });

  test("steps stay within the range", () => {
    const { field, changes } = number({ value: 0.95 });
    fireEvent.keyDown(field, { key: "ArrowUp" });
    fireEvent.keyDown(field, { key: "ArrowDown", shiftKey: true });
    expect(changes).toEqual([1, 0]);
  });

  test("several that differ say so; there is nothing to add to", () => {
    const { field, changes, refusals } = number({ value: null });
    expect(field.getAttribute("placeholder")).toBe("mixed");
    type(field, "+1");
    type(field, "0.7");
    expect(changes).toEqual([0.7]);
    expect(refusals).toEqual([expect.stringMatching(/different values/)]);
  });

  test("where none is needed an emptied field clears it, and is not told off", () => {
    let cleared = 0;
    const { field, changes, refusals } = number({ value: 0.3, none: "none", onClear: () => void (cleared += 1) });
    type(field, " ");
    expect([cleared, changes, refusals]).toEqual([1, [], []]);
  });
});

describe("a length", () => {
  test("keeps its unit, takes another with the number, and converts by the list", () => {
    const changes: string[] = [];
    const convert = (length: string, unit: string) => `${parseFloat(length) * 10}${unit}`;
    render(<LengthField label="width" value="12mm" onChange={(v) => void changes.push(v)} convert={convert} />);
    const field = screen.getByLabelText("width");
    type(field, "8");
    type(field, "3u");
    fireEvent.keyDown(field, { key: "ArrowUp" });
    fireEvent.change(screen.getByLabelText("width: unit"), { target: { value: "px" } });
    expect(changes).toEqual(["8mm", "3u", "12.1mm", "120px"]);
  });

  test("turned round it shows and takes the distance from the other side", () => {
    const changes: string[] = [];
    render(<LengthField label="x" value="-5mm" negate onChange={(v) => void changes.push(v)} />);
    const field = screen.getByLabelText("x") as HTMLInputElement;
    expect(field.value).toBe("5");
    type(field, "7");
    fireEvent.keyDown(field, { key: "ArrowUp" });
    expect(changes).toEqual(["-7mm", "-5.1mm"]);
  });

  test("what is no length is told with the way out", () => {
    const refusals: string[] = [];
    render(<LengthField label="x" value="5mm" onChange={() => undefined} onRefuse={(m) => void refusals.push(m)} />);
    type(screen.getByLabelText("x"), "5 furlongs");
    expect(refusals[0]).toMatch(/“5 furlongs” is not a length; write a number/);
  });
});

test("choices, switches and colours show several that differ, and tell what is chosen", () => {
  const told: unknown[] = [];
  render(
    <>
      <ChoiceField
        label="curve"
        value={null}
        options={[
          ["linear", "straight"],
          ["full", "on or off"],
        ]}
        onChange={(v) => void told.push(v)}
      />
      <SwitchField label="slides in" value={null} onChange={(v) => void told.push(v)} />
      <ColourField label="fill" value={null} onChange={(v) => void told.push(v)} />
    </>,
  );
  expect((screen.getByLabelText("curve") as HTMLSelectElement).selectedOptions[0].text).toBe("mixed");
  expect((screen.getByLabelText("slides in") as HTMLInputElement).indeterminate).toBe(true);
  fireEvent.change(screen.getByLabelText("curve"), { target: { value: "full" } });
  fireEvent.click(screen.getByLabelText("slides in"));
  fireEvent.change(screen.getByLabelText("fill"), { target: { value: "#a5281b" } });
  expect(told).toEqual(["full", true, "#A5281B"]);
});

test("a tally has a mark and a word a severity; short it keeps the words for readers", () => {
  const { rerender, container } = render(<Tally tally={undefined} />);
  expect(container.textContent).toBe("checking…");
  rerender(<Tally tally={{ blocker: 0, warning: 0, note: 0 }} />);
  expect(container.textContent).toBe("no findings");
  rerender(<Tally tally={{ blocker: 1, warning: 0, note: 3 }} />);
  expect(container.textContent).toBe("■ 1 blocker○ 3 notes");
  rerender(<Tally tally={{ blocker: 2, warning: 0, note: 0 }} short />);
  expect(container.querySelector(".sr-only")?.textContent).toBe(" blockers");
});

describe("dragging on a number", () => {
  beforeAll(() => {
    Element.prototype.setPointerCapture = () => undefined;
  });
  const pointer = (element: Element | Window, name: string, x: number, more: object = {}) =>
    fireEvent(element, Object.assign(new MouseEvent(name, { bubbles: true, cancelable: true, clientX: x, ...more }), { pointerId: 1, ...more }));

  function Host({ drags, children }: { drags: NumberDrags; children: ReactNode }) {
    return <NumberDragsProvider value={drags}>{children}</NumberDragsProvider>;
  }
  function Held({ said }: { said: string[] }) {
    const [value, setValue] = useState(10);
    return (
      <NumberField
        label="w"
        value={value}
        onChange={(v) => {
          said.push(String(v));
          setValue(v);
        }}
      />
    );
  }
  const field = () => {
    const said: string[] = [];
    const drags: NumberDrags = { start: startDrag, begin: () => said.push("begin"), commit: () => said.push("commit"), cancel: () => said.push("cancel") };
    const view = render(
      <Host drags={drags}>
        <Held said={said} />
      </Host>,
    );
    return { said, input: screen.getByLabelText("w"), ...view };
  };

  test("is one gesture of steps, each told from where the drag began", () => {
    const { said, input } = field();
    pointer(input, "pointerdown", 100);
    pointer(input, "pointermove", 102);
    pointer(input, "pointermove", 108);
    pointer(input, "pointermove", 109);
    pointer(input, "pointermove", 120);
    pointer(input, "pointerup", 96);
    expect(said).toEqual(["begin", "12", "15", "9", "commit"]);
  });

  test.each<[string, (input: Element) => void]>([
    ["Escape", () => fireEvent.keyDown(window, { key: "Escape" })],
    ["a cancelled pointer", (input) => pointer(input, "pointercancel", 0)],
    ["a lost capture", (input) => pointer(input, "lostpointercapture", 0)],
    ["a second finger", () => pointer(window, "pointerdown", 0, { pointerId: 2 })],
  ])("%s takes it back", (_how, end) => {
    const { said, input } = field();
    pointer(input, "pointerdown", 100);
    pointer(input, "pointermove", 120);
    end(input);
    pointer(input, "pointermove", 160);
    pointer(input, "pointerup", 160);
    expect(said).toEqual(["begin", "15", "cancel"]);
  });

  test("the field going away in the middle takes it back", () => {
    const { said, input, unmount } = field();
    pointer(input, "pointerdown", 100);
    pointer(input, "pointermove", 120);
    unmount();
    expect(said).toEqual(["begin", "15", "cancel"]);
  });

  test("a click without a drag goes into the field, and there a drag selects text", () => {
    const { said, input } = field();
    pointer(input, "pointerdown", 100);
    pointer(input, "pointerup", 101);
    expect(document.activeElement).toBe(input);
    pointer(input, "pointerdown", 100);
    pointer(input, "pointermove", 150);
    pointer(input, "pointerup", 150);
    expect(said).toEqual([]);
  });

  test("steps are whole, tenfold with Shift, and less than one to the left is none", () => {
    const at = (x: number, shift = false) => stepsOf({ from: { x: 0, y: 0 }, at: { x, y: 0 }, keys: { shift, alt: false } });
    expect([at(3), at(-3), at(9), at(-9), at(9, true)]).toEqual([0, 0, 2, -2, 20]);
    expect(Object.is(at(-3), -0)).toBe(false);
  });
});
