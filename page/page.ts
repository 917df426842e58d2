/** The page that plays by itself: a layout, the runtime and the test yard in one file, with hand, size and moment to choose, values and feel to see, takes to record. */
import { drawing } from "../runtime/drawing";
import { play } from "../runtime/play";
import { record, type TakeRecorder } from "../runtime/recording";
import type { Handle, PlayedControl } from "../runtime/handle";
import { keepTurned } from "../runtime/turn";
import { placing, roomOf } from "../samples/yard/places";
import { createYard } from "../samples/yard/yard";
import { createFeel } from "./feelPanel";

const byId = <E extends HTMLElement>(id: string) => document.getElementById(id) as E;

/** Whether a stick takes touches in a landing area: one far larger than the stick. */
const isLanding = ({ kind, visual, hit }: PlayedControl) => kind === "stick" && hit.w * hit.h > 4 * visual.w * visual.h;

/** Puts the yard's bodies where no control covers them, and draws them on the canvas below the controls. */
function createScene(handle: Handle, canvas: HTMLCanvasElement): () => void {
  const yard = createYard(handle.layout.actions);
  handle.onTick((values) => yard.tick(values, 1000 / handle.hz));
  let placed = "";
  let drawn = "";
  return () => {
    const { screen } = handle;
    const [w, h] = [Math.round(screen.widthPx), Math.round(screen.heightPx)];
    if (canvas.width !== w) canvas.width = w;
    if (canvas.height !== h) canvas.height = h;
    const px = w / (canvas.getBoundingClientRect().width || 1);
    const boxOf = ({ x, y, w: width, h: height }: PlayedControl["hit"]) => ({ x: x * px, y: y * px, w: width * px, h: height * px });
    const controls = handle.controls();
    const seen = controls.map((control) => boxOf(isLanding(control) ? control.visual : control.hit));
    const landings = controls.filter(isLanding).map(({ hit }) => boxOf(hit));
    const key = JSON.stringify([[...seen, ...landings].map((box) => Object.values(box).map(Math.round)), w, h]);
    // Seeking places takes its time, and they change only where controls or the screen do.
    if (key !== placed) yard.place(placing(handle.layout.actions.length, { seen, landings }, roomOf(screen)));
    placed = key;
    const shows = `${key} ${yard.revision()}`;
    const ctx = shows === drawn ? null : canvas.getContext("2d");
    drawn = shows;
    if (ctx) yard.draw(ctx, w, h);
  };
}

/** Gives a text as a file. */
function save(name: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: "application/json" }));
  const link = Object.assign(document.createElement("a"), { href: url, download: name });
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

function fill(select: HTMLSelectElement, options: readonly (readonly [value: string, word: string])[], chosen: string): void {
  select.replaceChildren(...options.map(([value, word]) => new Option(word, value, false, value === chosen)));
}

/** The bar: what is chosen, and the record button. */
function createBar(handle: Handle): void {
  const { moments, playerSizes, name } = handle.layout;
  const hand = byId<HTMLSelectElement>("hand");
  const size = byId<HTMLSelectElement>("size");
  const moment = byId<HTMLSelectElement>("moment");
  fill(
    hand,
    [
      ["right", "right hand"],
      ["left", "left hand"],
    ],
    handle.handed,
  );
  const sizes = [...new Set([playerSizes.min, 1, playerSizes.max])].filter((one) => one >= playerSizes.min && one <= playerSizes.max).sort((a, b) => a - b);
  fill(
    size,
    sizes.map((one) => [String(one), `size ${one}`] as const),
    String(handle.playerSize),
  );
  fill(moment, [["", "every moment"], ...moments.map((one) => [one.id, one.name] as const)], handle.moment ?? "");
  moment.hidden = moments.length === 0;
  hand.onchange = () => (handle.handed = hand.value as "right" | "left");
  size.onchange = () => (handle.playerSize = Number(size.value));
  moment.onchange = () => (handle.moment = moment.value || null);
  const button = byId<HTMLButtonElement>("record");
  let recording: TakeRecorder | null = null;
  button.onclick = () => {
    if (recording) {
      save(
        `${name.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase() || "layout"}.nodulum-take.json`,
        recording.stop(`${name}, ${new Date().toISOString().slice(0, 16)}`),
      );
      recording = null;
    } else recording = record(handle);
    button.textContent = recording ? "■ end the take" : "● record a take";
    button.setAttribute("aria-pressed", String(recording !== null));
  };
}

/** The tabs: what every action gives, and the feel of what was touched last. Gives what must be called at every picture. */
function createTabs(handle: Handle, played: string): () => void {
  const values = byId("values-panel");
  const feel = byId("feel-panel");
  for (const [button, panel] of [
    [byId<HTMLButtonElement>("values"), values],
    [byId<HTMLButtonElement>("feel"), feel],
  ] as const)
    button.onclick = () => {
      panel.hidden = !panel.hidden;
      button.setAttribute("aria-pressed", String(!panel.hidden));
    };
  const cells = handle.layout.actions.map(({ name }) => {
    const [term, detail] = [document.createElement("dt"), document.createElement("dd")];
    term.textContent = name;
    values.append(term, detail);
    return { name, detail };
  });
  const watch = createFeel(handle, played, feel);
  return () => {
    watch();
    if (values.hidden) return;
    for (const { name, detail } of cells) {
      const text = valueText(handle.value(name));
      if (detail.textContent !== text) detail.textContent = text;
    }
  };
}

/** A value in two decimals; a press as on or off. */
const valueText = (value: boolean | number | readonly [number, number]): string =>
  typeof value === "boolean" ? (value ? "on" : "off") : typeof value === "number" ? value.toFixed(2) : `${value[0].toFixed(2)}, ${value[1].toFixed(2)}`;

const played = byId("played").textContent;
const glass = byId<HTMLCanvasElement>("glass");
const handle = play(played, { over: glass, draw: drawing, appear: "always", moment: null });
const [first] = handle.layout.moments;
if (first) handle.moment = first.id;
keepTurned(handle, glass);
const draw = createScene(handle, glass);
const showTabs = createTabs(handle, played);
createBar(handle);
const turn = () => {
  draw();
  showTabs();
  requestAnimationFrame(turn);
};
turn();
Object.assign(window, { handle });
