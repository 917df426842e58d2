"use client";
/** Which overlays the bench shows; remembered by the browser. */
import { z } from "zod";
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";

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

const read = (noted: unknown): Overlays => ({ ...DEFAULT, ...schema.safeParse(noted).data });

const overlays = defineUiState<Overlays>({ lasts: "window", first: DEFAULT, kept: { name: "nodulum.overlays", read } });
export const useOverlays = (): Overlays => overlays.use((shown) => shown);
export const toggleOverlay = (session: Session, key: OverlayKey): void => overlays.of(session).setState((shown) => ({ [key]: !shown[key] }));
/** Whether an overlay is shown just now. */
export const isOverlayShown = (session: Session, key: OverlayKey): boolean => overlays.of(session).getState()[key];
