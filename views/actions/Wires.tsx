"use client";
/** The wires from actions to the controls that serve them, each ending in a word where something wants saying. */
import { useRef } from "react";
import type { Action, Control, Serve } from "../../core/layout/types";
import { useRoom } from "../shared/useRoom";
import { stateOf, type Chain, type Places } from "./sheet";

interface Props {
  readonly actions: readonly Action[];
  readonly controls: readonly Control[];
  readonly places: Places;
  readonly chain: Chain | null;
}

/** Length of a wire that leads nowhere, CSS px. */
const STUB = 18;

export function Wires({ actions, controls, places, chain }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const { w } = useRoom(box);
  return (
    <div ref={box} className="relative" style={{ height: places.height }}>
      <svg width={w} height={places.height} className="absolute inset-0 overflow-visible" aria-hidden>
        {controls.flatMap((c) =>
          (c.serves as readonly Serve[]).map((s, i) => {
            const y1 = places.serveY(c.id, i);
            const y0 = places.actionY.get(s.action);
            const lit = chain === null || (chain.actions.has(s.action) && chain.controls.has(c.id));
            const key = `${c.id} ${i}`;
            if (y0 === undefined)
              return (
                <g key={key} opacity={lit ? 1 : 0.25}>
                  <path d={`M${w} ${y1}H${w - STUB}`} stroke="var(--blocker)" strokeDasharray="4 3" fill="none" />
                  <circle cx={w - STUB - 4} cy={y1} r={3.5} fill="none" stroke="var(--blocker)" />
                </g>
              );
            return (
              <g key={key} opacity={lit ? 1 : 0.2}>
                <path
                  d={`M0 ${y0}C${w * 0.5} ${y0} ${w * 0.5} ${y1} ${w} ${y1}`}
                  stroke={chain && lit ? "var(--accent)" : "var(--ink)"}
                  strokeWidth={chain && lit ? 2 : 1}
                  fill="none"
                />
                <circle cx={w} cy={y1} r={3} fill={chain && lit ? "var(--accent)" : "var(--ink)"} />
              </g>
            );
          }),
        )}
        {actions.map((a) => {
          const y = places.actionY.get(a.name) ?? 0;
          const { problem } = stateOf(a, controls);
          const bare = !controls.some((c) => c.serves.some((s) => s.action === a.name));
          return bare ? (
            <g key={a.name}>
              <path d={`M0 ${y}H${STUB}`} stroke={problem ? "var(--blocker)" : "var(--muted)"} strokeDasharray="4 3" />
              <circle cx={STUB + 4} cy={y} r={3.5} fill="none" stroke={problem ? "var(--blocker)" : "var(--muted)"} />
            </g>
          ) : null;
        })}
      </svg>
      {actions.map((a) => {
        const { word, problem } = stateOf(a, controls);
        const bare = !controls.some((c) => c.serves.some((s) => s.action === a.name));
        return (
          <span
            key={a.name}
            className={`absolute bg-paper px-1 text-[11px] leading-tight ${problem ? "text-blocker" : "text-muted"}`}
            style={{ top: (places.actionY.get(a.name) ?? 0) + (bare ? -7 : -17), left: bare ? STUB + 12 : 6, maxWidth: Math.max(60, w - STUB - 16) }}
          >
            {word}
          </span>
        );
      })}
    </div>
  );
}
