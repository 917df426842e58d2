"use client";
/** The drawn side of the lanes: the strip, the line that is read, the two marks; pointer and keys. */
import { useEffect, useRef, type KeyboardEvent, type PointerEvent, type RefObject } from "react";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { createLanePainter, secondsBetweenLines, type Lane, type LaneTones } from "./lanePainter";
import { AXIS_PX, endOf, LANE_PX, tickAt, timeWords, xOfTick, type LaneView } from "./laneView";
import { keptOf, type Lanes } from "./useLanes";

/** A drag shorter than this is a click, px. */
const CLICK_PX = 4;

function tonesOf(element: Element): LaneTones & { readonly muted: string } {
  const style = getComputedStyle(element);
  const of = (name: string) => style.getPropertyValue(name).trim();
  return { ink: of("--ink"), rule: of("--rule"), accent: of("--accent"), land: of("--land"), muted: of("--muted") };
}

interface Props {
  readonly lanes: Lanes;
  readonly all: readonly Lane[];
  readonly view: LaneView;
  readonly onFrame: (listener: () => void) => () => void;
  /** Whether the pointer reads what it is over; else only what it presses. */
  readonly hovers: boolean;
}

/** What the lanes are drawn on. */
function useLaneRefs() {
  return {
    box: useRef<HTMLDivElement>(null),
    first: useRef<HTMLCanvasElement>(null),
    second: useRef<HTMLCanvasElement>(null),
    axis: useRef<HTMLCanvasElement>(null),
    cursor: useRef<HTMLDivElement>(null),
    markA: useRef<HTMLDivElement>(null),
    markB: useRef<HTMLDivElement>(null),
  };
}
type LaneRefs = ReturnType<typeof useLaneRefs>;

/** Puts a line where a tick is; null: it does not show. */
function placeLine(line: HTMLElement | null, tick: number | null, { width, view, kept }: { width: number; view: LaneView; kept: ReturnType<typeof keptOf> }) {
  if (!line) return;
  const x = tick === null ? -1 : xOfTick(tick, width, view, kept);
  line.style.display = x >= 0 && x <= width ? "" : "none";
  line.style.transform = `translateX(${x}px)`;
}

/** Draws the lanes, their times and lines with every frame. */
function useLaneFrames(refs: LaneRefs, { log, now }: Lanes, { all, onFrame }: Pick<Props, "all" | "onFrame">): void {
  const { box, first, second, axis, cursor, markA, markB } = refs;
  useEffect(() => {
    const element = box.current!;
    let painter: ReturnType<typeof createLanePainter> | null = null;
    let width = 0;
    let tones: ReturnType<typeof tonesOf> | null = null;
    const density = window.devicePixelRatio || 1;
    const fit = () => {
      width = element.clientWidth;
      tones = tonesOf(element);
      painter = width > 0 ? createLanePainter([first.current!, second.current!], { log, lanes: all, tones, width, laneHeight: LANE_PX, density }) : null;
    };
    // The observer calls once at the start, after all effects: by then the page has its theme.
    const observer = new ResizeObserver(fit);
    observer.observe(element);
    let axisEnd = -1;
    const end = onFrame(() => {
      if (!painter || !tones) return;
      const view = now.current;
      const kept = keptOf(log);
      painter.paint(view);
      const last = endOf(view, kept) * 1000 + view.seconds;
      if (axis.current && last !== axisEnd) drawTimes(axis.current, { width, density, view, log, tone: tones.muted });
      axisEnd = last;
      const at = { width, view, kept };
      placeLine(cursor.current, view.cursor, at);
      placeLine(markA.current, view.marks[0] ?? null, at);
      placeLine(markB.current, view.marks[1] ?? null, at);
    });
    return () => {
      end();
      observer.disconnect();
    };
  }, [log, all, now, onFrame, box, first, second, axis, cursor, markA, markB]);
}

/** Zooms and scrolls by the wheel. The browser scrolls or zooms by itself where it is not told otherwise, and React listens too late to tell it. */
function useLaneWheel({ box }: LaneRefs, { give, log, now }: Lanes): void {
  useEffect(() => {
    const element = box.current!;
    const onWheel = (event: WheelEvent) => {
      if (event.ctrlKey) give({ kind: "zoom", steps: Math.sign(event.deltaY) });
      else {
        const way = event.shiftKey ? event.deltaY || event.deltaX : event.deltaX;
        if (way === 0) return;
        give({ kind: "scroll", ticks: Math.round((way / Math.max(1, element.clientWidth)) * now.current.seconds * log.hz) });
      }
      event.preventDefault();
    };
    element.addEventListener("wheel", onWheel, { passive: false });
    return () => element.removeEventListener("wheel", onWheel);
  }, [box, give, log, now]);
}

/** The pointer reads the tick it presses; drawn, it puts the two marks. */
function useLanePointer({ log, now, give }: Lanes, hovers: boolean) {
  const pressed = useRef<{ x: number; tick: number } | null>(null);
  const place = (event: PointerEvent<HTMLElement>) => {
    const rect = event.currentTarget.getBoundingClientRect();
    const x = event.clientX - rect.left;
    return { x, tick: tickAt(x, rect.width, now.current, keptOf(log)) };
  };
  const end = () => {
    pressed.current = null;
  };
  return {
    onPointerDown(event: PointerEvent<HTMLElement>) {
      if (event.button !== 0) return;
      event.currentTarget.setPointerCapture(event.pointerId);
      if (now.current.end === null) give({ kind: "stop" });
      pressed.current = place(event);
      give({ kind: "go", tick: pressed.current.tick });
    },
    onPointerMove(event: PointerEvent<HTMLElement>) {
      const at = place(event);
      const from = pressed.current;
      if (from && Math.abs(at.x - from.x) >= CLICK_PX) give({ kind: "marks", from: from.tick, to: at.tick });
      if (from || (hovers && now.current.end !== null)) give({ kind: "go", tick: at.tick });
    },
    onPointerUp: end,
    onPointerCancel: end,
  };
}

