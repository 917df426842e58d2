"use client";
import { useState } from "react";

/**
 * A value that is made again only when one of the parts of its key is another (by identity). Unlike `useMemo` it is never made again for any
 * other reason, and what `make` reads besides the key may change without a new value.
 */
export function useMadeFor<T>(key: readonly unknown[], make: () => T): T {
  const [made, setMade] = useState(() => ({ key, value: make() }));
  if (key.every((part, i) => Object.is(part, made.key[i]))) return made.value;
  const next = { key, value: make() };
  setMade(next);
  return next.value;
}
