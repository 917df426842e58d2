/** The rule of scale as a formula with a worked example, and the formula by which a figure faces where its stick points. */
import { pxPerMm } from "../engine/placement/screen";
import { sizeRatio, unitPx } from "../engine/placement/scale";
import type { Layout, Scale, Screen } from "../format/types";

const number = (value: number, places = 3): string => String(Number(value.toFixed(places)) + 0);

/** What r is, by what a share is of. */
const RATIO: Readonly<Record<Scale["of"], string>> = {
  shorter: "min(W, H) / min(Wr, Hr)",
  longer: "max(W, H) / max(Wr, Hr)",
  area: "√(W·H / (Wr·Hr))",
  width: "W / Wr",
  height: "H / Hr",
  inside: "min(W/Wr, H/Hr)",
  outside: "max(W/Wr, H/Hr)",
};

/** A rule and how it comes out on one screen, each a line of text. */
export interface ScaleWords {
  /** What a unit keeps, in a sentence. */
  readonly keeps: string;
  /** px a unit, as a formula in W, H (px of the screen), ppi, Wr, Hr (the reference, u). */
  readonly formula: string;
  readonly example: string;
}

/** The rule of scale of a layout, worked on a screen. */
export function scaleWords({ scale, reference }: Pick<Layout, "scale" | "reference">, screen: Screen): ScaleWords {
  const { share: q, of, mmPerUnit } = scale;
  const { widthPx, heightPx, ppi } = screen;
  const s = unitPx(scale, reference, screen);
  const mm = `(${number(mmPerUnit, 6)} · ppi / 25.4)`;
  const formula = q === 0 ? `s = ${mm}` : q === 1 ? `s = ${RATIO[of]}` : `s = ${mm}^${number(1 - q)} · (${RATIO[of]})^${number(q)}`;
  const parts = [
    ...(q < 1 ? [`${number(mmPerUnit, 6)} · ${number(ppi)} / 25.4 = ${number(mmPerUnit * pxPerMm(screen))}`] : []),
    ...(q > 0 ? [`r = ${number(sizeRatio(of, widthPx, heightPx, reference))}`] : []),
  ];
  return {
    keeps:
      q === 0
        ? "A unit has the same millimetres on every screen."
        : q === 1
          ? "A unit has the same share of every screen."
          : `A unit is a mix: ${number(100 * (1 - q))} % its millimetres, ${number(100 * q)} % its share of the screen.`,
    formula: `${formula} px per unit; Wr = ${reference.width}, Hr = ${reference.height}`,
    example: `On ${screen.name}, ${widthPx} × ${heightPx} px at ${number(ppi)} ppi: ${parts.join("; ")}; s = ${number(s)}, so 100 u are ${number(100 * s, 1)} px, ${number((100 * s) / pxPerMm(screen), 1)} mm.`,
  };
}

/** How a figure faces where its stick points, from x and y as the layout gives them (y up) and as many programs draw (y down). */
export const FACING: readonly (readonly [name: string, formula: string])[] = [
  ["given: x right, y up", "angle = atan2(y, x), counter-clockwise from the right, in degrees × 180 / π"],
  ["where the program's y runs down", "angle = atan2(−y, x) is clockwise there: turn the figure by −atan2(y, x) where turns run clockwise"],
  ["magnitude", "magnitude = √(x² + y²), 0 to 1; below 0.01 keep the previous angle"],
  ["a figure drawn looking up", "subtract 90° counter-clockwise"],
];
