/**
 * Clusters: controls that stand together and are moved, sized and mirrored as one. A cluster is a pin; what stands in it is
 * pinned to it. Gathering and dissolving rewrite placements for another frame in the base and under every arrangement, so
 * that nothing jumps anywhere.
 */
import { centreOf, type Box, type Point } from "../engine/geometry/point";
import { freeId, freeName } from "./edits/controls";
import { checked } from "./edits/check";
import { formatLength, lengthOf } from "../engine/placement/length";
import type { Cluster, Control, Layout, Pin, Placement } from "../format/types";
import { ok, refused, type Result } from "../engine/result";
import { boundsOf } from "./align";
import { formed, type ClusterForm } from "./clusterForms";
import { pinFor, placeAll, rewritten, sightOf, type Sight } from "./placing";
import { framesOf, pxPerMm } from "../engine/placement/screen";
import { nearestThumb } from "./thumbs";
import { clusterOf, inCluster, overrideIn, placementIn, putOverride, putPlacement, spotBox } from "./spots";
import { FILED_SLACK } from "../engine/geometry/tolerances";

/** A sight of the same screen as if it used another arrangement; null: the base. */
function underArrangement(sight: Sight, arrangement: string | null): Sight {
  const one = sight.layout.arrangements.filter((a) => a.id === arrangement).map((a) => ({ ...a, when: {} }));
  return sightOf({ ...sight.layout, arrangements: one }, sight.screen, { ...sight.view, moment: null });
}

const variantsOf = (layout: Layout): (string | null)[] => [null, ...layout.arrangements.map((a) => a.id)];

/** Whether a variant has a placement of its own for an id: the base always, an arrangement where it overrides it. */
const hasOwn = (layout: Layout, arrangement: string | null, id: string) =>
  arrangement === null || layout.arrangements.find((a) => a.id === arrangement)?.overrides[id]?.placement !== undefined;

/** Gathers controls into a new cluster where they stand; none of them moves. Gives the layout and the cluster's id. */
export function gather(sight: Sight, ids: readonly string[], name: string): Result<{ layout: Layout; id: string }> {
  const boxes = ids.flatMap((id) => spotBox(sight.resolved, { kind: "control", id }) ?? []);
  const bounds = boundsOf(boxes);
  if (!bounds || boxes.length !== ids.length) return refused("clusters", "a cluster is made of controls shown on this screen");
  if (ids.some((id) => placementIn(sight.layout, null, id)?.kind === "span"))
    return refused("clusters", "a span cannot stand in a cluster; make it a pin first");
  const placement = pinFor(sight, "cluster", "safe", bounds);
  if (!placement) return refused("clusters", "there is no room");
  const cluster: Cluster = { id: freeId(sight.layout, name), name: freeName(sight.layout, name), placement: placement as Cluster["placement"] };
  let layout: Layout = { ...sight.layout, clusters: [...sight.layout.clusters, cluster] };
  for (const arrangement of variantsOf(layout)) {
    const before = underArrangement(sight, arrangement);
    const there = underArrangement({ ...sight, layout }, arrangement);
    for (const id of ids) {
      const pin = placementIn(sight.layout, arrangement, id);
      const home = clusterOf(pin);
      // An arrangement that moves or hides the cluster it comes from moves or hides the control.
      if (arrangement !== null && home !== null && overrideIn(sight.layout, arrangement, home)?.hidden)
        layout = putOverride(layout, arrangement, id, (o) => ({ ...o, hidden: true }));
      if (!hasOwn(sight.layout, arrangement, id) && (home === null || !hasOwn(sight.layout, arrangement, home))) continue;
      const box = spotBox(before.resolved, { kind: "control", id });
      const next = pin?.kind === "pin" && box ? rewritten(there, centred(pin), { cluster: cluster.id }, box) : null;
      if (next) layout = putPlacement(layout, arrangement, { kind: "control", id }, next);
    }
  }
  const result = checked(sight.layout, layout);
  return result.ok ? ok({ layout: result.value, id: cluster.id }) : result;
}

/** In a cluster a control is tied centre to centre: offsets then read as places about the cluster's middle. */
const centred = (pin: Pin): Pin => ({ ...pin, anchor: [0.5, 0.5], pivot: [0.5, 0.5] });

