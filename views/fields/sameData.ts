/** Comparing what a row is given: objects and functions by identity first, plain data by what it says. */
import { isEqual } from "../../core/engine/equal";

/** Whether two sets of props say the same: what is computed again with every change of the layout often comes to the same for a row. */
export function saySame<P extends object>(before: P, after: P): boolean {
  const keys = Object.keys(after) as (keyof P)[];
  return keys.length === Object.keys(before).length && keys.every((key) => Object.is(before[key], after[key]) || isSameData(before[key], after[key]));
}

function isSameData(a: unknown, b: unknown): boolean {
  // A function, or what holds functions, is another when it is not the very same.
  return typeof a === "object" && typeof b === "object" && !holdsFunctions(a) && isEqual(a, b);
}
const holdsFunctions = (value: unknown) => typeof value === "object" && value !== null && Object.values(value).some((item) => typeof item === "function");
