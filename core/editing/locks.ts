/** Locks of the bench (`workbench.locked`): what of a control, cluster or zone is not moved, or not sized, by hand or key. Players know nothing of them. */
import { ownEntry } from "../engine/playerChanges";
import type { Box } from "../engine/geometry/point";
import type { Result } from "../engine/result";
import type { Layout } from "../format/types";
import { checked } from "./edits/checked";

/** What of a thing can be locked. */
export type Lock = "x" | "y" | "size";
const ORDER: readonly Lock[] = ["x", "y", "size"];

/** What of a thing is locked. */
export const locksOf = (layout: Layout, id: string): readonly Lock[] => ownEntry(layout.workbench.locked, id) ?? [];

/** Locks some things, or releases them. */
export function changeLocks(layout: Layout, ids: readonly string[], locks: readonly Lock[], on: boolean): Result<Layout> {
  const locked = { ...layout.workbench.locked };
  for (const id of ids) {
    const next = ORDER.filter((lock) => (locks.includes(lock) ? on : locksOf(layout, id).includes(lock)));
    if (next.length > 0) locked[id] = next;
    else delete locked[id];
  }
  return checked(layout, { ...layout, workbench: { ...layout.workbench, locked } });
}

/** A box that a thing is to have, with what is locked of it as it is now. */
export function withLocksKept(layout: Layout, id: string, now: Box, wished: Box): Box {
  const locks = locksOf(layout, id);
  if (locks.length === 0) return wished;
  // Sized from the left or the top it would move; a locked size does neither.
  if (locks.includes("size") && (wished.w !== now.w || wished.h !== now.h)) return now;
  return { ...wished, x: locks.includes("x") ? now.x : wished.x, y: locks.includes("y") ? now.y : wished.y };
}
