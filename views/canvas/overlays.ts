"use client";
/** Which overlays the bench shows; remembered by the browser. */
import { z } from "zod";
import { createStore } from "zustand/vanilla";
import { useStore } from "zustand";

/** Every overlay, its word, its key, and what it is drawn as in the list. */
export const OVERLAYS = [
  { key: "hit", word: "Hit areas", letter: "h" },
  { key: "landing", word: "Landing areas", letter: "l" },
  { key: "travel", word: "Dead zone and travel", letter: "z" },
  { key: "frames", word: "Frames, corners, cut-outs", letter: "s" },
  { key: "edges", word: "System edge strips", letter: "e" },
  { key: "reach", word: "Thumb reach", letter: "r" },
  { key: "clear", word: "Keep-clear zones", letter: "k" },
  { key: "grid", word: "Millimetre grid", letter: "g" },
  { key: "gaps", word: "Gaps while dragging", letter: "n" },
  { key: "misses", word: "Misses per 100 touches", letter: "a" },
] as const;
export type OverlayKey = (typeof OVERLAYS)[number]["key"];
export type Overlays = Readonly<Record<OverlayKey, boolean>>;

const KEY = "nodulum.overlays";
const DEFAULT: Overlays = {
  hit: true,
  landing: true,
  travel: true,
  frames: true,
  edges: false,
  reach: false,
  clear: true,
  grid: false,
  gaps: true,
  misses: false,
};
const schema = z.partialRecord(z.enum(OVERLAYS.map((o) => o.key) as [OverlayKey, ...OverlayKey[]]), z.boolean());

function remembered(): Overlays {
  try {
    const read = schema.safeParse(JSON.parse(window.localStorage.getItem(KEY) ?? "null"));
    return read.success ? { ...DEFAULT, ...read.data } : DEFAULT;
  } catch {
    return DEFAULT;
  }
}

const store = createStore<Overlays>(() => (typeof window === "undefined" ? DEFAULT : remembered()));

export function toggleOverlay(key: OverlayKey): void {
  store.setState((s) => ({ [key]: !s[key] }));
  try {
    window.localStorage.setItem(KEY, JSON.stringify(store.getState()));
  } catch {
    // Refused storage costs only the memory of the choice.
  }
}

export const useOverlays = (): Overlays => useStore(store);
/** Whether an overlay is shown just now. */
export const isOverlayShown = (key: OverlayKey): boolean => store.getState()[key];
