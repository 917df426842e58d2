"use client";
/** A labelled field to type into, which commits on Enter or when it is left; numbers in it are changed by dragging on them. */
import { useId, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";

export function Labelled({ label, id, children, wide = false }: { label: string; id?: string; children: ReactNode; wide?: boolean }) {
  return (
    <div className={`grid items-center gap-x-2 ${wide ? "" : "grid-cols-[66px_1fr]"}`}>
      <label htmlFor={id} className="caption truncate" title={label}>
        {label}
      </label>
      {children}
    </div>
  );
}

interface TypedProps {
  readonly label: string;
  readonly value: string;
  /** Takes what was typed; false refuses it and the field shows its old value. */
  readonly onCommit: (text: string) => boolean | void;
  /** A step up or down by the arrow keys, Shift for ten; and by dragging on the number. */
  readonly onStep?: (steps: number) => void;
  readonly mono?: boolean;
  /** In the letters of code, from the left. */
  readonly code?: boolean;
  readonly suffix?: ReactNode;
  /** No label: the name is for readers alone. */
  readonly bare?: boolean;
  /** A short word inside the box in place of the label. */
  readonly prefix?: string;
  readonly placeholder?: string;
  readonly title?: string;
}

/** CSS px of a drag on a number for one step. */
const STEP_PX = 4;

/** Dragging on a number that has not the focus: one step every few px; a click without a drag goes into the field. */
function useScrub(onStep: ((steps: number) => void) | undefined) {
  const drag = useRef<{ x: number; steps: number; moved: boolean } | null>(null);
  if (!onStep) return {};
  return {
    onPointerDown(event: PointerEvent<HTMLInputElement>) {
      if (event.button !== 0 || document.activeElement === event.currentTarget) return;
      event.preventDefault();
      event.currentTarget.setPointerCapture(event.pointerId);
      drag.current = { x: event.clientX, steps: 0, moved: false };
    },
    onPointerMove(event: PointerEvent<HTMLInputElement>) {
      const from = drag.current;
      if (!from) return;
      const steps = Math.trunc((event.clientX - from.x) / STEP_PX);
      if (!from.moved && steps === 0) return;
      if (!from.moved) document.dispatchEvent(new CustomEvent("focusin"));
      from.moved = true;
      if (steps !== from.steps) onStep((steps - from.steps) * (event.shiftKey ? 10 : 1));
      from.steps = steps;
    },
    onPointerUp(event: PointerEvent<HTMLInputElement>) {
      const from = drag.current;
      drag.current = null;
      if (from && !from.moved) event.currentTarget.focus();
    },
    onPointerCancel() {
      drag.current = null;
    },
  };
}

/** A text field that commits when left. */
export function TypedField({ label, value, onCommit, onStep, mono = false, code = false, suffix, bare = false, prefix, placeholder, title }: TypedProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const cancelled = useRef(false);
  const scrub = useScrub(onStep);
  const commit = () => {
    if (draft !== null && draft !== value && !cancelled.current) onCommit(draft);
    cancelled.current = false;
    setDraft(null);
  };
  const onKeyDown = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === "Enter") event.currentTarget.blur();
    else if (event.key === "Escape") {
      cancelled.current = true;
      event.stopPropagation();
      event.currentTarget.blur();
    } else if (onStep && (event.key === "ArrowUp" || event.key === "ArrowDown")) {
      event.preventDefault();
      onStep((event.key === "ArrowUp" ? 1 : -1) * (event.shiftKey ? 10 : 1));
    }
  };
  const field = (
    <span className="box flex h-6 min-w-0 items-center focus-within:border-accent" title={title}>
      {prefix && (
        <span aria-hidden className="caption shrink-0 pl-1.5">
          {prefix}
        </span>
      )}
      <input
        id={id}
        aria-label={bare || prefix ? label : undefined}
        className={`w-full min-w-0 bg-transparent outline-none ${mono ? "figure px-1 text-right" : code ? "figure px-1.5" : "px-1.5"} ${onStep ? "cursor-ew-resize focus:cursor-text" : ""}`}
        value={draft ?? value}
        placeholder={placeholder}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
        onFocus={(event) => event.target.select()}
        {...scrub}
      />
      {suffix}
    </span>
  );
  if (bare || prefix) return field;
  return (
    <Labelled label={label} id={id}>
      {field}
    </Labelled>
  );
}
