"use client";
/** A layout as a small drawing: the device, and what is on it, by its shapes alone. */
import { KINDS } from "../../core/engine/kinds";
import { byId } from "../../core/derived/byId";
import { resolvedOn } from "../../core/derived/resolved";
import { PLAIN_PLAYER_VIEW } from "../../core/engine/placement/resolve";
import type { Layout, Screen } from "../../core/format/types";

/** CSS px of the drawing's longer side. */
const SIDE = 120;

export function LayoutSketch({ layout, screen }: { layout: Layout; screen: Screen }) {
  const { widthPx: w, heightPx: h } = screen;
  const scale = SIDE / Math.max(w, h);
  const controls = byId(layout.controls);
  return (
    <svg width={w * scale} height={h * scale} viewBox={`0 0 ${w} ${h}`} aria-hidden className="overflow-visible">
      <rect width={w} height={h} rx={screen.cornerPx} fill="var(--paper)" stroke="var(--ink)" vectorEffect="non-scaling-stroke" />
      {resolvedOn(layout, screen, PLAIN_PLAYER_VIEW).controls.map(({ id, visual: v, hit }) => {
        const kind = controls.get(id)?.kind;
        const isField = kind !== undefined && KINDS[kind].isField;
        const round = isField || hit.shape === "box" ? 0 : Math.min(v.w, v.h) / 2;
        return (
          <g key={id}>
            <rect
              x={v.x}
              y={v.y}
              width={v.w}
              height={v.h}
              rx={round}
              fill={isField ? "none" : "var(--accent)"}
              fillOpacity={0.16}
              stroke={isField ? "var(--land)" : "var(--accent)"}
              strokeDasharray={isField ? "3 2" : undefined}
              vectorEffect="non-scaling-stroke"
            />
            {kind === "stick" && <circle cx={v.x + v.w / 2} cy={v.y + v.h / 2} r={Math.min(v.w, v.h) / 5} fill="var(--accent)" />}
            {kind === "dpad" && (
              <path
                d={`M${v.x + v.w / 2} ${v.y + v.h * 0.2}v${v.h * 0.6}M${v.x + v.w * 0.2} ${v.y + v.h / 2}h${v.w * 0.6}`}
                stroke="var(--accent)"
                strokeWidth={2}
                vectorEffect="non-scaling-stroke"
              />
            )}
          </g>
        );
      })}
    </svg>
  );
}
