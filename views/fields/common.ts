/** What several things have in common. */

/** The value they all have, or null where they differ. Lists and objects are compared by what they hold. */
export function common<T, V>(items: readonly T[], get: (item: T) => V): V | null {
  if (items.length === 0) return null;
  const first = get(items[0]);
  const text = typeof first === "object" ? JSON.stringify(first) : null;
  return items.every((item) => (text === null ? get(item) === first : JSON.stringify(get(item)) === text)) ? first : null;
}
