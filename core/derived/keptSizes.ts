/** What one control comes to on several screens: its size in millimetres and as a share of the screen. */
import type { Box } from "../engine/geometry/point";
import { pxPerMm } from "../engine/placement/screen";
import type { Layout, Screen } from "../format/types";
import { resolvedOn } from "./resolved";

/** A control on a screen. `mm`: its shorter side; `part`: that side as a part of the screen's shorter side, 0…1; `box` and `screenMm` in mm. */
export interface KeptSize {
  readonly screen: string;
  readonly mm: number;
  readonly part: number;
  readonly box: Box;
  readonly screenMm: { readonly w: number; readonly h: number };
}

const PLAIN = { handed: "right", playerSize: 1, moment: null } as const;

/** The control on each of the screens where it is shown, as a right-handed player of size 1 has it. */
export function keptSizes(layout: Layout, id: string, screens: readonly Screen[]): KeptSize[] {
  return screens.flatMap((screen) => {
    const at = resolvedOn(layout, screen, PLAIN).controls.find((c) => c.id === id);
    if (!at) return [];
    const mm = pxPerMm(screen);
    const side = Math.min(at.visual.w, at.visual.h);
    const box = { x: at.visual.x / mm, y: at.visual.y / mm, w: at.visual.w / mm, h: at.visual.h / mm };
    return [
      {
        screen: screen.name,
        mm: side / mm,
        part: side / Math.min(screen.widthPx, screen.heightPx),
        box,
        screenMm: { w: screen.widthPx / mm, h: screen.heightPx / mm },
      },
    ];
  });
}

/** The smallest of some screens by their diagonal, `open`, and the largest: three, or fewer where they are the same. */
export function threeScreens(screens: readonly Screen[], open: Screen): Screen[] {
  const diagonal = (s: Screen) => Math.hypot(s.widthPx, s.heightPx) / s.ppi;
  const sorted = [...screens].sort((a, b) => diagonal(a) - diagonal(b));
  return [sorted[0], open, sorted.at(-1)].filter((s, i, all): s is Screen => s !== undefined && all.findIndex((other) => other?.name === s.name) === i);
}
