/** What the checks worker does, apart from its message channel. */
import { isEqual } from "../core/engine/equal";
import { bareOn, checkScreen, fixesOn, type FixOffer } from "../core/checks/check";
import type { Still } from "../core/checks/contrast";
import type { Finding, FindingTally } from "../core/checks/finding";
import { cellOf, facedFindings, NOTHING_FOUND, type PlayerCase } from "../core/checks/grid";
import { sayNames } from "../core/checks/say";
import type { PlayerView } from "../core/engine/placement/resolve";
import type { Screen } from "../core/format/types";
import { createMirrorReceiver, type LayoutUpdate } from "./layoutMirror";
import { createStillStore } from "./stills";

/** What is found on a screen. `list` null: only the counts were asked for, and nothing has been worded or proved. */
export interface ScreenFindings {
  /** Findings of all players that were asked for; the same for several counts once. */
  readonly tally: FindingTally;
  readonly list: readonly Finding[] | null;
}

/** What is asked of the worker. */
export interface ChecksQuestion {
  readonly update: LayoutUpdate;
  /** The screens, or null for those of the question before. */
  readonly screens: readonly Screen[] | null;
  /** The player whose findings are read. */
  readonly reader: PlayerCase;
  /** The players that are counted for. */
  readonly players: readonly PlayerCase[];
  /** For each screen the key of the still behind its controls. */
  readonly stills: readonly string[];
  /** The names of the screens whose findings are read, not only counted. */
  readonly read: readonly string[];
}

/** The worker's side of the checks. */
export interface ChecksService {
  /** Keeps a still of a backdrop under a key. */
  keepStill(key: string, still: Still): void;
  /** Findings for each screen, in the order of the screens; every moment is judged. */
  check(question: ChecksQuestion): ScreenFindings[];
  /** The small moves that would fix findings on a screen, each proved. */
  fixes(update: LayoutUpdate, screen: Screen, playerView: PlayerView): FixOffer[];
}

/** So many moves are tried on a screen, those of the worst findings first: each means checking the screen again. */
const MOST_FIXES = 24;

/** A service that knows no layout yet. */
export function createChecksService(): ChecksService {
  const mirror = createMirrorReceiver();
  const stills = createStillStore();
  let screens: readonly Screen[] = [];
  /** The same screen is the same object from question to question, so that what is known of it is found again. */
  const known = (screen: Screen) => screens.find((s) => s.name === screen.name && isEqual(s, screen)) ?? screen;

  return {
    keepStill: (key, still) => stills.keep(key, still),
    check({ update, screens: asked, reader, players, stills: keys, read }) {
      const layout = mirror.receive(update);
      if (asked) screens = asked.map(known);
      const say = sayNames(layout);
      return screens.map((screen, i) => {
        const still = stills.get(keys[i]);
        const faces = players.map((one) => bareOn(layout, screen, { ...one, moment: null }, still));
        const list = read.includes(screen.name) ? checkScreen(layout, screen, { ...reader, moment: null }, { say, still }) : null;
        return { tally: cellOf(facedFindings(faces))?.tally ?? NOTHING_FOUND, list };
      });
    },
    fixes(update, screen, playerView) {
      return fixesOn(mirror.receive(update), known(screen), { ...playerView, moment: null }, MOST_FIXES);
    },
  };
}
