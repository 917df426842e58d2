"use client";
/** Two versions over each other on the glass: where things were in long dashes, where they are in a plain line, an arrow between. */
import type { EditContext } from "../../core/editing/placing";
import { pxPerMm } from "../../core/engine/placement/screen";
import { placesOn, type PlaceMm } from "../../core/versions/compare";
import type { SessionState } from "../document/session";
import { ON_GLASS } from "./tones";

/** What moves less than this has no arrow, CSS px. */
const ARROW_PX = 6;

interface Props {
  readonly compared: NonNullable<SessionState["compared"]>;
  readonly context: EditContext;
  readonly scale: number;
  /** Whether each arrow says how long it is. */
  readonly withMm?: boolean;
}

export function Compared({ compared, context: { screen, playerView }, scale, withMm = false }: Props) {
  const [was, is] = [placesOn(compared.was, { screen, playerView }), placesOn(compared.is, { screen, playerView })];
  const px = pxPerMm(screen);
  const hairline = 1 / scale;
  const ids = [...new Set([...was.keys(), ...is.keys()])];
  return (
    <g pointerEvents="none" data-testid="compared">
      <defs>
        <marker id="compared-way" viewBox="0 0 8 8" refX="7" refY="4" markerWidth="7" markerHeight="7" orient="auto-start-reverse">
          <path d="M1 1 7 4 1 7" fill="none" stroke={ON_GLASS.accent} strokeWidth="1.4" />
        </marker>
      </defs>
      {ids.map((id) => {
        const [a, b] = [was.get(id), is.get(id)];
        if (a && b && isSamePlace(a, b)) return null;
        return (
          <g key={id} data-compared={id}>
            {a && <Outline at={a} px={px} stroke={ON_GLASS.muted} width={1.6 * hairline} dash={`${8 * hairline} ${5 * hairline}`} />}
            {b && <Outline at={b} px={px} stroke={ON_GLASS.accent} width={1.6 * hairline} />}
            {a && b && <Way from={a} to={b} px={px} scale={scale} />}
            {a && b && withMm && isTold(a, b, px * scale) && <Word at={b} px={px} scale={scale} text={changeWords(a, b)} />}
            {!(a && b) && <Word at={(a ?? b)!} px={px} scale={scale} text={a ? "removed" : "new"} />}
          </g>
        );
      })}
    </g>
  );
}

/** What differs by less is the same place, mm. */
const TOLD_MM = 0.05;
const isSamePlace = (a: PlaceMm, b: PlaceMm) => Math.max(Math.abs(a.x - b.x), Math.abs(a.y - b.y), Math.abs(a.w - b.w), Math.abs(a.h - b.h)) < TOLD_MM;

/** Whether a change is large enough on the glass to be reported in figures; one of a few px would only crowd it. */
function isTold(a: PlaceMm, b: PlaceMm, cssPerMm: number): boolean {
  const most = Math.max(Math.abs(b.x + b.w / 2 - a.x - a.w / 2), Math.abs(b.y + b.h / 2 - a.y - a.h / 2), Math.abs(b.w - a.w), Math.abs(b.h - a.h));
  return most * cssPerMm >= ARROW_PX;
}

/** How far its middle went, or where it did not move, how much larger it is. */
function changeWords(a: PlaceMm, b: PlaceMm): string {
  const way = Math.hypot(b.x + b.w / 2 - a.x - a.w / 2, b.y + b.h / 2 - a.y - a.h / 2);
  if (way >= TOLD_MM) return `${way.toFixed(1)} mm`;
  const grown = Math.abs(b.w - a.w) > Math.abs(b.h - a.h) ? b.w - a.w : b.h - a.h;
  return `${grown > 0 ? "+" : "−"}${Math.abs(grown).toFixed(1)} mm`;
}

function Outline({ at, px, stroke, width, dash }: { at: PlaceMm; px: number; stroke: string; width: number; dash?: string }) {
  return <rect x={at.x * px} y={at.y * px} width={at.w * px} height={at.h * px} fill="none" stroke={stroke} strokeWidth={width} strokeDasharray={dash} />;
}

function Way({ from, to, px, scale }: { from: PlaceMm; to: PlaceMm; px: number; scale: number }) {
  const middle = ({ x, y, w, h }: PlaceMm) => [(x + w / 2) * px, (y + h / 2) * px] as const;
  const [[x1, y1], [x2, y2]] = [middle(from), middle(to)];
  if (Math.hypot(x2 - x1, y2 - y1) * scale < ARROW_PX) return null;
  return <line x1={x1} y1={y1} x2={x2} y2={y2} stroke={ON_GLASS.accent} strokeWidth={1.4 / scale} markerEnd="url(#compared-way)" />;
}

function Word({ at, px, scale, text }: { at: PlaceMm; px: number; scale: number; text: string }) {
  return (
    <text
      x={(at.x + at.w / 2) * px}
      y={at.y * px - 4 / scale}
      textAnchor="middle"
      fontSize={11 / scale}
      fill={ON_GLASS.ink}
      stroke={ON_GLASS.dark}
      strokeWidth={3 / scale}
      paintOrder="stroke"
    >
      {text}
    </text>
  );
}
