/** Looking up what is under a name that somebody chose: `constructor`, `toString` and `__proto__` are names like any other. */

/** What an object of names its own has under a name; undefined where it has nothing. */
export function ownEntry<T>(record: Readonly<Record<string, T>>, name: string): T | undefined {
  return Object.hasOwn(record, name) ? record[name] : undefined;
}
