/** Takes made for tests: of the shipped samples, by hands that know where the controls are. */
import { plainScreen } from "../core/engine/placement/screen";
import { resolvedOn } from "../core/derived/resolved";
import { centreOf } from "../core/engine/geometry/point";
import type { InputEvent } from "../core/engine/input/events";
import { layoutDigest, type Take } from "../core/rehearsal/take";
import type { Layout } from "../core/format/types";

export const WIDE = plainScreen("Wide phone", 2400, 1080, 420);
export const TALL = plainScreen("Tall phone", 1080, 2400, 420);

/** A take without a hand in it. */
export const bareTake = (layout: Layout, events: readonly InputEvent[] = [], more: Partial<Take> = {}): Take => ({
  name: "bare",
  layout: layoutDigest(layout),
  screen: layout.orientation === "portrait" ? TALL : WIDE,
  handed: "right",
  playerSize: 1,
  hz: 60,
  moment: layout.moments[0]?.id ?? null,
  events,
  frames: null,
  ...more,
});

/** Where a control is in a take, px, and how many px a mm has there. */
export function standing(take: Take, layout: Layout, id: string): { x: number; y: number; mm: number } {
  const { screen, handed, playerSize } = take;
  const placed = resolvedOn(layout, screen, { handed, playerSize, moment: null }).controls.find((c) => c.id === id)!;
  return { ...centreOf(placed.visual), mm: screen.ppi / 25.4 };
}

/** A tap on a place, `ms` long. */
export const tap = (t: number, id: number, { x, y }: { x: number; y: number }, ms = 100): InputEvent[] => [
  { t, id, type: "down", x, y },
  { t: t + ms, id, type: "up", x, y },
];
