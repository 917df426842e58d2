"use client";
/** What of the scale is seldom set: by what a share is measured, and how large a unit is. On the card, and in the dialogue of a new layout. */
import type { Scale } from "../../core/format/types";
import { ChoiceField } from "../../ui/Choice";
import { NumberField } from "../../ui/Field";
import { says } from "../shell/reading/sentences";

const OF: readonly (readonly [Scale["of"], string])[] = [
  ["shorter", "the shorter side"],
  ["longer", "the longer side"],
  ["area", "the area"],
  ["width", "the width"],
  ["height", "the height"],
  ["inside", "the smaller ratio"],
  ["outside", "the larger ratio"],
];

interface Props {
  readonly scale: Pick<Scale, "of" | "mmPerUnit">;
  /** What a unit comes to on the screen in view. */
  readonly here?: { readonly px: number; readonly mm: number };
  readonly onChange: (label: string, change: Partial<Pick<Scale, "of" | "mmPerUnit">>) => void;
}

export function ScaleFields({ scale, here, onChange }: Props) {
  return (
    <>
      <ChoiceField label="Share of" value={scale.of} options={OF} reads={says("scale.of")} onChange={(of) => onChange("share of", { of })} />
      <NumberField
        label="1 u is"
        unit="mm"
        step={0.005}
        digits={4}
        value={scale.mmPerUnit}
        min={0.0001}
        max={100}
        reads={says("scale.unit", { px: here ? `${here.px.toFixed(3)} px` : "depends on the screen", mm: here ? `${here.mm.toFixed(3)} mm` : "same" })}
        onChange={(mmPerUnit) => onChange("mm per unit", { mmPerUnit })}
      />
    </>
  );
}
