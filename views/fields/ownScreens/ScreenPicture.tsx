"use client";
/** A screen drawn by hand: its insets, the strips at its edges, its corners and cut-outs are dragged on its picture, or moved by key. */
import { useRef, type KeyboardEvent, type PointerEvent } from "react";
import type { Screen } from "../../../core/format/types";
import { dragScreen, withCutout, withoutCutout, type ScreenHandle, type ScreenSide } from "./screenDrag";

const ROOM = { w: 560, h: 190 } as const;
const SIDES: readonly ScreenSide[] = ["left", "top", "right", "bottom"];
/** A step by key, px of the screen; with Shift. */
const STEP = 4;
const LONG = 40;

/** What of the picture an event is about; null: the bare glass. */
function handleOf(target: EventTarget): ScreenHandle | null {
  const text = target instanceof Element ? target.closest<SVGElement>("[data-handle]")?.dataset.handle : undefined;
  return text === undefined ? null : (JSON.parse(text) as ScreenHandle);
}

interface Props {
  readonly screen: Screen;
  readonly onChange: (screen: Screen) => void;
}

export function ScreenPicture({ screen, onChange }: Props) {
  const { widthPx: w, heightPx: h } = screen;
  const scale = Math.min(ROOM.w / w, ROOM.h / h);
  const svg = useRef<SVGSVGElement>(null);
  const drag = useRef<{ readonly handle: ScreenHandle | null; readonly from: { x: number; y: number }; readonly was: Screen } | null>(null);
  const pointOf = (event: PointerEvent) => {
    const rect = svg.current!.getBoundingClientRect();
    return { x: ((event.clientX - rect.left) / rect.width) * w, y: ((event.clientY - rect.top) / rect.height) * h };
  };
  const onDown = (event: PointerEvent) => {
    if (event.button !== 0) return;
    svg.current!.setPointerCapture(event.pointerId);
    drag.current = { handle: handleOf(event.target), from: pointOf(event), was: screen };
  };
  const onMove = (event: PointerEvent) => {
    const now = drag.current;
    if (!now) return;
    const at = pointOf(event);
    onChange(now.handle ? dragScreen(now.was, now.handle, at.x - now.from.x, at.y - now.from.y) : withCutout(now.was, now.from, at));
  };
  const end = () => {
    drag.current = null;
  };
  const onKey = (event: KeyboardEvent) => {
    const handle = handleOf(event.target);
    if (!handle) return;
    const step = event.shiftKey ? LONG : STEP;
    const way = { ArrowLeft: [-step, 0], ArrowRight: [step, 0], ArrowUp: [0, -step], ArrowDown: [0, step] }[event.key];
    if (way) onChange(dragScreen(screen, handle, way[0], way[1]));
    else if ((event.key === "Delete" || event.key === "Backspace") && handle.kind === "cutout") onChange(withoutCutout(screen, handle.index));
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <figure className="grid justify-items-center gap-1">
      <svg
        ref={svg}
        width={w * scale}
        height={h * scale}
        viewBox={`0 0 ${w} ${h}`}
        role="group"
        aria-label="Screen preview"
        className="touch-none overflow-visible bg-paper"
        onPointerDown={onDown}
        onKeyDown={onKey}
        onPointerMove={onMove}
        onPointerUp={end}
        onPointerCancel={end}
        data-testid="screen-picture"
      >
        <rect width={w} height={h} rx={screen.cornerPx} fill="none" stroke="var(--ink)" strokeWidth={2 / scale} />
        {SIDES.map((side) => (
          <SideLine key={`edge ${side}`} kind="edge" side={side} screen={screen} scale={scale} />
        ))}
        {SIDES.map((side) => (
          <SideLine key={`inset ${side}`} kind="inset" side={side} screen={screen} scale={scale} />
        ))}
        {screen.cutouts.map((c, index) => (
          <Cutout key={index} box={c} index={index} scale={scale} />
        ))}
        <CornerHandle screen={screen} scale={scale} />
      </svg>
      <figcaption className="caption">
        Drag the long dashes: insets · the short ones: the system’s edge strips · the dot: the corners · draw a box on the glass: a cut-out.
      </figcaption>
    </figure>
  );
}

const isAcross = (side: ScreenSide) => side === "left" || side === "right";

/** The line of an inset or strip at a side: where it lies, to be dragged. */
function SideLine({ kind, side, screen, scale }: { kind: "inset" | "edge"; side: ScreenSide; screen: Screen; scale: number }) {
  const { widthPx: w, heightPx: h } = screen;
  const amount = kind === "inset" ? screen.insets : screen.edges;
  const d = { left: `M${amount.left} 0V${h}`, right: `M${w - amount.right} 0V${h}`, top: `M0 ${amount.top}H${w}`, bottom: `M0 ${h - amount.bottom}H${w}` }[
    side
  ];
  return (
    <g
      role="slider"
      tabIndex={0}
      aria-label={`${kind === "inset" ? "Inset" : "Edge strip"} ${side}`}
      aria-valuemin={0}
      aria-valuemax={Math.round((isAcross(side) ? w : h) / 2)}
      aria-valuenow={amount[side]}
      aria-valuetext={`${amount[side]} px`}
      data-handle={JSON.stringify({ kind, side })}
      style={{ cursor: isAcross(side) ? "ew-resize" : "ns-resize" }}
      className={kind === "inset" ? "text-ink" : "text-clear"}
    >
      <path d={d} stroke="transparent" strokeWidth={12 / scale} />
      <path
        d={d}
        stroke="currentColor"
        strokeWidth={1.5 / scale}
        strokeDasharray={kind === "inset" ? `${9 / scale} ${4 / scale}` : `${2 / scale} ${3 / scale}`}
      />
    </g>
  );
}

function Cutout({ box: { x, y, w, h }, index, scale }: { box: Screen["cutouts"][number]; index: number; scale: number }) {
  return (
    <g>
      <rect
        {...{ x, y, width: w, height: h }}
        rx={Math.min(w, h) / 2}
        fill="var(--ink)"
        role="button"
        tabIndex={0}
        aria-label={`Cut-out ${index + 1}: ${x}, ${y}, ${w} by ${h} px; arrow keys move it, Delete removes it`}
        data-handle={JSON.stringify({ kind: "cutout", index })}
        style={{ cursor: "move" }}
      />
      <rect
        x={x + w - 5 / scale}
        y={y + h - 5 / scale}
        width={10 / scale}
        height={10 / scale}
        fill="var(--sheet)"
        stroke="var(--accent)"
        strokeWidth={1.5 / scale}
        role="button"
        tabIndex={0}
        aria-label={`Size of cut-out ${index + 1}`}
        data-handle={JSON.stringify({ kind: "cutout size", index })}
        style={{ cursor: "nwse-resize" }}
      />
    </g>
  );
}

function CornerHandle({ screen: { cornerPx, widthPx, heightPx }, scale }: { screen: Screen; scale: number }) {
  return (
    <circle
      cx={cornerPx}
      cy={0}
      r={5 / scale}
      fill="var(--sheet)"
      stroke="var(--accent)"
      strokeWidth={1.5 / scale}
      role="slider"
      tabIndex={0}
      aria-label="Corner radius"
      aria-valuemin={0}
      aria-valuemax={Math.round(Math.min(widthPx, heightPx) / 2)}
      aria-valuenow={cornerPx}
      aria-valuetext={`${cornerPx} px`}
      data-handle={JSON.stringify({ kind: "corner" })}
      style={{ cursor: "ew-resize" }}
    />
  );
}
