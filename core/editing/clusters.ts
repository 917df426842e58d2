/**
 * Clusters: controls that stand together and are moved, sized and mirrored as one. A cluster is a pin; what is in it is
 * pinned to it. Gathering and dissolving rewrite placements for another frame in the base and under every arrangement, so
 * that nothing jumps anywhere.
 */
import { ownEntry } from "../engine/playerChanges";
import { centreOf, type Box, type Point } from "../engine/geometry/point";
import { byId } from "../derived/byId";
import { freeId, freeName } from "./edits/controls";
import { checked } from "./edits/checked";
import { formatLength, lengthOf } from "../engine/placement/length";
import type { Cluster, Control, Layout, Pin, Placement } from "../format/types";
import { ok, refused, type Result } from "../engine/result";
import { boundsOf } from "./align";
import { formed, type ClusterForm } from "./clusterForms";
import { pinFor, placeAll, rewritten, editContextOf, type EditContext } from "./placing";
import { orderedByMeaning } from "./wordMeaning";
import { framesOf, pxPerMm } from "../engine/placement/screen";
import { nearestThumb } from "./thumbs";
import { clusterOf, inCluster, overrideIn, placementIn, putOverride, putPlacement, placeableBox } from "./placeables";
import { FILED_SLACK } from "../engine/geometry/tolerances";

/** An edit context of the same screen as if it used another arrangement; null: the base. */
function underArrangement(context: EditContext, arrangement: string | null): EditContext {
  const one = context.layout.arrangements.filter((a) => a.id === arrangement).map((a) => ({ ...a, when: {} }));
  return editContextOf({ ...context.layout, arrangements: one }, context.screen, { ...context.playerView, moment: null });
}

const variantsOf = (layout: Layout): (string | null)[] => [null, ...layout.arrangements.map((a) => a.id)];

/** Whether a variant has its own placement for an id: the base always, an arrangement where it overrides it. */
const hasOwn = (layout: Layout, arrangement: string | null, id: string) =>
  arrangement === null || ownEntry(byId(layout.arrangements).get(arrangement)?.overrides ?? {}, id)?.placement !== undefined;

/** Gathers controls into a new cluster where they are; none of them moves. Gives the layout and the cluster's id. */
export function gather(context: EditContext, ids: readonly string[], name: string): Result<{ layout: Layout; id: string }> {
  const boxes = ids.flatMap((id) => placeableBox(context.resolved, { kind: "control", id }) ?? []);
  const bounds = boundsOf(boxes);
  if (!bounds || boxes.length !== ids.length) return refused("clusters", "a cluster needs controls that are visible on this screen");
  if (ids.some((id) => placementIn(context.layout, null, id)?.kind === "span"))
    return refused("clusters", "a span cannot be in a cluster; make it a pin first");
  const placement = pinFor(context, "cluster", "safe", bounds);
  if (!placement) return refused("clusters", "there is no room");
  const cluster: Cluster = { id: freeId(context.layout, name), name: freeName(context.layout, name), placement: placement as Cluster["placement"] };
  let layout: Layout = { ...context.layout, clusters: [...context.layout.clusters, cluster] };
  for (const arrangement of variantsOf(layout)) {
    const before = underArrangement(context, arrangement);
    const there = underArrangement({ ...context, layout }, arrangement);
    for (const id of ids) {
      const pin = placementIn(context.layout, arrangement, id);
      const home = clusterOf(pin);
      // An arrangement that moves or hides the cluster it comes from moves or hides the control.
      if (arrangement !== null && home !== null && overrideIn(context.layout, arrangement, home)?.hidden)
        layout = putOverride(layout, arrangement, id, (o) => ({ ...o, hidden: true }));
      if (!hasOwn(context.layout, arrangement, id) && (home === null || !hasOwn(context.layout, arrangement, home))) continue;
      const box = placeableBox(before.resolved, { kind: "control", id });
      const next = pin?.kind === "pin" && box ? rewritten(there, centred(pin), { cluster: cluster.id }, box) : null;
      if (next) layout = putPlacement(layout, arrangement, { kind: "control", id }, next);
    }
  }
  const result = checked(context.layout, layout);
  return result.ok ? ok({ layout: result.value, id: cluster.id }) : result;
}

/** In a cluster a control is tied centre to centre: offsets then read as places about the cluster's middle. */
const centred = (pin: Pin): Pin => ({ ...pin, anchor: [0.5, 0.5], pivot: [0.5, 0.5] });

