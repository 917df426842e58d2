/**
 * What was changed between two versions of a layout, field by field, with what was there before: it can be kept, taken back, and made
 * again on a version that others have changed meanwhile. Parts that two versions share are not looked into.
 */
import { isEqual } from "../engine/equal";
import type { Layout } from "../format/types";
import { namesAt, isKeyed, ownValue, valueAt, withValueAt, type FieldPath, type Keyed } from "./fields";

/**
 * value: a field, or an item of a list, `was` and `is` now something else; undefined: not there · order: the items of a list are in
 * another order.
 */
export type FieldChange =
  | { readonly kind: "value"; readonly path: FieldPath; readonly was?: unknown; readonly is?: unknown }
  | { readonly kind: "order"; readonly path: FieldPath; readonly was: readonly string[]; readonly is: readonly string[] };

/** The changes that lead from one version to another: fields first, the order of a list after what came and went in it. */
export function changesBetween(before: Layout, after: Layout): readonly FieldChange[] {
  const found: FieldChange[] = [];
  compareAt([], before, after, found);
  return found;
}

function compareAt(path: FieldPath, before: unknown, after: unknown, found: FieldChange[]): void {
  if (before === after) return;
  const names = [namesAt(path, before), namesAt(path, after)] as const;
  if (names[0] && names[1]) compareLists(path, [before, after] as [unknown[], unknown[]], [names[0], names[1]], found);
  else if (isKeyed(before) && isKeyed(after) && before.kind === after.kind) compareKeys(path, before, after, found);
  else if (!isEqual(before, after)) found.push({ kind: "value", path, was: before, is: after });
}

/** An object of another kind is another value as a whole: its keys mean something else. */
function compareKeys(path: FieldPath, before: Keyed, after: Keyed, found: FieldChange[]): void {
  for (const key of new Set([...Object.keys(before), ...Object.keys(after)])) compareAt([...path, key], ownValue(before, key), ownValue(after, key), found);
}

type Both<T> = readonly [before: T, after: T];

function compareLists(path: FieldPath, [before, after]: Both<readonly unknown[]>, [had, has]: Both<readonly string[]>, found: FieldChange[]): void {
  const places = new Map(has.map((call, i) => [call, i]));
  const known = new Set(had);
  had.forEach((call, i) => compareAt([...path, call], before[i], after[places.get(call) ?? -1], found));
  const came = has.filter((call) => !known.has(call));
  for (const call of came) found.push({ kind: "value", path: [...path, call], is: after[places.get(call)!] });
  const went = had.filter((call) => !places.has(call));
  const inOrder = (left: readonly string[], added: readonly string[], wanted: readonly string[]) => isEqual([...left, ...added], wanted);
  const stay = (names: readonly string[], others: { has(call: string): boolean }) => names.filter((call) => others.has(call));
  // Both ways must come out, for a change is taken back by the same rule.
  if (!inOrder(stay(had, places), came, has) || !inOrder(stay(has, known), went, had)) found.push({ kind: "order", path, was: had, is: has });
}

/** The changes that lead back. */
export function inverseOf(changes: readonly FieldChange[]): readonly FieldChange[] {
  const back = changes.map((change): FieldChange => ({ ...change, was: change.is, is: change.was }) as FieldChange);
  return [...back.filter((c) => c.kind === "value"), ...back.filter((c) => c.kind === "order")];
}

/** A change that met something else than it was made on. gone: what held the field is no longer there · other: another value is there. */
export interface Conflict {
  readonly change: FieldChange;
  readonly why: "gone" | "other";
}
/** A version with changes made in it, and those that did not meet what they were made on. */
export interface Applied {
  readonly layout: Layout;
  readonly conflicts: readonly Conflict[];
}

/** Makes changes in a version. `others`: what becomes of a field that has another value by now: the change is made all the same, or it remains. */
export function applyChanges(layout: Layout, changes: readonly FieldChange[], others: "overwrite" | "leave" = "overwrite"): Applied {
  const conflicts: Conflict[] = [];
  let now = layout;
  for (const change of changes) {
    const why = whyConflict(now, change);
    if (why) conflicts.push({ change, why });
    if (why === "gone" || (why === "other" && others === "leave")) continue;
    now = change.kind === "value" ? withValueAt(now, change.path, change.is) : ordered(now, change.path, change.is);
  }
  return { layout: now, conflicts };
}

function whyConflict(layout: Layout, change: FieldChange): Conflict["why"] | null {
  const { held, value } = valueAt(layout, change.path);
  if (!held) return "gone";
  if (change.kind === "value") return isEqual(value, change.was) || isEqual(value, change.is) ? null : "other";
  const names = namesAt(change.path, value);
  if (!names) return "gone";
  // What came or went meanwhile says nothing of the order of the rest.
  const common = (list: readonly string[]) => list.filter((call) => names.includes(call) && change.was.includes(call) && change.is.includes(call));
  const now = common(names);
  return isEqual(now, common(change.was)) || isEqual(now, common(change.is)) ? null : "other";
}

/** A list in the order of `names`; what is not named in it stays behind what it stood behind. */
function ordered(layout: Layout, path: FieldPath, names: readonly string[]): Layout {
  const list = valueAt(layout, path).value as readonly unknown[];
  const has = namesAt(path, list);
  if (!has) return layout;
  const items = new Map(has.map((call, i) => [call, list[i]]));
  const order = names.filter((call) => items.has(call));
  const named = new Set(order);
  has.forEach((call, i) => {
    if (named.has(call)) return;
    order.splice(i === 0 ? 0 : order.indexOf(has[i - 1]) + 1, 0, call);
    named.add(call);
  });
  return order.every((call, i) => call === has[i])
    ? layout
    : withValueAt(
        layout,
        path,
        order.map((call) => items.get(call)),
      );
}
