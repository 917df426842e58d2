/** Controls put where nobody pointed: at the place they would have, or the nearest one where nothing is found of them on any screen, for any player. */
import { byId } from "../derived/byId";
import { isUnderlay } from "../derived/underlay";
import { growControl, type NewControl } from "../editing/make";
import { anchorTo } from "../editing/anchors";
import { placeableBox, placeableOf, placementIn, withPlacement } from "../editing/placeables";
import { placesNear } from "../editing/placesNear";
import { formatLength, lengthOf } from "../engine/placement/length";
import { editContextOf, moveBy, type EditContext } from "../editing/placing";
import type { Point } from "../engine/geometry/point";
import { pxPerMm } from "../engine/placement/screen";
import { ok, type Result } from "../engine/result";
import type { Layout, Screen } from "../format/types";
import { findingsAbout, type FindingAbout } from "./findingsAbout";
import { SEVERITIES } from "./finding";
import type { PlayerCase } from "./grid";

/** The screens and players for which a place should be free of findings. */
export interface PlaceFor {
  readonly screens: readonly Screen[];
  readonly players: readonly PlayerCase[];
}

/** A layout with something new in it, and what is found of that nevertheless. */
export interface FreePlace {
  readonly layout: Layout;
  readonly found: readonly FindingAbout[];
}

/** So many places are tried, so far from each other, mm: each is judged on every screen for every player. */
const MOST_PLACES = 40;
const APART_MM = 3;

/** One grave finding weighs more than any number of lesser ones. */
const weightOf = (found: readonly FindingAbout[]) =>
  found.reduce((sum, { finding }) => sum + 1000 ** (SEVERITIES.length - SEVERITIES.indexOf(finding.severity)), 0);

/**
 * Moves copies together to the nearest place where nothing is found of them (`ids`: their controls); if there is none among those tried, to the
 * best of them.
 */
export function movedFree(
  context: EditContext,
  made: Layout,
  { keys, ids }: { readonly keys: readonly string[]; readonly ids: readonly string[] },
  place: PlaceFor,
): FreePlace {
  return bestPlace(context, made, ids, { place, versions: (now, by) => moved(now, keys, by) });
}

/** Places something new (a control, or a cluster; `ids`: its controls) where nothing is found of it: moved, and tied to a corner where that helps, its offset in whole units. */
export function placedFree(
  context: EditContext,
  made: Layout,
  { key, ids }: { readonly key: string; readonly ids: readonly string[] },
  place: PlaceFor,
): FreePlace {
  const versions = (now: EditContext, by: Point) =>
    moved(now, [key], by).flatMap((layout) => [layout, ...atCorner(now, layout, key)].map((one) => inWholeUnits(one, key)));
  return bestPlace(context, made, ids, { place, versions });
}

interface Search {
  readonly place: PlaceFor;
  /** What is tried at a place. */
  readonly versions: (now: EditContext, by: Point) => readonly Layout[];
}

function bestPlace(context: EditContext, made: Layout, ids: readonly string[], { place, versions }: Search): FreePlace {
  const now = editContextOf(made, context.screen, { ...context.playerView, moment: null });
  const judged = (layout: Layout): FreePlace => ({ layout, found: findingsAbout(layout, ids, place.screens, place.players) });
  let best = judged(made);
  const tried: Point[] = [];
  const tryAt = (by: Point) => {
    tried.push(by);
    for (const layout of versions(now, by)) {
      if (best.found.length === 0) return;
      const there = judged(layout);
      if (weightOf(there.found) < weightOf(best.found)) best = there;
    }
  };
  tryAt({ x: 0, y: 0 });
  const apart = APART_MM * pxPerMm(context.screen);
  for (const by of placesNear(now, ids)) {
    if (best.found.length === 0 || tried.length > MOST_PLACES) break;
    // The nearest that is clear of others, then others at some distance.
    if (tried.length > 1 && tried.some(({ x, y }) => Math.hypot(by.x - x, by.y - y) < apart)) continue;
    tryAt(by);
  }
  return best;
}

function moved(now: EditContext, keys: readonly string[], { x, y }: Point): Layout[] {
  if (x === 0 && y === 0) return [now.layout];
  const done = moveBy(now, keys, x, y);
  return done.ok ? [done.value] : [];
}

/** The same, tied to the nearest corner of the safe frame. */
function atCorner({ screen, playerView }: EditContext, layout: Layout, key: string): Layout[] {
  const now = editContextOf(layout, screen, playerView);
  const box = placeableBox(now.resolved, placeableOf(layout, key)!);
  if (!box) return [];
  const corner = [box.x + box.w / 2 > screen.widthPx / 2 ? 1 : 0, box.y + box.h / 2 > screen.heightPx / 2 ? 1 : 0] as const;
  const tied = anchorTo(now, key, "safe", corner);
  return tied.ok ? [tied.value] : [];
}

/** With the offset of a pin in layout units as whole numbers, as a person would write it. */
function inWholeUnits(layout: Layout, key: string): Layout {
  const pin = placementIn(layout, null, key);
  if (pin?.kind !== "pin") return layout;
  const whole = (text: string) => {
    const { amount, unit } = lengthOf(text);
    return unit === "u" ? formatLength(Math.round(amount), "u") : text;
  };
  const put = withPlacement(layout, null, key, { ...pin, offset: [whole(pin.offset[0]), whole(pin.offset[1])] });
  return put.ok ? put.value : layout;
}

/** Grows a control at a point, or as near to it as nothing is found of it. What is meant to lie under others stays where it is put. */
export function growFree(context: EditContext, planned: NewControl, place: PlaceFor): Result<FreePlace & { readonly id: string }> {
  const grown = growControl(context, planned);
  if (!grown.ok) return grown;
  const { layout, id } = grown.value;
  if (isUnderlay(byId(layout.controls).get(id)!)) return ok({ layout, id, found: findingsAbout(layout, [id], place.screens, place.players) });
  return ok({ id, ...placedFree(context, layout, { key: id, ids: [id] }, place) });
}
