/** What every check may look at: a layout on one screen, and for the checks of a moment, what is shown in it. */
import { isWithin } from "../engine/geometry/distance";
import type { Shape } from "../engine/geometry/shape";
import { isUnderlay } from "../derived/underlay";
import { touchArea } from "../engine/input/ready";
import type { Control, KeepClear, Layout } from "../format/types";
import type { Resolved, ResolvedControl, ResolvedZone } from "../engine/placement/resolve";
import { framesOf, pxPerMm, type ScreenFrames } from "../engine/placement/screen";
import type { CheckResult } from "./finding";
import { byId } from "../derived/byId";

/** A control, where it is, and the area that takes its touches. */
export interface PlacedControl {
  readonly control: Control;
  readonly at: ResolvedControl;
  readonly area: Shape;
  /** Whether its area is meant to lie under others. */
  readonly underlay: boolean;
  /** Its place in the drawing order. */
  readonly index: number;
}
export interface PlacedZone {
  readonly zone: KeepClear;
  readonly at: ResolvedZone;
}

export interface CheckContext {
  readonly layout: Layout;
  readonly resolved: Resolved;
  readonly screenName: string;
  readonly mm: number;
  readonly frames: ScreenFrames;
  readonly placed: readonly PlacedControl[];
  /** The controls that are asked about: of pairs only those that one of them is in. Absent: all. */
  readonly about?: ReadonlySet<string>;
}
export interface MomentContext extends CheckContext {
  /** The moment judged, or null where the layout has none. */
  readonly moment: string | null;
  readonly shown: readonly PlacedControl[];
  readonly zones: readonly PlacedZone[];
}

/** A family of findings. `once`: judged a single time on a screen; `inMoment`: judged in each moment. */
export interface Check {
  readonly once?: (context: CheckContext) => Iterable<CheckResult>;
  readonly inMoment?: (context: MomentContext) => Iterable<CheckResult>;
}

/** Gathers a screen's context. `resolved` must be of this layout, every moment shown. */
export function checkContext(layout: Layout, resolved: Resolved): CheckContext {
  const controls = byId(layout.controls);
  return {
    layout,
    resolved,
    screenName: resolved.screen.name || `${resolved.screen.widthPx}×${resolved.screen.heightPx}`,
    mm: pxPerMm(resolved.screen),
    frames: framesOf(resolved.screen, layout.picture),
    placed: resolved.controls.map((at, index) => {
      const control = controls.get(at.id)!;
      return { control, at, area: touchArea(at), underlay: isUnderlay(control), index };
    }),
  };
}

/** Some controls and what is near to them; with ground all ground, for who lies under it depends on all of it. */
export function nearTo({ layout, placed, mm }: CheckContext, own: readonly PlacedControl[]): readonly PlacedControl[] {
  const gap = layout.limits.minGapMm * mm;
  const hasGround = own.some(({ underlay }) => underlay);
  return placed.filter((one) => (hasGround && one.underlay) || own.some(({ area }) => isWithin(area, one.area, gap)));
}

/** The same context within one moment. */
export function inMoment(context: CheckContext, moment: string | null): MomentContext {
  const zones = byId(context.layout.keepClear);
  const has = (moments: readonly string[]) => moment === null || moments.includes(moment);
  return {
    ...context,
    moment,
    shown: context.placed.filter((s) => has(s.control.moments)),
    zones: context.resolved.keepClear.map((at) => ({ zone: zones.get(at.id)!, at })).filter((z) => has(z.zone.moments)),
  };
}
