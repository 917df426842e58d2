"use client";
/** Into how many directions the thumb's way is snapped: any, or a number. */
import { NumberField } from "../../../ui/Field";
import { says } from "../../shell/reading/sentences";

interface Props {
  /** In the file's words: 0 for any; null: several that differ. */
  readonly value: number | null;
  readonly change: (field: string, value: unknown) => unknown;
  readonly refuse: (text: string) => void;
}

export function Directions({ value, change, refuse }: Props) {
  return (
    <NumberField
      label="Directions"
      value={value === 0 ? null : value}
      none={value === 0 ? "any" : undefined}
      min={0}
      max={32}
      reads={says("feel.directions")}
      onChange={(v) => change("directions", Math.round(v))}
      onClear={() => change("directions", 0)}
      onRefuse={refuse}
    />
  );
}
