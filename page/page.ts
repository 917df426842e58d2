/** The page that plays by itself: a layout, the runtime and the test yard in one file, with hand, size and moment to choose and takes to record. */
import { drawing } from "../runtime/drawing";
import { play } from "../runtime/play";
import { record, type Recording } from "../runtime/recording";
import type { Handle } from "../runtime/handle";
import { placesFor, roomOf } from "../samples/yard/places";
import { createYard } from "../samples/yard/yard";

const byId = <E extends HTMLElement>(id: string) => document.getElementById(id) as E;

/** Puts the yard's bodies where no control covers them, and draws them on the canvas below the controls. */
function createScene(handle: Handle, canvas: HTMLCanvasElement): () => void {
  const yard = createYard(handle.layout.actions);
  handle.onTick((values) => yard.tick(values, 1000 / handle.hz));
  let placed = "";
  return () => {
    const { screen } = handle;
    const [w, h] = [Math.round(screen.widthPx), Math.round(screen.heightPx)];
    if (canvas.width !== w) canvas.width = w;
    if (canvas.height !== h) canvas.height = h;
    const px = w / (canvas.getBoundingClientRect().width || 1);
    const covers = handle.controls().map(({ hit }) => ({ x: hit.x * px, y: hit.y * px, w: hit.w * px, h: hit.h * px }));
    const key = JSON.stringify([covers.map((box) => Object.values(box).map(Math.round)), w, h]);
    // Seeking places takes its time, and they change only where controls or the screen do.
    if (key !== placed) yard.place(placesFor(handle.layout.actions.length, covers, roomOf(screen)));
    placed = key;
    const ctx = canvas.getContext("2d");
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
  let recording: Recording | null = null;
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

const handle = play(byId("played").textContent, { over: byId("glass"), draw: drawing, appear: "always", moment: null });
const [first] = handle.layout.moments;
if (first) handle.moment = first.id;
const draw = createScene(handle, byId<HTMLCanvasElement>("glass"));
createBar(handle);
const turn = () => {
  draw();
  requestAnimationFrame(turn);
};
turn();
Object.assign(window, { handle });
