/**
 * What turns one version of a layout into another, as plain data: it can be kept, sent to a worker, undone.
 *
 * Versions share what did not change, so a patch is found by identity alone: a key that holds the same object is not looked into.
 * Of a list only the items that are new are in the patch; the others are reported by their place in the version before, so that whoever
 * applies it keeps the very objects it has.
 */
import { ownEntry } from "../engine/playerChanges";
import type { Layout } from "./types";

/** An item of a list: its place in the list before, or a new item. */
type Item = number | { readonly value: unknown };

/**
 * absent: the key is gone · whole: another value · keys: some keys of an object have changed · list: the first `head` and the last
 * `tail` items stay, and `middle` is between them.
 */
export type Change =
  | { readonly kind: "absent" }
  | { readonly kind: "whole"; readonly value: unknown }
  | { readonly kind: "keys"; readonly keys: Readonly<Record<string, Change>> }
  | { readonly kind: "list"; readonly head: number; readonly tail: number; readonly middle: readonly Item[] };

/** The changes of a layout, by its keys; an empty one changes nothing. */
export type LayoutPatch = Readonly<Record<string, Change>>;

/** The patch from one version to another. Only what differs by identity is in it. */
export function patchBetween(before: Layout, after: Layout): LayoutPatch {
  return changedKeys(before as unknown as Keyed, after as unknown as Keyed);
}

/** The version that a patch leads to. `before` must be the version it was made from, or one equal to it. */
export function applyPatch(before: Layout, patch: LayoutPatch): Layout {
  return Object.keys(patch).length === 0 ? before : (withKeys(before as unknown as Keyed, patch) as unknown as Layout);
}

type Keyed = Readonly<Record<string, unknown>>;
const isKeyed = (value: unknown): value is Keyed => typeof value === "object" && value !== null && !Array.isArray(value);

function changedKeys(before: Keyed, after: Keyed): Record<string, Change> {
  const changes: Record<string, Change> = Object.create(null) as Record<string, Change>;
  for (const key of Object.keys(before))
    if (!Object.hasOwn(after, key) || after[key] === undefined) if (before[key] !== undefined) changes[key] = { kind: "absent" };
  for (const key of Object.keys(after)) {
    if (after[key] === undefined || (Object.hasOwn(before, key) && before[key] === after[key])) continue;
    const change = changeBetween(Object.hasOwn(before, key) ? before[key] : undefined, after[key]);
    if (change) changes[key] = change;
  }
  return changes;
}

/** Null where the two are different objects that say the same key by key. */
function changeBetween(before: unknown, after: unknown): Change | null {
  if (Array.isArray(before) && Array.isArray(after)) return listChange(before, after);
  if (!isKeyed(before) || !isKeyed(after)) return { kind: "whole", value: after };
  const keys = changedKeys(before, after);
  return Object.keys(keys).length === 0 ? null : { kind: "keys", keys };
}

function listChange(before: readonly unknown[], after: readonly unknown[]): Change | null {
  const least = Math.min(before.length, after.length);
  let head = 0;
  while (head < least && before[head] === after[head]) head += 1;
  let tail = 0;
  while (tail < least - head && before[before.length - 1 - tail] === after[after.length - 1 - tail]) tail += 1;
  if (head + tail === before.length && before.length === after.length) return null;
  const at = new Map<unknown, number>();
  for (let i = head; i < before.length - tail; i += 1) if (isKeyed(before[i])) at.set(before[i], i);
  const middle = after.slice(head, after.length - tail).map((value): Item => at.get(value) ?? { value });
  return { kind: "list", head, tail, middle };
}

function withKeys(before: Keyed, changes: Readonly<Record<string, Change>>): Keyed {
  const after: Record<string, unknown> = { ...before };
  for (const key of Object.keys(changes)) {
    const change = changes[key];
    if (change.kind === "absent") delete after[key];
    else Object.defineProperty(after, key, { value: changed(ownEntry(after, key), change), enumerable: true, configurable: true, writable: true });
  }
  return after;
}

function changed(before: unknown, change: Exclude<Change, { kind: "absent" }>): unknown {
  switch (change.kind) {
    case "whole":
      return change.value;
    case "keys":
      return withKeys(isKeyed(before) ? before : {}, change.keys);
    case "list": {
      const list = Array.isArray(before) ? (before as readonly unknown[]) : [];
      const middle = change.middle.map((item) => (typeof item === "number" ? list[item] : item.value));
      return [...list.slice(0, change.head), ...middle, ...list.slice(list.length - change.tail)];
    }
  }
}
