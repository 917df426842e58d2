/** Arrangements that Settle makes: their own places for everything, so that they may change there and nowhere else. */
import { isEqual } from "../../engine/equal";
import { arrangementForScreens } from "../../checks/arrangementForScreens";
import { byId } from "../../derived/byId";
import { overrideIn, placementIn, putOverride } from "../../editing/placeables";
import { arrangementFor } from "../../engine/placement/arrangement";
import { refused, type Result } from "../../engine/result";
import type { Arrangement, Layout, Override, Screen } from "../../format/types";

/** What an arrangement is made for. `shelf`: every screen there is, for telling on which others it holds. */
export interface ForScreens {
  readonly screens: readonly Screen[];
  readonly shelf: readonly Screen[];
  readonly name: string;
}

/** Adds an arrangement for some screens in which all has, as its own, the place that it has on them already. Refused where several arrangements hold on them: what is to be its own is then told twice. */
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

const isSame = (a: unknown, b: unknown) => isEqual(a, b);

/** An arrangement without what it says just as the base does; what it hides stays hidden. */
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
        ...(placement && !isSame(placement, base) ? { placement } : {}),
        ...(hit && !isSame(hit, control?.hit) ? { hit } : {}),
        ...(landing && !isSame(landing, control?.kind === "stick" ? control.feel.landing : undefined) ? { landing } : {}),
      };
      if (own.hidden || own.placement || own.hit || own.landing) overrides[key] = own;
    }
    return { ...arrangement, overrides };
  };
  return { ...layout, arrangements: layout.arrangements.map((one) => (one.id === id ? spared(one) : one)) };
}

/**
 * What changed from a layout to its settled version, put into an arrangement for some screens: there all is as settled, and elsewhere as
 * before. What an arrangement cannot its own have (travel, drawing order, words of wires) changes for all screens.
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
