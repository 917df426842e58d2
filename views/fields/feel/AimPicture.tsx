"use client";
/** How a stick fires that is let go: a small stick to try it on. Drag its knob, bring it back, let go; or by the arrow keys and Enter. */
import { useState, type KeyboardEvent, type PointerEvent } from "react";
import type { StickControl } from "../../../core/format/types";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { AIM_PHASES, aimPhaseOf, firesBy, type AimPhase } from "./aimPhase";

const SIDE = 54;
const MIDDLE = SIDE / 2;
/** The travel in the picture, px. */
const TRAVEL = 18;
const STEP = 0.25;
const ARROWS: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, 1], ArrowDown: [0, -1] };

interface Knob {
  readonly x: number;
  readonly y: number;
}
/** Where the knob is, y up, in travels; null: let go. `last`: how far it then was. */
interface Held {
  readonly knob: Knob | null;
  readonly last: number | null;
}

/** A knob within its travel. */
function within(x: number, y: number): Knob {
  const far = Math.max(1, Math.hypot(x, y));
  return { x: x / far, y: y / far };
}

export function AimPicture({ control: { feel, serves } }: { readonly control: StickControl }) {
  const [held, setHeld] = useState<Held>({ knob: null, last: null });
  const fires = firesBy(serves);
  const phase = aimPhaseOf(held.knob && Math.hypot(held.knob.x, held.knob.y), held.last, feel.inner);
  const knob = held.knob ?? { x: 0, y: 0 };
  const put = (x: number, y: number) => setHeld({ knob: within(x, y), last: null });
  const letGo = () => setHeld(({ knob: at }) => ({ knob: null, last: at && Math.hypot(at.x, at.y) }));
  const move = (event: PointerEvent<SVGSVGElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    put((event.clientX - box.left - box.width / 2) / TRAVEL, (box.top + box.height / 2 - event.clientY) / TRAVEL);
  };
  const onKeyDown = (event: KeyboardEvent) => {
    const way = ARROWS[event.key];
    if (way) put(knob.x + way[0] * STEP, knob.y + way[1] * STEP);
    else if (event.key === "Enter" || event.key === " ") letGo();
    else return;
    event.preventDefault();
  };
  const [cx, cy] = [MIDDLE + knob.x * TRAVEL, MIDDLE - knob.y * TRAVEL];
  return (
    <div role="group" aria-label="Aim and let go" className="flex items-center gap-2 border-b border-rule pb-1.5">
      <svg
        width={SIDE}
        height={SIDE}
        viewBox={`0 0 ${SIDE} ${SIDE}`}
        className="shrink-0 touch-none"
        role="slider"
        tabIndex={0}
        aria-label="Try the aim"
        aria-valuemin={0}
        aria-valuemax={100}
        aria-valuenow={Math.round(Math.hypot(knob.x, knob.y) * 100)}
        aria-valuetext={AIM_PHASES[phase]}
        onPointerDown={(event) => {
          event.currentTarget.setPointerCapture(event.pointerId);
          move(event);
        }}
        onPointerMove={(event) => held.knob && event.currentTarget.hasPointerCapture(event.pointerId) && move(event)}
        onPointerUp={letGo}
        onPointerCancel={() => setHeld({ knob: null, last: null })}
        onKeyDown={onKeyDown}
        {...readingProps(says("feel.aim"), AIM_PHASES[phase], "drag · arrow keys, Enter")}
      >
        <circle cx={MIDDLE} cy={MIDDLE} r={TRAVEL + 6} fill="none" stroke="var(--ink)" />
        <circle cx={MIDDLE} cy={MIDDLE} r={feel.inner * TRAVEL} fill="none" stroke="var(--muted)" strokeDasharray="2 2" />
        {phase === "aiming" && <line x1={MIDDLE} y1={MIDDLE} x2={cx} y2={cy} stroke="var(--accent)" strokeWidth={3} />}
        {phase === "fired" && <circle cx={MIDDLE} cy={MIDDLE} r={TRAVEL} fill="none" stroke="var(--accent)" strokeWidth={4} />}
        <circle cx={cx} cy={cy} r={7} fill={phase === "aiming" || phase === "fired" ? "var(--accent)" : "var(--muted)"} opacity={phase === "off" ? 0.35 : 1} />
      </svg>
      <ul className="grid min-w-0 flex-1 grid-cols-[auto_auto] content-center gap-x-1 text-[0.6875rem] text-muted">
        {(Object.keys(AIM_PHASES) as AimPhase[]).map((one) => (
          <li key={one} aria-current={one === phase ? "step" : undefined} className={one === phase ? "text-ink" : ""}>
            <span aria-hidden className="inline-block w-3">
              {one === phase ? "▸" : ""}
            </span>
            {AIM_PHASES[one]}
          </li>
        ))}
        {fires.tapped && <li className="col-span-2 pl-3">a quick tap: tapped, without aiming</li>}
      </ul>
    </div>
  );
}
