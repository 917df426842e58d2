"use client";
/** The screen that a new layout is designed for, in layout units, and what its controls keep on others. */
import { useId } from "react";
import type { Scale } from "../../core/format/types";
import { FIELD_LETTERS } from "../../ui/fieldLimits";
import { More } from "../../ui/More";
import { says } from "../shell/reading/sentences";
import { Keeps } from "../fields/Keeps";
import { ScaleFields } from "../fields/ScaleFields";

/** As typed: what is no number is refused where the layout is made. */
export interface DrawnForChoice {
  readonly width: string;
  readonly height: string;
  readonly scale: Pick<Scale, "share" | "of" | "mmPerUnit">;
}

/** The scale of a new layout, as the format has it. */
export const USUAL_SCALE: DrawnForChoice["scale"] = { share: 0, of: "shorter", mmPerUnit: 0.09 };

const REFERENCES: readonly (readonly [string, number, number])[] = [
  ["Landscape, 1600 × 720", 1600, 720],
  ["Landscape, 1280 × 720", 1280, 720],
  ["Portrait, 720 × 1440", 720, 1440],
  ["Portrait, 720 × 1280", 720, 1280],
  ["Tablet, 1024 × 768", 1024, 768],
];

interface Props {
  readonly choice: DrawnForChoice;
  /** How many of its values are not the usual ones. */
  readonly set: number;
  readonly onChange: (change: Partial<DrawnForChoice>) => void;
}

export function DrawnFor({ choice, set, onChange }: Props) {
  const { width, height, scale } = choice;
  const ids = { width: useId(), height: useId() };
  const side = (name: "width" | "height", word: string) => (
    <>
      <label htmlFor={ids[name]} className="caption">
        {word}
      </label>
      <input
        id={ids[name]}
        className="box figure h-7 w-20 px-2 text-right"
        inputMode="numeric"
        maxLength={FIELD_LETTERS.number}
        value={choice[name]}
        onChange={(event) => onChange({ [name]: event.target.value })}
      />
    </>
  );
  return (
    <More set={set} reads={says("region.more")}>
      <fieldset className="grid gap-1.5 pb-2">
        <legend className="caption mb-1">Designed for: the screen you think in, in layout units (u)</legend>
        <div className="flex flex-wrap gap-1.5">
          {REFERENCES.map(([word, w, h]) => (
            <button
              key={word}
              type="button"
              className="push aria-pressed:border-accent aria-pressed:text-accent"
              aria-pressed={Number(width) === w && Number(height) === h}
              onClick={() => onChange({ width: String(w), height: String(h) })}
            >
              {word}
            </button>
          ))}
        </div>
        <div className="mt-1 flex items-center gap-2">
          {side("width", "Width")}
          {side("height", "Height")}
          <span className="caption">u</span>
        </div>
      </fieldset>
      <Keeps share={scale.share} onChange={(share) => onChange({ scale: { ...scale, share } })} />
      <ScaleFields scale={scale} onChange={(_, change) => onChange({ scale: { ...scale, ...change } })} />
    </More>
  );
}
