/** Ids made from what people call things. */

/** An id that is free, made from a wish: `horn`, `horn-2`, `horn-3`… A wish without any letter becomes `fallback`. */
export function freeIdOf(used: Iterable<{ readonly id: string }>, wish: string, fallback: string): string {
  const known = new Set([...used].map((item) => item.id));
  const base =
    wish
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^[^a-z]+/, "")
      .replace(/-+$/, "")
      .slice(0, 40) || fallback;
  let id = base;
  for (let n = 2; known.has(id); n += 1) id = `${base}-${n}`;
  return id;
}
