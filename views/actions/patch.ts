"use client";
/** What the patch sheet alone remembers: what is picked, searched for and folded, the wire being drawn, whether an input is listened for. Nothing of it is in the file. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import type { DeskList } from "../../core/wiring/desk";
import type { PullStart, PullTarget } from "./pulls";

/** What is picked on the sheet. A wire is told by its far end: a control's serve, or an action's desk source. */
export type Picked =
  | { readonly kind: "action"; readonly name: string }
  | { readonly kind: "control"; readonly id: string }
  | { readonly kind: "end"; readonly end: string }
  | { readonly kind: "serve"; readonly id: string; readonly index: number }
  | { readonly kind: "desk"; readonly action: string; readonly list: DeskList; readonly index: number };

/** A wire being drawn. `over`: the end under the pointer or the focus; `why`: why that one does not fit, or null. */
export interface Pull {
  readonly start: PullStart;
  /** By pointer it follows the pointer (CSS px of the sheet); by key the ends are walked along. */
  readonly by: "pointer" | "key";
  readonly at: { readonly x: number; readonly y: number };
  readonly over: PullTarget | null;
  readonly why: string | null;
}

export interface Patch {
  /** The layout it is about, by its id; null before any. */
  readonly of: string | null;
  readonly form: "sheet" | "table";
  readonly pick: Picked | null;
  readonly search: string;
  /** Only actions wanted in this moment; null: all. */
  readonly moment: string | null;
  /** Only actions that stand so. */
  readonly only: "all" | "left" | "served" | "desk" | "unread";
  readonly grouped: boolean;
  readonly folded: ReadonlySet<string>;
  readonly pull: Pull | null;
  /** The action for which a key, mouse or pad input is listened for. */
  readonly listening: string | null;
}

const START: Patch = {
  of: null,
  form: "sheet",
  pick: null,
  search: "",
  moment: null,
  only: "all",
  grouped: false,
  folded: new Set(),
  pull: null,
  listening: null,
};
export const patchStore = createStore<Patch>(() => START);
export const usePatch = <T>(select: (patch: Patch) => T): T => useStore(patchStore, select);
export const setPatch = (change: Partial<Patch>): void => patchStore.setState(change);
/** Another layout has been opened: back to how a sheet begins. The form stays as it was chosen. Of the same layout all stays. */
export function openPatch(of: string): void {
  const { of: before, form } = patchStore.getState();
  if (before !== of) patchStore.setState({ ...START, of, form }, true);
}

/** Folds a group, or unfolds it. */
export function toggleFold(key: string): void {
  const folded = new Set(patchStore.getState().folded);
  if (!folded.delete(key)) folded.add(key);
  setPatch({ folded });
}
