"use client";
/** A table with screens across: what is in each cell, and what a click on it opens, is its owner's. */
import type { ReactNode } from "react";
import { useCellKeys } from "./useCellKeys";

/** A cell: what it shows, and what it says to those who cannot see it. */
export interface TableCell {
  readonly shown: ReactNode;
  readonly label: string;
}

interface Props {
  readonly label: string;
  /** The names of the screens. */
  readonly columns: readonly string[];
  readonly rows: readonly { readonly key: string; readonly name: string }[];
  readonly cellOf: (row: number, column: number) => TableCell | null;
  /** The cell that is open. */
  readonly open: { readonly row: number; readonly column: number } | null;
  readonly onOpen: (row: number, column: number) => void;
  /** A last column about the whole row. */
  readonly sum: { readonly head: string; readonly of: (row: number) => ReactNode };
}

export function ScreenTable({ label, columns, rows, cellOf, open, onOpen, sum }: Props) {
  const { table, onKeyDown } = useCellKeys(rows.length - 1, columns.length - 1);
  return (
    <div className="min-h-0 flex-1 overflow-auto">
      <table ref={table} role="grid" aria-label={label} className="border-separate border-spacing-0 text-[0.6875rem]" onKeyDown={onKeyDown}>
        <thead className="sticky top-0 z-20 bg-paper">
          <tr>
            <td className="sticky left-0 z-10 min-w-[9rem] bg-paper" />
            {columns.map((name) => (
              <ScreenHead key={name} name={name} />
            ))}
            <th scope="col" className="border-l border-edge px-2 pb-1 align-bottom font-normal">
              {sum.head}
            </th>
          </tr>
        </thead>
        <tbody>
          {rows.map(({ key, name }, row) => (
            <tr key={key} data-table-row={key}>
              <th scope="row" className="sticky left-0 z-10 max-w-[11rem] truncate border-b border-rule bg-paper px-3 text-left font-normal">
                {name}
              </th>
              {columns.map((screen, column) => {
                const cell = cellOf(row, column);
                const isOpen = open !== null && open.row === row && open.column === column;
                return (
                  <td key={screen} role="gridcell" className={`h-6 border-b border-l border-rule p-0 ${isOpen ? "bg-sheet" : ""}`}>
                    <button
                      type="button"
                      data-cell={`${row} ${column}`}
                      tabIndex={isOpen || (row === 0 && column === 0) ? 0 : -1}
                      aria-label={`${name} on ${screen}: ${cell?.label ?? "nothing"}`}
                      aria-pressed={isOpen}
                      className={`relative grid h-6 w-full min-w-[3.125rem] place-items-center outline-offset-[-2px] hover:bg-sheet ${isOpen ? "outline-2 outline-accent" : ""}`}
                      onClick={() => onOpen(row, column)}
                    >
                      {cell?.shown ?? <span className="text-muted">·</span>}
                    </button>
                  </td>
                );
              })}
              <td className="border-b border-l border-edge px-2 whitespace-nowrap text-muted">{sum.of(row)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** The head of a screen's column: its name from the bottom up. */
export function ScreenHead({ name }: { name: string }) {
  return (
    <th scope="col" className="h-[12rem] border-l border-rule pb-1 align-bottom font-normal">
      <span className="inline-block max-h-[11.75rem] rotate-180 truncate [writing-mode:vertical-rl]">{name}</span>
    </th>
  );
}
