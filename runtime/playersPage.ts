/**
 * `nodulum-runtime/players-page`: a page over the game on which players customize the controls: move, resize and fade them, set the
 * sensitivity of actions and invert them, by touch or keyboard. The handle rejects changes outside the limits; the drag then stops.
 */
import { elementOf, putAbove } from "./canvasAbove";
import type { Handle, PlayedControl } from "./handle";

/** The texts of the page, for other languages. */
export interface PageWords {
  readonly title: string;
  readonly larger: string;
  readonly smaller: string;
  readonly fainter: string;
  readonly stronger: string;
  readonly sensitivity: string;
  readonly turned: string;
  readonly reset: string;
  readonly done: string;
}
const WORDS: PageWords = {
  title: "Drag the controls to where your thumbs are",
  larger: "larger",
  smaller: "smaller",
  fainter: "fainter",
  stronger: "stronger",
  sensitivity: "sensitivity",
  turned: "up and down turned round",
  reset: "as they were",
  done: "done",
};

const STEP_MM = 1;
const WAYS: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
const SKIN = "background:#16212A;color:#E8E4DA;border:1px solid #93A0A8;border-radius:2px;font:16px/1.3 system-ui,sans-serif;padding:6px 12px;min-height:32px";

function make<K extends keyof HTMLElementTagNameMap>(name: K, style: string, more: Partial<HTMLElementTagNameMap[K]> = {}): HTMLElementTagNameMap[K] {
  const element = Object.assign(document.createElement(name), more);
  element.style.cssText = style;
  return element;
}

/** The selected control, shared by the bar and the boxes. */
interface Choice {
  id: string | null;
}
interface Boxes {
  readonly element: HTMLElement;
  /** Redraws them; `focus`: the one that gets the focus. */
  show(focus?: string | null): void;
}

/** A box over each control, moved by dragging or arrow keys. */
function createBoxes(handle: Handle, over: HTMLElement, choice: Choice): Boxes {
  const element = make("div", "position:absolute;inset:0");
  const put = (box: HTMLElement, { visual }: PlayedControl) => {
    const { left, top } = over.getBoundingClientRect();
    Object.assign(box.style, { left: `${left + visual.x}px`, top: `${top + visual.y}px`, width: `${visual.w}px`, height: `${visual.h}px` });
  };
  const boxOf = (control: PlayedControl): HTMLElement => {
    const { id } = control;
    const skin = `position:absolute;background:#8EA2FF33;border:2px ${id === choice.id ? "solid" : "dashed"} #8EA2FF;border-radius:4px;touch-action:none`;
    const box = make("button", skin, { type: "button" });
    box.setAttribute("aria-label", handle.layout.controls.find((c) => c.id === id)?.name ?? id);
    box.dataset.own = id;
    put(box, control);
    box.onfocus = () => (choice.id = id);
    box.onkeydown = (event) => {
      const way = WAYS[event.key];
      if (!way) return;
      event.preventDefault();
      handle.overrides.move(id, way[0] * STEP_MM, way[1] * STEP_MM);
      show(id);
    };
    draggable(handle, over, {
      box,
      id,
      moved: () => {
        const now = handle.controls().find((c) => c.id === id);
        if (now) put(box, now);
      },
      ended: () => show(id),
    });
    return box;
  };
  const show = (focus: string | null = null) => {
    element.replaceChildren(...handle.controls().map(boxOf));
    if (focus) element.querySelector<HTMLElement>(`[data-own="${focus}"]`)?.focus();
  };
  return { element, show };
}

interface Dragged {
  readonly box: HTMLElement;
  readonly id: string;
  readonly moved: () => void;
  readonly ended: () => void;
}