/** Dissolves a cluster: what stood in it is in the cluster's own frame, where it stood. */
export function dissolve(context: EditContext, id: string): Result<Layout> {
  const cluster = byId(context.layout.clusters).get(id);
  if (!cluster) return refused("clusters", `there is no cluster "${id}"`);
  let layout = context.layout;
  for (const arrangement of variantsOf(layout)) {
    const before = underArrangement(context, arrangement);
    for (const control of context.layout.controls) {
      const placement = placementIn(context.layout, arrangement, control.id);
      if (clusterOf(placement) !== id) continue;
      // An arrangement that moves the cluster moves what is in it: that now has to be said of each.
      if (!hasOwn(context.layout, arrangement, control.id) && !hasOwn(context.layout, arrangement, id)) continue;
      const box = byId(before.resolved.controls).get(control.id)?.visual;
      const frame = (placementIn(context.layout, arrangement, id) as Pin).frame;
      const next = box ? pinFor(before, "control", frame, box) : { ...(placement as Pin), frame };
      if (next) layout = putPlacement(layout, arrangement, { kind: "control", id: control.id }, next);
    }
  }
  return checked(context.layout, {
    ...layout,
    clusters: layout.clusters.filter((c) => c.id !== id),
    arrangements: layout.arrangements.map((a) => {
      const { [id]: own, ...overrides } = a.overrides;
      if (!own) return a;
      // Where the cluster was hidden, so is what stood in it.
      if (own.hidden) for (const child of inCluster(context.layout, id, a.id)) overrides[child] = { ...(ownEntry(overrides, child) ?? {}), hidden: true };
      return { ...a, overrides };
    }),
  });
}

/** Takes a control out of its cluster into the safe frame (null), or puts it into one; nothing jumps. */
export function moveInto(context: EditContext, id: string, cluster: string | null): Result<Layout> {
  const { arrangement } = context.resolved;
  const pin = placementIn(context.layout, arrangement, id);
  const box = placeableBox(context.resolved, { kind: "control", id });
  if (!pin || !box) return refused(id, "it is not visible on this screen");
  if (pin.kind === "span") return refused(id, "a span cannot be in a cluster; make it a pin first");
  const next = cluster === null ? pinFor(context, "control", "safe", box) : rewritten(context, centred(pin), { cluster }, box);
  if (!next) return refused(id, "the cluster is hidden on this screen");
  const home = clusterOf(pin);
  let moved = checked(context.layout, putPlacement(context.layout, arrangement, { kind: "control", id }, next));
  // The boxes of the clusters it left and came to are drawn about what is in them now.
  for (const changed of [home, cluster]) if (moved.ok && changed !== null) moved = refitCluster({ ...context, layout: moved.value }, changed);
  return moved;
}

/** Sets what is in a cluster into a form, about the cluster's middle; sizes stay. The cluster's box becomes what it holds. */
export function setForm(context: EditContext, id: string, form: ClusterForm): Result<Layout> {
  const inside = inCluster(context.layout, id, context.resolved.arrangement).flatMap((c) => byId(context.resolved.controls).get(c) ?? []);
  const known = byId(context.layout.controls);
  const said = (c: { readonly id: string }) => known.get(c.id)!.serves[0]?.action ?? known.get(c.id)!.name;
  const children = form === "ring" || form === "arc" ? orderedByMeaning(inside, said, form) : inside;
  const box = context.resolved.clusters[id];
  if (!box || children.length === 0) return refused("clusters", "the cluster is empty or hidden on this screen");
  const middle = centreOf(box);
  const gap = Math.max(2, context.layout.limits.minGapMm + 1) * pxPerMm(context.screen);
  const points = formed(
    form,
    children.map((c) => c.visual),
    gap,
    { middle, thumb: nearestThumb(context.layout, context.screen, middle) },
  );
  const boxes = children.map((c, i): readonly [string, Box] => [
    c.id,
    { ...c.visual, x: middle.x + points[i].x - c.visual.w / 2, y: middle.y + points[i].y - c.visual.h / 2 },
  ]);
  const set = placeAll(context, boxes, false);
  return set.ok ? refitCluster({ ...context, layout: set.value }, id, true) : set;
}

/** The cluster's box drawn about what it holds; what it holds stays where it is. `inside`: and then brought back into the safe frame, all of it. */
export function refitCluster(context: EditContext, id: string, inside = false): Result<Layout> {
  const now = editContextOf(context.layout, context.screen, { ...context.playerView, moment: null });
  const ids = inCluster(now.layout, id, now.resolved.arrangement);
  const children = ids.flatMap((c) => byId(now.resolved.controls).get(c) ?? []);
  const bounds = boundsOf(children.map((c) => c.visual));
  if (!bounds) return ok(context.layout);
  const boxed = placeAll(now, [[id, bounds]], true);
  if (!boxed.ok) return boxed;
  const then = editContextOf(boxed.value, context.screen, now.playerView);
  const { safe } = framesOf(context.screen, context.layout.picture);
  const into = (at: number, side: number, low: number, room: number) => Math.min(Math.max(at, low), Math.max(low, low + room - side)) - at;
  const dx = inside ? into(bounds.x, bounds.w, safe.x, safe.w) : 0;
  const dy = inside ? into(bounds.y, bounds.h, safe.y, safe.h) : 0;
  const kept = placeAll(
    then,
    children.map((c) => [c.id, c.visual] as const),
    false,
  );
  if (!kept.ok || (dx === 0 && dy === 0)) return kept;
  return placeAll(editContextOf(kept.value, context.screen, now.playerView), [[id, { ...bounds, x: bounds.x + dx, y: bounds.y + dy }]], false);
}

