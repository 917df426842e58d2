/** What a report reports, computed screen by screen, so that whoever waits can be reported how far it is. */
import { findAspectProfiles, type AspectProfile, type AspectRange } from "../checks/aspectIntervals";
import { checkScreen } from "../checks/check";
import { plainStill, whyFaintNotJudged } from "../checks/backdrop";
import type { Still } from "../checks/contrast";
import type { Finding } from "../checks/finding";
import type { PlayerCase } from "../checks/grid";
import { sayNames } from "../checks/say";
import { missesInMoments, type ScreenMisses } from "../checks/worstMiss";
import type { Layout, Screen } from "../format/types";

/** One screen as a report reports it: findings and misses, face by face. */
export interface ReportedScreen {
  readonly screen: Screen;
  readonly faces: readonly (readonly Finding[])[];
  readonly misses: ScreenMisses;
  /** Why `look/faint` is not judged on it; null where it is. */
  readonly faintNotJudged: string | null;
}

/** The part of a report about one screen. `still`: what is seen behind the controls there; null: it cannot be decoded here. */
export function reportScreen(layout: Layout, screen: Screen, faces: readonly PlayerCase[], still: Still | null = plainStill(layout.workbench)): ReportedScreen {
  const say = sayNames(layout);
  return {
    screen,
    faces: faces.map((face) => checkScreen(layout, screen, { ...face, moment: null }, { say, still })),
    misses: { name: screen.name, faces: faces.map((face) => missesInMoments(layout, screen, face)) },
    faintNotJudged: still ? null : whyFaintNotJudged(layout.workbench),
  };
}

/** The part of a report about aspects, for one face. */
export function reportSpans(layout: Layout, range: AspectRange, face: PlayerCase): readonly AspectProfile[] {
  return findAspectProfiles(layout, range, { ...face, moment: null });
}
