/**
 * placeables: everything that is on the glass by its own placement. A control, a cluster or a keep-clear zone is known
 * by its id (ids are unique over the three), the landing area of a stick by the stick's id and "/landing".
 *
 * On a screen with an arrangement, what is changed by hand is that arrangement's: it is written as an override, and the
 * base stays as it is until the override is handed back.
 */
import { ownEntry } from "../engine/playerChanges";
import type { Box } from "../engine/geometry/point";
import { byId } from "../derived/byId";
import { refused, type Result } from "../engine/result";
import { checked } from "./edits/checked";
import type { Arrangement, Control, Layout, Override, Pin, Placement, PlainPlacement } from "../format/types";
import type { Resolved } from "../engine/placement/resolve";

export type PlaceableKind = "control" | "cluster" | "zone" | "landing";
export interface Placeable {
  readonly kind: PlaceableKind;
  /** The id of the control, cluster or zone; of a landing area that of its stick. */
  readonly id: string;
}

const LANDING = "/landing";
/** The key of a stick's landing area. */
export const landingKey = (id: string): string => `${id}${LANDING}`;

/** What a key represents in a layout; null where nothing has it. A stick has a landing placeable only when it has a landing area. */
export function placeableOf(layout: Layout, key: string): Placeable | null {
  if (key.endsWith(LANDING)) {
    const id = key.slice(0, -LANDING.length);
    const stick = byId(layout.controls).get(id);
    const has =
      stick?.kind === "stick" && (stick.feel.landing !== undefined || layout.arrangements.some((a) => ownEntry(a.overrides, id)?.landing !== undefined));
    return has ? { kind: "landing", id } : null;
  }
  if (layout.controls.some((c) => c.id === key)) return { kind: "control", id: key };
  if (layout.clusters.some((c) => c.id === key)) return { kind: "cluster", id: key };
  return layout.keepClear.some((z) => z.id === key) ? { kind: "zone", id: key } : null;
}

/** Where a placeable is on a resolved screen, px; null where it is hidden there. */
export function placeableBox(resolved: Resolved, placeable: Placeable): Box | null {
  switch (placeable.kind) {
    case "control":
      return byId(resolved.controls).get(placeable.id)?.visual ?? null;
    case "landing":
      return byId(resolved.controls).get(placeable.id)?.landing ?? null;
    case "cluster":
      return resolved.clusters[placeable.id] ?? null;
    case "zone":
      return byId(resolved.keepClear).get(placeable.id) ?? null;
  }
}

/** The override of an arrangement for an id; undefined where it has none, or there is no such arrangement. */
export function overrideIn(layout: Layout, arrangement: string | null, id: string): Override | undefined {
  return arrangement === null ? undefined : ownEntry(byId(layout.arrangements).get(arrangement)?.overrides ?? {}, id);
}

/** The placement of a placeable in the base. */
function basePlacement(layout: Layout, placeable: Placeable): Placement | null {
  switch (placeable.kind) {
    case "control":
      return byId(layout.controls).get(placeable.id)?.placement ?? null;
    case "cluster":
      return byId(layout.clusters).get(placeable.id)?.placement ?? null;
    case "zone":
      return byId(layout.keepClear).get(placeable.id)?.placement ?? null;
    case "landing": {
      const stick = byId(layout.controls).get(placeable.id);
      return (stick?.kind === "stick" && stick.feel.landing) || null;
    }
  }
}

/** The placement that holds for a placeable under an arrangement (null: the base): the arrangement's, or the base's. */
export function placementIn(layout: Layout, arrangement: string | null, key: string): Placement | null {
  const placeable = placeableOf(layout, key);
  if (!placeable) return null;
  const override = overrideIn(layout, arrangement, placeable.id);
  return (placeable.kind === "landing" ? override?.landing : override?.placement) ?? basePlacement(layout, placeable);
}

/** The layout with an arrangement's override for an id changed; one that says nothing any more is taken out. Not checked yet. */
export function putOverride(layout: Layout, arrangement: string, id: string, change: (override: Override) => Override): Layout {
  const put = (a: Arrangement): Arrangement => {
    const next = change(ownEntry(a.overrides, id) ?? { hidden: false });
    const overrides = { ...a.overrides };
    if (!next.hidden && next.placement === undefined && next.hit === undefined && next.landing === undefined) delete overrides[id];
    else overrides[id] = next;
    return { ...a, overrides };
  };
  return { ...layout, arrangements: layout.arrangements.map((a) => (a.id === arrangement ? put(a) : a)) };
}