export function LaneGlass({ lanes, all, view, onFrame, hovers }: Props) {
  const { log, now, give } = lanes;
  const refs = useLaneRefs();
  const { box, first, second, axis, cursor, markA, markB } = refs;
  useLaneFrames(refs, lanes, { all, onFrame });
  useLaneWheel(refs, lanes);
  const pointer = useLanePointer(lanes, hovers);
  const keys = (event: KeyboardEvent<HTMLElement>) => {
    const input = inputOf(event, now.current, log.hz);
    if (!input) return;
    give(input);
    event.preventDefault();
    event.stopPropagation();
  };
  const kept = keptOf(log);
  const read = view.cursor ?? Math.max(kept.first, kept.end - 1);
  return (
    <div className="min-w-0">
      <canvas ref={axis} aria-hidden className="sticky top-0 z-10 block w-full bg-paper" style={{ height: AXIS_PX }} />
      <div
        ref={box}
        role="slider"
        tabIndex={0}
        aria-label="Selected tick"
        aria-valuemin={kept.first}
        aria-valuemax={Math.max(kept.first, kept.end - 1)}
        aria-valuenow={Math.max(kept.first, read)}
        aria-valuetext={view.cursor === null ? "running" : `tick ${view.cursor + 1}, ${timeWords(view.cursor + 1, log.hz)}`}
        className="relative touch-pan-y overflow-hidden outline-offset-[-2px]"
        style={{ height: all.length * LANE_PX }}
        data-testid="lane-glass"
        {...pointer}
        onKeyDown={keys}
        {...readingProps(says("lanes.glass"))}
      >
        <canvas ref={first} aria-hidden className="absolute inset-0 h-full w-full" />
        <canvas ref={second} aria-hidden className="absolute inset-0 h-full w-full" />
        <Line of={markA} word="A" tone="bg-hit text-hit" />
        <Line of={markB} word="B" tone="bg-hit text-hit" />
        <Line of={cursor} word="" tone="bg-ink" />
      </div>
    </div>
  );
}

function Line({ of, word, tone }: { of: RefObject<HTMLDivElement | null>; word: string; tone: string }) {
  return (
    <div ref={of} className={`pointer-events-none absolute inset-y-0 left-0 w-px ${tone}`} style={{ display: "none" }}>
      {word && <span className="figure absolute top-0 left-1 text-[0.6875rem]">{word}</span>}
    </div>
  );
}

/** What a key does to what is seen. */
function inputOf({ key, shiftKey }: Pick<KeyboardEvent, "key" | "shiftKey">, view: LaneView, hz: number) {
  const second = Math.round(hz);
  switch (key) {
    case "ArrowLeft":
      return { kind: "step", ticks: shiftKey ? -second : -1 } as const;
    case "ArrowRight":
      return { kind: "step", ticks: shiftKey ? second : 1 } as const;
    case "PageUp":
      return { kind: "scroll", ticks: -view.seconds * second } as const;
    case "PageDown":
      return { kind: "scroll", ticks: view.seconds * second } as const;
    case "Home":
      return { kind: "go", tick: 0 } as const;
    case "End":
      return { kind: "go", tick: Number.MAX_SAFE_INTEGER } as const;
    case "+":
    case "-":
      return { kind: "zoom", steps: key === "+" ? -1 : 1 } as const;
    case " ":
      return { kind: view.end === null ? "stop" : "run" } as const;
    case "m":
    case "M":
      return view.cursor === null ? null : ({ kind: "mark", tick: view.cursor } as const);
    case "Escape":
      return { kind: "no marks" } as const;
    default:
      return null;
  }
}

interface Axis {
  readonly width: number;
  readonly density: number;
  readonly view: LaneView;
  readonly log: Lanes["log"];
  readonly tone: string;
}

/** The times under the lanes, counted from the beginning of the trace. */
function drawTimes(canvas: HTMLCanvasElement, { width, density, view, log, tone }: Axis): void {
  if (canvas.width !== Math.round(width * density)) canvas.width = Math.round(width * density);
  if (canvas.height !== AXIS_PX * density) canvas.height = AXIS_PX * density;
  const ctx = canvas.getContext("2d")!;
  ctx.setTransform(density, 0, 0, density, 0, 0);
  ctx.clearRect(0, 0, width, AXIS_PX);
  ctx.fillStyle = tone;
  ctx.font = '10px "JetBrains Mono Variable", monospace';
  ctx.textBaseline = "middle";
  const kept = keptOf(log);
  const every = secondsBetweenLines(width / view.seconds, 1);
  const last = endOf(view, kept) / log.hz;
  for (let s = Math.max(0, Math.ceil((last - view.seconds) / every) * every); s <= last; s += every) {
    const x = xOfTick(s * log.hz - 0.5, width, view, kept);
    if (x <= width - 24) ctx.fillText(axisWords(s), x + 3, AXIS_PX / 2);
  }
}
const axisWords = (s: number) => (s < 60 ? `${s} s` : `${Math.floor(s / 60)}:${(s % 60).toString().padStart(2, "0")}`);
