/** What of a scenario no variable changes: its controls, zones, thumbs, thresholds, findings and relations. */
import type { BareFinding, FindingCode } from "../../checks/finding";
import { byId } from "../../derived/byId";
import { resolvedOn } from "../../derived/resolved";
import { isUnderlay } from "../../derived/underlay";
import { thumbPivots } from "../../editing/thumbs";
import type { Box, Point } from "../../engine/geometry/point";
import type { Shape } from "../../engine/geometry/shape";
import type { Control, Layout } from "../../format/types";
import type { SettleRequest } from "../request";
import { linesIn, type Line } from "./kinship";
import { relationsIn, type Relations } from "./relations";
import { numbersOn, type Scenario } from "./scenarios";
import { thresholdsOf, type FoundByScenario, type Thresholds } from "./targets";

/** A control in a scenario. */
export interface PlacedControl {
  readonly control: Control;
  /** Its place in the layout's list. */
  readonly index: number;
  /** The shape of its touch area. */
  readonly shape: Shape["shape"];
  /** Whether its touches go to it alone. */
  readonly ownsTouches: boolean;
  readonly underlay: boolean;
  readonly hasLanding: boolean;
}

/** A keep-clear zone in a scenario, mm. */
export interface PlacedZone {
  readonly id: string;
  readonly box: Shape;
  readonly taps: boolean;
  readonly moments: readonly string[];
}

export interface ScenarioData {
  readonly scenario: Scenario;
  /** The place of the scenario. */
  readonly index: number;
  readonly controls: readonly PlacedControl[];
  readonly zones: readonly PlacedZone[];
  /** The pivots of the thumbs, mm. */
  readonly pivots: readonly Point[];
  readonly thresholds: Partial<Record<FindingCode, Thresholds>>;
  readonly found: ReadonlyMap<string, BareFinding>;
  /** Pairs of controls that are shown together, own their touches, and are both ground or neither. */
  readonly pairs: readonly (readonly [PlacedControl, PlacedControl])[];
  /** The numbers of the layout before any change. */
  readonly origin: Float64Array;
  readonly lines: readonly Line[];
  /** Rows and equal gaps that are kept. */
  readonly relations: Relations;
  /** The controls of a together set. */
  readonly togetherIds: ReadonlySet<string>;
}

interface Shown {
  readonly moments: readonly string[];
}

/** Whether two things are shown together in the requested moment (null: in any moment). In a layout without moments all are. */
export function isShownWith({ layout, moment }: Pick<SettleRequest, "layout" | "moment">, a: Shown, b: Shown): boolean {
  return layout.moments.length === 0 || a.moments.some((m) => (moment === null || m === moment) && b.moments.includes(m));
}

/** No rows and no equal gaps. */
const NO_RELATIONS: Relations = { rows: [], gaps: [] };

/** What the data of scenarios are gathered from. `isArranged`: whether rows and equal gaps are kept. */
export interface ScenarioSource {
  readonly scenarios: readonly Scenario[];
  readonly found: FoundByScenario;
  readonly isArranged: boolean;
}

/** Gathers the data of every scenario. */
export function scenarioDataOf(request: SettleRequest, layout: Layout, { scenarios, found, isArranged }: ScenarioSource): ScenarioData[] {
  const togetherIds = controlsTogether(layout);
  const indexes = new Map(layout.controls.map(({ id }, i) => [id, i]));
  const origins = scenarios.map((scenario) => numbersOn(layout, scenario, indexes));
  const areTogether = (a: number, b: number) => isShownWith(request, layout.controls[a], layout.controls[b]);
  const relations = isArranged ? relationsIn(layout, origins, areTogether) : NO_RELATIONS;
  return scenarios.map((scenario, index): ScenarioData => {
    const { mm } = scenario;
    const controls = placedControls(layout, scenario, indexes);
    return {
      scenario,
      index,
      controls,
      zones: placedZones(layout, scenario),
      pivots: thumbPivots(layout, scenario.screen).map(({ x, y }) => ({ x: x / mm, y: y / mm })),
      thresholds: thresholdsOf(layout, mm),
      found: found[index],
      pairs: pairsOf(request, controls),
      origin: origins[index],
      relations,
      lines: linesIn(layout, scenario.arrangement),
      togetherIds,
    };
  });
}

function controlsTogether({ controls, together }: Layout): ReadonlySet<string> {
  const actions = new Set(together.flatMap((set) => set.actions));
  return new Set(controls.flatMap(({ id, serves }) => (serves.some((serve) => actions.has(serve.action)) ? [id] : [])));
}

function placedControls(layout: Layout, { screen, view }: Scenario, indexes: ReadonlyMap<string, number>): PlacedControl[] {
  const controls = byId(layout.controls);
  return resolvedOn(layout, screen, view).controls.map((at): PlacedControl => {
    const control = controls.get(at.id)!;
    const hasLanding = at.landing !== undefined;
    return {
      control,
      index: indexes.get(at.id)!,
      shape: hasLanding ? "box" : at.hit.shape,
      ownsTouches: at.sharing === "own",
      underlay: isUnderlay(control),
      hasLanding,
    };
  });
}

function placedZones(layout: Layout, { screen, view, mm }: Scenario): PlacedZone[] {
  const zones = byId(layout.keepClear);
  const inMm = ({ x, y, w, h }: Box): Box => ({ x: x / mm, y: y / mm, w: w / mm, h: h / mm });
  return resolvedOn(layout, screen, view).keepClear.map((at) => {
    const { taps, moments } = zones.get(at.id)!;
    return { id: at.id, box: { shape: "box", ...inMm(at) }, taps, moments };
  });
}

function pairsOf(request: SettleRequest, controls: readonly PlacedControl[]): [PlacedControl, PlacedControl][] {
  const own = controls.filter(({ ownsTouches }) => ownsTouches);
  return own.flatMap((a, i) =>
    own
      .slice(i + 1)
      .flatMap((b): [PlacedControl, PlacedControl][] => (a.underlay === b.underlay && isShownWith(request, a.control, b.control) ? [[a, b]] : [])),
  );
}
