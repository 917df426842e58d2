/** The result of Settle, and its progress. */
import type { Layout } from "../format/types";
import type { LargeChange } from "./largeChanges";
import type { SettledMove } from "./moves";
import type { Scenario } from "./problem/scenarios";
import type { Unsolved } from "./unsolved";
import type { ScenarioFinding } from "./verify";

/** Progress. `remaining`: the requested findings that the best version so far still has. */
export interface SettleProgress {
  readonly doing: "looking" | "testing single fixes" | "settling" | "trying other directions" | "reducing misses" | "computing options";
  readonly remaining: number;
  /** The number of quadratic programs solved. */
  readonly programs: number;
  /** While misses are reduced: the miss rate of the control in work. */
  readonly missed?: number;
}

/** The fraction of the touches meant for a control that miss it, in a scenario (by its place) and a moment (null: the layout has none). */
export interface MissRate {
  readonly rate: number;
  readonly scenario: number;
  readonly moment: string | null;
}

/** The worst miss rate of a control before and after. */
export interface MissChange {
  readonly id: string;
  readonly before: MissRate;
  readonly after: MissRate;
}

/** A version of the layout that the checks have verified. */
export interface Version {
  readonly layout: Layout;
  /** The requested findings that remain. */
  readonly remaining: readonly ScenarioFinding[];
  /** The cost of the change, mm²: what changed, size and place alike. */
  readonly cost: number;
  /** Its price, mm²: what was minimized (problem/cost.ts). */
  readonly price: number;
}

export interface SettleResult extends Version {
  /** clean: no requested finding was there. settled: all are gone. partly: some are gone. none: nothing could be done. */
  readonly kind: "clean" | "settled" | "partly" | "none";
  readonly scenarios: readonly Scenario[];
  /** The requested findings of the layout before. */
  readonly requested: readonly ScenarioFinding[];
  /** The number of quadratic programs solved. */
  readonly programs: number;
  /** What changed, control by control. */
  readonly moves: readonly SettledMove[];
  /** How the worst miss rate of each control changed, worst first; null if not requested. */
  readonly misses: readonly MissChange[] | null;
  /** Changes that a person would hesitate to make, with what can be done instead. */
  readonly large: readonly LargeChange[];
  /** Why the remaining findings remain. */
  readonly unsolved: readonly Unsolved[];
}
