/** Equality of values. */

/** Whether two values are equal: numbers, texts and functions by identity, data by content. A key with the value undefined counts as absent. */
export function isEqual(a: unknown, b: unknown): boolean {
  if (a === b || (Number.isNaN(a) && Number.isNaN(b))) return true;
  if (typeof a !== "object" || typeof b !== "object" || a === null || b === null) return false;
  if (Array.isArray(a) || Array.isArray(b)) return Array.isArray(a) && Array.isArray(b) && a.length === b.length && a.every((item, i) => isEqual(item, b[i]));
  if (a instanceof Map || b instanceof Map)
    return a instanceof Map && b instanceof Map && a.size === b.size && [...a].every(([key, value]) => b.has(key) && isEqual(value, b.get(key)));
  if (a instanceof Set || b instanceof Set) return a instanceof Set && b instanceof Set && a.size === b.size && [...a].every((item) => b.has(item));
  const own = (value: object, key: string) => (Object.hasOwn(value, key) ? (value as Record<string, unknown>)[key] : undefined);
  return [...new Set([...Object.keys(a), ...Object.keys(b)])].every((key) => isEqual(own(a, key), own(b, key)));
}
