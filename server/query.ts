/** Reading the query of an address: what every request has. */
import type { Problem } from "../core/engine/result";

/** No more screens are named in one address. */
export const MOST_SCREENS = 64;

/** A problem for each part that is not asked for. */
export function strangers(query: URLSearchParams, known: readonly string[]): Problem[] {
  return [...new Set(query.keys())]
    .filter((key) => !known.includes(key))
    .map((key) => ({ path: key.slice(0, 80), message: `is not asked for here; known: ${known.join(", ")}` }));
}

interface Choice<T> {
  readonly key: string;
  readonly choices: readonly T[];
  readonly usual: T;
  readonly problems: Problem[];
}

/** One of several words; another is a problem, none is as usual. */
export function oneOf<T extends string>(value: string | null, { key, choices, usual, problems }: Choice<T>): T {
  const found = choices.find((choice) => choice === (value ?? usual));
  if (found === undefined) problems.push({ path: key, message: `"${value!.slice(0, 80)}" is none of ${choices.join(", ")}` });
  return found ?? usual;
}
