/** The checks behind a message channel. */
import { expose } from "comlink";
import { checkScreen, fixesOn } from "../core/checks/check";
import { faintLooks, type Still } from "../core/checks/contrast";
import { SEVERITIES, type Finding } from "../core/checks/finding";
import { sayNames } from "../core/checks/say";
import type { Layout, Screen } from "../core/format/types";
import { prepareLayout } from "../core/engine/placement/prepare";
import { resolve, type PlayerView } from "../core/engine/placement/resolve";

/** Stills of backdrops, kept from request to request. */
const stills = new Map<string, Still>();
const MOST_STILLS = 400;

/** So many moves are tried on a screen, those of the gravest findings first: each means checking the screen again. */
const MOST_FIXES = 24;

const api = {
  /** Keeps a still under a key. */
  keepStill(key: string, still: Still): void {
    if (stills.size >= MOST_STILLS) stills.delete(stills.keys().next().value!);
    stills.set(key, still);
  },
  /** Findings for each screen, in the order of the screens, with the looks that their backdrops swallow; every moment is judged. */
  check(layout: Layout, screens: readonly Screen[], player: PlayerView, stillKeys: readonly string[]): Finding[][] {
    const prepared = prepareLayout(layout);
    const playerView = { ...player, moment: null };
    return screens.map((screen, i) => {
      const still = stills.get(stillKeys[i]);
      const faint = still ? faintLooks(layout, resolve(prepared, screen, playerView), still) : [];
      const found: Finding[] = [...checkScreen(prepared, screen, playerView, sayNames(layout)), ...faint];
      return faint.length === 0 ? found : found.sort((a, b) => SEVERITIES.indexOf(a.severity) - SEVERITIES.indexOf(b.severity));
    });
  },
  /** The small moves that would fix findings on a screen, each proved. */
  fixes(layout: Layout, screen: Screen, player: PlayerView): ReturnType<typeof fixesOn> {
    return fixesOn(layout, screen, { ...player, moment: null }, MOST_FIXES);
  },
};
export type ChecksApi = typeof api;
expose(api);
