/** Where there is no way: wishes of which none can be left out, with a bound, and the ways out. */

/** A way out, in words, and what it costs where that could be worked out, mm². */
export interface WayOut {
  readonly kind: "smaller-targets" | "arrangement" | "one-less";
  readonly text: string;
  readonly costMm2: number | null;
}

/** Findings that could not be taken away together. */
export interface NoWay {
  /** Whether it is proved that there is none; else none was found. */
  readonly proved: boolean;
  readonly text: string;
  /** The wishes that cannot all be had, in words; empty where nothing is proved. */
  readonly wishes: readonly string[];
  /** By how much they fall short at the least, mm; null where nothing is proved. */
  readonly shortMm: number | null;
  readonly waysOut: readonly WayOut[];
}
