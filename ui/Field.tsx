"use client";
/** Fields: a label with something to type into or to choose from. Typing is committed on Enter or when the field is left; Escape takes it back. */
import { memo, useCallback, useEffect, useId, useRef, useState, type KeyboardEvent, type ReactNode } from "react";
import { formatLength, LENGTH_UNITS, parseLength, type LengthUnit } from "../core/layout/length";

export function Labelled({ label, id, children, wide = false }: { label: string; id?: string; children: ReactNode; wide?: boolean }) {
  return (
    <div className={`grid items-center gap-x-2 ${wide ? "" : "grid-cols-[74px_1fr]"}`}>
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
  /** A step up or down by the arrow keys, Shift for ten. */
  readonly onStep?: (steps: number) => void;
  readonly mono?: boolean;
  /** In the letters of code, from the left. */
  readonly code?: boolean;
  readonly suffix?: ReactNode;
  readonly bare?: boolean;
}

/** A text field that commits when left. */
export function TypedField({ label, value, onCommit, onStep, mono = false, code = false, suffix, bare = false }: TypedProps) {
  const id = useId();
  const [draft, setDraft] = useState<string | null>(null);
  const cancelled = useRef(false);
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
        aria-label={bare ? label : undefined}
        className={`w-full min-w-0 bg-transparent px-1.5 outline-none ${mono ? "figure text-right" : code ? "figure" : ""}`}
        value={draft ?? value}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => setDraft(event.target.value)}
        onBlur={commit}
        onKeyDown={onKeyDown}
        onFocus={(event) => event.target.select()}
      />
      {suffix}
    </span>
  );
  if (bare) return field;
  return (
    <Labelled label={label} id={id}>
      {field}
    </Labelled>
  );
}

interface NumberProps {
  readonly label: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
  readonly step?: number;
  readonly min?: number;
  readonly max?: number;
  readonly unit?: string;
  /** Decimals shown at most. */
  readonly digits?: number;
  readonly bare?: boolean;
  /** Told when what was typed is no number or out of range. */
  readonly onRefuse?: (message: string) => void;
}

const shown = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** A number with its unit; the range is told when it is left. */
export function NumberField({ label, value, onChange, step = 1, min = -Infinity, max = Infinity, unit, digits = 3, bare, onRefuse }: NumberProps) {
  const take = (next: number) => {
    if (!Number.isFinite(next) || next < min || next > max)
      onRefuse?.(
        `${label}: write a number${Number.isFinite(min) && Number.isFinite(max) ? ` from ${min} to ${max}` : Number.isFinite(min) ? ` of at least ${min}` : ""}.`,
      );
    else onChange(Number(next.toFixed(9)));
  };
  return (
    <TypedField
      label={label}
      bare={bare}
      mono
      value={shown(value, digits)}
      onCommit={(text) => take(text.trim() === "" ? NaN : Number(text.replace(",", ".")))}
      onStep={(steps) => take(Math.min(max, Math.max(min, value + steps * step)))}
      suffix={unit ? <span className="caption shrink-0 pr-1.5">{unit}</span> : undefined}
    />
  );
}

interface LengthProps {
  readonly label: string;
  /** A length as the file writes it. */
  readonly value: string;
  readonly onChange: (length: string) => void;
  /** The same length in another unit, keeping the place. */
  readonly convert?: (unit: LengthUnit) => string;
  /** Shown with its sign turned: a distance from the right or the bottom. */
  readonly negate?: boolean;
  readonly onRefuse?: (message: string) => void;
}

/** A length: number and unit. A unit typed with the number is taken; the unit's own list converts in place. */
export function LengthField({ label, value, onChange, convert, negate = false, onRefuse }: LengthProps) {
  const length = parseLength(value) ?? { amount: 0, unit: "u" as const };
  const sign = negate ? -1 : 1;
  const take = (text: string) => {
    const typed = text.trim().replace(",", ".").replace(/\s+/g, "");
    const read = parseLength(typed) ?? (/^[-+]?(\d+\.?\d*|\.\d+)$/.test(typed) ? { amount: Number(typed), unit: length.unit } : null);
    if (!read) onRefuse?.(`${label}: “${text}” is not a length; write a number, or a number and a unit such as 12mm.`);
    else onChange(formatLength(read.amount * sign, read.unit));
  };
  const latest = useRef({ convert, onChange, amount: length.amount });
  useEffect(() => {
    latest.current = { convert, onChange, amount: length.amount };
  });
  const pick = useCallback((unit: LengthUnit) => {
    const now = latest.current;
    now.onChange(now.convert ? now.convert(unit) : formatLength(now.amount, unit));
  }, []);
  const fine = length.unit === "u" || length.unit === "px" ? 1 : 0.1;
  return (
    <TypedField
      label={label}
      mono
      value={shown(length.amount * sign, 2)}
      onCommit={take}
      onStep={(steps) => onChange(formatLength(length.amount + sign * steps * fine, length.unit))}
      suffix={<UnitChoice label={label} unit={length.unit} onPick={pick} />}
    />
  );
}

/** The unit of a length; drawn anew only when the unit changes, for lengths change with every frame of a drag. */
const UnitChoice = memo(function UnitChoice({ label, unit, onPick }: { label: string; unit: LengthUnit; onPick: (unit: LengthUnit) => void }) {
  return (
    <select
      aria-label={`${label}: unit`}
      className="caption w-[54px] shrink-0 bg-transparent outline-none focus-visible:outline-2"
      value={unit}
      onChange={(event) => onPick(event.target.value as LengthUnit)}
    >
      {LENGTH_UNITS.map((known) => (
        <option key={known}>{known}</option>
      ))}
    </select>
  );
});

/** One of a few words. */
export function ChoiceField<T extends string>({
  label,
  value,
  options,
  onChange,
  bare = false,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
  bare?: boolean;
}) {
  const id = useId();
  const field = (
    <select
      id={id}
      aria-label={bare ? label : undefined}
      className="box h-6 w-full min-w-0 px-1"
      value={value}
      onChange={(event) => onChange(event.target.value as T)}
    >
      {options.map(([key, word]) => (
        <option key={key} value={key}>
          {word}
        </option>
      ))}
    </select>
  );
  if (bare) return field;
  return (
    <Labelled label={label} id={id}>
      {field}
    </Labelled>
  );
}

/** Yes or no. */
export function SwitchField({ label, value, onChange }: { label: string; value: boolean; onChange: (value: boolean) => void }) {
  const id = useId();
  return (
    <Labelled label={label} id={id}>
      <input
        id={id}
        type="checkbox"
        className="size-4 justify-self-start accent-[var(--accent)]"
        checked={value}
        onChange={(event) => onChange(event.target.checked)}
      />
    </Labelled>
  );
}

/** A colour of the look. */
export function ColourField({ label, value, onChange }: { label: string; value: string; onChange: (value: string) => void }) {
  return (
    <label className="flex items-center gap-1.5" title={`${label}: ${value}`}>
      <input
        type="color"
        aria-label={label}
        className="box h-6 w-6 cursor-pointer p-0.5"
        value={value}
        onChange={(event) => onChange(event.target.value.toUpperCase())}
      />
    </label>
  );
}
