"use client";
/** The order in which areas that lie on each other take a touch. */
import { byId } from "../../core/derived/byId";
import type { EditContext } from "../../core/editing/placing";
import { commonArea } from "../../core/engine/geometry/commonArea";
import { touchArea } from "../../core/engine/input/ready";
import { ON_GLASS } from "../canvas/tones";

/** Where areas lie on each other, the order of those that meet the selected one: 1 is on top and takes the touch first. */
export function Stack({ context, id, scale }: { context: EditContext; id: string; scale: number }) {
  const { controls } = context.resolved;
  const own = byId(controls).get(id);
  if (!own) return null;
  const area = touchArea(own);
  const stack = controls.filter((c) => c === own || commonArea(touchArea(c), area) > 1).reverse();
  if (stack.length < 2) return null;
  return (
    <g pointerEvents="none" data-testid="stack">
      {stack.map((c, i) => {
        const x = c.visual.x + c.visual.w;
        const y = c.visual.y + c.visual.h;
        return (
          <g key={c.id} data-order={i + 1} data-of={c.id}>
            <circle
              cx={x}
              cy={y}
              r={8 / scale}
              fill={ON_GLASS.dark}
              stroke={c === own ? ON_GLASS.accent : ON_GLASS.hit}
              strokeWidth={1.5}
              vectorEffect="non-scaling-stroke"
            />
            <text
              x={x}
              y={y}
              fontSize={10 / scale}
              textAnchor="middle"
              dominantBaseline="central"
              fill={ON_GLASS.ink}
              style={{ fontFamily: "var(--font-mono)" }}
            >
              {i + 1}
            </text>
          </g>
        );
      })}
    </g>
  );
}
