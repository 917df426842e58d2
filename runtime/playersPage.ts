/**
 * `nodulum-runtime/players-page`: a page over the game on which players change the controls for themselves: drag one, size and fade it, make
 * an action more or less sensitive, turn it round. By fingers and by keys. What cannot be is refused by the handle, and is felt as a stop.
 */
import type { Handle, PlayedControl } from "./handle";

/** The words of the page, for games in other languages. */
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

/** Opens the page over an element; it closes itself by its button, or by what it gives. `onDone` hears of it: then `own.json()` is worth keeping. */
export function playersPage(
  handle: Handle,
  over: HTMLElement,
  { words = WORDS, onDone = () => undefined }: { words?: Partial<PageWords>; onDone?: () => void } = {},
): () => void {
  const say = { ...WORDS, ...words };
  const page = make("div", "position:fixed;inset:0;z-index:2147483644;background:#0F171D99;touch-action:none");
  page.setAttribute("role", "dialog");
  page.setAttribute("aria-label", say.title);
  let chosen: string | null = null;
  const sizes = new Map<string, number>();
  const fades = new Map<string, number>();
  const { json } = handle.own;
  for (const [id, { size, fade }] of Object.entries(json().controls)) {
    sizes.set(id, size);
    fades.set(id, fade);
  }
  const boxes = make("div", "position:absolute;inset:0");
  const mmPx = () => (handle.screen.ppi / 25.4) * (over.getBoundingClientRect().width / handle.screen.widthPx);
  const boxOf = ({ id, visual }: PlayedControl): HTMLElement => {
    const { left, top } = over.getBoundingClientRect();
    const box = make(
      "button",
      `position:absolute;left:${left + visual.x}px;top:${top + visual.y}px;width:${visual.w}px;height:${visual.h}px;background:#8EA2FF33;border:2px ${id === chosen ? "solid" : "dashed"} #8EA2FF;border-radius:4px;touch-action:none`,
      { type: "button" },
    );
    box.setAttribute("aria-label", handle.layout.controls.find((c) => c.id === id)?.name ?? id);
    box.dataset.own = id;
    let from: { x: number; y: number } | null = null;
    box.onpointerdown = (event) => {
      chosen = id;
      from = { x: event.clientX, y: event.clientY };
      box.setPointerCapture(event.pointerId);
    };
    box.onpointermove = (event) => {
      if (!from) return;
      const [right, down] = [(event.clientX - from.x) / mmPx(), (event.clientY - from.y) / mmPx()];
      // Where both ways cannot be one of them may.
      if (handle.own.move(id, right, down) || handle.own.move(id, right, 0) || handle.own.move(id, 0, down)) from = { x: event.clientX, y: event.clientY };
      const now = handle.controls().find((c) => c.id === id);
      const rect = over.getBoundingClientRect();
      if (now) Object.assign(box.style, { left: `${rect.left + now.visual.x}px`, top: `${rect.top + now.visual.y}px` });
    };
    box.onpointerup = box.onpointercancel = () => {
      from = null;
      show(id);
    };
    box.onkeydown = (event) => {
      const way = WAYS[event.key];
      if (!way) return;
      event.preventDefault();
      handle.own.move(id, way[0] * STEP_MM, way[1] * STEP_MM);
      show(id);
    };
    box.onfocus = () => (chosen = id);
    return box;
  };
  const show = (focus: string | null = null) => {
    boxes.replaceChildren(...handle.controls().map(boxOf));
    if (focus) boxes.querySelector<HTMLElement>(`[data-own="${focus}"]`)?.focus();
  };
  const bar = make(
    "div",
    "position:absolute;top:max(8px,env(safe-area-inset-top));left:50%;transform:translateX(-50%);display:flex;flex-wrap:wrap;gap:6px;justify-content:center;max-width:96vw",
  );
  const button = (word: string, act: () => void) => bar.append(Object.assign(make("button", SKIN, { type: "button", textContent: word }), { onclick: act }));
  const change = (kept: Map<string, number>, factor: number, put: (id: string, value: number) => boolean) => () => {
    if (chosen === null) return;
    const value = (kept.get(chosen) ?? 1) * factor;
    if (put(chosen, value)) kept.set(chosen, value);
    show(chosen);
  };
  bar.append(make("span", `${SKIN};border:0`, { textContent: say.title }));
  button(
    say.larger,
    change(sizes, 1.1, (id, value) => handle.own.size(id, value)),
  );
  button(
    say.smaller,
    change(sizes, 1 / 1.1, (id, value) => handle.own.size(id, value)),
  );
  button(
    say.fainter,
    change(fades, 0.8, (id, value) => handle.own.fade(id, Math.max(0.1, value))),
  );
  button(
    say.stronger,
    change(fades, 1.25, (id, value) => handle.own.fade(id, Math.min(1, value))),
  );
  for (const { name, kind } of handle.layout.actions) {
    if (kind !== "vector" && kind !== "motion") continue;
    const label = make("label", SKIN, { textContent: `${name}, ${say.sensitivity} ` });
    const range = make("input", "vertical-align:middle", {
      type: "range",
      min: "0.25",
      max: "3",
      step: "0.05",
      value: String(json().actions[name]?.factor ?? 1),
    });
    range.oninput = () => void handle.own.sensitivity(name, Number(range.value));
    label.append(range);
    const own = json().actions[name];
    const turned = make("label", SKIN, { textContent: `${name}, ${say.turned} ` });
    const box = make("input", "vertical-align:middle", { type: "checkbox", checked: own?.upDown ?? false });
    box.onchange = () => void handle.own.invert(name, own?.across ?? false, box.checked);
    turned.append(box);
    bar.append(label, turned);
  }
  button(say.reset, () => {
    handle.own.reset();
    sizes.clear();
    fades.clear();
    show();
  });
  const close = () => {
    if (!page.isConnected) return;
    page.remove();
    onDone();
  };
  button(say.done, close);
  page.append(boxes, bar);
  document.body.append(page);
  show();
  return close;
}
