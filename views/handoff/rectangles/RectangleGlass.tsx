"use client";
/** How rectangles will stand: the screen, what is there, what comes in, and the tether of each. */
import { counted } from "../../../core/derived/counted";
import { byId } from "../../../core/derived/byId";
import { placementIn } from "../../../core/editing/placeables";
import { resolvedOn } from "../../../core/derived/resolved";
import { centreOf, type Box } from "../../../core/engine/geometry/point";
import { PLAIN_PLAYER_VIEW } from "../../../core/engine/placement/resolve";
import { framesOf } from "../../../core/engine/placement/screen";
import type { Layout, Screen } from "../../../core/format/types";

interface Props {
  readonly layout: Layout;
  readonly after: Layout;
  readonly ids: readonly string[];
  readonly screen: Screen;
}

export function RectangleGlass({ layout, after, ids, screen }: Props) {
  const { widthPx: w, heightPx: h } = screen;
  const then = resolvedOn(after, screen, PLAIN_PLAYER_VIEW);
  const now = resolvedOn(layout, screen, PLAIN_PLAYER_VIEW);
  const { safe } = framesOf(screen, layout.picture);
  const there = byId(then.controls);
  const line = Math.max(w, h) / 450;
  const outline = ({ x, y, w: width, h: height }: Box, shape: string) =>
    shape === "ellipse"
      ? { x, y, width, height, rx: width / 2, ry: height / 2 }
      : { x, y, width, height, rx: shape === "capsule" ? Math.min(width, height) / 2 : 0 };
  return (
    <svg
      viewBox={`0 0 ${w} ${h}`}
      className="max-h-[38vh] w-full border border-ink bg-paper"
      role="img"
      aria-label={`${counted(ids.length, "control")} after the import, on ${screen.name}`}
    >
      <rect
        x={safe.x}
        y={safe.y}
        width={safe.w}
        height={safe.h}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={line * 0.5}
        strokeDasharray={`${line * 8} ${line * 4}`}
      />
      {now.controls
        .filter(({ id }) => !ids.includes(id))
        .map(({ id, visual, hit }) => (
          <rect key={id} {...outline(visual, hit.shape)} fill="none" stroke="var(--muted)" strokeWidth={line * 0.6} />
        ))}
      {ids.map((id) => {
        const at = there.get(id);
        const placement = placementIn(after, then.arrangement, id);
        if (!at) return null;
        const middle = centreOf(at.visual);
        const anchor =
          placement?.kind === "pin" && placement.frame === "safe"
            ? { x: safe.x + placement.anchor[0] * safe.w, y: safe.y + placement.anchor[1] * safe.h }
            : null;
        const name = byId(after.controls).get(id)?.name ?? id;
        const size = Math.min(at.visual.h * 0.3, (at.visual.w * 1.5) / Math.max(3, name.length), line * 16);
        return (
          <g key={id} data-stands={id}>
            {anchor && (
              <line
                x1={middle.x}
                y1={middle.y}
                x2={anchor.x}
                y2={anchor.y}
                stroke="var(--accent)"
                strokeWidth={line * 0.5}
                strokeDasharray={`${line * 2} ${line * 2}`}
              />
            )}
            <rect {...outline(at.visual, at.hit.shape)} fill="var(--sheet)" fillOpacity={0.8} stroke="var(--accent)" strokeWidth={line * 1.5} />
            <text x={middle.x} y={middle.y + size * 0.35} fontSize={size} textAnchor="middle" fill="var(--ink)">
              {name}
            </text>
          </g>
        );
      })}
    </svg>
  );
}
