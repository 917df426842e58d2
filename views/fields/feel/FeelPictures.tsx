"use client";
/** The dead zone and the curve of a stick, the sectors of a d-pad, as pictures whose parts are dragged. */
import { useRef, useState } from "react";
import { clampTo, type Point } from "../../../core/engine/geometry/point";
import { curveAt } from "../../../core/engine/input/curve";
import type { Curve, DpadControl, StickControl } from "../../../core/format/types";
import { says } from "../../shell/reading/sentences";
import { readingOf } from "../form/entries";
import { DPAD, STICK } from "./feelFields";
import { LivePart, LivePicture, PICTURE, type Drag } from "../../canvas/LiveParts";

const MIDDLE = PICTURE / 2;
const ROOM = MIDDLE - 4;
const fromMiddle = (p: Point) => Math.hypot(p.x - MIDDLE, p.y - MIDDLE);
const round = (value: number, step: number) => Number((Math.round(value / step) * step).toFixed(6));

interface ZoneProps {
  readonly feel: StickControl["feel"];
  /** Travel and half the base's shorter side, px of the screen. */
  readonly travelPx: number;
  readonly basePx: number;
  readonly mm: number;
  readonly drag: Drag;
  readonly onZone: (change: { inner?: number; outer?: number }) => void;
  readonly onTravel: (px: number) => void;
}

/** The base, the travel as a double ring, the dead zone within it. */
export function DeadZonePicture({ feel, travelPx, basePx, mm, drag, onZone, onTravel }: ZoneProps) {
  const svg = useRef<SVGSVGElement>(null);
  // While a part is dragged the scale stays, or the travel would run away from the pointer.
  const [held, setHeld] = useState<number | null>(null);
  const scale = held ?? ROOM / Math.max(travelPx, basePx, 1);
  const frozen: Drag = {
    onStart: () => {
      setHeld(scale);
      drag.onStart();
    },
    onEnd: () => {
      setHeld(null);
      drag.onEnd();
    },
    onCancel: () => {
      setHeld(null);
      drag.onCancel();
    },
  };
  const r = Math.max(2, travelPx * scale);
  const mmText = (part: number) => `${((part * travelPx) / mm).toFixed(1)} mm`;
  const percentText = (part: number) => `${Number((part * 100).toFixed(1))} %`;
  const ring = { fill: "none", strokeWidth: 9, stroke: "transparent" } as const;
  return (
    <LivePicture label="Dead zone and travel" svg={svg} reads={says("feel.picture")}>
      <circle cx={MIDDLE} cy={MIDDLE} r={basePx * scale} fill="none" stroke="var(--rule)" />
      <LivePart
        label="Travel"
        part="travel"
        reads={readingOf(STICK.travel, { mm: mmText(1) })}
        svg={svg}
        value={travelPx / mm}
        min={0}
        max={100}
        text={mmText(1)}
        drag={frozen}
        cursor="ew-resize"
        onMove={(p) => onTravel(clampTo(fromMiddle(p), 2, MIDDLE * 1.6) / scale)}
        onStep={(x, y) => onTravel(Math.max(0, travelPx + (x + y) * 0.1 * mm))}
      >
        <circle cx={MIDDLE} cy={MIDDLE} r={r} fill="none" stroke="var(--ink)" strokeWidth={3} />
        <circle cx={MIDDLE} cy={MIDDLE} r={r} fill="none" stroke="var(--paper)" strokeWidth={1} />
        <circle cx={MIDDLE} cy={MIDDLE} r={r} {...ring} />
      </LivePart>
      <LivePart
        label="Outer end of the dead zone"
        part="outer"
        reads={readingOf(STICK.outer, { percent: percentText(feel.outer), mm: mmText(feel.outer) })}
        svg={svg}
        value={feel.outer}
        min={0}
        max={1}
        text={mmText(feel.outer)}
        drag={frozen}
        cursor="ew-resize"
        onMove={(p) => onZone({ outer: clampTo(round(fromMiddle(p) / r, 0.01), feel.inner + 0.01, 1) })}
        onStep={(x, y) => onZone({ outer: clampTo(round(feel.outer + (x + y) * 0.01, 0.01), feel.inner + 0.01, 1) })}
      >
        <circle cx={MIDDLE} cy={MIDDLE} r={r * feel.outer} fill="none" stroke="var(--muted)" strokeDasharray="2 3" />
        <circle cx={MIDDLE} cy={MIDDLE} r={r * feel.outer} {...ring} strokeWidth={6} />
      </LivePart>
      <LivePart
        label="Inner end of the dead zone"
        part="inner"
        reads={readingOf(STICK.inner, { percent: percentText(feel.inner), mm: mmText(feel.inner) })}
        svg={svg}
        value={feel.inner}
        min={0}
        max={1}
        text={mmText(feel.inner)}
        drag={frozen}
        cursor="ew-resize"
        onMove={(p) => onZone({ inner: clampTo(round(fromMiddle(p) / r, 0.01), 0, feel.outer - 0.01) })}
        onStep={(x, y) => onZone({ inner: clampTo(round(feel.inner + (x + y) * 0.01, 0.01), 0, feel.outer - 0.01) })}
      >
        <circle cx={MIDDLE} cy={MIDDLE} r={Math.max(1, r * feel.inner)} fill="var(--muted)" stroke="var(--ink)" strokeWidth={0.5} />
        <circle cx={MIDDLE} cy={MIDDLE} r={Math.max(4, r * feel.inner)} {...ring} strokeWidth={6} fill="transparent" />
      </LivePart>
    </LivePicture>
  );
}

