"use client";
/** Going through a table of cells by arrow keys: each cell carries its row and column as `data-cell`. */
import { useRef, type KeyboardEvent } from "react";

const WAYS: Readonly<Record<string, readonly [rows: number, columns: number]>> = {
  ArrowLeft: [0, -1],
  ArrowRight: [0, 1],
  ArrowUp: [-1, 0],
  ArrowDown: [1, 0],
  Home: [0, -999],
  End: [0, 999],
};

/** The last row and column that can be gone to. */
export function useCellKeys(lastRow: number, lastColumn: number) {
  const table = useRef<HTMLTableElement>(null);
  const onKeyDown = (event: KeyboardEvent<HTMLTableElement>) => {
    const way = WAYS[event.key];
    const at = (event.target as Element).closest<HTMLElement>("[data-cell]");
    if (!way || !at || !table.current) return;
    const [row, column] = at.dataset.cell!.split(" ").map(Number);
    const [toRow, toColumn] = [Math.max(0, Math.min(lastRow, row + way[0])), Math.max(0, Math.min(lastColumn, column + way[1]))];
    table.current.querySelector<HTMLElement>(`[data-cell="${toRow} ${toColumn}"]`)?.focus();
    event.preventDefault();
    event.stopPropagation();
  };
  return { table, onKeyDown };
}
