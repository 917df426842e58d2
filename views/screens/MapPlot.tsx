"use client";
/** The drawn side of the map: cells on a canvas, axes and the catalogue's screens by Recharts, lines of equal measure over them, a cursor for pointer and keys. */
import { useTheme } from "next-themes";
import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from "react";
import { Scatter, ScatterChart, XAxis, YAxis } from "recharts";
import { MAP_LEVELS, middleOf, type MapRange, type MapLevel } from "../../core/checks/aspectMap";
import { aspectOf } from "../../core/engine/placement/screen";
import type { Screen } from "../../core/format/types";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useRoom } from "../canvas/useRoom";
import type { MapContour } from "./mapContours";
import { cellAt, drawMap, finestWhole, type MapRows } from "./mapDrawing";
import { placeWords } from "./mapWords";

/** A cell of the finest level. */
export interface MapCursor {
  readonly column: number;
  readonly row: number;
}
const FINEST = MAP_LEVELS[MAP_LEVELS.length - 1];
const AXIS = { left: 46, bottom: 34, top: 8, right: 12 };
/** A click so near to a screen's point is meant for that screen, CSS px. */
const NEAR_PX = 9;

const WAYS: Readonly<Record<string, readonly [columns: number, rows: number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface Props {
  readonly rows: MapRows;
  readonly range: MapRange;
  readonly lines: readonly MapContour[];
  readonly cursor: MapCursor;
  readonly onCursor: (cursor: MapCursor) => void;
  readonly onOpen: (cursor: MapCursor) => void;
  readonly onScreen: (name: string) => void;
  readonly screens: readonly Screen[];
}

const inchesOf = ({ widthPx, heightPx, ppi }: Screen) => Math.hypot(widthPx, heightPx) / ppi;

export function MapPlot({ rows, range, lines, cursor, onCursor, onOpen, onScreen, screens }: Props) {
  const area = useRef<HTMLDivElement>(null);
  const room = useRoom(area);
  const [near, setNear] = useState<string | null>(null);
  const [w, h] = [Math.max(160, room.w - AXIS.left - AXIS.right), Math.max(120, room.h - AXIS.top - AXIS.bottom)];
  const points = screens
    .map((screen) => ({ name: screen.name, aspect: aspectOf(screen), inches: inchesOf(screen) }))
    .filter(({ aspect, inches }) => aspect >= range.from && aspect <= range.to && inches >= range.fromInches && inches <= range.toInches);
  const across = (aspect: number) => ((aspect - range.from) / (range.to - range.from)) * w;
  const down = (inches: number) => ((range.toInches - inches) / (range.toInches - range.fromInches)) * h;
  const at = (event: PointerEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    const [x, y] = [event.clientX - box.left, event.clientY - box.top];
    const cell = (part: number, count: number) => Math.max(0, Math.min(count - 1, Math.floor(part * count)));
    const point = points.find((one) => Math.hypot(across(one.aspect) - x, down(one.inches) - y) <= NEAR_PX);
    return { cursor: { column: cell(x / w, FINEST.columns), row: cell(y / h, FINEST.rows) }, screen: point?.name ?? null };
  };
  const onKey = (event: KeyboardEvent<HTMLElement>) => {
    const way = WAYS[event.key];
    if (!way) return;
    const far = event.shiftKey ? 8 : 1;
    onCursor({
      column: Math.max(0, Math.min(FINEST.columns - 1, cursor.column + far * way[0])),
      row: Math.max(0, Math.min(FINEST.rows - 1, cursor.row + far * way[1])),
    });
    setNear(null);
    event.preventDefault();
    event.stopPropagation();
  };
  const words =
    near ??
    placeWords(middleOf(range, FINEST, cursor.column, cursor.row), cellAt(rows, (cursor.column + 0.5) / FINEST.columns, (cursor.row + 0.5) / FINEST.rows));
  const level = finestWhole(rows)?.level ?? FINEST;
  return (
    <div ref={area} className="relative min-h-0 overflow-hidden" data-testid="map">
      <Cells rows={rows} w={w} h={h} />
      <Axes range={range} points={points} near={near} size={{ w, h }} />
      <svg
        aria-hidden
        className="pointer-events-none absolute overflow-visible"
        style={{ left: AXIS.left, top: AXIS.top }}
        width={w}
        height={h}
        viewBox={`0 0 ${w} ${h}`}
      >
        <Contours lines={lines} level={level} size={{ w, h }} />
        <rect
          x={(cursor.column * w) / FINEST.columns}
          y={(cursor.row * h) / FINEST.rows}
          width={w / FINEST.columns}
          height={h / FINEST.rows}
          fill="none"
          stroke="var(--accent)"
          strokeWidth={1.5}
        />
      </svg>
      <button
        type="button"
        className="absolute cursor-crosshair outline-offset-0"
        style={{ left: AXIS.left, top: AXIS.top, width: w, height: h }}
        aria-label={`Map: ${words}`}
        data-testid="map-plot"
        onPointerMove={(event) => {
          const found = at(event);
          onCursor(found.cursor);
          setNear(found.screen);
        }}
        onPointerLeave={() => setNear(null)}
        onKeyDown={onKey}
        onClick={() => (near === null ? onOpen(cursor) : onScreen(near))}
        {...readingProps(says("map.plot"), words)}
      />
    </div>
  );
}

interface PlotSize {
  readonly w: number;
  readonly h: number;
}
interface PlotPoint {
  readonly name: string;
  readonly aspect: number;
  readonly inches: number;
}

/** The two axes, and the screens as points between them. */
function Axes({ range, points, near, size: { w, h } }: { range: MapRange; points: readonly PlotPoint[]; near: string | null; size: PlotSize }) {
  return (
    <div aria-hidden className="pointer-events-none absolute inset-0">
      <ScatterChart
        width={w + AXIS.left + AXIS.right}
        height={h + AXIS.top + AXIS.bottom}
        margin={{ top: AXIS.top, right: AXIS.right, bottom: 0, left: 0 }}
        accessibilityLayer={false}
      >
        <XAxis
          type="number"
          dataKey="aspect"
          domain={[range.from, range.to]}
          ticks={TICKS.filter((a) => a >= range.from && a <= range.to)}
          allowDataOverflow
          height={AXIS.bottom}
          tick={{ fontSize: 10, fill: "var(--muted)" }}
          stroke="var(--edge)"
          label={{ value: "aspect, width by height", position: "insideBottom", fontSize: 10, fill: "var(--muted)" }}
        />
        <YAxis
          type="number"
          dataKey="inches"
          domain={[range.fromInches, range.toInches]}
          ticks={[3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13]}
          allowDataOverflow
          width={AXIS.left}
          tick={{ fontSize: 10, fill: "var(--muted)" }}
          stroke="var(--edge)"
          label={{ value: "diagonal, inches", angle: -90, position: "insideLeft", offset: 14, fontSize: 10, fill: "var(--muted)" }}
        />
        <Scatter data={points} isAnimationActive={false} shape={(point: unknown) => <Point {...(point as PointProps)} near={near} />} />
      </ScatterChart>
    </div>
  );
}

/** Lines of one value, each with its word. */
function Contours({ lines, level, size: { w, h } }: { lines: readonly MapContour[]; level: MapLevel; size: PlotSize }) {
  return (
    <>
      {lines.map(({ value, text, path, at: [x, y] }) => (
        <g key={value} data-contour={value}>
          <path
            d={path}
            transform={`scale(${w / level.columns} ${h / level.rows})`}
            fill="none"
            stroke="var(--ink)"
            strokeWidth={1.25}
            vectorEffect="non-scaling-stroke"
          />
          <text
            x={(x * w) / level.columns}
            y={(y * h) / level.rows + 3}
            textAnchor="middle"
            className="figure"
            fontSize={10}
            fill="var(--ink)"
            stroke="var(--paper)"
            strokeWidth={3}
            paintOrder="stroke"
          >
            {text}
          </text>
        </g>
      ))}
    </>
  );
}

/** Round aspects along the bottom. */
const TICKS = [0.4, 0.5, 0.6, 0.75, 1, 1.33, 1.6, 1.78, 2, 2.17, 2.33, 2.6];

function Cells({ rows, w, h }: { rows: MapRows; w: number; h: number }) {
  const canvas = useRef<HTMLCanvasElement>(null);
  const { resolvedTheme } = useTheme();
  useEffect(() => {
    if (canvas.current) drawMap(canvas.current, rows, { w, h });
  }, [rows, w, h, resolvedTheme]);
  return <canvas ref={canvas} aria-hidden className="absolute" style={{ left: AXIS.left, top: AXIS.top, width: w, height: h }} data-testid="map-cells" />;
}

interface PointProps {
  readonly cx: number;
  readonly cy: number;
  readonly payload: { readonly name: string };
  readonly near: string | null;
}

/** A screen of the catalogue, or your own; its name where the pointer is near. */
function Point({ cx, cy, payload: { name }, near }: PointProps) {
  const isNear = near === name;
  return (
    <g>
      <circle cx={cx} cy={cy} r={isNear ? 5 : 3.5} fill="var(--paper)" stroke="var(--ink)" strokeWidth={1.5} />
      {isNear && (
        <text x={cx} y={cy - 9} textAnchor="middle" fontSize={11} fill="var(--ink)" stroke="var(--paper)" strokeWidth={4} paintOrder="stroke">
          {name}
        </text>
      )}
    </g>
  );
}
