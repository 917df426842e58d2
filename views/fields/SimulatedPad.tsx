"use client";
/** A pad of the standard mapping on the screen, for those who have none at hand: its buttons by their numbers, its two sticks to be dragged. */
import { X } from "lucide-react";
import type { PointerEvent } from "react";
import { moveSimulated, pressSimulated, switchSimulatedPad, useSimulatedPad } from "../interaction/pads";
import { useSessionActions } from "../document/SessionContext";

/** Where each button is, CSS px in a field of 300 × 132; its number is that of the standard mapping. */
const BUTTONS: readonly (readonly [number: number, x: number, y: number])[] = [
  [6, 34, 14],
  [4, 66, 14],
  [5, 234, 14],
  [7, 266, 14],
  [12, 50, 44],
  [14, 24, 68],
  [15, 76, 68],
  [13, 50, 92],
  [8, 122, 44],
  [16, 150, 30],
  [9, 178, 44],
  [3, 250, 44],
  [2, 224, 68],
  [1, 276, 68],
  [0, 250, 92],
  [10, 128, 72],
  [11, 172, 72],
];
const STICK_R = 20;

export function SimulatedPad() {
  const session = useSessionActions();
  const on = useSimulatedPad((s) => s.on);
  if (!on) return null;
  return (
    <section
      aria-label="Simulated pad"
      data-simulated-pad
      className="fixed right-[18.75rem] bottom-4 z-40 w-[20rem] rounded-sm border border-edge bg-sheet p-2 shadow-xl select-none"
    >
      <header className="flex items-center justify-between">
        <h2 className="heading">Simulated pad</h2>
        <button className="grid size-6 place-items-center" aria-label="Hide the simulated pad" onClick={() => switchSimulatedPad(session, false)}>
          <X size={13} />
        </button>
      </header>
      <div className="relative h-[9.375rem]">
        {BUTTONS.map(([number, x, y]) => (
          <PadButton key={number} number={number} x={x} y={y} />
        ))}
        <PadStick stick="left" x={104} y={118} />
        <PadStick stick="right" x={198} y={118} />
      </div>
    </section>
  );
}

function PadButton({ number, x, y }: { number: number; x: number; y: number }) {
  const session = useSessionActions();
  const down = useSimulatedPad((s) => s.buttons[number] > 0);
  // Whoever looks once a frame must see the shortest click too.
  const release = () => requestAnimationFrame(() => requestAnimationFrame(() => pressSimulated(session, number, 0)));
  return (
    <button
      aria-label={`Pad button ${number}`}
      aria-pressed={down}
      className={`figure absolute grid size-6 -translate-x-1/2 -translate-y-1/2 touch-none place-items-center rounded-full border text-[0.625rem] ${down ? "border-accent bg-accent text-on-accent" : "border-edge"}`}
      style={{ left: x, top: y }}
      onPointerDown={(event) => {
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        pressSimulated(session, number, 1);
      }}
      onPointerUp={release}
      onPointerCancel={release}
      onLostPointerCapture={release}
      onKeyDown={(event) => {
        if (event.key !== " " && event.key !== "Enter") return;
        event.preventDefault();
        pressSimulated(session, number, 1);
      }}
      onKeyUp={release}
      onBlur={release}
    >
      {number}
    </button>
  );
}

function PadStick({ stick, x, y }: { stick: "left" | "right"; x: number; y: number }) {
  const session = useSessionActions();
  const first = stick === "left" ? 0 : 2;
  const dx = useSimulatedPad((s) => s.axes[first]);
  const dy = useSimulatedPad((s) => s.axes[first + 1]);
  const follow = (event: PointerEvent<HTMLElement>) => {
    if (!event.currentTarget.hasPointerCapture(event.pointerId)) return;
    const box = event.currentTarget.getBoundingClientRect();
    const [vx, vy] = [(event.clientX - box.left - box.width / 2) / STICK_R, (event.clientY - box.top - box.height / 2) / STICK_R];
    const far = Math.max(1, Math.hypot(vx, vy));
    moveSimulated(session, stick, { x: vx / far, y: vy / far });
  };
  const home = () => moveSimulated(session, stick, { x: 0, y: 0 });
  const WAYS: Readonly<Record<string, readonly [number, number]>> = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] };
  return (
    <button
      aria-label={`Pad, ${stick} stick: drag it, or hold an arrow key`}
      className="absolute size-10 -translate-x-1/2 -translate-y-1/2 touch-none rounded-full border border-edge"
      style={{ left: x, top: y }}
      onPointerDown={(event) => {
        event.preventDefault();
        event.currentTarget.setPointerCapture(event.pointerId);
        follow(event);
      }}
      onPointerMove={follow}
      onPointerUp={home}
      onPointerCancel={home}
      onLostPointerCapture={home}
      onKeyDown={(event) => {
        const way = WAYS[event.key];
        if (!way) return;
        event.preventDefault();
        event.stopPropagation();
        moveSimulated(session, stick, { x: way[0], y: way[1] });
      }}
      onKeyUp={home}
      onBlur={home}
    >
      <span
        aria-hidden
        className="absolute top-1/2 left-1/2 size-5 rounded-full bg-accent"
        style={{ transform: `translate(calc(-50% + ${dx * 10}px), calc(-50% + ${dy * 10}px))` }}
      />
    </button>
  );
}
