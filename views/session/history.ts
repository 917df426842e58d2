/** Undo and redo: one entry a gesture, made of patches. Pure: history and layout in, history and layout out. */
import { applyPatches, enablePatches, produceWithPatches, type Patch } from "immer";
import type { Layout } from "../../core/format/types";

enablePatches();

export interface Entry {
  /** What was done, for the menu: "move horn". */
  readonly label: string;
  readonly forward: readonly Patch[];
  readonly back: readonly Patch[];
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
    const base = applyPatches(before, last.back as Patch[]) as Layout;
    const joined = entryFor(base, after, label);
    const past = history.past.slice(0, -1);
    return { past: joined ? [...past, joined] : past, future: [] };
  }
  return { past: [...history.past, entry].slice(-MOST_ENTRIES), future: [] };
}

function entryFor(before: Layout, after: Layout, label: string): Entry | null {
  const keys = new Set([...Object.keys(before), ...Object.keys(after)]) as Set<keyof Layout>;
  const changed = [...keys].filter((key) => before[key] !== after[key]);
  if (changed.length === 0) return null;
  const [, forward, back] = produceWithPatches(before, (draft) => {
    for (const key of changed) {
      if (after[key] === undefined) delete draft[key];
      else (draft as Record<string, unknown>)[key] = after[key];
    }
  });
  return forward.length > 0 ? { label, forward, back } : null;
}

/** One step back; null at the beginning. */
export function undo(history: History, layout: Layout): { history: History; layout: Layout; label: string } | null {
  const entry = history.past[history.past.length - 1];
  if (!entry) return null;
  return {
    layout: applyPatches(layout, entry.back as Patch[]) as Layout,
    label: entry.label,
    history: { past: history.past.slice(0, -1), future: [entry, ...history.future] },
  };
}

/** One step forward again; null at the end. */
export function redo(history: History, layout: Layout): { history: History; layout: Layout; label: string } | null {
  const entry = history.future[0];
  if (!entry) return null;
  return {
    layout: applyPatches(layout, entry.forward as Patch[]) as Layout,
    label: entry.label,
    history: { past: [...history.past, entry], future: history.future.slice(1) },
  };
}
