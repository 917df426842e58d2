/** The takes that ship with the samples: hands described in words, played on each sample, written with what they give. `npm run takes`. */
import { writeFileSync } from "node:fs";
import { screenOf, SCREEN_CLASSES } from "../core/checks/catalogue";
import { resolvedOn } from "../core/derived/resolved";
import type { InputEvent } from "../core/engine/input/events";
import { centreOf } from "../core/engine/geometry/point";
import { writeTake, TAKE_FILE } from "../core/exchange/takeFile";
import { takeFrames, layoutDigest, type Take } from "../core/rehearsal/take";
import type { Layout, Screen } from "../core/format/types";
import { SAMPLES } from "../samples/samples";

const screen = (name: string, way: "landscape" | "portrait"): Screen =>
  screenOf(
    SCREEN_CLASSES.find((c) => c.name === name)!,
    way,
  );
const PHONE = "Tall phone 20:9, notch";

/** Two hands on a layout: each deed writes events; places are mm from the middle of a control. */
function handsOn(layout: Layout, at: Omit<Take, "events" | "frames" | "layout">) {
  const { controls } = resolvedOn(layout, at.screen, { handed: at.handed, playerSize: at.playerSize, moment: null });
  const mm = at.screen.ppi / 25.4;
  const events: InputEvent[] = [];
  const place = (id: string, x: number, y: number) => {
    const middle = centreOf(controls.find((c) => c.id === id)!.visual);
    return { x: Math.round((middle.x + x * mm) * 100) / 100, y: Math.round((middle.y + y * mm) * 100) / 100 };
  };
  const touch = (t: number, type: "down" | "move" | "up" | "cancel", finger: number, where: { x: number; y: number }) =>
    events.push({ t, id: finger, type, ...where });
  return {
    /** Presses for so long; a thumb never falls quite on the middle. */
    tap(t: number, finger: number, id: string, { ms = 110, x = 0.4, y = -0.3 }: { ms?: number; x?: number; y?: number } = {}) {
      touch(t, "down", finger, place(id, x, y));
      touch(t + ms, "up", finger, place(id, x, y));
    },
    /** Goes along points of [ms from the beginning, x mm, y mm], a move every 16 ms, and lifts. */
    stroke(t: number, finger: number, id: string, points: readonly (readonly [number, number, number])[]) {
      const [, x, y] = points[0];
      touch(t, "down", finger, place(id, x, y));
      for (let i = 1; i < points.length; i += 1) {
        const [[t0, x0, y0], [t1, x1, y1]] = [points[i - 1], points[i]];
        for (let ms = t0 + 16; ms < t1; ms += 16) {
          const part = (ms - t0) / (t1 - t0);
          touch(t + ms, "move", finger, place(id, x0 + (x1 - x0) * part, y0 + (y1 - y0) * part));
        }
        touch(t + t1, "move", finger, place(id, x1, y1));
      }
      const [end, lastX, lastY] = points[points.length - 1];
      touch(t + end + 8, "up", finger, place(id, lastX, lastY));
    },
    key(t: number, code: string, ms: number) {
      events.push({ t, type: "key", code, down: true }, { t: t + ms, type: "key", code, down: false });
    },
    moment: (t: number, moment: string) => void events.push({ t, type: "moment", moment }),
    free(t: number, finger: number, x: number, y: number) {
      touch(t, "down", finger, { x, y });
      touch(t + 90, "up", finger, { x, y });
    },
    take(): Take {
      const order = events.map((event, i) => ({ event, i })).sort((a, b) => a.event.t - b.event.t || a.i - b.i);
      const take: Take = { ...at, layout: layoutDigest(layout), events: order.map(({ event }) => event), frames: null };
      const frames = takeFrames(take, layout);
      if (!frames.ok) throw new Error(`${take.name}: ${JSON.stringify(frames.problems)}`);
      return { ...take, frames: frames.value };
    },
  };
}

/** A circle of a radius as points for a stroke, `turns` of it in this many ms. */
const circle = (radius: number, ms: number, turns: number) =>
  Array.from({ length: 25 }, (_, i): [number, number, number] => {
    const angle = (i / 24) * turns * 2 * Math.PI;
    return [Math.round((ms * i) / 24), Math.round(radius * Math.sin(angle) * 100) / 100, Math.round(-radius * Math.cos(angle) * 100) / 100];
  });

const [brackwater, pigeonhole, draft, derrick] = SAMPLES.map((sample) => sample.layout());
const right = { handed: "right", playerSize: 1, hz: 60 } as const;

function harbour(): Take[] {
  const wide = { ...right, screen: screen(PHONE, "landscape") };
  const quay = handsOn(brackwater, { ...wide, name: "quay, in a hurry", moment: "under-way" });
  quay.stroke(100, 1, "helm", [
    [0, 0, 0],
    [180, 1, -7],
    [1400, 4, -11],
    [2200, 9, -8],
    [2900, 2, -12],
    [3500, 0, -3],
  ]);
  quay.tap(700, 2, "horn");
  quay.tap(1500, 2, "towline", { x: -0.8 });
  quay.tap(2450, 2, "horn", { ms: 320 });
  quay.moment(3900, "alongside");
  quay.stroke(4100, 3, "nudge", [
    [0, 5, 0],
    [300, 6, 0],
    [600, 5, -5],
    [900, 0, -6],
  ]);
  quay.tap(4600, 4, "sidle-right", { ms: 240 });
  quay.tap(5200, 4, "towline");

  const thumb = handsOn(brackwater, { ...wide, name: "one thumb", handed: "left", playerSize: 0.8, moment: "under-way" });
  thumb.stroke(80, 1, "helm", circle(8, 2400, 1.5));
  thumb.tap(2700, 1, "pump");
  thumb.tap(3200, 1, "horn", { ms: 40 });
  thumb.tap(3310, 1, "horn", { ms: 40 });
  thumb.tap(3900, 1, "pump");

  const fire = handsOn(brackwater, { ...wide, name: "steer, look and pump", moment: "under-way", screen: screen("Tablet 4:3", "landscape") });
  fire.stroke(60, 1, "helm", [
    [0, 0, 0],
    [300, 3, -4],
    [3800, 5, -5],
  ]);
  fire.tap(500, 2, "pump");
  fire.stroke(900, 2, "lamp", [
    [0, 0, 0],
    [400, 12, -2],
    [900, -6, 3],
    [1600, 2, 9],
  ]);
  fire.key(2000, "KeyH", 260);
  fire.tap(3000, 2, "pump");
  return [quay.take(), thumb.take(), fire.take()];
}

