/** The strip of traces, held column by column against a strip that is drawn at once: whatever was drawn while it ran is complete and equal. */
import fc from "fast-check";
import type { TraceLog } from "../../../core/rehearsal/traceLog";
import { createLanePainter, type Lane, type LanePicture } from "./lanePainter";
import { RUNNING, SECONDS, stepLanes, type LaneInput, type LaneView } from "./laneView";
import { repeated } from "../../../test/repeated";

/** Points of the polylines of a path. */
class RecordedPath {
  readonly lines: (readonly [number, number])[][] = [];
  moveTo(x: number, y: number) {
    this.lines.push([[x, y]]);
  }
  lineTo(x: number, y: number) {
    this.lines[this.lines.length - 1].push([x, y]);
  }
}
(globalThis as { Path2D?: unknown }).Path2D = RecordedPath;

/** The heights of polylines at every half column, by twice their x. */
function heightsOf(lines: RecordedPath["lines"]): Map<number, number[]> {
  const heights = new Map<number, number[]>();
  const add = (twice: number, ...ys: number[]) => heights.set(twice, [...(heights.get(twice) ?? []), ...ys]);
  for (const line of lines)
    for (let i = 1; i < line.length; i += 1) {
      const [x0, y0] = line[i - 1];
      const [x1, y1] = line[i];
      // Vertical: a column of several ticks.
      if (x0 === x1) add(Math.round(2 * x0), y0, y1);
      for (let twice = Math.ceil(2 * x0); twice < 2 * x1; twice += 1) add(twice, y0 + ((y1 - y0) * (twice / 2 - x0)) / (x1 - x0));
    }
  return heights;
}

const inWords = (value: number) => value.toFixed(4).replace("-0.0000", "0.0000");

/** A canvas that keeps, for each of its columns, everything that was painted there since it was last cleared. */
function columnCanvas() {
  let columns: string[][] = [];
  let clip = { from: 0, to: Infinity };
  let pending = clip;
  const state = { fillStyle: "", strokeStyle: "", lineWidth: 1, globalAlpha: 1, lineJoin: "" };
  const inClip = (x0: number, x1: number, visit: (column: number) => void) => {
    for (let c = Math.max(0, clip.from, Math.floor(x0)); c < Math.min(columns.length, clip.to, x1); c += 1) visit(c);
  };
  const ctx = Object.assign(state, {
    save: () => {},
    restore: () => (clip = { from: 0, to: Infinity }),
    beginPath: () => {},
    rect: (x: number, _y: number, w: number) => (pending = { from: x, to: x + w }),
    clip: () => (clip = pending),
    clearRect: (x: number, _y: number, w: number) => inClip(x, x + w, (c) => (columns[c] = [])),
    fillRect: (x: number, y: number, w: number, h: number) =>
      inClip(x, x + w, (c) => {
        const covered = Math.min(c + 1, x + w) - Math.max(c, x);
        if (covered > 1e-6) columns[c].push(`${state.fillStyle} ${inWords(covered * state.globalAlpha)} ${inWords(y)} ${inWords(h)}`);
      }),
    stroke: (path: unknown) => {
      const heights = heightsOf((path as RecordedPath).lines);
      inClip(0, Infinity, (c) => {
        // A round join reaches a width beyond its point.
        const about = [-1, 0, 1, 2, 3].map((half) => (heights.get(2 * c + half) ?? []).map(inWords).join(","));
        if (about.some((h) => h !== "")) columns[c].push(`${state.strokeStyle} ${about.join(" ")}`);
      });
    },
  });
  const canvas = {
    style: { transform: "" },
    height: 0,
    get width() {
      return columns.length;
    },
    set width(w: number) {
      columns = Array.from({ length: w }, () => []);
    },
    getContext: () => ctx,
  };
  return {
    canvas: canvas as unknown as HTMLCanvasElement,
    column: (c: number) => columns[c],
    shift: () => Number(/translateX\((-?[\d.]+)px\)/.exec(canvas.style.transform)?.[1] ?? NaN),
  };
}

const KINDS = ["press", "axis", "vector"] as const;
const LANES: readonly Lane[] = [
  { kind: "action", index: 0 },
  { kind: "action", index: 1 },
  { kind: "action", index: 2 },
  { kind: "held", index: 0 },
  { kind: "touches" },
];

/** A log whose values are known at every tick, and whose end moves. */
function movingLog(seed: number) {
  let end = 0;
  const noise = (tick: number, row: number) => (Math.imul(tick + 1, 2654435761) ^ Math.imul(seed + row * 97 + 1, 40503)) >>> 0;
  const log = {
    hz: 60,
    actions: KINDS.map((kind) => ({ name: kind, kind })),
    controls: ["a"],
    first: () => 0,
    end: () => end,
    x: (action: number, tick: number) => (action === 0 ? noise(tick >> 3, 0) % 2 : ((noise(tick, action) % 200) - 100) / 100),
    y: (action: number, tick: number) => ((noise(tick, action + 5) % 200) - 100) / 100,
    isHeld: (_: number, tick: number) => noise(tick >> 4, 3) % 2 === 1,
    touches: (tick: number) => noise(tick >> 2, 4) % 5,
  } as unknown as TraceLog;
  return { log, grow: (ticks: number) => (end += ticks) };
}

function strip(picture: LanePicture) {
  const canvases = [columnCanvas(), columnCanvas()] as const;
  const painter = createLanePainter([canvases[0].canvas, canvases[1].canvas], picture);
  const { density } = picture;
  const columns = Math.round(picture.width * density);
  return (view: LaneView) => {
    painter.paint(view);
    return Array.from({ length: columns }, (_, x) => {
      const shown = canvases.map((c) => ({ c, at: Math.round(x - c.shift() * density) })).filter(({ at }) => at >= 0 && at < columns);
      return shown.length === 1 ? shown[0].c.column(shown[0].at).join("; ") : `${shown.length} canvases`;
    });
  };
}

const inputs: fc.Arbitrary<LaneInput> = fc.oneof(
  fc.record({ kind: fc.constantFrom("stop" as const, "run" as const) }),
  fc.record({ kind: fc.constant("scroll" as const), ticks: fc.integer({ min: -400, max: 400 }) }),
  fc.record({ kind: fc.constant("seconds" as const), seconds: fc.constantFrom(...SECONDS) }),
);
const steps = fc.array(
  fc.record({ ticks: fc.oneof(fc.integer({ min: 0, max: 6 }), fc.integer({ min: 0, max: 700 })), input: fc.option(inputs, { freq: 3 }) }),
  {
    minLength: 1,
    maxLength: 12,
  },
);

test("whatever the frames are that a busy machine leaves, each column is as if all were drawn at once", () => {
  fc.assert(
    fc.property(fc.nat(1000), fc.integer({ min: 20, max: 90 }), fc.constantFrom(1, 1.5, 2), steps, (seed, width, density, all) => {
      const { log, grow } = movingLog(seed);
      const picture: LanePicture = { log, lanes: LANES, tones: { ink: "ink", rule: "rule", accent: "accent", land: "land" }, width, laneHeight: 18, density };
      const running = strip(picture);
      let view: LaneView = RUNNING;
      for (const { ticks, input } of all) {
        grow(ticks);
        if (input) view = stepLanes(view, input, { first: 0, end: log.end(), hz: 60 });
        const columns = running(view);
        expect(columns).toEqual(strip(picture)(view));
      }
    }),
    { numRuns: repeated(25) },
  );
});
