/** Slots: the places in a layout file that hold variable lengths, and how they are read and written. */
import { byId } from "../../derived/byId";
import { ownEntry } from "../../engine/playerChanges";
import { formatLength, lengthOf } from "../../engine/placement/length";
import { landingKey, placeableOf, placementIn, putOverride, putPlacement } from "../../editing/placeables";
import type { Control, Hit, Layout, Pin, Placement } from "../../format/types";

/** What a slot holds. */
export type SlotKind = "place" | "hit" | "landing" | "travel";
/** One slot: of a control or a cluster, in the base (null) or in the override of an arrangement. */
export interface Slot {
  readonly kind: SlotKind;
  readonly id: string;
  readonly arrangement: string | null;
}
/** A length in a slot: offsets and sides of pins, insets of spans; sides, growth, least side and shift of hit areas; the travel of a stick. */
export type LengthField = "dx" | "dy" | "w" | "h" | "left" | "top" | "right" | "bottom" | "grow" | "minMm" | "travel";

/** Identifies a slot. */
export const slotKey = ({ kind, id, arrangement }: Slot): string => `${kind} ${id} ${arrangement ?? ""}`;

/** The slot that applies under an arrangement: in its override if that has one, else in the base. */
export function slotUnder(layout: Layout, arrangement: string | null, kind: SlotKind, id: string): Slot {
  const override = arrangement === null ? undefined : ownEntry(byId(layout.arrangements).get(arrangement)?.overrides ?? {}, id);
  const own = kind === "place" ? override?.placement : kind === "hit" ? override?.hit : kind === "landing" ? override?.landing : undefined;
  return { kind, id, arrangement: own === undefined ? null : arrangement };
}

/** The placement in a slot of a place or a landing area. */
export const placementOf = (layout: Layout, { kind, id, arrangement }: Slot): Placement | null =>
  placementIn(layout, arrangement, kind === "landing" ? landingKey(id) : id);

/** The hit area in a slot. */
export function hitOf(layout: Layout, { id, arrangement }: Slot): Hit {
  const own = arrangement === null ? undefined : ownEntry(byId(layout.arrangements).get(arrangement)!.overrides, id)?.hit;
  return own ?? byId(layout.controls).get(id)!.hit;
}

/** The change of each length of a slot, in its own unit. */
export type LengthChanges = ReadonlyMap<LengthField, number>;

/** A length plus a change, rounded to some decimals. */
function more(text: string, change: number | undefined, decimals: number): string {
  if (!change) return text;
  const { amount, unit } = lengthOf(text);
  return formatLength(Number((amount + change).toFixed(decimals)), unit);
}

/** A placement with its lengths changed. */
function changedPlacement(placement: Placement, changes: LengthChanges, decimals: number): Placement {
  const by = (text: string, field: LengthField) => more(text, changes.get(field), decimals);
  if (placement.kind === "span") {
    const { left, top, right, bottom } = placement.inset;
    return { ...placement, inset: { left: by(left, "left"), top: by(top, "top"), right: by(right, "right"), bottom: by(bottom, "bottom") } };
  }
  const [w, h] = placement.size;
  return {
    ...placement,
    offset: [by(placement.offset[0], "dx"), by(placement.offset[1], "dy")],
    size: [by(w, "w"), by(h, "h")],
  } satisfies Pin;
}

function changedHit(hit: Hit, changes: LengthChanges, decimals: number): Hit {
  const by = (text: string, field: LengthField) => more(text, changes.get(field), decimals);
  return {
    ...hit,
    ...(hit.size ? { size: [by(hit.size[0], "w"), by(hit.size[1], "h")] as [string, string] } : {}),
    grow: by(hit.grow, "grow"),
    shift: [by(hit.shift[0], "dx"), by(hit.shift[1], "dy")],
    minMm: Math.max(0, Number((hit.minMm + (changes.get("minMm") ?? 0)).toFixed(decimals))),
  };
}

/** The layout with the lengths of one slot changed. Not checked. */
export function withSlot(layout: Layout, slot: Slot, changes: LengthChanges, decimals: number): Layout {
  const { kind, id, arrangement } = slot;
  switch (kind) {
    case "place":
    case "landing": {
      const placeable = placeableOf(layout, kind === "landing" ? landingKey(id) : id)!;
      return putPlacement(layout, arrangement, placeable, changedPlacement(placementOf(layout, slot)!, changes, decimals));
    }
    case "hit": {
      const hit = changedHit(hitOf(layout, slot), changes, decimals);
      if (arrangement !== null) return putOverride(layout, arrangement, id, (o) => ({ ...o, hit }));
      return withControl(layout, id, (c) => ({ ...c, hit }));
    }
    case "travel":
      return withControl(layout, id, (c) =>
        c.kind === "stick" ? { ...c, feel: { ...c.feel, travel: more(c.feel.travel, changes.get("travel"), decimals) } } : c,
      );
  }
}

function withControl(layout: Layout, id: string, change: (control: Control) => Control): Layout {
  return { ...layout, controls: layout.controls.map((c) => (c.id === id ? change(c) : c)) };
}
