"use client";
/** How an action rises when it is given and falls when it is let go, drawn from the function that plays it; after a change a dot runs along a few times as it would be felt. */
import { useMemo } from "react";
import { easeTrace } from "../../../core/wiring/ease";
import type { Action } from "../../../core/format/types";

const W = 252;
const H = 56;
const PAD = 4;
/** Ticks a second of the picture: finer than any screen's. */
const HZ = 120;

export function EasePicture({ action }: { action: Pick<Action, "riseMs" | "fallMs"> }) {
  const { riseMs, fallMs } = action;
  const { path, heldPart, lastMs } = useMemo(() => {
    const heldMs = Math.max(150, riseMs * 1.25);
    const lastMs = heldMs + Math.max(150, fallMs * 1.25);
    const x = (t: number) => PAD + (Math.min(t, lastMs) / lastMs) * (W - 2 * PAD);
    const y = (v: number) => H - PAD - v * (H - 2 * PAD);
    const trace = easeTrace({ riseMs, fallMs }, heldMs, lastMs, HZ);
    // A value holds until the next tick: drawn as steps where it jumps, which at this fineness is a line.
    const path = trace.map((p, i) => `${i === 0 ? "M" : "L"}${x(p.t).toFixed(1)} ${y(p.value).toFixed(1)}`).join("");
    return { path, heldPart: x(heldMs), lastMs };
  }, [riseMs, fallMs]);
  return (
    <svg
      viewBox={`0 0 ${W} ${H}`}
      width="100%"
      role="img"
      aria-label={`Rises to full in ${riseMs} ms; falls to 0 in ${fallMs} ms after release`}
      className="box block"
      style={{ aspectRatio: `${W} / ${H}` }}
    >
      <path d={`M${heldPart} ${PAD}V${H - PAD}`} stroke="var(--rule)" />
      <path d={path} fill="none" stroke="var(--accent)" strokeWidth={1.5} />
      <circle key={path} r={3} fill="var(--ink)" className="motion-reduce:hidden">
        <animateMotion dur={`${Math.max(0.6, lastMs / 1000)}s`} repeatCount="3" path={path} keyPoints="0;1" keyTimes="0;1" calcMode="paced" />
      </circle>
      <text x={PAD + 2} y={H - PAD - 2} fontSize={8} fill="var(--muted)">
        pressed
      </text>
      <text x={heldPart + 3} y={H - PAD - 2} fontSize={8} fill="var(--muted)">
        released · {Math.round(lastMs)} ms in all
      </text>
    </svg>
  );
}
