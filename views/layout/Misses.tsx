"use client";
/** The cloud of a hundred touches meant for a control, at true scale: those that it gets as dots, those that others take as crosses, those that nothing takes as rings. */
import { memo } from "react";
import { meantTouches, missesOn, type MeantTouch } from "../../core/checks/misses";
import { byId } from "../../core/derived/byId";
import type { EditContext } from "../../core/editing/placing";
import { pxPerMm } from "../../core/engine/placement/screen";
import { nameOf } from "../document/names";
import { FINDING_TONE, ON_GLASS } from "../canvas/tones";

const COUNT = 100;
/** A mark is so large on the glass, mm across. */
const MARK_MM = 0.7;
/** A taker of fewer of a hundred is not named. */
const NAMED_FROM = 0.015;

interface Props {
  readonly context: EditContext;
  readonly scale: number;
  /** Whose touches are shown; empty: everyone's. */
  readonly of: readonly string[];
}

/** The clouds of what is selected, or of every control that touches are aimed at. */
export const Misses = memo(function Misses({ context, scale, of }: Props) {
  const { layout, resolved, playerView, screen } = context;
  const only = of.length > 0 ? new Set(of) : undefined;
  const radius = Math.max((MARK_MM / 2) * pxPerMm(screen), 1 / scale);
  return (
    <g pointerEvents="none" data-testid="misses">
      {missesOn(layout, resolved, playerView, only).map(({ id, hit, taken }) => {
        const touches = meantTouches(layout, resolved, playerView, { id, count: COUNT });
        const { visual } = byId(resolved.controls).get(id)!;
        const takers = Object.entries(taken).filter(([, share]) => share >= NAMED_FROM);
        return (
          <g key={id} data-misses={id}>
            <path
              d={rings(
                touches.filter((t) => t.taker === null),
                radius,
              )}
              fill="none"
              stroke={ON_GLASS.muted}
              strokeWidth={1.25}
              vectorEffect="non-scaling-stroke"
            />
            <path
              d={rings(
                touches.filter((t) => t.taker === id),
                radius,
              )}
              fill={ON_GLASS.ink}
              stroke={ON_GLASS.dark}
              strokeWidth={0.75}
              vectorEffect="non-scaling-stroke"
            />
            <path
              d={crosses(
                touches.filter((t) => t.taker !== null && t.taker !== id),
                radius,
              )}
              fill="none"
              stroke={FINDING_TONE.blocker}
              strokeWidth={1.75}
              vectorEffect="non-scaling-stroke"
            />
            <Words x={visual.x + visual.w / 2} y={visual.y - 5 / scale} scale={scale} text={`${(hit * 100).toFixed(0)} of 100`} fill={ON_GLASS.ink} />
            {takers.map(([taker, share]) => {
              const at = middle(touches.filter((t) => t.taker === taker));
              return (
                at && (
                  <Words
                    key={taker}
                    x={at.x}
                    y={at.y}
                    scale={scale}
                    text={`${(share * 100).toFixed(0)} ${nameOf(layout, taker)}`}
                    fill={FINDING_TONE.blocker}
                  />
                )
              );
            })}
          </g>
        );
      })}
    </g>
  );
});

const rings = (touches: readonly MeantTouch[], r: number): string =>
  touches.map(({ x, y }) => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`).join("");
const crosses = (touches: readonly MeantTouch[], r: number): string =>
  touches.map(({ x, y }) => `M${x - r} ${y - r}l${2 * r} ${2 * r}M${x - r} ${y + r}l${2 * r} ${-2 * r}`).join("");

function middle(touches: readonly MeantTouch[]): { readonly x: number; readonly y: number } | null {
  if (touches.length === 0) return null;
  return { x: touches.reduce((sum, t) => sum + t.x, 0) / touches.length, y: touches.reduce((sum, t) => sum + t.y, 0) / touches.length };
}

function Words({ x, y, scale, text, fill }: { x: number; y: number; scale: number; text: string; fill: string }) {
  return (
    <text x={x} y={y} textAnchor="middle" fontSize={11 / scale} fill={fill} stroke={ON_GLASS.dark} strokeWidth={3 / scale} paintOrder="stroke">
      {text}
    </text>
  );
}
