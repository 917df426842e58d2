/** The project's copy of the conformance cases, read from disk: for tests alone. */
import { readFileSync } from "node:fs";
import { join } from "node:path";

/** One case: a layout, a screen, what `resolve` must print, a trace, what `replay` must print. */
export interface ConformanceCase {
  seed: number;
  layout: unknown;
  options: { screen: string; handed: "right" | "left"; playerSize: number; hz: number };
  resolved: Record<string, unknown>;
  trace: unknown[];
  frames: { t: number; values: Record<string, boolean | number | number[]> }[];
}

/** The findings of a layout on a screen, without texts and in no order; measures within 2 %. */
export interface FindingsCase {
  seed: number;
  layout: unknown;
  screen: string;
  findings: { code: string; severity: string; subjects: string[]; moment: string | null; measure: { value: number; unit: string } | null }[];
}

/** What becomes of touches meant for each control on a screen; shares within 0.003. */
export interface MissesCase {
  seed: number;
  layout: unknown;
  options: { screen: string; handed: "right" | "left"; playerSize: number };
  misses: { id: string; hit: number; taken: Record<string, number>; nothing: number }[];
}

function lines<T>(file: string): T[] {
  return readFileSync(join(process.cwd(), "test/conformance", file), "utf8")
    .split("\n")
    .filter(Boolean)
    .map((line) => JSON.parse(line) as T);
}

export const conformanceCases = () => lines<ConformanceCase>("cases.ndjson");
export const missesCases = () => lines<MissesCase>("misses.ndjson");
export const findingsCases = () => lines<FindingsCase>("findings.ndjson");

/** The first place where two values differ by more than 1e-6 (relative or absolute), as text; null where they agree. */
export function difference(actual: unknown, expected: unknown, path = ""): string | null {
  if (typeof actual === "number" && typeof expected === "number") {
    const close = Math.abs(actual - expected) <= 1e-6 * Math.max(1, Math.abs(expected));
    return close ? null : `${path}: ${actual}, expected ${expected}`;
  }
  if (typeof actual !== "object" || typeof expected !== "object" || actual === null || expected === null)
    return actual === expected ? null : `${path}: ${String(actual)}, expected ${String(expected)}`;
  const keys = new Set([...Object.keys(actual), ...Object.keys(expected)]);
  for (const key of keys) {
    const found = difference((actual as Record<string, unknown>)[key], (expected as Record<string, unknown>)[key], `${path}.${key}`);
    if (found) return found;
  }
  return null;
}
