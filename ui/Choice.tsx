"use client";
/** Fields to choose in: one of a few words, yes or no, a colour. A value of null represents several that differ. */
import { useEffect, useId, useRef, type ReactNode } from "react";
import { MIXED, SEVERAL } from "./mixed";
import { readingProps, type Reading } from "./reading";
import { Labelled } from "./Typed";

/** One of a few words; null: several that differ. */
export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChange,
  bare = false,
  word,
  reads,
  also,
  part,
}: {
  label: string;
  value: T | null;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
  bare?: boolean;
  word?: string;
  reads?: Reading;
  also?: ReactNode;
  part?: string;
}) {
  const id = useId();
  const chosen = options.find(([key]) => key === value)?.[1] ?? (value === null ? SEVERAL : value);
  const field = (
    <select
      id={id}
      aria-label={bare || word !== undefined ? label : undefined}
      {...readingProps(reads, chosen, "↑ ↓")}
      className="box h-6 w-full min-w-0 px-1"
      value={value ?? ""}
      onChange={(event) => onChange(event.target.value as T)}
    >
      {value === null && <option value="">{MIXED}</option>}
      {options.map(([key, word]) => (
        <option key={key} value={key}>
          {word}
        </option>
      ))}
    </select>
  );
  if (bare) return field;
  return (
    <Labelled label={label} word={word} id={id} also={also} part={part}>
      {field}
    </Labelled>
  );
}

/** Yes or no; null: several that differ. */
export function SwitchField({
  label,
  value,
  onChange,
  after = false,
  word,
  reads,
}: {
  label: string;
  word?: string;
  value: boolean | null;
  onChange: (value: boolean) => void;
  after?: boolean;
  reads?: Reading;
}) {
  const id = useId();
  const box = useRef<HTMLInputElement>(null);
  useEffect(() => {
    if (box.current) box.current.indeterminate = value === null;
  });
  const field = (
    <input
      ref={box}
      id={id}
      type="checkbox"
      aria-label={word === undefined ? undefined : label}
      {...readingProps(reads, value === null ? SEVERAL : value ? "yes" : "no", "Space")}
      className="block size-4 justify-self-start accent-[var(--accent)]"
      checked={value ?? false}
      onChange={(event) => onChange(event.target.checked)}
    />
  );
  if (after)
    return (
      <span className="flex min-h-[1.625rem] items-center gap-1.5" data-row>
        {field}
        <label htmlFor={id} className="text-[0.75rem] leading-none">
          {label}
        </label>
      </span>
    );
  return (
    <Labelled label={label} word={word} id={id}>
      <label className="flex size-6 items-center">{field}</label>
    </Labelled>
  );
}

/** A colour of the look; null: several that differ. */
export function ColourField({ label, value, onChange, reads }: { label: string; value: string | null; onChange: (value: string) => void; reads?: Reading }) {
  return (
    <label className="flex items-center">
      <input
        type="color"
        aria-label={label}
        {...readingProps(reads, value ?? SEVERAL, "Enter")}
        className={`box h-6 w-6 cursor-pointer p-0.5 ${value === null ? "opacity-40" : ""}`}
        value={value ?? "#808080"}
        onChange={(event) => onChange(event.target.value.toUpperCase())}
      />
    </label>
  );
}
