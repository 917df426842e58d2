/** Arrangements that Settle makes: with own placements for everything, so that changes apply only there. */
import { isEqual } from "../../engine/equal";
import { arrangementForScreens } from "../../checks/arrangementForScreens";
import { byId } from "../../derived/byId";
import { overrideIn, placementIn, putOverride } from "../../editing/placeables";
import { arrangementFor } from "../../engine/placement/arrangement";
import { refused, type Result } from "../../engine/result";
import type { Arrangement, Layout, Override, Screen } from "../../format/types";

/** What an arrangement is made for. `shelf`: all screens, to count on which others it applies. */
export interface ForScreens {
  readonly screens: readonly Screen[];
  readonly shelf: readonly Screen[];
  readonly name: string;
}

/** Adds an arrangement for some screens in which everything has its present placement as its own. Refused if several arrangements apply to these screens. */
export function withOwnPlaces(layout: Layout, wanted: ForScreens): Result<{ readonly layout: Layout; readonly id: string; readonly others: number }> {
  const holding = [...new Set(wanted.screens.map((screen) => layout.arrangements[arrangementFor(layout.arrangements, screen)]?.id ?? null))];
  if (holding.length !== 1) return refused("arrangements", "these screens already have several arrangements; change each of them");
  const [from] = holding;
  const made = arrangementForScreens(layout, wanted);
  if (!made.ok) return made;
  const { id, others } = made.value;
  let next = made.value.layout;
  const own = (key: string, more: (known: Override | undefined) => Partial<Override>) => {
    const known = overrideIn(layout, from, key);
    next = putOverride(next, id, key, () => ({ hidden: known?.hidden ?? false, placement: placementIn(layout, from, key)!, ...more(known) }));
  };
  for (const cluster of layout.clusters) own(cluster.id, () => ({}));
  for (const control of layout.controls)
    own(control.id, (known) => {
      const landing = known?.landing ?? (control.kind === "stick" ? control.feel.landing : undefined);
      return { hit: known?.hit ?? control.hit, ...(landing ? { landing } : {}) };
    });
  return { ok: true, value: { layout: next, id, others } };
}

/** The layout with an arrangement without overrides that equal the base; what it hides stays hidden. */
export function withoutSame(layout: Layout, id: string): Layout {
  const controls = byId(layout.controls);
  const clusters = byId(layout.clusters);
  const spared = (arrangement: Arrangement): Arrangement => {
    const overrides: Record<string, Override> = {};
    for (const [key, override] of Object.entries(arrangement.overrides)) {
      const control = controls.get(key);
      const { placement, hit, landing, ...rest } = override;
      const base = control?.placement ?? clusters.get(key)?.placement;
      const own: Override = {
        ...rest,
        ...(placement && !isEqual(placement, base) ? { placement } : {}),
        ...(hit && !isEqual(hit, control?.hit) ? { hit } : {}),
        ...(landing && !isEqual(landing, control?.kind === "stick" ? control.feel.landing : undefined) ? { landing } : {}),
      };
      if (own.hidden || own.placement || own.hit || own.landing) overrides[key] = own;
    }
    return { ...arrangement, overrides };
  };
  return { ...layout, arrangements: layout.arrangements.map((one) => (one.id === id ? spared(one) : one)) };
}

/**
 * Applies the changes of a settled version only on some screens, in an arrangement; other screens are as
 * before. What an arrangement cannot override (travel, drawing order, action names) changes on all screens.
 */
export function takenIntoArrangement(before: Layout, settled: Layout, wanted: ForScreens): Result<{ readonly layout: Layout; readonly others: number }> {
  const made = withOwnPlaces(settled, wanted);
  if (!made.ok) return made;
  const { id, others } = made.value;
  const old = byId(before.controls);
  const oldClusters = byId(before.clusters);
  const oldArrangements = byId(before.arrangements);
  const layout: Layout = {
    ...made.value.layout,
    controls: made.value.layout.controls.map((control) => {
      const was = old.get(control.id)!;
      const back = { ...control, placement: was.placement, hit: was.hit } as typeof control;
      return back.kind === "stick" && was.kind === "stick" ? { ...back, feel: { ...back.feel, landing: was.feel.landing } } : back;
    }),
    clusters: made.value.layout.clusters.map((cluster) => ({ ...cluster, placement: oldClusters.get(cluster.id)!.placement })),
    arrangements: made.value.layout.arrangements.map((one) => oldArrangements.get(one.id) ?? one),
  };
  return { ok: true, value: { layout: withoutSame(layout, id), others } };
}
