"use client";
/** What the patch sheet alone remembers: what is picked, searched for and folded, the wire being drawn, whether an input is listened for. Nothing of it is in the file. */
import type { HardwareList } from "../../core/wiring/hardwareWires";
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";
import type { ConnectionDrag } from "../interaction/wires";

/** What is picked on the sheet. A wire is reported by its far end: a control's serve, or an action's desk source. */
export type Picked =
  | { readonly kind: "action"; readonly name: string }
  | { readonly kind: "control"; readonly id: string }
  | { readonly kind: "end"; readonly end: string }
  | { readonly kind: "serve"; readonly id: string; readonly index: number }
  | { readonly kind: "hardware"; readonly action: string; readonly list: HardwareList; readonly index: number };

export interface SheetState {
  readonly form: "sheet" | "table";
  readonly pick: Picked | null;
  readonly search: string;
  /** Only actions wanted in this moment; null: all. */
  readonly moment: string | null;
  /** Only actions that are so. */
  readonly only: "all" | "left" | "served" | "hardware" | "unread";
  readonly grouped: boolean;
  readonly folded: ReadonlySet<string>;
  readonly connectionDrag: ConnectionDrag | null;
  /** The action for which a key, mouse or pad input is listened for. */
  readonly listening: string | null;
}

const START: SheetState = {
  form: "sheet",
  pick: null,
  search: "",
  moment: null,
  only: "all",
  grouped: false,
  folded: new Set(),
  connectionDrag: null,
  listening: null,
};
/** At another layout a sheet begins anew; the form stays as it was chosen. */
const sheet = defineUiState<SheetState>({ lasts: "layout", first: START, next: ({ form }) => ({ ...START, form }) });
export const sheetStore = sheet.of;
export const useSheetState = sheet.use;
export const setSheetState = (session: Session, change: Partial<SheetState>): void => sheetStore(session).setState(change);

/** Folds a group, or unfolds it. */
export function toggleFold(session: Session, key: string): void {
  const folded = new Set(sheetStore(session).getState().folded);
  if (!folded.delete(key)) folded.add(key);
  setSheetState(session, { folded });
}