/** Lets a touch drag a control; if the whole movement is rejected, tries each axis. */
function draggable(handle: Handle, over: HTMLElement, { box, id, moved, ended }: Dragged): void {
  let from: { readonly x: number; readonly y: number } | null = null;
  const mmPx = () => (handle.screen.ppi / 25.4) * (over.getBoundingClientRect().width / handle.screen.widthPx);
  box.onpointerdown = (event) => {
    from = { x: event.clientX, y: event.clientY };
    box.setPointerCapture(event.pointerId);
  };
  box.onpointermove = (event) => {
    if (!from) return;
    const [right, down] = [(event.clientX - from.x) / mmPx(), (event.clientY - from.y) / mmPx()];
    if (handle.overrides.move(id, right, down) || handle.overrides.move(id, right, 0) || handle.overrides.move(id, 0, down))
      from = { x: event.clientX, y: event.clientY };
    moved();
  };
  box.onpointerup = box.onpointercancel = () => {
    from = null;
    ended();
  };
}

type AddButton = (word: string, act: () => void) => void;

/** The buttons for size and opacity of the selected control. */
function addChanges(
  handle: Handle,
  choice: Choice,
  { say, add, show }: { readonly say: PageWords; readonly add: AddButton; readonly show: Boxes["show"] },
): void {
  const change = (key: "size" | "fade", factor: number) => () => {
    const { id } = choice;
    if (id === null) return;
    const now = handle.overrides.json().controls[id]?.[key] ?? 1;
    handle.overrides[key](id, key === "fade" ? Math.min(1, Math.max(0.1, now * factor)) : now * factor);
    show(id);
  };
  add(say.larger, change("size", 1.1));
  add(say.smaller, change("size", 1 / 1.1));
  add(say.fainter, change("fade", 0.8));
  add(say.stronger, change("fade", 1.25));
}

/** Sensitivity and inversion of each axis, vector and motion. */
function actionFields(handle: Handle, say: PageWords): HTMLElement[] {
  return handle.layout.actions.flatMap(({ name, kind }) => {
    if (kind !== "vector" && kind !== "motion") return [];
    const own = handle.overrides.json().actions[name];
    const label = make("label", SKIN, { textContent: `${name}, ${say.sensitivity} ` });
    const range = make("input", "vertical-align:middle", { type: "range", min: "0.25", max: "3", step: "0.05", value: String(own?.factor ?? 1) });
    range.oninput = () => void handle.overrides.sensitivity(name, Number(range.value));
    label.append(range);
    const turned = make("label", SKIN, { textContent: `${name}, ${say.turned} ` });
    const box = make("input", "vertical-align:middle", { type: "checkbox", checked: own?.upDown ?? false });
    box.onchange = () => void handle.overrides.invert(name, own?.across ?? false, box.checked);
    turned.append(box);
    return [label, turned];
  });
}

export interface PlayersPageOptions {
  readonly words?: Partial<PageWords>;
  /** Called when the page closes; store `overrides.json()` then. */
  readonly onDone?: () => void;
}

/** Opens the page over an element. Its button or the returned function closes it. */
export function playersPage(handle: Handle, over: Element | string | null = handle.over, { words = {}, onDone }: PlayersPageOptions = {}): () => void {
  const game = elementOf(over, "playersPage: over");
  const say = { ...WORDS, ...words };
  const plain = "margin:0;padding:0;border:0;width:auto;height:auto;max-width:none;max-height:none;overflow:hidden";
  const page = make("div", `position:fixed;inset:0;z-index:2147483644;background:#0F171D99;touch-action:none;${plain}`);
  page.setAttribute("role", "dialog");
  page.setAttribute("aria-label", say.title);
  const choice: Choice = { id: null };
  const { element, show } = createBoxes(handle, game, choice);
  const place = "position:absolute;top:max(8px,env(safe-area-inset-top));left:50%;transform:translateX(-50%);max-width:96vw";
  const bar = make("div", `${place};display:flex;flex-wrap:wrap;gap:6px;justify-content:center`);
  const add: AddButton = (word, act) => bar.append(Object.assign(make("button", SKIN, { type: "button", textContent: word }), { onclick: act }));
  const close = () => {
    if (!page.isConnected) return;
    above.close();
    onDone?.();
  };
  bar.append(make("span", `${SKIN};border:0`, { textContent: say.title }));
  addChanges(handle, choice, { say, add, show });
  bar.append(...actionFields(handle, say));
  add(say.reset, () => {
    handle.overrides.reset();
    show();
  });
  add(say.done, close);
  page.append(element, bar);
  const above = putAbove(page, game, document.body);
  show();
  return close;
}
