"use client";
/** A labelled field to type into, which commits on Enter or when it remains; numbers in it are changed by dragging on them. */
import { useEffect, useId, useRef, useState, type KeyboardEvent, type PointerEvent, type ReactNode } from "react";
import { useNumberDrags, type DragAt } from "./drags";
import { light, unlight, useLit } from "./lit";
import { readingProps, type Reading } from "./reading";
import { useLatest } from "./useLatest";
import { TEXTS } from "../core/format/limits";

interface RowProps {
  readonly label: string;
  /** The name in sight, where it is shorter than the name. */
  readonly word?: string;
  readonly id?: string;
  readonly children: ReactNode;
  /** What is behind the value: the same in millimetres, say. */
  readonly also?: ReactNode;
  /** The part of a picture that shows the same. */
  readonly part?: string;
}

/** A row of a card: its name in words at the left, its value at the right. A name that is too long for its room takes two lines. */
export function Labelled({ label, word = label, id, children, also, part }: RowProps) {
  const lit = useLit(part);
  return (
    <div
      data-row
      data-lit={lit || undefined}
      className="field-row"
      onFocus={part === undefined ? undefined : () => light(part)}
      onBlur={part === undefined ? undefined : () => unlight(part)}
    >
      <label htmlFor={id} className="field-name">
        {word}
      </label>
      <span className="flex min-w-0 items-center gap-1">
        <span className="min-w-0 flex-1">{children}</span>
        {also !== undefined && <span className="figure field-also">{also}</span>}
      </span>
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
  readonly placeholder?: string;
  /** At most this many letters; what is pasted beyond is cut. */
  readonly most?: number;
  /** The name in sight, where it is shorter than the name. */
  readonly word?: string;
  /** What the reading line says of it, and what `{value}` represents in it (else the text shown). */
  readonly reads?: Reading;
  readonly readsValue?: string;
  readonly also?: ReactNode;
  readonly part?: string;
}

/** CSS px of a drag on a number for one step. */
const STEP_PX = 4;

/** How many steps a drag has gone, Shift for ten times as many. @internal exported for its test */
export function stepsOf({ from, at, keys }: DragAt): number {
  const steps = Math.trunc((at.x - from.x) / STEP_PX);
  // Less than a step to the left is 0, not −0.
  return (keys.shift ? steps * 10 : steps) + 0;
}

/** Dragging on a number that has not the focus: one step every few px, all of them one gesture; a click without a drag goes into the field. */
function useNumberDrag(onStep: ((steps: number) => void) | undefined) {
  const drags = useNumberDrags();
  const abandon = useRef<(() => void) | null>(null);
  const stepNow = useLatest(() => onStep);
  useEffect(() => () => abandon.current?.(), []);
  if (!onStep || !drags) return {};
  return {
    onPointerDown(event: PointerEvent<HTMLInputElement>) {
      const input = event.currentTarget;
      if (event.button !== 0 || document.activeElement === input) return;
      event.preventDefault();
      let base = stepNow();
      let gone = 0;
      abandon.current = drags.start(event, {
        thresholdPx: STEP_PX,
        onBegin: () => {
          // Every step is reported from where the drag began: what is shown by now may lag behind the pointer.
          base = stepNow();
          drags.begin();
        },
        onMove: (drag) => {
          const steps = stepsOf(drag);
          if (steps !== gone) base?.(steps);
          gone = steps;
        },
        onDrop: drags.commit,
        onAbandon: drags.cancel,
        onClick: () => input.focus(),
      });
    },
  };
}

/** A text field that commits when left. */
export function TypedField({
  label,
  value,
  onCommit,
  onStep,
  mono = false,
  code = false,
  suffix,
  bare = false,
  placeholder,
  most = TEXTS.name.most,
  ...row
}: TypedProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const cancelled = useRef(false);
  const dragged = useNumberDrag(onStep);
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
    <span className="box flex h-6 min-w-0 items-center focus-within:border-accent">
      <input
        id={id}
        aria-label={bare || row.word !== undefined ? label : undefined}
        {...readingProps(row.reads, row.readsValue ?? (value || placeholder), onStep ? "↑ ↓ · drag" : "Enter")}
        className={`w-full min-w-0 bg-transparent outline-none ${mono ? "figure px-1 text-right" : code ? "figure px-1.5" : "px-1.5"} ${onStep ? "cursor-ew-resize focus:cursor-text" : ""}`}
        value={draft ?? value}
        placeholder={placeholder}
        maxLength={most}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
        onFocus={(event) => event.target.select()}
        {...dragged}
      />
      {suffix}
    </span>
  );
  if (bare) return field;
  return (
    <Labelled label={label} word={row.word} id={id} also={row.also} part={row.part}>
      {field}
    </Labelled>
  );
}