const PAD = 8;
const SIDE = PICTURE - 2 * PAD;
const toX = (x: number) => PAD + x * SIDE;
const toY = (y: number) => PAD + (1 - y) * SIDE;

/** The response curve, what goes in along the bottom, what comes out upward. Its handles are dragged; the middle of a straight line bends it. */
export function CurvePicture({ curve, drag, onCurve }: { curve: Curve; drag: Drag; onCurve: (curve: Curve) => void }) {
  const svg = useRef<SVGSVGElement>(null);
  const path = Array.from({ length: 49 }, (_, i) => `${i === 0 ? "M" : "L"}${toX(i / 48).toFixed(2)} ${toY(curveAt(curve, i / 48)).toFixed(2)}`).join("");
  const at = (p: Point) => ({ x: clampTo((p.x - PAD) / SIDE, 0, 1), y: clampTo(1 - (p.y - PAD) / SIDE, -0.5, 1.5) });
  const power = curve.kind === "power" ? curve.exponent : 1;
  const bend = (y: number) => onCurve({ kind: "power", exponent: clampTo(round(Math.log(clampTo(y, 0.01, 0.99)) / Math.log(0.5), 0.05), 0.5, 5) });
  const handle = (which: 1 | 2) => {
    if (curve.kind !== "bezier") return null;
    const [x, y] = which === 1 ? [curve.x1, curve.y1] : [curve.x2, curve.y2];
    const put = (nx: number, ny: number) => {
      const place = { [`x${which}`]: clampTo(round(nx, 0.01), 0.01, 0.99), [`y${which}`]: round(ny, 0.01) };
      onCurve({ ...curve, ...place });
    };
    return (
      <LivePart
        key={which}
        label={`Handle ${which} of the curve`}
        part="curve"
        reads={says("feel.curvePicture")}
        svg={svg}
        value={x}
        min={0.01}
        max={0.99}
        text={`${x}, ${y}`}
        drag={drag}
        onMove={(p) => put(at(p).x, at(p).y)}
        onStep={(dx, dy) => put(x + dx * 0.01, y + dy * 0.01)}
      >
        <line x1={toX(which === 1 ? 0 : 1)} y1={toY(which === 1 ? 0 : 1)} x2={toX(x)} y2={toY(y)} stroke="var(--muted)" />
        <circle cx={toX(x)} cy={toY(y)} r={9} fill="transparent" />
        <circle cx={toX(x)} cy={toY(y)} r={4} fill="var(--sheet)" stroke="var(--accent)" strokeWidth={1.5} />
      </LivePart>
    );
  };
  return (
    <LivePicture label="Response curve" svg={svg} reads={says("feel.curvePicture")}>
      <path d={`M${PAD} ${PAD}V${PAD + SIDE}H${PAD + SIDE}`} fill="none" stroke="var(--edge)" />
      <path d={`M${PAD} ${PAD + SIDE}L${PAD + SIDE} ${PAD}`} stroke="var(--rule)" strokeDasharray="2 3" />
      <path d={path} fill="none" stroke="var(--accent)" strokeWidth={1.75} data-testid="curve" />
      {handle(1)}
      {handle(2)}
      {(curve.kind === "power" || curve.kind === "linear") && (
        <LivePart
          label="Bend of the curve"
          part="curve"
          reads={says("feel.curvePicture")}
          svg={svg}
          value={power}
          min={0.5}
          max={5}
          text={`exponent ${power}`}
          drag={drag}
          cursor="ns-resize"
          onMove={(p) => bend(at(p).y)}
          onStep={(x, y) => onCurve({ kind: "power", exponent: clampTo(round(power - (x + y) * 0.1, 0.05), 0.5, 5) })}
        >
          <circle cx={toX(0.5)} cy={toY(0.5 ** power)} r={9} fill="transparent" />
          <circle cx={toX(0.5)} cy={toY(0.5 ** power)} r={4} fill="var(--sheet)" stroke="var(--accent)" strokeWidth={1.5} />
        </LivePart>
      )}
    </LivePicture>
  );
}

