/**
 * The typed client of the faces worker. A question is asked screen by screen, so that the first screen is shown while the others are worked
 * out; a newer question ends the one under way, and what that still brings is dropped.
 */
import type { Remote } from "comlink";
import { MAP_LEVELS, type MapCell, type MapLevel, type MapRange } from "../core/checks/aspectMap";
import type { AspectProfile, AspectRange } from "../core/checks/aspectIntervals";
import type { Finding } from "../core/checks/finding";
import type { PlayerCase, JudgedScreen } from "../core/checks/grid";
import type { MissMove, MissPair, ScreenMisses } from "../core/checks/worstMiss";
import type { Layout, Screen } from "../core/format/types";
import type { ReportedScreen } from "../core/report/reportedScreen";
import type { ReportSource } from "../core/report/reportSource";
import type { Connection } from "./connect";
import type { FacesService } from "./facesService";
import { createMirrorSender } from "./layoutMirror";
import { createStillSender, type StillSource } from "./stills";
import { supervised } from "./supervised";

/** A layout on screens, and the faces of each. */
export interface FacesAsked {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  readonly faces: readonly PlayerCase[];
  /** For each screen the still behind its controls; absent where looks are not asked about. */
  readonly stills?: readonly StillSource[];
}

/** What a report is to hold, in addition to what is computed for it. `range`: what the spans run over. */
export interface ReportWanted extends Pick<ReportSource, "digest" | "date" | "parts" | "paper" | "shrinks"> {
  readonly range: AspectRange;
}

export interface FacesChecker {
  /** Judges every screen, those named in `first` before the others; `onScreen` hears of each, by its place. Resolves to false where a newer question has ended it. */
  judge(asked: FacesAsked, onScreen: (place: number, judged: JudgedScreen) => void, first?: readonly number[]): Promise<boolean>;
  /** The findings of one face of a screen in words; null where a newer question has been asked meanwhile. */
  words(asked: FacesAsked, place: number, face: PlayerCase): Promise<readonly Finding[] | null>;
  /** Over which aspects each finding holds, face by face; `onFace` hears of each. Resolves to false where a newer question has ended it. */
  spans(asked: FacesAsked, range: AspectRange, onFace: (place: number, profiles: readonly AspectProfile[]) => void): Promise<boolean>;
  /** Where touches land on every screen, in the order told in `first`, then the others; `onScreen` hears of each. Resolves to false where a newer question has ended it. */
  misses(asked: FacesAsked, onScreen: (place: number, misses: ScreenMisses) => void, first?: readonly number[]): Promise<boolean>;
  /** The smallest move that helps a pair most; null where none is proved, or a newer question has been asked meanwhile. */
  missMove(asked: FacesAsked, pair: MissPair): Promise<MissMove | null>;
  /** The map from coarse to fine, row by row; `onRow` hears of each. Resolves to false where a newer question has ended it. */
  map(asked: FacesAsked, range: MapRange, onRow: (level: MapLevel, row: number, cells: readonly MapCell[]) => void): Promise<boolean>;
  /** A report; `step` hears how much of how much has been done. Null where a newer one has been asked for meanwhile. */
  report(asked: FacesAsked, wanted: ReportWanted, step: (done: number, all: number) => void): Promise<string | null>;
  /** Ends whatever is under way, unheard; a later question starts another worker. */
  stop(): void;
}

/** The largest layout on one screen, or over all aspects, takes less, ms. */
const PATIENCE_MS = 30_000;
/** So many points of a measure are drawn. */
const POINTS = 240;

const withoutPictures = (layout: Layout): Layout => ({ ...layout, pictures: [], workbench: { ...layout.workbench, picture: undefined, momentPictures: {} } });

/** The kinds of question: a newer one of a kind ends the one under way. */
const KINDS = ["judge", "words", "spans", "misses", "missMove", "map", "report"] as const;
type Kind = (typeof KINDS)[number];

/** Asks about a layout. */
type Ask = <T>(asked: FacesAsked, question: (remote: Remote<FacesService>) => Promise<unknown>) => Promise<T>;
/** Begins a question of a kind; returns whether it is still the newest. */
type Begin = (kind: Kind) => () => boolean;
interface Asking {
  readonly ask: Ask;
  readonly begin: Begin;
}

/** The worker, which is told what it does not know yet before each question. */
function createAsking(connect: () => Connection<FacesService>, patienceMs: number): { readonly ask: Ask; stop(): void } {
  let mirror = createMirrorSender();
  let told: readonly Screen[] | null = null;
  /** The layout that the worker was told of last. */
  let last: Layout | null = null;
  const stills = createStillSender();
  let keys: readonly string[] = [];
  const forget = () => {
    mirror = createMirrorSender();
    told = null;
    last = null;
    stills.reset();
  };
  const worker = supervised({ connect, patienceMs, started: forget });
  return {
    // What the worker must be told goes before the question in one go: no other question comes between.
    ask: <T>({ layout, screens, stills: asked }: FacesAsked, question: (remote: Remote<FacesService>) => Promise<unknown>): Promise<T> =>
      worker.ask((remote) => {
        const sameScreens = told !== null && told.length === screens.length && screens.every((s, n) => s === told![n]);
        const sameStills = !asked || (keys.length === asked.length && asked.every(({ key }, n) => key === keys[n]));
        if (last !== layout || !sameScreens || !sameStills) {
          last = layout;
          told = screens;
          if (asked) keys = stills.send(asked, (key, still) => void remote.keepStill(key, still).catch(() => undefined));
          // Where it fails the question after it fails too, and reports.
          remote.begin(mirror.update(withoutPictures(layout)), sameScreens ? null : screens, keys).catch(() => undefined);
        }
        return question(remote) as Promise<T>;
      }),
    stop: () => worker.stop(),
  };
}