/** Writes a placement where it belongs: into the arrangement's override, or without an arrangement into the base. Not checked yet. */
export function putPlacement(layout: Layout, arrangement: string | null, placeable: Placeable, placement: Placement): Layout {
  if (arrangement !== null)
    return putOverride(layout, arrangement, placeable.id, (o) =>
      placeable.kind === "landing" ? { ...o, landing: placement as PlainPlacement } : { ...o, placement },
    );
  switch (placeable.kind) {
    case "control":
      return { ...layout, controls: layout.controls.map((c) => (c.id === placeable.id ? ({ ...c, placement } as Control) : c)) };
    case "cluster":
      return { ...layout, clusters: layout.clusters.map((c) => (c.id === placeable.id ? { ...c, placement: placement as Pin & { frame: "safe" } } : c)) };
    case "zone":
      return { ...layout, keepClear: layout.keepClear.map((z) => (z.id === placeable.id ? { ...z, placement: placement as PlainPlacement } : z)) };
    case "landing":
      return {
        ...layout,
        controls: layout.controls.map((c) =>
          c.id === placeable.id && c.kind === "stick" ? { ...c, feel: { ...c.feel, landing: placement as PlainPlacement } } : c,
        ),
      };
  }
}

/** The layout with another placement for a placeable, written where it belongs on a screen of that arrangement. */
export function withPlacement(layout: Layout, arrangement: string | null, key: string, placement: Placement): Result<Layout> {
  const placeable = placeableOf(layout, key);
  if (!placeable) return refused(key, "no control or cluster has this id");
  return checked(layout, putPlacement(layout, arrangement, placeable, placement));
}

/** What its own arrangement has for an id: the words of its fields, empty where all is the base's. */
export function ownFields(layout: Layout, arrangement: string | null, id: string): readonly ("placement" | "hit" | "landing" | "hidden")[] {
  const override = overrideIn(layout, arrangement, id);
  if (!override) return [];
  return (["placement", "hit", "landing", "hidden"] as const).filter((field) => (field === "hidden" ? override.hidden : override[field] !== undefined));
}

/** Hands back what an arrangement changed about an id, one field or all of it: the base holds again. */
export function handBack(layout: Layout, arrangement: string, id: string, field?: "placement" | "hit" | "landing" | "hidden"): Result<Layout> {
  return checked(
    layout,
    putOverride(layout, arrangement, id, (o) => {
      if (!field) return { hidden: false };
      const next = { ...o };
      if (field === "hidden") next.hidden = false;
      else delete next[field];
      return next;
    }),
  );
}

/** Every key that may be selected: controls, clusters, zones, in that order. */
export function selectable(layout: Layout): readonly string[] {
  return [...layout.controls.map((c) => c.id), ...layout.clusters.map((c) => c.id), ...layout.keepClear.map((z) => z.id)];
}

/** The ids of the controls that are in a cluster, in the base or under an arrangement. */
export function inCluster(layout: Layout, cluster: string, arrangement: string | null): readonly string[] {
  return layout.controls.filter((c) => homeOf(layout, arrangement, c) === cluster).map((c) => c.id);
}

/** The cluster a control is in under an arrangement (null: the base), or null. */
export function homeOf(layout: Layout, arrangement: string | null, control: Control): string | null {
  return clusterOf(overrideIn(layout, arrangement, control.id)?.placement ?? control.placement);
}

/** The cluster a placement is in, or null. */
export function clusterOf(placement: Placement | null): string | null {
  return placement?.kind === "pin" && typeof placement.frame === "object" ? placement.frame.cluster : null;
}

/** Changes the placements of several placeables of one kind, each by the same rule, where they belong on a screen of that arrangement; of another kind they stay. */
export function changePlacements<K extends Placement["kind"]>(
  layout: Layout,
  { keys, arrangement }: { readonly keys: readonly string[]; readonly arrangement: string | null },
  kind: K,
  change: (placement: Extract<Placement, { kind: K }>, key: string) => Extract<Placement, { kind: K }>,
): Result<Layout> {
  let next = layout;
  for (const key of keys) {
    const placeable = placeableOf(layout, key);
    const placement = placementIn(layout, arrangement, key);
    if (!placeable || !placement) return refused(key, "no control or cluster has this id");
    if (placement.kind === kind) next = putPlacement(next, arrangement, placeable, change(placement as Extract<Placement, { kind: K }>, key));
  }
  return checked(layout, next);
}
