"use client";
/** Over the glass while playing: the areas of controls, and the pins with their numbers. It takes no pointer. */
import { useEffect, useRef } from "react";
import { byId } from "../../core/derived/byId";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Resolved } from "../../core/engine/placement/resolve";
import type { Layout, Screen } from "../../core/format/types";
import { AreaPatterns, ControlAreas } from "../canvas/Areas";
import type { Overlays } from "../canvas/overlays";
import type { OnTouched } from "./touched";
import { useStage } from "./stageState";
import type { PinTools } from "./usePins";

const SHOWN: Overlays = {
  hit: true,
  landing: true,
  travel: true,
  frames: false,
  edges: false,
  reach: false,
  clear: false,
  grid: false,
  gaps: false,
  misses: false,
};
/** A fingertip, mm. */
const FINGER_MM = 10;

interface Props {
  readonly layout: Layout;
  readonly resolved: Resolved;
  readonly screen: Screen;
  readonly scale: number;
  readonly tools: PinTools;
  readonly onTouched: OnTouched;
}

export function StageOverlay({ layout, resolved, screen, scale, tools, onTouched }: Props) {
  const overlays = useStage((s) => s.overlays);
  const areas = useRef<SVGGElement>(null);
  const marks = useRef(new Map<number, SVGGElement>());
  const controls = byId(layout.controls);
  // Which areas show changes with every touch: it is written past React.
  useEffect(() => {
    if (overlays !== "touched") return;
    return onTouched((ids) => {
      for (const element of areas.current?.querySelectorAll<SVGGElement>("[data-areas]") ?? [])
        element.style.display = ids.includes(element.dataset.areas!) ? "" : "none";
    });
  }, [overlays, onTouched]);
  const { pins, now } = tools;
  useEffect(() => {
    if (pins.length === 0) return;
    let animation = 0;
    const place = () => {
      for (const pin of now()) {
        const mark = marks.current.get(pin.number);
        if (!mark) continue;
        mark.setAttribute("transform", `translate(${pin.x} ${pin.y})`);
        mark.setAttribute("opacity", pin.isDown ? "1" : "0.35");
      }
      animation = requestAnimationFrame(place);
    };
    place();
    return () => cancelAnimationFrame(animation);
  }, [pins, now]);
  const r = (FINGER_MM / 2) * pxPerMm(screen);
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full"
      viewBox={`0 0 ${screen.widthPx} ${screen.heightPx}`}
      aria-hidden
      data-testid="stage-overlay"
    >
      {overlays !== "none" && (
        <g ref={areas}>
          <AreaPatterns scale={scale} />
          {resolved.controls.map((at) => (
            <ControlAreas key={`${overlays} ${at.id}`} control={controls.get(at.id)!} at={at} overlays={SHOWN} strong />
          ))}
        </g>
      )}
      {pins.map(({ number, x, y }) => (
        <g
          key={number}
          ref={(element) => {
            if (element) marks.current.set(number, element);
            else marks.current.delete(number);
          }}
          transform={`translate(${x} ${y})`}
          data-pin-mark={number}
        >
          <circle r={r} fill="#8ea2ff" fillOpacity={0.25} stroke="#8ea2ff" strokeWidth={1.5 / scale} />
          <text y={r + 13 / scale} textAnchor="middle" fontSize={12 / scale} fill="#e8e4da" stroke="#0f171d" strokeWidth={3 / scale} paintOrder="stroke">
            {number}
          </text>
        </g>
      ))}
    </svg>
  );
}
