/** The cells of the map on a canvas: gravity by colour and by pattern. */
import { MAP_LEVELS, type MapCell, type MapLevel } from "../../core/checks/aspectMap";
import type { Severity } from "../../core/checks/finding";

/** The rows that have come, level by level; null where a row has not. */
export type MapRows = readonly (readonly (readonly MapCell[] | null)[])[];

/** A map of which nothing is known. */
export const emptyRows = (): (readonly MapCell[] | null)[][] => MAP_LEVELS.map(({ rows }) => Array.from({ length: rows }, () => null));

/** The finest level that has come whole, and its rows. */
export function finestWhole(rows: MapRows): { readonly level: MapLevel; readonly rows: readonly (readonly MapCell[])[] } | null {
  for (let i = MAP_LEVELS.length - 1; i >= 0; i -= 1) {
    const whole = rows[i].filter((row): row is readonly MapCell[] => row !== null);
    if (whole.length === MAP_LEVELS[i].rows) return { level: MAP_LEVELS[i], rows: whole };
  }
  return null;
}

/** What is known at a place, each of the two a part from the top left: from the finest level that has come there. */
export function cellAt(rows: MapRows, across: number, down: number): MapCell | null {
  for (let i = MAP_LEVELS.length - 1; i >= 0; i -= 1) {
    const { columns, rows: count } = MAP_LEVELS[i];
    const row = rows[i][Math.min(count - 1, Math.floor(down * count))];
    if (row) return row[Math.min(columns - 1, Math.floor(across * columns))];
  }
  return null;
}

/** The same map without some findings, by their keys. */
export const without = (rows: MapRows, keys: ReadonlySet<string>): MapRows =>
  rows.map((level) => level.map((row) => row && row.map((cell) => cell.filter(({ key }) => !keys.has(key)))));

/** The part of all cells that have come, for the progress. */
export function doneShare(rows: MapRows): number {
  const cells = (i: number, all: boolean) => rows[i].filter((row) => all || row !== null).length * MAP_LEVELS[i].columns;
  const sum = (all: boolean) => rows.reduce((whole, _, i) => whole + cells(i, all), 0);
  return sum(false) / sum(true);
}

/** Colours by their tokens, as the theme has them just now. */
const TOKEN: Readonly<Record<Severity, string>> = { blocker: "--blocker", warning: "--warning", note: "--note" };
/** How much of the colour fills a cell under its pattern. */
const FILL: Readonly<Record<Severity, number>> = { blocker: 0.34, warning: 0.22, note: 0.1 };
const TILE = 8;

/** The pattern of a severity: blockers crossed, warnings in lines, notes in dots. */
function patternOf(severity: Severity, colour: string, ratio: number): CanvasImageSource {
  const tile = document.createElement("canvas");
  tile.width = tile.height = TILE * ratio;
  const brush = tile.getContext("2d")!;
  brush.scale(ratio, ratio);
  brush.fillStyle = brush.strokeStyle = colour;
  brush.globalAlpha = FILL[severity];
  brush.fillRect(0, 0, TILE, TILE);
  brush.globalAlpha = 0.7;
  brush.lineWidth = 0.75;
  brush.beginPath();
  if (severity === "note") brush.arc(TILE / 2, TILE / 2, 0.8, 0, 2 * Math.PI);
  else {
    brush.moveTo(-1, TILE + 1);
    brush.lineTo(TILE + 1, -1);
    if (severity === "blocker") {
      brush.moveTo(-1, -1);
      brush.lineTo(TILE + 1, TILE + 1);
    }
  }
  if (severity === "note") brush.fill();
  else brush.stroke();
  return tile;
}

/** Draws all that has come, coarse below fine. */
export function drawMap(canvas: HTMLCanvasElement, rows: MapRows, { w, h }: { readonly w: number; readonly h: number }): void {
  const ratio = window.devicePixelRatio || 1;
  canvas.width = Math.round(w * ratio);
  canvas.height = Math.round(h * ratio);
  const brush = canvas.getContext("2d");
  if (!brush) return;
  const style = getComputedStyle(canvas);
  const fills = Object.fromEntries(
    (["blocker", "warning", "note"] as const).map((severity) => [
      severity,
      brush.createPattern(patternOf(severity, style.getPropertyValue(TOKEN[severity]), ratio), "repeat")!,
    ]),
  );
  const clean = style.getPropertyValue("--sheet");
  rows.forEach((level, i) => {
    const { columns, rows: count } = MAP_LEVELS[i];
    level.forEach((row, r) => {
      if (!row) return;
      const [top, bottom] = [r, r + 1].map((n) => Math.round((n / count) * canvas.height));
      for (let c = 0; c < columns;) {
        // Neighbours of the same gravity are one rectangle.
        const severity = row[c][0]?.severity;
        let end = c + 1;
        while (end < columns && row[end][0]?.severity === severity) end += 1;
        const [left, right] = [c, end].map((n) => Math.round((n / columns) * canvas.width));
        brush.fillStyle = clean;
        brush.fillRect(left, top, right - left, bottom - top);
        if (severity) {
          brush.fillStyle = fills[severity];
          brush.fillRect(left, top, right - left, bottom - top);
        }
        c = end;
      }
    });
  });
}
