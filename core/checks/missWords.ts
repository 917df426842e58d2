/** Misses in words: of a hundred touches. */
import type { ControlMisses } from "./misses";

/** A part as this many of a hundred: "97", "0.4" below one, "99.6" where a whole number would say all. */
export function ofHundred(part: number): string {
  const taps = part * 100;
  return (taps > 0.05 && taps < 1) || (taps > 99.5 && taps < 99.95) ? taps.toFixed(1) : taps.toFixed(0);
}

/** Who takes them, the most first: "4 towline, 2 nothing". Empty where all of them arrive. */
export function takersWords({ taken, nothing }: ControlMisses, nameOf: (id: string) => string): string {
  const parts = Object.entries(taken).map(([id, share]) => [share, nameOf(id)] as const);
  return [...parts, [nothing, "nothing"] as const]
    .filter(([share]) => share >= 0.0005)
    .sort(([a], [b]) => b - a)
    .map(([share, name]) => `${ofHundred(share)} ${name}`)
    .join(", ");
}
