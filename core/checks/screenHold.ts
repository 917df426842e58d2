/**
 * Holding all screens while something is dragged: whether a version of the layout breaks one of them that was whole, found out in the time of a
 * frame, and how far along its way a drag may go. Only what has moved, and what is near to it, is looked at on each screen.
 */
import { isEqual } from "../engine/equal";
import { resolvedOn } from "../derived/resolved";
import type { Point } from "../engine/geometry/point";
import { ok, type Result } from "../engine/result";
import type { PlayerView, Resolved } from "../engine/placement/resolve";
import type { Layout, Screen } from "../format/types";
import { changesAgainst, findingsByKey, type FindingsByKey } from "./findingChanges";
import { bareOn, findingsOfSome, type WordedFinding } from "./check";
import { checkContext, nearTo, type CheckContext, type PlacedControl } from "./context";

/** A screen that is held, and what is found on it as it was. */
interface HeldScreen {
  readonly screen: Screen;
  readonly resolved: Resolved;
  readonly controls: ReadonlyMap<string, object>;
  readonly found: FindingsByKey;
  /** The part of the screen that pictures cover at most: twice covered counts twice. */
  readonly cover: number;
}

/** Screens that are held for a layout, as a player sees it. */
export interface ScreenHold {
  readonly layout: Layout;
  readonly view: PlayerView;
  readonly screens: readonly HeldScreen[];
}

/** What would break, and where. */
export interface Broken {
  readonly screen: Screen;
  readonly finding: WordedFinding;
}

/** Takes note of what is found on some screens, before anything moves. */
export function holdScreens(layout: Layout, screens: readonly Screen[], player: PlayerView): ScreenHold {
  const view = { ...player, moment: null };
  return {
    layout,
    view,
    screens: screens.map((screen) => {
      const resolved = resolvedOn(layout, screen, view);
      return {
        screen,
        resolved,
        controls: new Map(resolved.controls.map((at) => [at.id, at])),
        found: findingsByKey(bareOn(layout, screen, view)),
        cover: resolved.controls.reduce((sum, { visual }) => sum + visual.w * visual.h, 0) / Math.max(1, screen.widthPx * screen.heightPx),
      };
    }),
  };
}

/** What a version breaks first: a blocker or a warning that is new, or worse than it was. `first`: the place of the screen that is looked at before the others. Null: it breaks nothing. */
export function brokenBy(held: ScreenHold, version: Layout, first = 0): (Broken & { readonly place: number }) | null {
  const { screens } = held;
  for (let i = 0; i < screens.length; i += 1) {
    const place = (first + i) % screens.length;
    const finding = brokenOn(held, screens[place], version);
    if (finding) return { screen: screens[place].screen, finding, place };
  }
  return null;
}

function brokenOn({ view }: ScreenHold, one: HeldScreen, version: Layout): WordedFinding | null {
  const resolved = resolvedOn(version, one.screen, view);
  const moved = new Set(resolved.controls.filter((at) => one.controls.get(at.id) !== at).map(({ id }) => id));
  const zonesMoved = resolved.keepClear !== one.resolved.keepClear && !isEqual(resolved.keepClear, one.resolved.keepClear);
  if (moved.size === 0 && !zonesMoved) return null;
  const context = checkContext(version, resolved);
  if (zonesMoved)
    return worstOf(
      one,
      (["alone", "together", "all"] as const).flatMap((which) => findingsOfSome(context, view, which)),
    );
  const own = context.placed.filter(({ control }) => moved.has(control.id));
  return (
    worstOf(one, findingsOfSome({ ...context, placed: own }, view, "alone")) ??
    worstOf(one, findingsOfSome({ ...context, placed: nearTo(context, own), about: moved }, view, "together")) ??
    (dependsOnAll(context, one, own) ? worstOf(one, findingsOfSome(context, view, "all")) : null)
  );
}

/** Of what is found, the worst that is new or worse; notes aside. */
function worstOf({ found }: HeldScreen, now: readonly WordedFinding[]): WordedFinding | null {
  const grave = now.filter(({ severity }) => severity !== "note");
  if (grave.length === 0) return null;
  const worse = changesAgainst(found, findingsByKey(grave)).flatMap(({ kind, is }) =>
    is && (kind === "new" || kind === "worse") ? [is as WordedFinding] : [],
  );
  return worse.find(({ severity }) => severity === "blocker") ?? worse[0] ?? null;
}

/** Whether what all controls do together may be another: what is wanted at once, with a thumb that has moved; how much of the screen is covered. */
function dependsOnAll({ layout, resolved }: CheckContext, { cover }: HeldScreen, own: readonly PlacedControl[]): boolean {
  const wanted = new Set(layout.together.flatMap(({ actions }) => actions));
  if (own.some(({ control }) => control.serves.some(({ action }) => wanted.has(action)))) return true;
  const { widthPx, heightPx } = resolved.screen;
  const more = own.reduce((sum, { at }) => sum + at.visual.w * at.visual.h, 0) / Math.max(1, widthPx * heightPx);
  return cover + more > layout.limits.maxCover;
}

/** A place on a drag's way that breaks nothing, and what the layout is there. */
export interface GoodWay {
  readonly way: Point;
  readonly version: Layout;
}
/** A drag that has been looked at: how far it goes, what the layout is there, and what held it back (null: nothing did). */
export interface AllowedWay extends GoodWay {
  readonly broken: Broken | null;
}

/** The way from the last good place to the wanted one is halved this many times. */
const HALVINGS = 3;
/** Along an edge it is halved this many times. */
const SLIDE_HALVINGS = 2;

/**
 * How far a drag may go: to where it is wanted, or, where that would break a screen, as near as can be along its way and then aside along one of
 * the axes. `from`: where it was last without breaking anything. An edit that is refused is refused here too.
 */
export function allowedWay(held: ScreenHold, edit: (way: Point) => Result<Layout>, from: GoodWay, wanted: Point): Result<AllowedWay> {
  let first = 0;
  const tried = (way: Point): GoodWay | null => {
    const made = edit(way);
    if (!made.ok) return null;
    const broken = brokenBy(held, made.value, first);
    if (broken) first = broken.place;
    return broken ? null : { way, version: made.value };
  };
  const there = edit(wanted);
  if (!there.ok) return there;
  const broken = brokenBy(held, there.value);
  if (!broken) return ok({ way: wanted, version: there.value, broken: null });
  first = broken.place;
  const between = (a: Point, b: Point, part: number): Point => ({ x: a.x + (b.x - a.x) * part, y: a.y + (b.y - a.y) * part });
  /** As far as it goes from a good place to another; the halves that are good are good places themselves. */
  const along = (start: GoodWay, end: Point, halvings: number) => {
    let [best, low, high] = [start, 0, 1];
    for (let i = 0; i < halvings; i += 1) {
      const middle = (low + high) / 2;
      const made = tried(between(start.way, end, middle));
      if (made) [best, low] = [made, middle];
      else high = middle;
    }
    return best;
  };
  let best = along(from, wanted, HALVINGS);
  const far = ({ way }: GoodWay) => Math.hypot(wanted.x - way.x, wanted.y - way.y);
  const sides = [
    { x: wanted.x, y: best.way.y },
    { x: best.way.x, y: wanted.y },
  ];
  for (const side of sides) {
    if (Math.hypot(side.x - best.way.x, side.y - best.way.y) < 1e-6) continue;
    const slid = tried(side) ?? along(best, side, SLIDE_HALVINGS);
    if (far(slid) < far(best)) best = slid;
  }
  return ok({ ...best, broken: { screen: broken.screen, finding: broken.finding } });
}