interface EachScreen<T> {
  readonly first: readonly number[];
  readonly question: (remote: Remote<FacesService>, place: number) => Promise<unknown>;
  readonly heard: (place: number, answer: T) => void;
}

/** Asks of one screen after the other; returns whether it came to the end. */
async function eachScreen<T>({ ask, begin }: Asking, kind: Kind, asked: FacesAsked, { first, question, heard }: EachScreen<T>): Promise<boolean> {
  const isWanted = begin(kind);
  const order = [...first, ...asked.screens.map((_, i) => i).filter((i) => !first.includes(i))];
  for (const place of order) {
    const answer = await ask<T>(asked, (remote) => question(remote, place));
    if (!isWanted()) return false;
    heard(place, answer);
  }
  return true;
}

async function map({ ask, begin }: Asking, ...[asked, range, onRow]: Parameters<FacesChecker["map"]>): Promise<boolean> {
  const isWanted = begin("map");
  for (const level of MAP_LEVELS)
    for (let row = 0; row < level.rows; row += 1) {
      const cells = await ask<readonly MapCell[]>(asked, (remote) => remote.mapRow(range, level, { row, faces: asked.faces }));
      if (!isWanted()) return false;
      onRow(level, row, cells);
    }
  return true;
}

async function spans({ ask, begin }: Asking, ...[asked, range, onFace]: Parameters<FacesChecker["spans"]>): Promise<boolean> {
  const isWanted = begin("spans");
  for (const [i, face] of asked.faces.entries()) {
    const profiles = await ask<readonly AspectProfile[]>(asked, (remote) => remote.spans(range, face, POINTS));
    if (!isWanted()) return false;
    onFace(i, profiles);
  }
  return true;
}

async function report({ ask, begin }: Asking, ...[asked, { range, ...wanted }, step]: Parameters<FacesChecker["report"]>): Promise<string | null> {
  const isWanted = begin("report");
  const spanFaces = wanted.parts.includes("spans") ? asked.faces : [];
  const all = asked.screens.length + spanFaces.length + 1;
  const screens: ReportedScreen[] = [];
  const profiles: (readonly AspectProfile[])[] = [];
  for (const place of asked.screens.keys()) {
    step(place, all);
    screens.push(await ask<ReportedScreen>(asked, (remote) => remote.reportScreen(place, asked.faces)));
    if (!isWanted()) return null;
  }
  for (const face of spanFaces) {
    step(screens.length + profiles.length, all);
    profiles.push(await ask<readonly AspectProfile[]>(asked, (remote) => remote.reportSpans(range, face)));
    if (!isWanted()) return null;
  }
  step(all - 1, all);
  const source = { ...wanted, faces: asked.faces, screens, spans: profiles.length > 0 ? { range, faces: profiles } : null };
  const html = await ask<string>(asked, (remote) => remote.reportHtml(source));
  return isWanted() ? html : null;
}

/** A client over a worker that `connect` starts. */
export function createFacesChecker(connect: () => Connection<FacesService>, patienceMs = PATIENCE_MS): FacesChecker {
  const worker = createAsking(connect, patienceMs);
  const generations = Object.fromEntries(KINDS.map((kind) => [kind, 0])) as Record<Kind, number>;
  const asking: Asking = {
    ask: worker.ask,
    begin(kind) {
      generations[kind] += 1;
      const mine = generations[kind];
      return () => generations[kind] === mine;
    },
  };
  const one = async <T>(kind: Kind, asked: FacesAsked, question: (remote: Remote<FacesService>) => Promise<unknown>): Promise<T | null> => {
    const isWanted = asking.begin(kind);
    const found = await asking.ask<T>(asked, question);
    return isWanted() ? found : null;
  };
  return {
    judge: (asked, onScreen, first = []) =>
      eachScreen<JudgedScreen["faces"]>(asking, "judge", asked, {
        first,
        question: (remote, place) => remote.judge(place, asked.faces),
        heard: (place, faces) => onScreen(place, { name: asked.screens[place].name, faces }),
      }),
    misses: (asked, onScreen, first = []) =>
      eachScreen<ScreenMisses["faces"]>(asking, "misses", asked, {
        first,
        question: (remote, place) => remote.misses(place, asked.faces),
        heard: (place, faces) => onScreen(place, { name: asked.screens[place].name, faces }),
      }),
    missMove: (asked, pair) => one<MissMove>("missMove", asked, (remote) => remote.missMove(pair, asked.faces)),
    map: (...args) => map(asking, ...args),
    words: (asked, place, face) => one<readonly Finding[]>("words", asked, (remote) => remote.words(place, face)),
    spans: (...args) => spans(asking, ...args),
    report: (...args) => report(asking, ...args),
    stop() {
      for (const kind of KINDS) generations[kind] += 1;
      worker.stop();
    },
  };
}