/** The sectors of a d-pad and its neutral middle. */
export function SectorPicture({
  feel,
  drag,
  onFeel,
}: {
  feel: DpadControl["feel"];
  drag: Drag;
  onFeel: (change: { neutral?: number; diagonal?: number }) => void;
}) {
  const svg = useRef<SVGSVGElement>(null);
  const half = feel.ways === 8 ? feel.diagonal / 2 : 45;
  const ray = (deg: number) => {
    const a = (deg * Math.PI) / 180;
    return `M${MIDDLE + Math.cos(a) * ROOM * feel.neutral} ${MIDDLE - Math.sin(a) * ROOM * feel.neutral}L${MIDDLE + Math.cos(a) * ROOM} ${MIDDLE - Math.sin(a) * ROOM}`;
  };
  const edges = feel.ways === 8 ? [45, 135, 225, 315].flatMap((d) => [d - half, d + half]) : [45, 135, 225, 315];
  const edge = ((45 - half) * Math.PI) / 180;
  return (
    <LivePicture label="Sectors of the d-pad" svg={svg} reads={says("feel.sectors")}>
      <circle cx={MIDDLE} cy={MIDDLE} r={ROOM} fill="none" stroke="var(--ink)" />
      <path d={edges.map(ray).join("")} stroke="var(--muted)" fill="none" />
      {feel.ways === 8 && (
        <LivePart
          label="Width of the diagonals"
          part="diagonal"
          reads={readingOf(DPAD.diagonal)}
          svg={svg}
          value={feel.diagonal}
          min={10}
          max={80}
          text={`${feel.diagonal}°`}
          drag={drag}
          onMove={(p) => {
            const angle = (Math.atan2(MIDDLE - p.y, p.x - MIDDLE) * 180) / Math.PI;
            onFeel({ diagonal: clampTo(Math.round(2 * Math.abs(45 - angle)), 10, 80) });
          }}
          onStep={(x, y) => onFeel({ diagonal: clampTo(feel.diagonal + x + y, 10, 80) })}
        >
          <circle cx={MIDDLE + Math.cos(edge) * ROOM * 0.8} cy={MIDDLE - Math.sin(edge) * ROOM * 0.8} r={9} fill="transparent" />
          <circle
            cx={MIDDLE + Math.cos(edge) * ROOM * 0.8}
            cy={MIDDLE - Math.sin(edge) * ROOM * 0.8}
            r={4}
            fill="var(--sheet)"
            stroke="var(--accent)"
            strokeWidth={1.5}
          />
        </LivePart>
      )}
      <LivePart
        label="Neutral middle"
        part="neutral"
        reads={readingOf(DPAD.neutral)}
        svg={svg}
        value={feel.neutral}
        min={0.01}
        max={0.9}
        text={String(feel.neutral)}
        drag={drag}
        cursor="ew-resize"
        onMove={(p) => onFeel({ neutral: clampTo(round(fromMiddle(p) / ROOM, 0.01), 0.01, 0.9) })}
        onStep={(x, y) => onFeel({ neutral: clampTo(round(feel.neutral + (x + y) * 0.01, 0.01), 0.01, 0.9) })}
      >
        <circle cx={MIDDLE} cy={MIDDLE} r={ROOM * feel.neutral} fill="var(--muted)" stroke="var(--ink)" strokeWidth={0.5} />
        <circle cx={MIDDLE} cy={MIDDLE} r={Math.max(4, ROOM * feel.neutral)} fill="transparent" stroke="transparent" strokeWidth={6} />
      </LivePart>
    </LivePicture>
  );
}
