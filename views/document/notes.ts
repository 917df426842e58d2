/** What the browser remembers next to the layouts, by a key: read and written so that refused storage costs only the memory of it. */

/** What is noted under a key, as it was written; undefined where nothing is, or nothing that reads. */
export function noted(key: string): unknown {
  try {
    const text = window.localStorage.getItem(key);
    return text === null ? undefined : JSON.parse(text);
  } catch {
    return undefined;
  }
}

/** Notes a value under a key. */
export function note(key: string, value: unknown): void {
  try {
    window.localStorage.setItem(key, JSON.stringify(value));
  } catch {
    // Where nothing can be noted, it holds as long as the window is open.
  }
}
