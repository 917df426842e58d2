/** The feel of the control that was touched last, as fields: what is changed is felt at once, and told as what to write in the layout. */
import type { Handle } from "../runtime/handle";
import type { ControlKind } from "../core/engine/types";

interface Field {
  readonly key: string;
  readonly label: string;
}
interface NumberField extends Field {
  readonly least: number;
  readonly most: number;
  readonly step: number;
}
interface ChoiceField extends Field {
  readonly choices: readonly (readonly [value: string | number, label: string])[];
}

const SLIDE_OUT: ChoiceField = {
  key: "slideOut",
  label: "Finger slides out",
  choices: [
    ["keep", "stays held"],
    ["release", "is released"],
  ],
};

/** The fields of each kind; ranges as in the layout file (docs/FORMAT.md). */
const FIELDS: Readonly<Record<ControlKind, readonly (NumberField | ChoiceField)[]>> = {
  stick: [
    { key: "inner", label: "Inner dead zone, × travel", least: 0, most: 0.9, step: 0.01 },
    { key: "outer", label: "Full at, × travel", least: 0.1, most: 1, step: 0.01 },
    {
      key: "origin",
      label: "Base",
      choices: [
        ["fixed", "fixed"],
        ["floating", "floating"],
        ["trailing", "trailing"],
      ],
    },
    {
      key: "directions",
      label: "Directions",
      choices: [
        [0, "any"],
        [4, "4"],
        [8, "8"],
        [16, "16"],
      ],
    },
  ],
  dpad: [
    {
      key: "ways",
      label: "Directions",
      choices: [
        [4, "4"],
        [8, "8"],
      ],
    },
    { key: "neutral", label: "Neutral zone, × radius", least: 0.01, most: 0.9, step: 0.01 },
    { key: "diagonal", label: "Diagonals, degrees", least: 10, most: 80, step: 1 },
    SLIDE_OUT,
  ],
  button: [
    {
      key: "press",
      label: "Press",
      choices: [
        ["hold", "while held"],
        ["latch", "on and off"],
        ["pulse", "once, when touched"],
        ["release", "once, when released"],
        ["long", "once, after a long touch"],
        ["double", "once, at a double tap"],
      ],
    },
    { key: "longMs", label: "Long touch, ms", least: 100, most: 3000, step: 50 },
    { key: "withinMs", label: "Double tap within, ms", least: 100, most: 2000, step: 50 },
    SLIDE_OUT,
  ],
  dial: [
    { key: "rangeDeg", label: "Range, degrees", least: 10, most: 3600, step: 10 },
    { key: "inner", label: "Dead zone, × half the range", least: 0, most: 0.9, step: 0.01 },
    { key: "neutral", label: "Not read near the middle, × radius", least: 0, most: 0.9, step: 0.01 },
    {
      key: "rest",
      label: "Let go",
      choices: [
        ["middle", "goes to the middle"],
        ["stays", "stays"],
      ],
    },
  ],
  touchpad: [{ key: "gain", label: "Gain, units a mm", least: 0.05, most: 20, step: 0.05 }],
  swipe: [
    { key: "distanceMm", label: "Distance, mm", least: 1, most: 60, step: 0.5 },
    {
      key: "directions",
      label: "Directions",
      choices: [
        [0, "any"],
        [2, "2"],
        [4, "4"],
        [8, "8"],
      ],
    },
  ],
};

/** As much of a played file as is changed here. */
interface PlayedFile {
  readonly format: string;
  readonly controls: readonly { readonly id: string; readonly kind: ControlKind; readonly feel: Record<string, unknown> }[];
}

function make<K extends "h2" | "p" | "label" | "select" | "input" | "button">(name: K, ...inside: (Node | string)[]): HTMLElementTagNameMap[K] {
  const made = document.createElement(name);
  made.append(...inside);
  return made;
}

/** What differs from the layout, as it is written there. */
function changesIn(file: PlayedFile, plain: PlayedFile): string {
  const lines = plain.controls.flatMap(({ id, feel }, i) =>
    Object.entries(file.controls[i].feel).flatMap(([key, value]) =>
      JSON.stringify(value) === JSON.stringify(feel[key]) ? [] : [`${id}: ${key} ${JSON.stringify(value)}`],
    ),
  );
  return lines.length === 0 ? "" : `Changed here: ${lines.join(", ")}`;
}

/** A field of a feel; `change` is called with what is set. */
function fieldFor(feel: Record<string, unknown>, field: NumberField | ChoiceField, change: (value: unknown) => void): HTMLElement {
  if ("choices" in field) {
    const select = make("select", ...field.choices.map(([value, label]) => new Option(label, String(value), false, feel[field.key] === value)));
    select.onchange = () => change(field.choices[select.selectedIndex][0]);
    return make("label", field.label, select);
  }
  const { least, most, step } = field;
  const input = Object.assign(make("input"), { type: "number", min: String(least), max: String(most), step: String(step), value: String(feel[field.key]) });
  input.onchange = () => {
    change(Math.min(most, Math.max(least, Number(input.value))));
    input.value = String(feel[field.key]);
  };
  return make("label", field.label, input);
}

/** Fills `panel` with the fields of whatever is touched last. Gives what must be called at every picture. */
export function createFeel(handle: Handle, played: string, panel: HTMLElement): () => void {
  const plain = JSON.parse(played) as PlayedFile;
  const file = structuredClone(plain);
  const held = new Set<string>();
  let shown: string | null = null;
  const told = make("p");
  told.setAttribute("role", "status");
  const change = (feel: Record<string, unknown>, key: string, value: unknown): void => {
    const before = feel[key];
    feel[key] = value;
    try {
      handle.replace(file);
      told.textContent = changesIn(file, plain);
    } catch (error) {
      feel[key] = before;
      told.textContent = error instanceof Error ? error.message : String(error);
    }
  };
  const show = (id: string | null): void => {
    shown = id;
    const control = file.controls.find((one) => one.id === id);
    if (!control) return panel.replaceChildren(make("p", "Touch a control to change its feel."));
    const reset = Object.assign(make("button", "Reset"), { type: "button" });
    reset.onclick = () => {
      Object.assign(control.feel, structuredClone(plain.controls.find((one) => one.id === id)!.feel));
      handle.replace(file);
      told.textContent = changesIn(file, plain);
      show(id);
    };
    panel.replaceChildren(
      make("h2", `Feel: ${control.id}`),
      ...FIELDS[control.kind].map((field) => fieldFor(control.feel, field, (value) => change(control.feel, field.key, value))),
      reset,
      told,
    );
  };
  show(null);
  return () => {
    for (const { id, held: isHeld } of handle.controls()) {
      if (isHeld && !held.has(id) && id !== shown) show(id);
      if (isHeld) held.add(id);
      else held.delete(id);
    }
  };
}
