/**
 * Where in a layout something is, told so that it is found again in another version: items of lists by what they are called, never
 * by their place. `["controls", "helm", "feel", "inner"]` is the inner dead zone of helm, wherever helm is in the list by then.
 */
/** Keys and what items are called, from the layout inwards. */
export type FieldPath = readonly string[];

/** An object of which only the keys are known. */
export type Keyed = Readonly<Record<string, unknown>>;
/** Whether a value is an object with keys. */
export const isKeyed = (value: unknown): value is Keyed => typeof value === "object" && value !== null && !Array.isArray(value);

const byKey =
  (key: string) =>
  (item: unknown): string =>
    isKeyed(item) ? String(item[key]) : "";

/** What the items of a list are called, by where the list is. Every other list is a value as a whole. */
const NAMED: Readonly<Record<string, (item: unknown) => string>> = {
  actions: byKey("name"),
  moments: byKey("id"),
  clusters: byKey("id"),
  controls: byKey("id"),
  keepClear: byKey("id"),
  arrangements: byKey("id"),
  together: byKey("id"),
  pictures: byKey("id"),
  accepted: (item) => (isKeyed(item) ? JSON.stringify([item.code, item.subjects]) : ""),
  "workbench/screens": byKey("name"),
};

/** What the items of the list at a path are called, in its order; null where it is no list of called items, or two are called the same. */
export function namesAt(path: FieldPath, list: unknown): readonly string[] | null {
  const called = path.length <= 2 ? NAMED[path.join("/")] : undefined;
  if (!called || !Array.isArray(list)) return null;
  const names = list.map(called);
  return new Set(names).size === names.length ? names : null;
}

/** What is under a key of an object's own. */
export const ownValue = (value: Keyed, key: string): unknown => (Object.hasOwn(value, key) ? value[key] : undefined);

/** What is at a path, and whether what holds it is there; a key that is not there has the value undefined. */
export function valueAt(within: unknown, path: FieldPath): { readonly held: boolean; readonly value: unknown } {
  let value = within;
  for (let i = 0; i < path.length; i += 1) {
    const names = namesAt(path.slice(0, i), value);
    if (names) {
      const at = names.indexOf(path[i]);
      if (at < 0) return { held: i === path.length - 1, value: undefined };
      value = (value as readonly unknown[])[at];
    } else if (isKeyed(value)) {
      if (!Object.hasOwn(value, path[i])) return { held: i === path.length - 1, value: undefined };
      value = value[path[i]];
    } else return { held: false, value: undefined };
  }
  return { held: true, value };
}

/** The same with another value at a path; undefined takes the key or the item away. A new item goes to the end of its list. Where what should hold it is not there, nothing changes. */
export function withValueAt<T>(within: T, path: FieldPath, value: unknown): T {
  return replaced(within, path, 0, value) as T;
}

function replaced(within: unknown, path: FieldPath, depth: number, value: unknown): unknown {
  if (depth === path.length) return value;
  const key = path[depth];
  const last = depth === path.length - 1;
  const names = namesAt(path.slice(0, depth), within);
  if (names) {
    const list = within as readonly unknown[];
    const at = names.indexOf(key);
    if (at < 0) return last && value !== undefined ? [...list, value] : within;
    const next = replaced(list[at], path, depth + 1, value);
    if (next === list[at]) return within;
    return next === undefined ? list.filter((_, i) => i !== at) : list.map((item, i) => (i === at ? next : item));
  }
  if (!isKeyed(within)) return within;
  const before = ownValue(within, key);
  if (before === undefined && !last) return within;
  const next = replaced(before, path, depth + 1, value);
  if (next === before) return within;
  const after: Record<string, unknown> = { ...within };
  if (next === undefined) delete after[key];
  else Object.defineProperty(after, key, { value: next, enumerable: true, configurable: true, writable: true });
  return after;
}
