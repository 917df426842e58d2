"use client";
/** A drop-down: named, its choices in words, read by the reading line with the word that is chosen. */
import { readingProps, type Reading } from "./reading";

/** The choices of a drop-down: what each represents, and its word. */
export type Choices = readonly (readonly [key: string, word: string])[];

interface Props {
  readonly label: string;
  readonly value: string;
  readonly options: Choices;
  readonly reads?: Reading;
  readonly className?: string;
  readonly onChange: (key: string) => void;
}

export function Select({ label, value, options, reads, className = "", onChange }: Props) {
  const shown = options.find(([key]) => key === value)?.[1] ?? value;
  return (
    <select
      aria-label={label}
      className={`box h-6 px-0.5 text-[0.75rem] ${className}`}
      value={value}
      onChange={(event) => onChange(event.target.value)}
      {...readingProps(reads, shown)}
    >
      {options.map(([key, word]) => (
        <option key={key} value={key}>
          {word}
        </option>
      ))}
    </select>
  );
}