function office(): Take[] {
  const tall = { ...right, screen: screen(PHONE, "portrait"), moment: "sorting" };
  const quiet = handsOn(pigeonhole, { ...tall, name: "a quiet shift" });
  quiet.stroke(100, 1, "walk", [
    [0, 6, 0],
    [700, 7, 0],
    [900, 0, 6],
    [1600, 0, 7],
  ]);
  quiet.stroke(2000, 1, "toss", [
    [0, 0, 0],
    [160, 14, -1],
  ]);
  quiet.tap(2600, 1, "stamp");
  quiet.stroke(3000, 1, "toss", [
    [0, 0, 0],
    [180, 1, -13],
  ]);

  const rush = handsOn(pigeonhole, { ...tall, name: "the last post", hz: 120 });
  [0, 380, 760, 1140, 1520].forEach((t, i) =>
    rush.stroke(80 + t, 1, "toss", [
      [0, 0, 0],
      [120, i % 2 === 0 ? 12 : -12, i % 3 === 0 ? -4 : 2],
    ]),
  );
  rush.tap(2100, 2, "stamp", { ms: 45 });
  rush.tap(2220, 2, "stamp", { ms: 45 });
  rush.tap(2700, 2, "lantern");

  const left = handsOn(pigeonhole, { ...tall, name: "with the left hand", handed: "left", playerSize: 1.2 });
  left.stroke(100, 1, "walk", circle(7, 2000, 1));
  left.tap(2400, 1, "lantern", { ms: 200 });
  left.tap(2900, 1, "stamp");
  return [quiet.take(), rush.take(), left.take()];
}

function firstDraft(): Take[] {
  const wide = { ...right, screen: screen(PHONE, "landscape"), moment: "under-way" };
  const lost = handsOn(draft, { ...wide, name: "the tow that never comes" });
  lost.stroke(80, 1, "helm", [
    [0, 0, 0],
    [400, 0, -9],
    [2400, 3, -9],
  ]);
  lost.tap(700, 2, "towline", { ms: 160 });
  lost.tap(1300, 2, "towline", { ms: 160 });
  lost.tap(1900, 2, "towline", { ms: 160 });

  const small = handsOn(draft, { ...wide, name: "neighbours", screen: screen("Small 4:3, 3.5 inches", "landscape") });
  small.tap(100, 1, "pump", { x: 2.5, y: 2.5 });
  small.tap(600, 1, "towline", { x: -2.5, y: -2.5 });
  small.tap(1100, 1, "horn", { x: 2.5, y: 2 });
  small.tap(1600, 1, "pump", { x: -3, y: 0 });

  const off = handsOn(draft, { ...wide, name: "off the glass" });
  off.stroke(80, 1, "helm", [
    [0, 0, 0],
    [300, -12, 4],
    [1200, -14, 9],
    [1800, -2, 14],
  ]);
  off.tap(500, 2, "log", { x: 4.5, y: 0 });
  off.free(1500, 2, wide.screen.widthPx * 0.5, wide.screen.heightPx * 0.96);
  return [lost.take(), small.take(), off.take()];
}

function crane(): Take[] {
  const swing = handsOn(derrick, { ...right, screen: screen(PHONE, "landscape"), name: "one load to the quay", moment: null });
  // The lever is pushed up and left there; the wheel is turned a good quarter by its rim.
  swing.stroke(100, 1, "hoist", [
    [0, 0, 0],
    [500, 0.5, -6],
  ]);
  swing.stroke(300, 2, "jib", [
    [0, 0, -7],
    [400, 5, -5],
    [800, 7, 0.5],
  ]);
  // A line is aimed and called off, aimed again and thrown; a tap slips it.
  swing.stroke(1700, 1, "line", [
    [0, 0, 0],
    [300, 5, -4],
    [600, 0.5, 0.3],
  ]);
  swing.stroke(2500, 1, "line", [
    [0, 0, 0],
    [350, 6, -6],
    [500, 7, -5],
  ]);
  swing.tap(3300, 1, "line", { ms: 80 });
  // The eyes follow: a sweep, and a tap that marks. The lever is pulled to the middle again.
  swing.stroke(2200, 3, "look", [
    [0, -8, -12],
    [400, 4, -14],
    [700, 9, -9],
  ]);
  swing.tap(3500, 3, "look", { ms: 90, x: 2, y: -15 });
  swing.stroke(3900, 1, "hoist", [
    [0, 0.5, -6],
    [450, 0, 0],
  ]);
  return [swing.take()];
}

const FILES = ["brackwater", "pigeonhole", "brackwater-first-draft", "derrick"];
[harbour(), office(), firstDraft(), crane()].forEach((takes, i) => {
  takes.forEach((take, n) => writeFileSync(`samples/takes/${FILES[i]}-${n + 1}${TAKE_FILE}`, writeTake(take)));
});
