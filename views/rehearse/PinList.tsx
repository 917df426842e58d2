"use client";
/** The pins next to the glass: made, moved, looped and lifted, by keyboard too. */
import { useEffect, useRef, useState, type KeyboardEvent } from "react";
import { X } from "lucide-react";
import { centreOf } from "../../core/engine/geometry/point";
import { pxPerMm } from "../../core/engine/placement/screen";
import type { Resolved } from "../../core/engine/placement/resolve";
import type { Layout, Screen } from "../../core/format/types";
import { readingProps } from "../../ui/reading";
import type { LoopSpeed, TouchPin } from "../interaction/pins";
import { says } from "../shell/reading/sentences";
import type { PinTools } from "./usePins";

const SPEEDS: readonly (readonly [LoopSpeed, string])[] = [
  [0.5, "½"],
  [1, "1"],
  [2, "2"],
];
/** So often it is reported where a pin is, ms: more often nobody reads it. */
const TOLD_EVERY_MS = 100;
/** A step by an arrow key, mm; with Shift. */
const STEP_MM = 1;
const LONG_STEP_MM = 5;

interface Props {
  readonly tools: PinTools;
  readonly layout: Layout;
  readonly resolved: Resolved;
  readonly screen: Screen;
}

export function PinList({ tools, layout, resolved, screen }: Props) {
  const { pins, give } = tools;
  const pinOn = (id: string) => {
    const placed = resolved.controls.find((c) => c.id === id);
    if (!placed) return;
    const number = give({ kind: "press", ...centreOf(placed.hit) });
    if (number === null) tools.onFull();
    else give({ kind: "cancel", number });
  };
  const shown = new Set(resolved.controls.map((c) => c.id));
  return (
    <section aria-label="Pins" className="grid content-start gap-1 border-b border-rule px-4 py-2.5">
      <header className="flex items-center justify-between gap-2">
        <h2 className="heading">Pins</h2>
        {pins.length > 1 && (
          <button type="button" className="push h-6 px-1.5" onClick={() => give({ kind: "lift all" })} {...readingProps(says("pins.liftAll"))}>
            Remove all
          </button>
        )}
      </header>
      {pins.length === 0 && (
        <p className="caption">No pins. Turn on “pin”, or press with the second mouse button: the finger stays down where you release it.</p>
      )}
      <ul aria-label="Pinned touches" className="grid gap-0.5">
        {pins.map((pin) => (
          <PinRow key={pin.number} pin={pin} tools={tools} layout={layout} screen={screen} />
        ))}
      </ul>
      <select
        aria-label="Pin a finger on a control"
        className="box h-6 px-1 text-[0.75rem]"
        value=""
        onChange={(event) => pinOn(event.target.value)}
        {...readingProps(says("pins.add"))}
      >
        <option value="">pin a finger on…</option>
        {layout.controls
          .filter((c) => shown.has(c.id))
          .map((c) => (
            <option key={c.id} value={c.id}>
              {c.name}
            </option>
          ))}
      </select>
    </section>
  );
}

// oxlint-disable-next-line max-lines-per-function -- one row of many buttons
function PinRow({ pin, tools, layout, screen }: { pin: TouchPin } & Omit<Props, "resolved">) {
  const { number, state } = pin;
  const { give } = tools;
  const place = useRef<HTMLSpanElement>(null);
  const [isMoving, setIsMoving] = useState(false);
  // Where a looping finger is changes with every frame: it is written now and then, past React.
  useEffect(() => {
    const write = () => {
      const now = tools.now().find((p) => p.number === number);
      if (now && place.current) place.current.textContent = whereWords(now, { holder: tools.holder(number), layout, screen });
    };
    write();
    const told = window.setInterval(write, TOLD_EVERY_MS);
    return () => window.clearInterval(told);
  }, [tools, number, layout, screen]);
  const letGo = () => {
    if (isMoving) give({ kind: "cancel", number });
    setIsMoving(false);
  };
  const onKey = (event: KeyboardEvent<HTMLElement>) => {
    if (event.target !== event.currentTarget) return;
    const way = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
    if (way) {
      const now = tools.now().find((p) => p.number === number);
      if (!now) return;
      // The first step takes the pin in hand: the steps that follow are its movement.
      if (!isMoving) give({ kind: "press", x: now.x, y: now.y });
      setIsMoving(true);
      const step = (event.shiftKey ? LONG_STEP_MM : STEP_MM) * pxPerMm(screen);
      give({ kind: "move", number, x: now.x + way[0] * step, y: now.y + way[1] * step });
    } else if (event.key === "l" || event.key === "L") {
      letGo();
      give({ kind: "loop", number, speed: state.kind === "loop" ? null : 1 });
    } else if (event.key === "Delete" || event.key === "Backspace") give({ kind: "lift", number });
    else if (event.key === "Enter") letGo();
    else return;
    event.preventDefault();
    event.stopPropagation();
  };
  return (
    <li>
      <div
        tabIndex={0}
        role="group"
        aria-label={`Pin ${number}`}
        className="flex h-[1.625rem] items-center gap-1.5 rounded-sm"
        onKeyDown={onKey}
        onBlur={letGo}
        data-pin={number}
        {...readingProps(says("pins.row"), String(number))}
      >
        <span aria-hidden className="figure grid size-5 shrink-0 place-items-center rounded-full border border-accent text-[0.6875rem] text-accent">
          {number}
        </span>
        <span ref={place} className="min-w-0 flex-1 truncate text-[0.75rem]" />
        <button
          type="button"
          className="push h-6 px-1.5 text-[0.6875rem] aria-pressed:border-accent aria-pressed:text-accent"
          aria-pressed={state.kind === "loop"}
          aria-label={`Loop pin ${number}`}
          onClick={() => give({ kind: "loop", number, speed: state.kind === "loop" ? null : 1 })}
          {...readingProps(says("pins.loop"))}
        >
          Loop
        </button>
        {state.kind === "loop" && (
          <span role="group" aria-label={`Speed of pin ${number}`} className="flex">
            {SPEEDS.map(([speed, word]) => (
              <button
                key={speed}
                type="button"
                className="push figure h-6 min-w-6 px-1.5 text-[0.6875rem] aria-pressed:border-accent aria-pressed:text-accent"
                aria-pressed={state.speed === speed}
                aria-label={`${speed === 0.5 ? "half" : speed === 1 ? "true" : "double"} speed`}
                onClick={() => give({ kind: "loop", number, speed })}
              >
                {word}
              </button>
            ))}
          </span>
        )}
        <button type="button" className="push push-bare h-6" aria-label={`Remove pin ${number}`} onClick={() => give({ kind: "lift", number })}>
          <X size={13} aria-hidden />
        </button>
      </div>
    </li>
  );
}

/** What a pin has gone to, and where it is in mm from the glass's left and top. */
function whereWords(pin: TouchPin, { holder, layout, screen }: Pick<Props, "layout" | "screen"> & { holder: string | null }): string {
  const mm = pxPerMm(screen);
  const name = layout.controls.find((c) => c.id === holder)?.name ?? "nothing";
  return `${pin.isDown ? name : "up"}, ${(pin.x / mm).toFixed(0)} · ${(pin.y / mm).toFixed(0)} mm`;
}
