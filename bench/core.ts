/** The core's speed, as ratios and per-step work in one run. Printed, never asserted. */
import Yoga, { Direction, PositionType, Edge } from "yoga-layout";
import { bareFindings, checkScreen } from "../core/checks/check";
import { missesOn } from "../core/checks/misses";
import { allowedWay, holdScreens, type GoodWay } from "../core/checks/screenHold";
import { editContextOf, moveBy } from "../core/editing/placing";
import { advance, tickTime } from "../core/engine/input/advance";
import type { InputEvent } from "../core/engine/input/events";
import { prepareInput } from "../core/engine/input/setup";
import { initialState } from "../core/engine/input/inputState";
import { parseLayout } from "../core/format/parse";
import type { Layout, Screen } from "../core/format/types";
import { prepareLayout } from "../core/engine/placement/prepare";
import { PLAIN_PLAYER_VIEW, resolve } from "../core/engine/placement/resolve";
import { plainScreen } from "../core/engine/placement/screen";
import { findAspectIntervals } from "../core/checks/aspectIntervals";

/** A layout of forty controls as a game would have them: sticks, pads, buttons, spread without overlap. */
function forty(): Layout {
  const kinds = ["stick", "dpad", "button", "button", "button", "button", "button", "touchpad"] as const;
  const controls = Array.from({ length: 40 }, (_, i) => {
    const kind = kinds[i % kinds.length];
    return {
      id: `c${i}`,
      name: `c${i}`,
      kind,
      placement: {
        kind: "pin",
        frame: "safe",
        anchor: [i % 2, Math.floor(i / 2) % 2],
        pivot: [i % 2, Math.floor(i / 2) % 2],
        offset: [`${(i % 2 ? -1 : 1) * (20 + (Math.floor(i / 4) % 5) * 155)}u`, `${(Math.floor(i / 2) % 2 ? -1 : 1) * (20 + Math.floor(i / 20) * 160)}u`],
        size: ["140u", "140u"],
      },
      serves: [{ port: kind === "button" ? "press" : "held", action: `action-${i}` }],
    };
  });
  const read = parseLayout({
    format: "nodulum-layout",
    version: 1,
    name: "Forty",
    reference: { width: 1600, height: 720 },
    scale: { share: 0.3 },
    actions: controls.map((_, i) => ({ name: `action-${i}`, kind: "press" })),
    controls,
  });
  if (!read.ok) throw new Error(JSON.stringify(read.problems));
  return read.value;
}

const screens: Screen[] = Array.from({ length: 200 }, (_, i) => plainScreen(`s${i}`, 1000 + i * 9, 600 + (i % 40) * 11, 220 + (i % 7) * 40));

/** The median time of a piece of work, ms, after warming up. */
function timed(work: () => unknown, runs = 15): number {
  for (let i = 0; i < 3; i += 1) work();
  const times = Array.from({ length: runs }, () => {
    const start = performance.now();
    work();
    return performance.now() - start;
  });
  return times.sort((a, b) => a - b)[Math.floor(runs / 2)];
}

function yogaBoxes(): void {
  const root = Yoga.Node.create();
  root.setWidth(2000);
  root.setHeight(1000);
  for (let i = 0; i < 8000; i += 1) {
    const box = Yoga.Node.create();
    box.setPositionType(PositionType.Absolute);
    box.setPosition(Edge.Left, i % 1000);
    box.setPosition(Edge.Top, i % 700);
    box.setWidth(100);
    box.setHeight(100);
    root.insertChild(box, i);
  }
  root.calculateLayout(2000, 1000, Direction.LTR);
  root.freeRecursive();
}

const layout = forty();
const prepared = prepareLayout(layout);
const ours = timed(() => screens.map((screen) => resolve(prepared, screen)), 41);
const theirs = timed(yogaBoxes, 7);
console.log(
  `resolving 40 controls on 200 screens: ${ours.toFixed(2)} ms; yoga-layout, 8,000 absolute boxes: ${theirs.toFixed(1)} ms; ${(theirs / ours).toFixed(0)} times faster (aim 50)`,
);

const checks = timed(() => screens.map((screen) => bareFindings(layout, screen)), 9);
// Its own version each time: nothing that was found before may be taken over.
const told = timed(() => {
  const version = { ...layout };
  return screens.map((screen) => checkScreen(version, screen));
}, 5);
const against = (ms: number) => `${(ms / theirs).toFixed(2)} of yoga's time`;
console.log(
  `all findings for 40 controls on 200 screens: ${checks.toFixed(0)} ms, ${against(checks)} (aim 0.6); with texts and up to four moves a screen proved by checking it again: ${told.toFixed(0)} ms`,
);

const setup = prepareInput(layout, resolve(prepared, screens[100]), 60);
const TICKS = 10_000;
const down: InputEvent[] = Array.from({ length: 10 }, (_, id) => ({ t: 1, id, type: "down", x: 60 + id * 150, y: id % 2 ? 80 : 560 }));
const moves = Array.from({ length: TICKS }, (_, n): InputEvent[] =>
  Array.from({ length: 10 }, (_, id) => ({ t: tickTime(n + 2, 60), id, type: "move", x: 60 + id * 150 + (n % 30), y: (id % 2 ? 80 : 560) + (n % 20) })),
);
const touched = advance(setup, initialState(setup), down, tickTime(1, 60)).state;
let state = touched;
const tick = timed(() => {
  state = touched;
  for (let n = 0; n < TICKS; n += 1) state = advance(setup, state, moves[n], tickTime(n + 2, 60)).state;
}, 7);
console.log(
  `10,000 ticks of advance with 10 moving touches and 40 controls: ${tick.toFixed(0)} ms, ${against(tick)} (aim 1), ${((tick / TICKS) * 1000).toFixed(1)} µs a tick; state ${JSON.stringify(state).length} bytes after them`,
);

const span = timed(
  () => findAspectIntervals(layout, { diagonalInches: 6.1, ppi: 420, from: 1.2, to: 2.4, insetsMm: { left: 0, top: 0, right: 0, bottom: 0 } }),
  3,
);
console.log(`spans of a 40-control layout over 1.2–2.4: ${span.toFixed(0)} ms, ${against(span)} (aim 4)`);

const missed = timed(() => screens.slice(0, 20).map((screen) => missesOn(layout, resolve(prepared, screen), { handed: "right", moment: null })), 5);
console.log(`misses of 40 controls: ${(missed / 20).toFixed(1)} ms a screen (aim 30)`);

/** A drag to and fro across the glass of each of six controls, every frame held against twelve screens. */
function heldDrags(): number[] {
  const held = screens.slice(0, 12);
  const context = editContextOf(layout, held[0]);
  const hold = holdScreens(layout, held, PLAIN_PLAYER_VIEW);
  return layout.controls.slice(0, 6).flatMap(({ id }) => {
    let last: GoodWay = { way: { x: 0, y: 0 }, version: layout };
    return Array.from({ length: 60 }, (_, i) => {
      const wanted = { x: 300 * Math.sin(i / 19), y: 200 * Math.sin(i / 11) };
      const start = performance.now();
      const made = allowedWay(hold, (way) => moveBy(context, [id], way.x, way.y), last, wanted);
      const ms = performance.now() - start;
      if (made.ok) last = made.value;
      return ms;
    });
  });
}
heldDrags();
const frames = heldDrags().sort((a, b) => a - b);
const at = (part: number) => frames[Math.floor((frames.length - 1) * part)].toFixed(1);
console.log(`a drag that holds 12 screens, 40 controls: ${at(0.5)} ms a frame (median), ${at(0.95)} ms for 19 of 20 (aim 8)`);