/** Dissolves a cluster: what stood in it stands in the cluster's own frame, where it stood. */
export function dissolve(sight: Sight, id: string): Result<Layout> {
  const cluster = sight.layout.clusters.find((c) => c.id === id);
  if (!cluster) return refused("clusters", `there is no cluster "${id}"`);
  let layout = sight.layout;
  for (const arrangement of variantsOf(layout)) {
    const before = underArrangement(sight, arrangement);
    for (const control of sight.layout.controls) {
      const placement = placementIn(sight.layout, arrangement, control.id);
      if (clusterOf(placement) !== id) continue;
      // An arrangement that moves the cluster moves what stands in it: that now has to be said of each.
      if (!hasOwn(sight.layout, arrangement, control.id) && !hasOwn(sight.layout, arrangement, id)) continue;
      const box = before.resolved.controls.find((c) => c.id === control.id)?.visual;
      const frame = (placementIn(sight.layout, arrangement, id) as Pin).frame;
      const next = box ? pinFor(before, "control", frame, box) : { ...(placement as Pin), frame };
      if (next) layout = putPlacement(layout, arrangement, { kind: "control", id: control.id }, next);
    }
  }
  return checked(sight.layout, {
    ...layout,
    clusters: layout.clusters.filter((c) => c.id !== id),
    arrangements: layout.arrangements.map((a) => {
      const { [id]: own, ...overrides } = a.overrides;
      if (!own) return a;
      // Where the cluster was hidden, so is what stood in it.
      if (own.hidden) for (const child of inCluster(sight.layout, id, a.id)) overrides[child] = { ...(overrides[child] ?? {}), hidden: true };
      return { ...a, overrides };
    }),
  });
}

/** Takes a control out of its cluster into the safe frame (null), or puts it into one; nothing jumps. */
export function moveInto(sight: Sight, id: string, cluster: string | null): Result<Layout> {
  const { arrangement } = sight.resolved;
  const pin = placementIn(sight.layout, arrangement, id);
  const box = spotBox(sight.resolved, { kind: "control", id });
  if (!pin || !box) return refused(id, "it is not shown on this screen");
  if (pin.kind === "span") return refused(id, "a span cannot stand in a cluster; make it a pin first");
  const next = cluster === null ? pinFor(sight, "control", "safe", box) : rewritten(sight, centred(pin), { cluster }, box);
  if (!next) return refused(id, "the cluster is hidden on this screen");
  const home = clusterOf(pin);
  let moved = checked(sight.layout, putPlacement(sight.layout, arrangement, { kind: "control", id }, next));
  // The boxes of the clusters it left and came to are drawn about what is in them now.
  for (const changed of [home, cluster]) if (moved.ok && changed !== null) moved = fitted({ ...sight, layout: moved.value }, changed);
  return moved;
}

/** Sets what stands in a cluster into a form, about the cluster's middle; sizes stay. The cluster's box becomes what it holds. */
export function setForm(sight: Sight, id: string, form: ClusterForm): Result<Layout> {
  const children = inCluster(sight.layout, id, sight.resolved.arrangement).flatMap((c) => sight.resolved.controls.find((r) => r.id === c) ?? []);
  const box = sight.resolved.clusters[id];
  if (!box || children.length === 0) return refused("clusters", "the cluster is empty or hidden on this screen");
  const middle = centreOf(box);
  const gap = Math.max(2, sight.layout.limits.minGapMm + 1) * pxPerMm(sight.screen);
  const points = formed(
    form,
    children.map((c) => c.visual),
    gap,
    { middle, thumb: nearestThumb(sight.layout, sight.screen, middle) },
  );
  const boxes = children.map((c, i): readonly [string, Box] => [
    c.id,
    { ...c.visual, x: middle.x + points[i].x - c.visual.w / 2, y: middle.y + points[i].y - c.visual.h / 2 },
  ]);
  const set = placeAll(sight, boxes, false);
  return set.ok ? fitted({ ...sight, layout: set.value }, id, true) : set;
}

/** The cluster's box drawn about what it holds; what it holds stays where it is. `inside`: and then brought back into the safe frame, all of it. */
export function fitted(sight: Sight, id: string, inside = false): Result<Layout> {
  const now = sightOf(sight.layout, sight.screen, { ...sight.view, moment: null });
  const ids = inCluster(now.layout, id, now.resolved.arrangement);
  const children = ids.flatMap((c) => now.resolved.controls.find((r) => r.id === c) ?? []);
  const bounds = boundsOf(children.map((c) => c.visual));
  if (!bounds) return ok(sight.layout);
  const boxed = placeAll(now, [[id, bounds]], true);
  if (!boxed.ok) return boxed;
  const then = sightOf(boxed.value, sight.screen, now.view);
  const { safe } = framesOf(sight.screen, sight.layout.picture);
  const into = (at: number, side: number, low: number, room: number) => Math.min(Math.max(at, low), Math.max(low, low + room - side)) - at;
  const dx = inside ? into(bounds.x, bounds.w, safe.x, safe.w) : 0;
  const dy = inside ? into(bounds.y, bounds.h, safe.y, safe.h) : 0;
  const kept = placeAll(
    then,
    children.map((c) => [c.id, c.visual] as const),
    false,
  );
  if (!kept.ok || (dx === 0 && dy === 0)) return kept;
  return placeAll(sightOf(kept.value, sight.screen, now.view), [[id, { ...bounds, x: bounds.x + dx, y: bounds.y + dy }]], false);
}

