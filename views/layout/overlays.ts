"use client";
/** Which overlays the bench shows; remembered by the browser. */
import { z } from "zod";
import { createStore } from "zustand/vanilla";
import { useStore } from "zustand";

export const OVERLAYS = [
  { key: "hit", word: "Hit areas", letter: "h" },
  { key: "travel", word: "Dead zone, travel", letter: "z" },
  { key: "frames", word: "Safe frame", letter: "s" },
  { key: "clear", word: "Keep clear", letter: "k" },
] as const;
export type OverlayKey = (typeof OVERLAYS)[number]["key"];
type Overlays = Readonly<Record<OverlayKey, boolean>>;

const KEY = "nodulum.overlays";
const schema = z.object({ hit: z.boolean(), travel: z.boolean(), frames: z.boolean(), clear: z.boolean() });
const DEFAULT: Overlays = { hit: true, travel: true, frames: true, clear: true };

function remembered(): Overlays {
  try {
    const read = schema.safeParse(JSON.parse(window.localStorage.getItem(KEY) ?? "null"));
    return read.success ? read.data : DEFAULT;
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
