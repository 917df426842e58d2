/** Undo and redo: one entry a gesture, made of patches. Pure: history and layout in, history and layout out. */
import { applyPatch, isEmptyPatch, patchBetween, type LayoutPatch } from "../../core/format/patch";
import type { Layout } from "../../core/format/types";

/** One step of the history. */
export interface Entry {
  /** What was done, for the menu: "move horn". */
  readonly label: string;
  readonly forward: LayoutPatch;
  readonly back: LayoutPatch;
}
export interface History {
  readonly past: readonly Entry[];
  readonly future: readonly Entry[];
}
export const NO_HISTORY: History = { past: [], future: [] };

/** How many entries are kept; patches share what did not change, so this is a matter of patience, not of memory. */
const MOST_ENTRIES = 500;

/** Remembers the step from one layout to another; the same layout leaves no entry. `merge`: joins the last entry of the same label. */
export function record(
  history: History,
  before: Layout,
  after: Layout,
  { label, merge = false }: { readonly label: string; readonly merge?: boolean },
): History {
  const entry = entryFor(before, after, label);
  if (!entry) return history;
  const last = history.past[history.past.length - 1];
  if (merge && last?.label === label && history.future.length === 0) {
    const joined = entryFor(applyPatch(before, last.back), after, label);
    const past = history.past.slice(0, -1);
    return { past: joined ? [...past, joined] : past, future: [] };
  }
  return { past: [...history.past, entry].slice(-MOST_ENTRIES), future: [] };
}

function entryFor(before: Layout, after: Layout, label: string): Entry | null {
  const forward = patchBetween(before, after);
  return isEmptyPatch(forward) ? null : { label, forward, back: patchBetween(after, before) };
}

/** One step back; null at the beginning. */
export function undo(history: History, layout: Layout): { history: History; layout: Layout; label: string } | null {
  const entry = history.past[history.past.length - 1];
  if (!entry) return null;
  return {
    layout: applyPatch(layout, entry.back),
    label: entry.label,
    history: { past: history.past.slice(0, -1), future: [entry, ...history.future] },
  };
}

/** One step forward again; null at the end. */
export function redo(history: History, layout: Layout): { history: History; layout: Layout; label: string } | null {
  const entry = history.future[0];
  if (!entry) return null;
  return {
    layout: applyPatch(layout, entry.forward),
    label: entry.label,
    history: { past: [...history.past, entry], future: history.future.slice(1) },
  };
}
