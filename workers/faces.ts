/**
 * The typed client of the faces worker. A question is asked screen by screen, so that the first screen is shown while the others are worked
 * out; a newer question ends the one under way, and what that still brings is dropped.
 */
import type { Remote } from "comlink";
import type { AspectProfile, AspectRange } from "../core/checks/aspectIntervals";
import type { Finding } from "../core/checks/finding";
import type { Face, JudgedScreen } from "../core/checks/grid";
import type { Layout, Screen } from "../core/format/types";
import type { Connection } from "./connect";
import type { FacesService } from "./facesService";
import { createMirrorSender } from "./mirror";
import { supervised } from "./supervised";

/** A layout on screens, and the faces of each. */
export interface FacesAsked {
  readonly layout: Layout;
  readonly screens: readonly Screen[];
  readonly faces: readonly Face[];
}

export interface FacesChecker {
  /** Judges every screen, those named in `first` before the others; `onScreen` hears of each, by its place. Resolves to false where a newer question has ended it. */
  judge(asked: FacesAsked, onScreen: (place: number, judged: JudgedScreen) => void, first?: readonly number[]): Promise<boolean>;
  /** The findings of one face of a screen in words; null where a newer question has been asked meanwhile. */
  words(asked: FacesAsked, place: number, face: Face): Promise<readonly Finding[] | null>;
  /** Over which aspects each finding holds, face by face; `onFace` hears of each. Resolves to false where a newer question has ended it. */
  spans(asked: FacesAsked, range: AspectRange, onFace: (place: number, profiles: readonly AspectProfile[]) => void): Promise<boolean>;
  /** Ends whatever is under way, unheard; a later question starts another worker. */
  stop(): void;
}

/** The largest layout on one screen, or over all aspects, takes less, ms. */
const PATIENCE_MS = 30_000;
/** So many points of a measure are drawn. */
const POINTS = 240;

const withoutPictures = (layout: Layout): Layout => ({ ...layout, pictures: [], workbench: { ...layout.workbench, picture: undefined, momentPictures: {} } });

/** A client over a worker that `connect` starts. */
export function createFacesChecker(connect: () => Connection<FacesService>, patienceMs = PATIENCE_MS): FacesChecker {
  let mirror = createMirrorSender();
  let told: readonly Screen[] | null = null;
  /** The layout that the worker was told of last. */
  let last: Layout | null = null;
  const forget = () => {
    mirror = createMirrorSender();
    told = null;
    last = null;
  };
  const worker = supervised({ connect, patienceMs, started: forget });
  const generations = { judge: 0, words: 0, spans: 0 };
  /** Asks about a layout. What the worker must be told of goes before the question in one go: no other question comes between. */
  const ask = <T>({ layout, screens }: FacesAsked, question: (remote: Remote<FacesService>) => Promise<unknown>): Promise<T> =>
    worker.ask((remote) => {
      const sameScreens = told !== null && told.length === screens.length && screens.every((s, n) => s === told![n]);
      if (last !== layout || !sameScreens) {
        last = layout;
        told = screens;
        // Where it fails the question after it fails too, and tells.
        remote.begin(mirror.update(withoutPictures(layout)), sameScreens ? null : screens).catch(() => undefined);
      }
      return question(remote) as Promise<T>;
    });
  /** Begins a question of a kind; gives whether it is still the newest. */
  const begin = (kind: keyof typeof generations) => {
    generations[kind] += 1;
    const mine = generations[kind];
    return () => generations[kind] === mine;
  };
  return {
    async judge(asked, onScreen, first = []) {
      const isWanted = begin("judge");
      const order = [...first, ...asked.screens.map((_, i) => i).filter((i) => !first.includes(i))];
      for (const place of order) {
        const faces = await ask<JudgedScreen["faces"]>(asked, (remote) => remote.judge(place, asked.faces));
        if (!isWanted()) return false;
        onScreen(place, { name: asked.screens[place].name, faces });
      }
      return true;
    },
    async words(asked, place, face) {
      const isWanted = begin("words");
      const found = await ask<readonly Finding[]>(asked, (remote) => remote.words(place, face));
      return isWanted() ? found : null;
    },
    async spans(asked, range, onFace) {
      const isWanted = begin("spans");
      for (const [i, face] of asked.faces.entries()) {
        const profiles = await ask<readonly AspectProfile[]>(asked, (remote) => remote.spans(range, face, POINTS));
        if (!isWanted()) return false;
        onFace(i, profiles);
      }
      return true;
    },
    stop() {
      for (const kind of ["judge", "words", "spans"] as const) generations[kind] += 1;
      worker.stop();
    },
  };
}
