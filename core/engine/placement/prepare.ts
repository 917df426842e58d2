/**
 * A layout made ready for placing on many screens: for each arrangement, every placement with its lengths read
 * and every override applied, once. Resolving a screen is then bare arithmetic.
 */
import { ownEntry } from "../playerChanges";
import { readyLength, type ReadyLength } from "./ruler";
import type { Arrangement, Clamp, Control, Hit, Override, PlacedLayout, PlainPlacement, Placement } from "../types";

/** A pin with its lengths read; `frame` null where it is in the `cluster`. Anchor a, pivot p: fractions 0…1; offset d. */
export type ReadyPin = {
  readonly kind: "pin";
  readonly frame: "screen" | "safe" | "picture" | null;
  /** The cluster's id where the pin is in one. */
  readonly cluster: string | null;
  readonly ax: number;
  readonly ay: number;
  readonly px: number;
  readonly py: number;
  readonly dx: ReadyLength;
  readonly dy: ReadyLength;
  readonly w: ReadyLength;
  readonly h: ReadyLength;
  readonly clamp: Clamp | null;
};
/** A span with its lengths read: from f to t, fractions 0…1 of its frame, less the insets. */
export type ReadySpan = {
  readonly kind: "span";
  readonly frame: "screen" | "safe" | "picture";
  readonly fx: number;
  readonly fy: number;
  readonly tx: number;
  readonly ty: number;
  readonly left: ReadyLength;
  readonly top: ReadyLength;
  readonly right: ReadyLength;
  readonly bottom: ReadyLength;
};
/** A placement with its lengths read. */
export type ReadyPlacement = ReadyPin | ReadySpan;

/** A hit area with its lengths read; `size` null for the visual box. */
export interface ReadyHit {
  readonly shape: Hit["shape"];
  readonly size: readonly [ReadyLength, ReadyLength] | null;
  readonly grow: ReadyLength;
  readonly shiftX: ReadyLength;
  readonly shiftY: ReadyLength;
  readonly minMm: number;
  readonly sharing: Hit["sharing"];
  /** The visual box itself: nothing is added, shifted or raised. */
  readonly plain: boolean;
}

/** A control under one arrangement; `travel` of sticks alone, `landing` where it has one. */
export interface ReadyControl {
  readonly control: Control;
  readonly placement: ReadyPlacement;
  readonly hit: ReadyHit;
  readonly travel: ReadyLength | null;
  readonly landing: ReadyPlacement | null;
}

/** The layout under one arrangement, hidden things omitted. */
export interface Variant {
  readonly arrangement: string | null;
  readonly clusters: readonly { readonly id: string; readonly placement: ReadyPin }[];
  readonly controls: readonly ReadyControl[];
  readonly zones: readonly { readonly id: string; readonly moments: readonly string[]; readonly placement: ReadyPlacement }[];
}

/** A layout ready for `resolve` on any screen. */
export interface PreparedLayout<L extends PlacedLayout = PlacedLayout> {
  readonly layout: L;
  /** Index 0 is the base, index i + 1 the arrangement i. May be computed when asked for. */
  readonly variants: Readonly<Record<number, Variant>>;
}

/** How the parts of a layout are made ready. Whoever prepares a layout again and again hands in what keeps them. */
export interface PartsReader {
  control(control: Control, override: Override | undefined): ReadyControl;
  placement(placement: Placement | PlainPlacement): ReadyPlacement;
}
/** Reads every part again. */
const READ_ANEW: PartsReader = { control: (control, override) => readyControl(control, override, readyPlacement), placement: readyPlacement };

/** Reads every length of a layout and applies its arrangements. */
export function prepareLayout<L extends PlacedLayout>(layout: L): PreparedLayout<L> {
  return { layout, variants: [prepareVariant(layout, null), ...layout.arrangements.map((a) => prepareVariant(layout, a))] };
}

/** A layout under one arrangement (null: the base), its lengths read. */
export function prepareVariant(layout: PlacedLayout, arrangement: Arrangement | null, parts: PartsReader = READ_ANEW): Variant {
  const overrides = arrangement?.overrides ?? {};
  const of = (id: string) => ownEntry(overrides, id);
  const hiddenClusters = new Set(layout.clusters.filter((c) => of(c.id)?.hidden).map((c) => c.id));
  const controls: ReadyControl[] = [];
  for (const control of layout.controls) {
    const override = of(control.id);
    if (override?.hidden) continue;
    const ready = parts.control(control, override);
    const { placement } = ready;
    if (placement.kind === "pin" && placement.cluster !== null && hiddenClusters.has(placement.cluster)) continue;
    controls.push(ready);
  }
  return {
    arrangement: arrangement?.id ?? null,
    clusters: layout.clusters
      .filter((c) => !hiddenClusters.has(c.id))
      .map((c) => ({ id: c.id, placement: parts.placement(of(c.id)?.placement ?? c.placement) as ReadyPin })),
    controls,
    zones: layout.keepClear
      .filter((z) => !of(z.id)?.hidden)
      .map((z) => ({ id: z.id, moments: z.moments, placement: parts.placement(of(z.id)?.placement ?? z.placement) })),
  };
}

/** A control under an override, its lengths read. `place` reads its placements. */
export function readyControl(control: Control, override: Override | undefined, place: (placement: Placement | PlainPlacement) => ReadyPlacement): ReadyControl {
  const landing = control.kind === "stick" ? (override?.landing ?? control.feel.landing) : undefined;
  return {
    control,
    placement: place(override?.placement ?? control.placement),
    hit: readyHit(override?.hit ?? control.hit),
    travel: control.kind === "stick" ? readyLength(control.feel.travel) : null,
    landing: landing && control.kind === "stick" && control.feel.origin !== "fixed" ? place(landing) : null,
  };
}

/** A placement with its lengths read. */
export function readyPlacement(placement: Placement | PlainPlacement): ReadyPlacement {
  if (placement.kind === "span") {
    const { from, to, inset } = placement;
    return {
      kind: "span",
      frame: placement.frame,
      fx: from[0],
      fy: from[1],
      tx: to[0],
      ty: to[1],
      left: readyLength(inset.left),
      top: readyLength(inset.top),
      right: readyLength(inset.right),
      bottom: readyLength(inset.bottom),
    };
  }
  const { frame, anchor, pivot, offset, size } = placement;
  return {
    kind: "pin",
    frame: typeof frame === "string" ? frame : null,
    cluster: typeof frame === "string" ? null : frame.cluster,
    ax: anchor[0],
    ay: anchor[1],
    px: pivot[0],
    py: pivot[1],
    dx: readyLength(offset[0]),
    dy: readyLength(offset[1]),
    w: readyLength(size[0]),
    h: readyLength(size[1]),
    clamp: placement.clamp ?? null,
  };
}

function readyHit(hit: Hit): ReadyHit {
  const none = (length: string) => readyLength(length).amount === 0;
  return {
    plain: !hit.size && hit.minMm === 0 && none(hit.grow) && none(hit.shift[0]) && none(hit.shift[1]),
    shape: hit.shape,
    size: hit.size ? [readyLength(hit.size[0]), readyLength(hit.size[1])] : null,
    grow: readyLength(hit.grow),
    shiftX: readyLength(hit.shift[0]),
    shiftY: readyLength(hit.shift[1]),
    minMm: hit.minMm,
    sharing: hit.sharing,
  };
}
