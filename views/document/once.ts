/** Returns a function that works once and gives the same answer ever after. */
export function once<T>(work: () => T): () => T {
  let done: { readonly value: T } | null = null;
  return () => (done ??= { value: work() }).value;
}
