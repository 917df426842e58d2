"use client";
/** The one question of scale: what does a control keep from screen to screen? Its millimetres, its share of the screen, or a mix. */
import { says } from "../shell/reading/sentences";
import { RangeSlider } from "../../ui/Range";

interface Props {
  readonly share: number;
  readonly onStart?: () => void;
  readonly onChange: (share: number) => void;
  readonly onEnd?: () => void;
}

/** What a control keeps, in words. */
const keptWords = (share: number) =>
  share === 0 ? "millimetres" : share === 1 ? "share of the screen" : `${Math.round(share * 100)} % from constant millimetres to constant share of the screen`;

export function Keeps({ share, onStart, onChange, onEnd }: Props) {
  return (
    <div className="grid gap-0.5">
      <span className="caption">What does a control keep?</span>
      <RangeSlider
        label="What a control keeps: 0 = millimetres, 1 = share of the screen"
        reads={says("scale.keeps")}
        shown={keptWords(share)}
        value={[share]}
        min={0}
        max={1}
        step={0.01}
        onStart={onStart}
        onChange={([next]) => onChange(next)}
        onEnd={onEnd}
      />
      <span className="flex justify-between gap-2 text-[0.6875rem]">
        <span className={share < 0.5 ? "text-ink" : "text-muted"}>millimetres</span>
        <span className="figure text-[0.6875rem] text-muted">{Math.round(share * 100)} %</span>
        <span className={share > 0.5 ? "text-ink" : "text-muted"}>share</span>
      </span>
    </div>
  );
}
