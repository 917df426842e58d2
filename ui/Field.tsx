"use client";
/**
 * Fields: a label with something to type into or to choose from. Typing is committed on Enter or when the field remains;
 * Escape takes it back. Numbers take arithmetic, are stepped by the arrow keys and changed by dragging on them. A value of
 * null represents several that differ.
 */
import { memo, type ReactNode } from "react";
import { calculate, calculateLength } from "../core/editing/arithmetic";
import { formatLength, LENGTH_UNITS, lengthOf, parseLength, type Length, type LengthUnit } from "../core/engine/placement/length";
import { MIXED, SEVERAL } from "./mixed";
import type { Reading } from "./reading";
import { TypedField } from "./Typed";
import { useLatest } from "./useLatest";

interface NumberProps {
  readonly label: string;
  /** Null: several that differ. */
  readonly value: number | null;
  readonly onChange: (value: number) => void;
  readonly step?: number;
  readonly min?: number;
  readonly max?: number;
  readonly unit?: string;
  /** Decimals shown at most. */
  readonly digits?: number;
  readonly bare?: boolean;
  /** What the field shows where there is no value and none is needed: "none", say. Emptied, it calls `onClear`. */
  readonly none?: string;
  readonly onClear?: () => void;
  /** Told when what was typed is no number or out of range. */
  readonly onRefuse?: (message: string) => void;
  /** The name in sight, where it is shorter than the name. */
  readonly word?: string;
  /** What the reading line says of it; `{value}` in it represents the value with its unit. */
  readonly reads?: Reading;
  /** What is behind the value: the same in another unit. */
  readonly also?: ReactNode;
  /** The part of a picture that shows the same. */
  readonly part?: string;
}

/** Whether what was typed changes what is in the field (`+3`) instead of saying it again. */
const changesWhatStands = (text: string) => /^\s*[+*/]/.test(text);
const severalDiffer = (label: string) => `${label}: the selection has different values, so +, * and / do not work; write a value.`;

const shown = (value: number, digits: number) => String(Number(value.toFixed(digits)));

/** A number with its unit; the range is reported when it remains. */
export function NumberField({
  label,
  value,
  onChange,
  step = 1,
  min = -Infinity,
  max = Infinity,
  unit,
  digits = 3,
  bare,
  none,
  onClear,
  onRefuse,
  ...row
}: NumberProps) {
  const accept = (next: number | null) => {
    if (next === null || !Number.isFinite(next) || next < min || next > max)
      onRefuse?.(
        `${label}: write a number${Number.isFinite(min) && Number.isFinite(max) ? ` from ${min} to ${max}` : Number.isFinite(min) ? ` of at least ${min}` : ""}.`,
      );
    else onChange(Number(next.toFixed(9)));
  };
  return (
    <TypedField
      {...row}
      label={label}
      bare={bare}
      mono
      readsValue={value === null ? (none ?? SEVERAL) : unit ? `${shown(value, digits)} ${unit}` : shown(value, digits)}
      value={value === null ? "" : shown(value, digits)}
      placeholder={value === null ? (none ?? MIXED) : undefined}
      onCommit={(text) => {
        if (text.trim() === "" && onClear) onClear();
        else if (value === null && none === undefined && changesWhatStands(text)) onRefuse?.(severalDiffer(label));
        else accept(text.trim() === "" ? null : calculate(text, value ?? 0));
      }}
      onStep={value === null ? undefined : (steps) => accept(Math.min(max, Math.max(min, value + steps * step)))}
      suffix={unit && value !== null ? <span className="caption shrink-0 pr-1.5">{unit}</span> : undefined}
    />
  );
}

interface LengthProps {
  readonly label: string;
  /** A length as the file writes it; null: several that differ. */
  readonly value: string | null;
  readonly onChange: (length: string) => void;
  /** A length of this field in another unit, both as the file writes them, coming to the same here. Without it lengths of other units cannot be added. */
  readonly convert?: (length: string, unit: LengthUnit) => string;
  /** What a unit typed or chosen is called with instead of `onChange`, where several lengths are to be converted each for itself. */
  readonly onUnit?: (unit: LengthUnit) => void;
  /** Shown with its sign turned: a distance from the right or the bottom. */
  readonly negate?: boolean;
  readonly bare?: boolean;
  readonly onRefuse?: (message: string) => void;
  /** The name in sight, where it is shorter than the name. */
  readonly word?: string;
  /** What the reading line says of it; `{value}` in it represents the value with its unit. */
  readonly reads?: Reading;
  /** What is behind the value: the same in another unit. */
  readonly also?: ReactNode;
  /** The part of a picture that shows the same. */
  readonly part?: string;
}

/** A length: number and unit. A unit typed with the number is taken; the unit's own list converts in place. */
export function LengthField({ label, value, onChange, convert, onUnit, negate = false, bare, onRefuse, ...row }: LengthProps) {
  const length = value === null ? null : (parseLength(value) ?? { amount: 0, unit: "u" as const });
  const sign = negate ? -1 : 1;
  const amount = length?.amount ?? 0;
  const unit = length?.unit ?? "u";
  const accept = (text: string) => {
    if (length === null && changesWhatStands(text)) return onRefuse?.(severalDiffer(label));
    const comesTo = (from: Length, to: LengthUnit) => (convert ? lengthOf(convert(formatLength(from.amount, from.unit), to)).amount : null);
    const read = calculateLength(text, { amount: amount * sign, unit }, comesTo);
    if (!read) onRefuse?.(`${label}: “${text}” is not a length; write a number, or a number and a unit such as 12mm.`);
    else onChange(formatLength(read.amount * sign, read.unit));
  };
  const pick = useLatest((next: LengthUnit) => {
    if (onUnit) onUnit(next);
    else if (value !== null) onChange(convert ? convert(value, next) : formatLength(lengthOf(value).amount, next));
  });
  const fine = unit === "u" || unit === "px" ? 1 : 0.1;
  return (
    <TypedField
      {...row}
      label={label}
      mono
      bare={bare}
      readsValue={length === null ? SEVERAL : `${shown(amount * sign, 2)} ${unit}`}
      value={length === null ? "" : shown(amount * sign, 2)}
      placeholder={length === null ? MIXED : undefined}
      onCommit={accept}
      onStep={length === null ? undefined : (steps) => onChange(formatLength(amount + sign * steps * fine, unit))}
      suffix={<UnitChoice label={label} unit={length === null ? null : unit} onPick={pick} />}
    />
  );
}

/** The unit of a length; redrawn only when the unit changes, for lengths change with every frame of a drag. */
const UnitChoice = memo(function UnitChoice({ label, unit, onPick }: { label: string; unit: LengthUnit | null; onPick: (unit: LengthUnit) => void }) {
  return (
    <select
      aria-label={`${label}: unit`}
      className="caption h-6 w-[2.125rem] shrink-0 appearance-none bg-transparent text-center outline-none focus-visible:outline-2"
      value={unit ?? ""}
      onChange={(event) => onPick(event.target.value as LengthUnit)}
    >
      {unit === null && <option value="">…</option>}
      {LENGTH_UNITS.map((known) => (
        <option key={known}>{known}</option>
      ))}
    </select>
  );
});
