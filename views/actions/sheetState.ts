"use client";
/** What the patch sheet alone remembers: what is picked, searched for and folded, the wire being drawn, whether an input is listened for. Nothing of it is in the file. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import type { HardwareList } from "../../core/wiring/hardwareWires";
import type { ConnectionDrag } from "../interaction/wires";

/** What is picked on the sheet. A wire is reported by its far end: a control's serve, or an action's desk source. */
export type Picked =
  | { readonly kind: "action"; readonly name: string }
  | { readonly kind: "control"; readonly id: string }
  | { readonly kind: "end"; readonly end: string }
  | { readonly kind: "serve"; readonly id: string; readonly index: number }
  | { readonly kind: "hardware"; readonly action: string; readonly list: HardwareList; readonly index: number };

export interface SheetState {
  /** The layout it is about, by its id; null before any. */
  readonly of: string | null;
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
  of: null,
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
export const sheetStore = createStore<SheetState>(() => START);
export const useSheetState = <T>(select: (patch: SheetState) => T): T => useStore(sheetStore, select);
export const setSheetState = (change: Partial<SheetState>): void => sheetStore.setState(change);
/** Another layout has been opened: back to how a sheet begins. The form stays as it was chosen. Of the same layout all stays. */
export function openSheet(of: string): void {
  const { of: before, form } = sheetStore.getState();
  if (before !== of) sheetStore.setState({ ...START, of, form }, true);
}

/** Folds a group, or unfolds it. */
export function toggleFold(key: string): void {
  const folded = new Set(sheetStore.getState().folded);
  if (!folded.delete(key)) folded.add(key);
  setSheetState({ folded });
}