/** Scales a cluster with all in it so that its box is `box`: places and sizes alike, by the mean of the two sides' growth so that nothing is squeezed. */
export function scaleCluster(sight: Sight, id: string, box: Box): Result<Layout> {
  const now = sight.resolved.clusters[id];
  if (!now || !(now.w > 0 && now.h > 0 && box.w > 0 && box.h > 0)) return refused("clusters", "the cluster has no extent on this screen");
  const growth = Math.sqrt((box.w * box.h) / (now.w * now.h));
  const w = now.w * growth;
  const h = now.h * growth;
  // What was held by the drag stays: the side opposite to the one that moved.
  const x = Math.abs(box.x - now.x) < FILED_SLACK ? now.x : now.x + now.w - w;
  const y = Math.abs(box.y - now.y) < FILED_SLACK ? now.y : now.y + now.h - h;
  let layout = putPlacement(sight.layout, sight.resolved.arrangement, { kind: "cluster", id }, scaledPin(sight, id, { x, y, w, h }));
  for (const child of inCluster(sight.layout, id, sight.resolved.arrangement)) {
    const pin = placementIn(sight.layout, sight.resolved.arrangement, child);
    if (pin?.kind === "pin") layout = putPlacement(layout, sight.resolved.arrangement, { kind: "control", id: child }, grownPin(pin, growth));
  }
  return checked(sight.layout, layout);
}

function scaledPin(sight: Sight, id: string, box: Box): Placement {
  const placed = placeAll(sight, [[id, box]], true);
  return (placed.ok && placementIn(placed.value, sight.resolved.arrangement, id)) || placementIn(sight.layout, sight.resolved.arrangement, id)!;
}

/** Percent lengths grow with the frame; the others are told to. */
function grownPin(pin: Pin, growth: number): Pin {
  const grown = (text: string) => {
    const { amount, unit } = lengthOf(text);
    return unit.startsWith("%") ? text : formatLength(amount * growth, unit);
  };
  return { ...pin, offset: [grown(pin.offset[0]), grown(pin.offset[1])], size: [grown(pin.size[0]), grown(pin.size[1])] };
}

/** One size for everything in a cluster, px on the screen in view; their middles stay. */
export function oneSize(sight: Sight, id: string, sidePx: number): Result<Layout> {
  if (!(sidePx > 0)) return refused("clusters", "a size must be more than 0");
  const boxes = inCluster(sight.layout, id, sight.resolved.arrangement).flatMap((child): (readonly [string, Box])[] => {
    const at = sight.resolved.controls.find((c) => c.id === child);
    if (!at) return [];
    const { x, y } = centreOf(at.visual);
    return [[child, { x: x - sidePx / 2, y: y - sidePx / 2, w: sidePx, h: sidePx }]];
  });
  const sized = placeAll(sight, boxes, true);
  return sized.ok ? fitted({ ...sight, layout: sized.value }, id) : sized;
}

/** The size of everything in a cluster as a length, or null where sizes differ or nothing stands in it. */
export function commonSize(sight: Sight, id: string): string | null {
  const children = inCluster(sight.layout, id, sight.resolved.arrangement);
  const texts = new Set(
    children.flatMap((child) => {
      const pin = placementIn(sight.layout, sight.resolved.arrangement, child);
      return pin?.kind === "pin" ? pin.size : [];
    }),
  );
  return texts.size === 1 ? [...texts][0] : null;
}

/** Adds ready-made controls as a new cluster in a form, its middle at a point of the screen in view. Gives the layout and the cluster's id. */
export function addCluster(
  sight: Sight,
  controls: readonly Control[],
  name: string,
  { form, at }: { readonly form: ClusterForm; readonly at: Point },
): Result<{ layout: Layout; id: string }> {
  const grown = checked(sight.layout, { ...sight.layout, controls: [...sight.layout.controls, ...controls] });
  if (!grown.ok) return grown;
  const whole = { ...sight.view, moment: null };
  let now = sightOf(grown.value, sight.screen, whole);
  const ids = controls.map((c) => c.id);
  const middled = placeAll(
    now,
    ids.map((id) => {
      const { visual } = now.resolved.controls.find((c) => c.id === id)!;
      return [id, { ...visual, x: at.x - visual.w / 2, y: at.y - visual.h / 2 }] as const;
    }),
    false,
  );
  if (!middled.ok) return middled;
  now = sightOf(middled.value, sight.screen, whole);
  const gathered = gather(now, ids, name);
  if (!gathered.ok) return gathered;
  const set = setForm(sightOf(gathered.value.layout, sight.screen, whole), gathered.value.id, form);
  return set.ok ? ok({ layout: set.value, id: gathered.value.id }) : set;
}
