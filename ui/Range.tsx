"use client";
/** A slider on Radix. A drag is one gesture: `onStart`, `onChange` while it moves, `onEnd`. */
import { Slider } from "radix-ui";
import { readingProps, type Reading } from "./reading";

interface Props {
  readonly label: string;
  readonly value: readonly number[];
  readonly min: number;
  readonly max: number;
  readonly step: number;
  readonly onStart?: () => void;
  readonly onChange: (value: number[]) => void;
  readonly onEnd?: () => void;
  /** Names of the thumbs, where there are several. */
  readonly names?: readonly string[];
  readonly reads?: Reading;
  /** What `{value}` represents in that; else the numbers. */
  readonly shown?: string;
}

export function RangeSlider({ label, value, min, max, step, onStart, onChange, onEnd, names, reads, shown }: Props) {
  return (
    <Slider.Root
      className="relative flex h-5 w-full touch-none items-center select-none"
      value={[...value]}
      min={min}
      max={max}
      step={step}
      onPointerDown={onStart}
      onKeyDown={(event) => {
        if (/^(Arrow|Page|Home|End)/.test(event.key)) onStart?.();
      }}
      onValueChange={onChange}
      // By keyboard the commit comes before the change it commits; so the end waits for it.
      onValueCommit={() => queueMicrotask(() => onEnd?.())}
    >
      <Slider.Track className="relative h-px grow bg-edge">
        <Slider.Range className="absolute h-[3px] -translate-y-px bg-accent" />
      </Slider.Track>
      {value.map((_, i) => (
        <Slider.Thumb
          key={i}
          aria-label={names?.[i] ?? label}
          {...readingProps(reads, shown ?? value.join(" to "), "← →")}
          className="block size-3.5 rounded-full border-2 border-accent bg-sheet"
        />
      ))}
    </Slider.Root>
  );
}
