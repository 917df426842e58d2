"use client";
/** How large the bench's regions are: dragged at their borders, remembered by the browser, in rem so that they follow the size of the text. */
import { z } from "zod";
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";

/** The regions that can be sized, with the least and the most they may have, and about what they have by themselves, rem. */
export const REGIONS = {
  tray: { least: 8, most: 40, usual: 20 },
  /** The tray where it is next to a tall glass: its width. */
  beside: { least: 18, most: 70, usual: 36 },
  ledger: { least: 9, most: 26, usual: 12.25 },
  rail: { least: 10, most: 34, usual: 13.5 },
} as const;
export type Region = keyof typeof REGIONS;
/** Rem each; absent: the usual size. */
export type RegionSizes = { readonly [R in Region]?: number };

const schema = z.object({ tray: z.number(), beside: z.number(), ledger: z.number(), rail: z.number() }).partial();
const read = (noted: unknown): RegionSizes => schema.safeParse(noted).data ?? {};

const regions = defineUiState<RegionSizes>({ lasts: "window", first: {}, kept: { name: "nodulum.regions", read } });
export const useRegions = (): RegionSizes => regions.use((sizes) => sizes);

/** Gives a region a size, rem; null: its usual one. Out of range it is the nearest that is in it. */
export function sizeRegion(session: Session, region: Region, rem: number | null): void {
  const { [region]: _old, ...others } = regions.of(session).getState();
  const { least, most } = REGIONS[region];
  regions.of(session).setState(rem === null ? others : { ...others, [region]: Math.min(most, Math.max(least, rem)) }, true);
}

/** CSS px a rem: the browser's own text size. */
export const remPx = (): number => (typeof window === "undefined" ? 16 : Number.parseFloat(getComputedStyle(document.documentElement).fontSize) || 16);
