/** What the pointer means on the glass: which placeable is taken hold of, and what a moving box may snap to. */
import type { Box } from "../../core/engine/geometry/point";
import type { Layout } from "../../core/format/types";
import type { EditContext } from "../../core/editing/placing";
import { framesOf, pxPerMm } from "../../core/engine/placement/screen";
import type { SnapTargets } from "../../core/editing/snap";
import { clusterOf, inCluster, placementIn, placeableBox, placeableOf } from "../../core/editing/placeables";

/** A snap reaches this far, CSS px. */
const SNAP_PX = 7;

/** What is taken hold of when a control is pointed at: itself, or the cluster it is in unless that has been entered. */
export function targetOfPointer(layout: Layout, arrangement: string | null, id: string, entered: string | null): string {
  const cluster = clusterOf(placementIn(layout, arrangement, id));
  return cluster === null || cluster === entered ? id : cluster;
}

/** What moving boxes of some keys may snap to, on the screen in view. */
export function snapTargets(context: EditContext, moving: readonly string[], scale: number, grid: boolean): SnapTargets {
  const { layout, resolved, screen } = context;
  const gone = new Set(moving);
  for (const key of moving) if (layout.clusters.some((c) => c.id === key)) for (const child of inCluster(layout, key, resolved.arrangement)) gone.add(child);
  const frames = framesOf(screen, layout.picture);
  const standing = resolved.controls.filter((c) => !gone.has(c.id));
  const kinds = new Set(layout.controls.filter((c) => gone.has(c.id)).map((c) => c.kind));
  const kindOf = new Map(layout.controls.map((c) => [c.id, c.kind]));
  const zones: Box[] = resolved.keepClear.filter((z) => !gone.has(z.id));
  return {
    frames: [frames.safe, frames.screen, ...(layout.picture ? [frames.picture] : [])],
    others: [...standing.map((c) => c.visual), ...zones],
    mirrored: standing.filter((c) => kinds.has(kindOf.get(c.id)!)).map((c) => c.visual),
    widthPx: screen.widthPx,
    gridPx: grid ? layout.workbench.gridMm * pxPerMm(screen) : 0,
    reachPx: SNAP_PX / scale,
  };
}

/** The clusters to be seen: those that are empty, and those of which something shows in the moment in view. */
export function shownClusters({ layout, resolved }: EditContext): readonly string[] {
  const shown = new Set(resolved.controls.map((c) => c.id));
  return layout.clusters
    .map((c) => c.id)
    .filter((id) => {
      if (!resolved.clusters[id]) return false;
      const inside = inCluster(layout, id, resolved.arrangement);
      return inside.length === 0 || inside.some((child) => shown.has(child));
    });
}

/** The boxes of some keys on the screen in view. */
export function boxesOf(context: EditContext, keys: readonly string[]): Box[] {
  return keys.flatMap((key) => {
    const placeable = placeableOf(context.layout, key);
    return (placeable && placeableBox(context.resolved, placeable)) ?? [];
  });
}

/** Where on the screen a box lies, in words: "top left", "middle", "right". */
export function placeWord(box: Box, screen: { widthPx: number; heightPx: number }): string {
  const third = (at: number, words: readonly [string, string, string]) => words[at < 1 / 3 ? 0 : at < 2 / 3 ? 1 : 2];
  const y = third((box.y + box.h / 2) / screen.heightPx, ["top", "", "bottom"]);
  const x = third((box.x + box.w / 2) / screen.widthPx, ["left", "", "right"]);
  return `${y} ${x}`.trim() || "middle";
}
