/** What a report tells, worked out screen by screen, so that whoever waits can be told how far it is. */
import { findAspectProfiles, type AspectProfile, type AspectRange } from "../checks/aspectIntervals";
import { checkScreen } from "../checks/check";
import type { Finding, FindingCode } from "../checks/finding";
import type { Face } from "../checks/grid";
import { sayNames } from "../checks/say";
import { missesInMoments, type ScreenMisses } from "../checks/worstMiss";
import type { Layout, Screen } from "../format/types";

/** A finding of the checks, in words. */
export type ReportedFinding = Finding<FindingCode>;

/** One screen as a report tells it: findings and misses, face by face. */
export interface ReportedScreen {
  readonly screen: Screen;
  readonly faces: readonly (readonly ReportedFinding[])[];
  readonly misses: ScreenMisses;
}

/** The part of a report about one screen. */
export function reportScreen(layout: Layout, screen: Screen, faces: readonly Face[]): ReportedScreen {
  const say = sayNames(layout);
  return {
    screen,
    faces: faces.map((face) => checkScreen(layout, screen, { ...face, moment: null }, say)),
    misses: { name: screen.name, faces: faces.map((face) => missesInMoments(layout, screen, face)) },
  };
}

/** The part of a report about aspects, for one face. */
export function reportSpans(layout: Layout, range: AspectRange, face: Face): readonly AspectProfile[] {
  return findAspectProfiles(layout, range, { ...face, moment: null });
}
