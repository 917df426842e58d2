/** Relations in a layout that are kept: mirrored copies, rows and columns, equal sizes. */
import { isEqual } from "../../engine/equal";
import { mirrorPlacement } from "../../editing/mirrored";
import { clusterOf, placementIn } from "../../editing/placeables";
import { canonicalLength } from "../../engine/placement/length";
import type { Layout, Pin, Placement } from "../../format/types";

const SIDE = /-(?:left|right)(?:-\d+)?$/;
const bareId = (id: string) => id.replace(SIDE, "");

/** Mirrored copies: the id of each copy and of its original. A copy that was moved separately since is not one. */
export function mirroredCopiesIn(layout: Layout): ReadonlyMap<string, string> {
  const originals = new Map<string, string>();
  const pairsOf = (ids: readonly string[], isCopy: (original: string, copy: string) => boolean) => {
    for (const id of ids) {
      if (!SIDE.test(id)) continue;
      const original = ids.find(
        (other) => other !== id && !originals.has(other) && (other === bareId(id) || (SIDE.test(other) && bareId(other) === bareId(id))),
      );
      if (original !== undefined && ![...originals.values()].includes(id) && isCopy(original, id)) originals.set(id, original);
    }
  };
  const place = (id: string) => placementIn(layout, null, id)!;
  pairsOf(
    layout.clusters.map((c) => c.id),
    (a, b) => isMirror(place(a), place(b), originals),
  );
  const kinds = new Map(layout.controls.map((c) => [c.id, c.kind]));
  pairsOf(
    layout.controls.map((c) => c.id),
    (a, b) => kinds.get(a) === kinds.get(b) && isMirror(place(a), place(b), originals),
  );
  return originals;
}

/** Whether two placements mirror each other, in one frame or in two clusters that are copies of each other. */
export function isMirror(a: Placement, b: Placement, originals: ReadonlyMap<string, string>): boolean {
  const [home, other] = [clusterOf(a), clusterOf(b)];
  const sameHome = home === null ? other === null && a.frame === b.frame : other !== null && (originals.get(other) === home || originals.get(home) === other);
  return sameHome && isEqual({ ...mirrorPlacement(a), frame: 0 }, { ...b, frame: 0 });
}

/** Controls in a row (ordered along `x`) or a column (`y`). Ids, in the order of the file. */
export interface Line {
  readonly along: "x" | "y";
  readonly ids: readonly string[];
}

/** The rows and columns under an arrangement: pins in one frame whose anchor, pivot and offset across the line are the same. */
export function linesIn(layout: Layout, arrangement: string | null): readonly Line[] {
  const lines = new Map<string, { along: "x" | "y"; ids: string[] }>();
  for (const { id } of layout.controls) {
    const placement = placementIn(layout, arrangement, id);
    if (placement?.kind !== "pin") continue;
    for (const [along, across] of [
      ["x", 1],
      ["y", 0],
    ] as const) {
      const { frame, anchor, pivot, offset } = placement;
      const key = JSON.stringify([along, frame, anchor[across], pivot[across], canonicalLength(offset[across])]);
      const line = lines.get(key) ?? { along, ids: [] };
      lines.set(key, line);
      line.ids.push(id);
    }
  }
  return [...lines.values()].filter(({ ids }) => ids.length > 1);
}

/** Controls with the same anchor and pivot along one axis, in one frame. Rows and columns are among them, even after they move. */
function tiedAlike(layout: Layout, arrangement: string | null): readonly (readonly string[])[] {
  const groups = new Map<string, string[]>();
  for (const { id } of layout.controls) {
    const placement = placementIn(layout, arrangement, id);
    if (placement?.kind !== "pin") continue;
    for (const across of [0, 1] as const) {
      const key = JSON.stringify([across, placement.frame, placement.anchor[across], placement.pivot[across]]);
      groups.set(key, [...(groups.get(key) ?? []), id]);
    }
  }
  return [...groups.values()];
}

/** By id, a key that is the same for controls whose equal sizes are kept: in one cluster, or with the same anchor and pivot along an axis. */
export function sizeKinship(layout: Layout, arrangement: string | null): ReadonlyMap<string, string> {
  const leaders = new Map<string, string>();
  const pin = (id: string) => placementIn(layout, arrangement, id) as Pin;
  const leaderOf = (id: string): string => (leaders.get(id) === undefined || leaders.get(id) === id ? id : leaderOf(leaders.get(id)!));
  const join = (ids: readonly string[]) => {
    const bySize = new Map<string, string>();
    for (const id of ids) {
      const size = pin(id).size.map(canonicalLength).join(" ");
      const first = bySize.get(size);
      if (first === undefined) bySize.set(size, leaderOf(id));
      else leaders.set(leaderOf(id), leaderOf(first));
    }
  };
  const homes = new Map<string, string[]>();
  for (const { id } of layout.controls) {
    const home = clusterOf(placementIn(layout, arrangement, id));
    if (home !== null) homes.set(home, [...(homes.get(home) ?? []), id]);
  }
  for (const ids of homes.values()) join(ids);
  for (const ids of tiedAlike(layout, arrangement)) join(ids);
  return new Map(layout.controls.map(({ id }) => [id, leaderOf(id)]));
}
