/** What the checks worker does, apart from its message channel. */
import { checkScreen, fixesOn, tallyOn, type FixOffer } from "../core/checks/check";
import { faintLooks, type FaintLook, type Still } from "../core/checks/contrast";
import { overflowingWords, type OverflowingWord, type WordWidths } from "../core/checks/overflowingWords";
import { SEVERITIES, tallyOf, type Finding, type FindingTally } from "../core/checks/finding";
import { sayNames } from "../core/checks/say";
import { resolvedOn } from "../core/derived/resolved";
import type { PlayerView } from "../core/engine/placement/resolve";
import type { Layout, Screen } from "../core/format/types";
import { createMirrorReceiver, type LayoutUpdate } from "./mirror";

/** What is found on a screen. `list` null: only the counts were asked for, and nothing has been worded or proved. */
export interface ScreenFindings {
  readonly tally: FindingTally;
  readonly list: readonly Finding[] | null;
}

/** What is asked of the worker. */
export interface ChecksQuestion {
  readonly update: LayoutUpdate;
  /** The screens, or null for those of the question before. */
  readonly screens: readonly Screen[] | null;
  readonly playerView: PlayerView;
  /** For each screen the key of the still behind its controls. */
  readonly stills: readonly string[];
  /** How wide the words on the controls are, as parts of their letters' em; null: as in the question before. */
  readonly widths: WordWidths | null;
  /** The names of the screens whose findings are read, not only counted. */
  readonly read: readonly string[];
}

/** The worker's side of the checks. */
export interface ChecksService {
  /** Keeps a still of a backdrop under a key. */
  keepStill(key: string, still: Still): void;
  /** Findings for each screen, in the order of the screens, with the looks that their backdrops swallow; every moment is judged. */
  check(question: ChecksQuestion): ScreenFindings[];
  /** The small moves that would fix findings on a screen, each proved. */
  fixes(update: LayoutUpdate, screen: Screen, playerView: PlayerView): FixOffer[];
}

const MOST_STILLS = 400;
/** So many moves are tried on a screen, those of the gravest findings first: each means checking the screen again. */
const MOST_FIXES = 24;

const gravestFirst = (a: Finding, b: Finding) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity);

/** A service that knows no layout yet. */
export function createChecksService(): ChecksService {
  const mirror = createMirrorReceiver();
  const stills = new Map<string, Still>();
  let screens: readonly Screen[] = [];

  let widths: WordWidths = {};

  /** What only the views can find: looks that the backdrop swallows, words that do not fit. */
  const looksOn = (layout: Layout, screen: Screen, playerView: PlayerView, key: string): readonly (FaintLook | OverflowingWord)[] => {
    const still = stills.get(key);
    const resolved = resolvedOn(layout, screen, playerView);
    return [...(still ? faintLooks(layout, resolved, still) : []), ...overflowingWords(layout, resolved, widths)];
  };
  /** The same screen is the same object from question to question, so that what is known of it is found again. */
  const known = (screen: Screen) => screens.find((s) => s.name === screen.name && JSON.stringify(s) === JSON.stringify(screen)) ?? screen;

  return {
    keepStill(key, still) {
      if (stills.size >= MOST_STILLS) stills.delete(stills.keys().next().value!);
      stills.set(key, still);
    },
    check({ update, screens: asked, playerView, stills: keys, widths: told, read }) {
      const layout = mirror.receive(update);
      if (asked) screens = asked.map(known);
      if (told) widths = told;
      const view = { ...playerView, moment: null };
      return screens.map((screen, i) => {
        const looks = looksOn(layout, screen, view, keys[i]);
        if (!read.includes(screen.name)) {
          const tally = tallyOn(layout, screen, view);
          const more = tallyOf(looks.map((f) => f.finding));
          return { tally: { blocker: tally.blocker + more.blocker, warning: tally.warning + more.warning, note: tally.note + more.note }, list: null };
        }
        const found: Finding[] = [...checkScreen(layout, screen, view, sayNames(layout)), ...looks.map(({ finding, text }) => ({ ...finding, text: text() }))];
        const list = looks.length === 0 ? found : found.sort(gravestFirst);
        return { tally: tallyOf(list), list };
      });
    },
    fixes(update, screen, playerView) {
      return fixesOn(mirror.receive(update), known(screen), { ...playerView, moment: null }, MOST_FIXES);
    },
  };
}
