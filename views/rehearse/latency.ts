/** How long touches wait until they are seen: the times of the last frames, told now and then as median and worst. */

/** So many frames are remembered. */
const KEPT = 240;

export interface Latency {
  add(ms: number): void;
  /** In words; null before anything was measured. */
  words(): string | null;
}

export function createLatency(): Latency {
  const times: number[] = [];
  return {
    add(ms) {
      times.push(ms);
      if (times.length > KEPT) times.shift();
    },
    words() {
      if (times.length === 0) return null;
      const sorted = [...times].sort((a, b) => a - b);
      return `touch to picture ${sorted[sorted.length >> 1].toFixed(0)} ms, worst ${sorted[sorted.length - 1].toFixed(0)} ms`;
    },
  };
}
