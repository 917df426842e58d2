/** A row of the sheet, and how figures are written in it. */
import { byId } from "../derived/byId";
import type { Layout } from "../format/types";

/** What a row is about, in the order of the sheet. */
export const SHEET_PARTS = ["place", "touch", "feel", "serves", "shows", "look"] as const;
export type SheetPart = (typeof SHEET_PARTS)[number];

/** A value to type. Where y has no say, `down` and `up` are the same. */
export interface SheetRow {
  readonly part: SheetPart;
  readonly field: string;
  readonly down: string;
  readonly up: string;
  /** As the file has it, where that is another text. */
  readonly written: string;
}

/** A figure to a thousandth of its unit. */
export const number = (value: number): string => String(Math.round(value * 1000) / 1000 + 0);
/** Layout units, likewise. */
export const units = (value: number): string => `${number(value)} u`;
/** Two figures, as most programs take them. */
export const pair = (x: number, y: number, write = number): string => `${write(x)}, ${write(y)}`;

/** A row whose value is the same whichever way y runs. */
export const row = (part: SheetPart, field: string, value: string, written = ""): SheetRow => ({ part, field, down: value, up: value, written });

/** The name of a moment; of one that is not there its id. */
export const momentNameById = (layout: Layout, id: string): string => byId(layout.moments).get(id)?.name ?? id;
