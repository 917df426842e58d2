"use client";
/** The marks of touches on the glass, coloured and shaped by what took them. */
import type { Screen } from "../../../core/format/types";
import type { TouchFate, TouchMark } from "../../../core/rehearsal/touchMarks";
import { useEvery } from "./useEvery";

/** So many are shown, the newest: more hide what is under them. */
const MOST = 400;

export const FATE_WORDS: Readonly<Record<TouchFate, string>> = {
  meant: "intended control",
  another: "another control",
  game: "the game’s zone",
  nothing: "nothing",
};
/** The night shades: the glass is dark in both themes. */
const FATE_TONES: Readonly<Record<TouchFate, string>> = { meant: "#8ea2ff", another: "#e0b050", game: "#9db4c0", nothing: "#ff8a7a" };

/** A disc for meant, a diamond for another, a triangle for the game, a cross for nothing; about the origin, `r` half its size. */
export function FateShape({ fate, r, isHollow = false }: { fate: TouchFate; r: number; isHollow?: boolean }) {
  const tone = FATE_TONES[fate];
  const look = { fill: isHollow ? "none" : tone, stroke: tone, strokeWidth: r * 0.28 };
  switch (fate) {
    case "meant":
      return <circle r={r * 0.8} {...look} />;
    case "another":
      return <path d={`M0 ${-r}L${r} 0L0 ${r}L${-r} 0Z`} {...look} />;
    case "game":
      return <path d={`M0 ${-r}L${r} ${r * 0.8}L${-r} ${r * 0.8}Z`} {...look} />;
    case "nothing":
      return <path d={`M${-r} ${-r}L${r} ${r}M${r} ${-r}L${-r} ${r}`} {...look} fill="none" strokeWidth={r * 0.5} />;
  }
}

interface Props {
  readonly screen: Screen;
  readonly scale: number;
  readonly marks: () => readonly TouchMark[];
}

export function TouchMarks({ screen, scale, marks }: Props) {
  const shown = useEvery(
    250,
    () => marks().slice(-MOST),
    (a, b) => a.length === b.length && a[a.length - 1] === b[b.length - 1],
  );
  const r = 5 / scale;
  return (
    <svg
      className="pointer-events-none absolute inset-0 h-full w-full"
      viewBox={`0 0 ${screen.widthPx} ${screen.heightPx}`}
      aria-hidden
      data-testid="touch-marks"
    >
      {shown.map((mark, i) => (
        <g key={`${mark.t} ${mark.touch} ${mark.kind} ${i}`} transform={`translate(${mark.x} ${mark.y})`} data-fate={mark.fate} data-mark={mark.kind}>
          {mark.kind === "slide-in" && <circle r={r * 1.5} fill="none" stroke={FATE_TONES[mark.fate]} strokeWidth={r * 0.2} strokeDasharray={`${r * 0.6}`} />}
          <FateShape fate={mark.fate} r={mark.kind === "lift" ? r * 0.7 : r} isHollow={mark.kind !== "down"} />
        </g>
      ))}
    </svg>
  );
}
