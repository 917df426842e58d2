/** The span chart as SVG: aspects along the bottom, a row a finding, drawn exactly where it holds and as high as its measure. */
import type { AspectProfile, AspectRange } from "../checks/aspectIntervals";
import { barHeight } from "../checks/spanRows";
import { FIGURES, FINDING_INK, FONT, INK } from "./ink";
import { element, escaped, figure } from "./svgElement";

/** A row: what it is about, in words, and where it holds. */
export interface SpanLine {
  readonly label: string;
  readonly profile: AspectProfile;
}

/** In mm of the paper. */
const ROW = 4.6;
const AXIS = 6;
const TICKS = [0.4, 0.5, 0.6, 0.75, 1, 1.2, 1.33, 1.5, 1.6, 1.78, 2, 2.17, 2.33, 2.6];

export interface SpanPaper {
  readonly widthMm: number;
  readonly labelsMm: number;
  /** Aspects drawn as thin lines: those of the screens of the report. */
  readonly lines: readonly number[];
}

/** The chart, `width` and `height` in mm. */
export function spanDrawing(rows: readonly SpanLine[], { from, to }: Pick<AspectRange, "from" | "to">, { widthMm, labelsMm, lines }: SpanPaper): string {
  const plot = widthMm - labelsMm - 2;
  const height = rows.length * ROW + AXIS;
  const x = (aspect: number) => labelsMm + ((aspect - from) / (to - from)) * plot;
  const bottom = rows.length * ROW;
  const word = (text: string, at: { readonly x: number; readonly y: number }, more: Readonly<Record<string, string | number>> = {}) =>
    element("text", { x: at.x, y: at.y, "font-size": 2.15, "font-family": FONT, fill: INK.ink, ...more }, escaped(text));
  const screens = lines.filter((aspect) => aspect >= from && aspect <= to).map((aspect) => `M${figure(x(aspect))} 0V${figure(bottom)}`);
  const ticks = TICKS.filter((aspect) => aspect >= from && aspect <= to);
  return element(
    "svg",
    {
      xmlns: "http://www.w3.org/2000/svg",
      width: `${figure(widthMm)}mm`,
      height: `${figure(height)}mm`,
      viewBox: `0 0 ${figure(widthMm)} ${figure(height)}`,
      role: "img",
      "aria-label": `Aspect ratios of each finding, ${from} to ${to}`,
    },
    element("path", { d: screens.join("") || "M0 0", stroke: INK.muted, "stroke-width": 0.12, "stroke-dasharray": "0.4 0.8", fill: "none" }) +
      rows
        .map(({ label, profile }, i) => {
          const base = (i + 1) * ROW - 0.7;
          return (
            element("path", { d: `M0 ${figure((i + 1) * ROW)}H${figure(widthMm)}`, stroke: INK.rule, "stroke-width": 0.12 }) +
            word(label, { x: 0, y: base - 0.6 }) +
            profile.intervals.map(([a, b]) => bar(profile, [a, b], { x, base, full: ROW - 1.4 })).join("")
          );
        })
        .join("") +
      element("path", { d: `M${figure(labelsMm)} ${figure(bottom)}H${figure(labelsMm + plot)}`, stroke: INK.ink, "stroke-width": 0.2 }) +
      ticks
        .map((aspect) => word(String(aspect), { x: x(aspect), y: bottom + 3.4 }, { "text-anchor": "middle", "font-family": FIGURES, "font-size": 2 }))
        .join(""),
  );
}

interface Plot {
  readonly x: (aspect: number) => number;
  readonly base: number;
  readonly full: number;
}

/** One interval, as high as the measure along it; flat where there is none. At least so wide that it is seen. */
function bar(profile: AspectProfile, [from, to]: readonly [number, number], { x, base, full }: Plot): string {
  const points = profile.points.filter(([aspect]) => aspect >= from - 1e-6 && aspect <= to + 1e-6);
  const [left, right] = [x(from), Math.max(x(to), x(from) + 0.3)];
  const top =
    points.length > 1
      ? points.map(([aspect, value]) => `L${figure(x(aspect))} ${figure(base - full * barHeight(profile, value))}`).join("")
      : `V${figure(base - 0.7 * full)}H${figure(right)}`;
  return element("path", {
    d: `M${figure(left)} ${figure(base)}${top}L${figure(right)} ${figure(base)}Z`,
    fill: FINDING_INK[profile.severity],
    "fill-opacity": 0.7,
    stroke: FINDING_INK[profile.severity],
    "stroke-width": 0.15,
    "data-span": `${profile.code} ${from.toFixed(4)} ${to.toFixed(4)}`,
  });
}
