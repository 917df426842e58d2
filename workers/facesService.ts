/** What the faces worker does, apart from its message channel: every screen for both hands and all sizes, findings over aspect ratios and diagonals, misses. */
import { isEqual } from "../core/engine/equal";
import { mapRow, type MapCell, type MapLevel, type MapRange } from "../core/checks/aspectMap";
import { bareOn, checkScreen } from "../core/checks/check";
import { findAspectProfiles, type AspectProfile, type AspectRange } from "../core/checks/aspectIntervals";
import type { PlayerCase } from "../core/checks/grid";
import type { BareFinding, Finding } from "../core/checks/finding";
import type { Still } from "../core/checks/contrast";
import { sayNames } from "../core/checks/say";
import { missesInMoments, moveForPair, type MissMove, type MissPair, type ScreenMisses } from "../core/checks/worstMiss";
import type { Screen } from "../core/format/types";
import { reportScreen, reportSpans, type ReportedScreen } from "../core/report/reportedScreen";
import { reportHtml } from "../core/report/report";
import type { ReportSource } from "../core/report/reportSource";
import { createMirrorReceiver, type LayoutUpdate } from "./layoutMirror";
import { createStillStore } from "./stills";

/** The worker's side of faces. */
export interface FacesService {
  /** Keeps a still of a backdrop under a key. */
  keepStill(key: string, still: Still): void;
  /** Takes the layout that is asked about from here on, the screens where they are others than before, and for each screen the key of its still. */
  begin(update: LayoutUpdate, screens: readonly Screen[] | null, stills: readonly string[]): void;
  /** What is found on a screen, by its place among them, face by face. */
  judge(screen: number, faces: readonly PlayerCase[]): readonly (readonly BareFinding[])[];
  /** The findings of one face in words. */
  words(screen: number, face: PlayerCase): readonly Finding[];
  /** Over which aspects each finding holds for a face, with its measure at up to `points` of them. */
  spans(range: AspectRange, face: PlayerCase, points: number): readonly AspectProfile[];
  /** Where touches land on a screen, by its place among them, face by face. */
  misses(screen: number, faces: readonly PlayerCase[]): ScreenMisses["faces"];
  /** The smallest move that helps a pair most; null where none is proved. */
  missMove(pair: MissPair, faces: readonly PlayerCase[]): MissMove | null;
  /** A row of the map. */
  mapRow(range: MapRange, level: MapLevel, at: { readonly row: number; readonly faces: readonly PlayerCase[] }): readonly MapCell[];
  /** The part of a report about a screen, by its place among them. */
  reportScreen(screen: number, faces: readonly PlayerCase[]): ReportedScreen;
  /** The part of a report about aspects, for one face. */
  reportSpans(range: AspectRange, face: PlayerCase): readonly AspectProfile[];
  /** The report, of parts that have been gathered. */
  reportHtml(source: Omit<ReportSource, "layout">): string;
}

/** Points as many as can be drawn: first, last and the extremes between them stay. @internal exported for its test */
export function thinned(points: AspectProfile["points"], most: number): AspectProfile["points"] {
  if (points.length <= most) return points;
  const every = Math.ceil((points.length * 2) / most);
  const kept: (readonly [number, number])[] = [];
  for (let i = 0; i < points.length; i += every) {
    const part = points.slice(i, i + every);
    const least = part.reduce((a, b) => (b[1] < a[1] ? b : a));
    const greatest = part.reduce((a, b) => (b[1] > a[1] ? b : a));
    kept.push(...(least[0] <= greatest[0] ? [least, greatest] : [greatest, least]));
  }
  return kept;
}

/** A service that knows no layout yet. */
export function createFacesService(): FacesService {
  const mirror = createMirrorReceiver();
  let layout: ReturnType<typeof mirror.receive> | null = null;
  let screens: readonly Screen[] = [];
  const stills = createStillStore();
  let keys: readonly string[] = [];
  const known = () => {
    if (!layout) throw new Error("it was asked before it was told of a layout");
    return layout;
  };
  return {
    keepStill: (key, still) => stills.keep(key, still),
    begin(update, asked, told) {
      layout = mirror.receive(update);
      keys = told;
      // The same screen stays the same object, so that what is known of it is found again.
      if (asked) screens = asked.map((screen) => screens.find((s) => isEqual(s, screen)) ?? screen);
    },
    judge: (screen, faces) => faces.map((face) => bareOn(known(), screens[screen], { ...face, moment: null }, stills.get(keys[screen]))),
    words: (screen, face) => checkScreen(known(), screens[screen], { ...face, moment: null }, { say: sayNames(known()), still: stills.get(keys[screen]) }),
    spans: (range, face, points) =>
      findAspectProfiles(known(), range, { ...face, moment: null }).map((one) => ({ ...one, points: thinned(one.points, points) })),
    misses: (screen, faces) => faces.map((face) => missesInMoments(known(), screens[screen], face)),
    missMove: (pair, faces) => moveForPair({ layout: known(), screens, faces }, pair),
    reportScreen: (screen, faces) => reportScreen(known(), screens[screen], faces, stills.get(keys[screen])),
    reportSpans: (range, face) => reportSpans(known(), range, face),
    reportHtml: (source) => reportHtml({ ...source, layout: known() }),
    mapRow: (range, level, at) => mapRow(known(), range, { level, ...at }),
  };
}
