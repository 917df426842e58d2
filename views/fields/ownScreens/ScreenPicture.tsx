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
  /** The line of an inset or strip: where it lies, and along which way it goes. */
  const lineOf = (amount: Screen["insets"], side: ScreenSide) =>
    ({
      left: `M${amount.left} 0V${h}`,
      right: `M${w - amount.right} 0V${h}`,
      top: `M0 ${amount.top}H${w}`,
      bottom: `M0 ${h - amount.bottom}H${w}`,
    })[side];
  const across = (side: ScreenSide) => side === "left" || side === "right";
  const line = (kind: "inset" | "edge", side: ScreenSide) => {
    const amount = kind === "inset" ? screen.insets : screen.edges;
    return (
      <g
        key={`${kind} ${side}`}
        role="slider"
        tabIndex={0}
        aria-label={`${kind === "inset" ? "Inset" : "Edge strip"} ${side}`}
        aria-valuemin={0}
        aria-valuemax={Math.round((across(side) ? w : h) / 2)}
        aria-valuenow={amount[side]}
        aria-valuetext={`${amount[side]} px`}
        data-handle={JSON.stringify({ kind, side })}
        style={{ cursor: across(side) ? "ew-resize" : "ns-resize" }}
        className={kind === "inset" ? "text-ink" : "text-clear"}
      >
        <path d={lineOf(amount, side)} stroke="transparent" strokeWidth={12 / scale} />
        <path
          d={lineOf(amount, side)}
          stroke="currentColor"
          strokeWidth={1.5 / scale}
          strokeDasharray={kind === "inset" ? `${9 / scale} ${4 / scale}` : `${2 / scale} ${3 / scale}`}
        />
      </g>
    );
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
        {SIDES.map((side) => line("edge", side))}
        {SIDES.map((side) => line("inset", side))}
        {screen.cutouts.map((c, index) => (
          <g key={index}>
            <rect
              {...{ x: c.x, y: c.y, width: c.w, height: c.h }}
              rx={Math.min(c.w, c.h) / 2}
              fill="var(--ink)"
              role="button"
              tabIndex={0}
              aria-label={`Cut-out ${index + 1}: ${c.x}, ${c.y}, ${c.w} by ${c.h} px; arrow keys move it, Delete removes it`}
              data-handle={JSON.stringify({ kind: "cutout", index })}
              style={{ cursor: "move" }}
            />
            <rect
              x={c.x + c.w - 5 / scale}
              y={c.y + c.h - 5 / scale}
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
        ))}
        <circle
          cx={screen.cornerPx}
          cy={0}
          r={5 / scale}
          fill="var(--sheet)"
          stroke="var(--accent)"
          strokeWidth={1.5 / scale}
          role="slider"
          tabIndex={0}
          aria-label="Corner radius"
          aria-valuemin={0}
          aria-valuemax={Math.round(Math.min(w, h) / 2)}
          aria-valuenow={screen.cornerPx}
          aria-valuetext={`${screen.cornerPx} px`}
          data-handle={JSON.stringify({ kind: "corner" })}
          style={{ cursor: "ew-resize" }}
        />
      </svg>
      <figcaption className="caption">
        Drag the long dashes: insets · the short ones: the system’s edge strips · the dot: the corners · draw a box on the glass: a cut-out.
      </figcaption>
    </figure>
  );
}