/** Scales a cluster with all in it so that its box is `box`: places and sizes alike, by the mean of the two sides' growth so that nothing is squeezed. */
export function scaleCluster(context: EditContext, id: string, box: Box): Result<Layout> {
  const now = context.resolved.clusters[id];
  if (!now || !(now.w > 0 && now.h > 0 && box.w > 0 && box.h > 0)) return refused("clusters", "the cluster has no extent on this screen");
  const growth = Math.sqrt((box.w * box.h) / (now.w * now.h));
  const w = now.w * growth;
  const h = now.h * growth;
  // What was held by the drag stays: the side opposite to the one that moved.
  const x = Math.abs(box.x - now.x) < FILED_SLACK ? now.x : now.x + now.w - w;
  const y = Math.abs(box.y - now.y) < FILED_SLACK ? now.y : now.y + now.h - h;
  let layout = putPlacement(context.layout, context.resolved.arrangement, { kind: "cluster", id }, scaledPin(context, id, { x, y, w, h }));
  for (const child of inCluster(context.layout, id, context.resolved.arrangement)) {
    const pin = placementIn(context.layout, context.resolved.arrangement, child);
    if (pin?.kind === "pin") layout = putPlacement(layout, context.resolved.arrangement, { kind: "control", id: child }, grownPin(pin, growth));
  }
  return checked(context.layout, layout);
}

function scaledPin(context: EditContext, id: string, box: Box): Placement {
  const placed = placeAll(context, [[id, box]], true);
  return (placed.ok && placementIn(placed.value, context.resolved.arrangement, id)) || placementIn(context.layout, context.resolved.arrangement, id)!;
}

/** Percent lengths grow with the frame; the others are reported to. */
function grownPin(pin: Pin, growth: number): Pin {
  const grown = (text: string) => {
    const { amount, unit } = lengthOf(text);
    return unit.startsWith("%") ? text : formatLength(amount * growth, unit);
  };
  return { ...pin, offset: [grown(pin.offset[0]), grown(pin.offset[1])], size: [grown(pin.size[0]), grown(pin.size[1])] };
}

/** One size for everything in a cluster, px on the screen in view; their middles stay. */
export function oneSize(context: EditContext, id: string, sidePx: number): Result<Layout> {
  if (!(sidePx > 0)) return refused("clusters", "a size must be more than 0");
  const boxes = inCluster(context.layout, id, context.resolved.arrangement).flatMap((child): (readonly [string, Box])[] => {
    const at = byId(context.resolved.controls).get(child);
    if (!at) return [];
    const { x, y } = centreOf(at.visual);
    return [[child, { x: x - sidePx / 2, y: y - sidePx / 2, w: sidePx, h: sidePx }]];
  });
  const sized = placeAll(context, boxes, true);
  return sized.ok ? refitCluster({ ...context, layout: sized.value }, id) : sized;
}

/** The size of everything in a cluster as a length, or null where sizes differ or nothing is in it. */
export function commonSize(context: EditContext, id: string): string | null {
  const children = inCluster(context.layout, id, context.resolved.arrangement);
  const texts = new Set(
    children.flatMap((child) => {
      const pin = placementIn(context.layout, context.resolved.arrangement, child);
      return pin?.kind === "pin" ? pin.size : [];
    }),
  );
  return texts.size === 1 ? [...texts][0] : null;
}

/** Adds ready-made controls as a new cluster in a form, its middle at a point of the screen in view. Gives the layout and the cluster's id. */
export function addCluster(
  context: EditContext,
  controls: readonly Control[],
  name: string,
  { form, at }: { readonly form: ClusterForm; readonly at: Point },
): Result<{ layout: Layout; id: string }> {
  const grown = checked(context.layout, { ...context.layout, controls: [...context.layout.controls, ...controls] });
  if (!grown.ok) return grown;
  const whole = { ...context.playerView, moment: null };
  let now = editContextOf(grown.value, context.screen, whole);
  const ids = controls.map((c) => c.id);
  const middled = placeAll(
    now,
    ids.map((id) => {
      const { visual } = byId(now.resolved.controls).get(id)!;
      return [id, { ...visual, x: at.x - visual.w / 2, y: at.y - visual.h / 2 }] as const;
    }),
    false,
  );
  if (!middled.ok) return middled;
  now = editContextOf(middled.value, context.screen, whole);
  const gathered = gather(now, ids, name);
  if (!gathered.ok) return gathered;
  const set = setForm(editContextOf(gathered.value.layout, context.screen, whole), gathered.value.id, form);
  return set.ok ? ok({ layout: set.value, id: gathered.value.id }) : set;
}
