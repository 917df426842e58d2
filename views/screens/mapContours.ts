/** Lines of equal measure over the map: of one finding, between the cells that have it. */
import { contours } from "d3-contour";
import type { MapCell, MapLevel } from "../../core/checks/aspectMap";
import { isWorse, type FindingMeasure } from "../../core/checks/finding";

/** A line: the measure along it, and the way it takes as an SVG path, in cells from the top left. `at`: where its figure may stand. */
export interface MapContour {
  readonly value: number;
  /** The value with as many digits as tell it from the next line. */
  readonly text: string;
  readonly path: string;
  readonly at: readonly [column: number, row: number];
}

/** So many lines at most. */
const MOST = 6;

/** The lines of a finding on a map whose rows are all there; none where it is nowhere or has no measure. */
export function contoursOf(rows: readonly (readonly MapCell[])[], { columns, rows: count }: MapLevel, key: string): readonly MapContour[] {
  const found = rows.flatMap((row) => row.map((cell) => cell.find((one) => one.key === key) ?? null));
  const first = found.find((one) => one?.measure)?.measure ? found.find((one) => one?.measure)! : null;
  if (!first?.measure) return [];
  // A finding that is the worse the less it measures is drawn upside down, so that lines always go around what is worse.
  const sign = isWorse(first.code, { ...first.measure, value: 0 }, { ...first.measure, value: 1 }) ? -1 : 1;
  const values = found.map((one) => (one?.measure ? sign * one.measure.value : -Infinity));
  const there = values.filter((v) => Number.isFinite(v));
  const steps = niceSteps(Math.min(...there), Math.max(...there));
  return contours()
    .size([columns, count])
    .thresholds(steps)(values)
    .flatMap(({ value, coordinates }): MapContour[] => {
      const rings = coordinates.flat();
      const path = rings.map((ring) => openPath(ring, columns, count)).join("");
      if (path === "") return [];
      const inside = rings.flat().filter(([x, y]) => x > 1 && x < columns - 1 && y > 1 && y < count - 1);
      const [x, y] = inside[Math.floor(inside.length / 2)] ?? rings[0][0];
      return [
        {
          value: sign * value,
          text: textOf(sign * value, steps, first.measure!.unit),
          path,
          at: [round(x), round(y)],
        },
      ];
    });
}

/** A ring without its way along the rim of the map, where it is only closed. */
function openPath(ring: readonly (readonly number[])[], columns: number, rows: number): string {
  const isRim = ([x, y]: readonly number[]) => x <= 0.5 || y <= 0.5 || x >= columns - 0.5 || y >= rows - 0.5;
  let path = "";
  for (let i = 0; i + 1 < ring.length; i += 1) {
    const [from, to] = [ring[i], ring[i + 1]];
    if (isRim(from) && isRim(to)) continue;
    if (i === 0 || path === "" || (isRim(from) && isRim(ring[i - 1]))) path += `M${round(from[0])} ${round(from[1])}`;
    path += `L${round(to[0])} ${round(to[1])}`;
  }
  return path;
}

function textOf(value: number, steps: readonly number[], unit: FindingMeasure["unit"]): string {
  const times = unit === "share" ? 100 : 1;
  const step = steps.length > 1 ? (steps[1] - steps[0]) * times : 1;
  const digits = Math.max(0, Math.min(4, Math.ceil(-Math.log10(step) - 1e-9)));
  return `${(value * times).toFixed(digits)} ${{ share: "%", mm: "mm", ratio: ": 1" }[unit]}`;
}

const round = (value: number) => Math.round(value * 100) / 100;

/** Round values between two, one, two or five times a power of ten apart. @internal exported for its test */
export function niceSteps(from: number, to: number): number[] {
  if (!(to > from)) return Number.isFinite(from) ? [from] : [];
  const rough = (to - from) / MOST;
  const power = 10 ** Math.floor(Math.log10(rough));
  const step = [1, 2, 5, 10].map((times) => times * power).find((one) => one >= rough)!;
  const first = Math.ceil(from / step);
  return Array.from({ length: Math.floor(to / step) - first + 1 }, (_, i) => Number(((first + i) * step).toPrecision(12)));
}
