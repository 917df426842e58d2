/** Misses of all faces and moments of a screen; the pair of controls that takes most from each other; the smallest move that helps it most. */
import { editContextOf } from "../editing/placing";
import { resolvedOn } from "../derived/resolved";
import type { Layout, Screen } from "../format/types";
import { changesOf } from "./findingChanges";
import { bareFindings, bareOn } from "./check";
import type { Fix } from "./fix";
import { applyFix, SIDES } from "./fixes";
import type { PlayerCase } from "./grid";
import { missesOn, type ControlMisses } from "./misses";

/** What becomes of touches in one moment; null where the layout has no moments. */
export interface MomentMisses {
  readonly moment: string | null;
  readonly controls: readonly ControlMisses[];
}
/** Misses of a screen, face by face. */
export interface ScreenMisses {
  readonly name: string;
  readonly faces: readonly (readonly MomentMisses[])[];
}

/** Misses of a face of a screen, in each moment. Moments that show the same controls share their answer. */
export function missesInMoments(layout: Layout, screen: Screen, face: PlayerCase): MomentMisses[] {
  const resolved = resolvedOn(layout, screen, { ...face, moment: null });
  if (layout.moments.length === 0) return [{ moment: null, controls: missesOn(layout, resolved, { handed: face.handed, moment: null }) }];
  const known = new Map<string, readonly ControlMisses[]>();
  return layout.moments.map(({ id: moment }) => {
    const shown = layout.controls.flatMap((c) => (c.moments.includes(moment) ? [c.id] : [])).join("\n");
    const controls = known.get(shown) ?? missesOn(layout, resolved, { handed: face.handed, moment });
    known.set(shown, controls);
    return { moment, controls };
  });
}

/** Where touches meant for a control do worst: a face and a moment of a screen. */
export interface LeastHit {
  readonly face: number;
  readonly moment: string | null;
  readonly misses: ControlMisses;
}

/** The face and moment of a screen in which a control gets the least; null where it shows in none, or no touch is meant for it. */
export function leastHit({ faces }: ScreenMisses, id: string): LeastHit | null {
  let least: LeastHit | null = null;
  faces.forEach((moments, face) => {
    for (const { moment, controls } of moments)
      for (const misses of controls) if (misses.id === id && (least === null || misses.hit < least.misses.hit)) least = { face, moment, misses };
  });
  return least;
}

/** Touches meant for one control that another takes, where they are the most: the place of the screen, its face, the moment. */
export interface MissPair {
  readonly screen: number;
  readonly face: number;
  readonly moment: string | null;
  readonly meant: string;
  readonly taker: string;
  readonly share: number;
}

/** The pair of the layout in which most is taken; null where nobody takes anything. */
export function worstPair(screens: readonly (ScreenMisses | null)[]): MissPair | null {
  let worst: MissPair | null = null;
  screens.forEach((one, screen) =>
    one?.faces.forEach((moments, face) => {
      for (const { moment, controls } of moments)
        for (const { id: meant, taken } of controls)
          for (const [taker, share] of Object.entries(taken)) if (share > (worst?.share ?? 0)) worst = { screen, face, moment, meant, taker, share };
    }),
  );
  return worst;
}

/** A move that helps a pair, or the one meant drawn above, proved. `hits`: the part that the one meant, and the taker, get on that face, before and after. */
export interface MissMove {
  readonly fix: Fix;
  readonly share: number;
  readonly hits: Readonly<Record<string, readonly [before: number, after: number]>>;
}

/** Moves are tried in steps of this many mm, up to this many of them. */
const STEP_MM = 0.5;
const STEPS = 14;
/** A move that brings this part of what the best one brings is as good, if it is smaller. */
const AS_GOOD = 0.9;
/** Less is no help, and no harm: a half of a hundred touches. */
const FELT = 0.005;
/** So many moves are held against all screens. */
const PROOFS = 10;

/** A layout on screens and the faces of each. */
export interface OnFaces {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  readonly faces: readonly PlayerCase[];
}

/**
 * The smallest move of either control of a pair (or the one meant drawn above all, which moves nothing) after which others take (to a tenth) the least of the touches meant for the two. It is
 * proved: on no screen and face is a blocker or a warning new, or worse than it was, and on the pair's screen no control gets less in any
 * moment. Null where none is.
 */
export function moveForPair({ layout, screens, faces }: OnFaces, pair: MissPair): MissMove | null {
  const [screen, face] = [screens[pair.screen], faces[pair.face]];
  const both = new Set([pair.meant, pair.taker]);
  const hitsOf = (version: Layout) => {
    const resolved = resolvedOn(version, screen, { ...face, moment: null });
    return new Map(missesOn(version, resolved, { handed: face.handed, moment: pair.moment }, both).map((m) => [m.id, m]));
  };
  const before = hitsOf(layout);
  const sum = (hits: ReadonlyMap<string, ControlMisses>) =>
    [...hits.values()].reduce((all, { taken }) => all + Object.values(taken).reduce((a, b) => a + b, 0), 0);
  const moves = [...both].flatMap((id) =>
    SIDES.flatMap((side) => Array.from({ length: STEPS }, (_, i): Fix => ({ kind: "move", id, side, mm: (i + 1) * STEP_MM, leaves: false }))),
  );
  const tried = [{ kind: "raise", id: pair.meant } as const, ...moves].flatMap((fix) => {
    const changed = applyFix(editContextOf(layout, screen, { ...face, moment: null }), fix);
    if (!changed.ok) return [];
    const after = hitsOf(changed.value);
    const gain = sum(before) - sum(after);
    const isLess = (after.get(pair.meant)?.taken[pair.taker] ?? 0) < pair.share;
    return gain > FELT && isLess ? [{ fix, layout: changed.value, after, gain, mm: fix.kind === "move" ? fix.mm : 0 }] : [];
  });
  const most = Math.max(0, ...tried.map(({ gain }) => gain));
  const rank = ({ gain }: { gain: number }) => (gain >= AS_GOOD * most ? 0 : 1);
  tried.sort((a, b) => rank(a) - rank(b) || (rank(a) === 0 ? a.mm - b.mm || b.gain - a.gain : b.gain - a.gain));
  const found = tried.slice(0, PROOFS).find((one) => harmsNothing({ layout, screens, faces }, one.layout, pair.screen));
  if (!found) return null;
  const hits = Object.fromEntries([...before].map(([id, { hit }]) => [id, [hit, found.after.get(id)?.hit ?? 0] as const]));
  return { fix: found.fix, share: found.after.get(pair.meant)?.taken[pair.taker] ?? 0, hits };
}

/** Whether a version is nowhere worse than another: its findings on all screens and faces, its misses on one of them. */
function harmsNothing({ layout, screens, faces }: OnFaces, version: Layout, place: number): boolean {
  const isMissedMore = faces.some((face) => {
    const before = missesInMoments(layout, screens[place], face);
    return missesInMoments(version, screens[place], face).some(({ controls }, m) => {
      const hits = new Map(before[m].controls.map(({ id, hit }) => [id, hit]));
      return controls.some(({ id, hit }) => hit < (hits.get(id) ?? 0) - FELT);
    });
  });
  if (isMissedMore) return false;
  return screens.every((screen) =>
    faces.every((face) => {
      const view = { ...face, moment: null };
      const worse = changesOf(bareOn(layout, screen, view), bareFindings(version, screen, view)).filter(({ kind }) => kind === "new" || kind === "worse");
      return worse.every(({ is }) => is!.severity === "note");
    }),
  );
}
