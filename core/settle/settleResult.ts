/** What comes of settling a layout, and how far it is until then. */
import type { Layout } from "../format/types";
import type { Scenario } from "./scenarios";
import type { SettledMove } from "./moves";
import type { NoWay } from "./noWay";
import type { FaceFound } from "./outcome";

/** How far it is. `left`: the findings asked for that the best version so far still has. */
export interface SettleProgress {
  readonly doing: "looking" | "testing single fixes" | "settling" | "trying other directions" | "reducing misses" | "computing options";
  readonly left: number;
  /** How many programmes were solved. */
  readonly solved: number;
  /** While misses are lowered: the part of the touches meant for a control that go astray, of the one that is worked on. */
  readonly missed?: number;
}

/** The part of the touches meant for a control that go astray, on a face (by its place) and in a moment (null: the layout has none). */
export interface MissRate {
  readonly rate: number;
  readonly face: number;
  readonly moment: string | null;
}
/** How a control is missed at its worst, before and after. */
export interface MissChange {
  readonly id: string;
  readonly before: MissRate;
  readonly after: MissRate;
}

/** What came of it. */
export interface SettleResult {
  /** clean: nothing of what is asked for was there · settled: all of it is gone · partly: some of it is · none: nothing could be done. */
  readonly kind: "clean" | "settled" | "partly" | "none";
  readonly layout: Layout;
  readonly faces: readonly Scenario[];
  /** What was there of what is asked for, and the rest of it. */
  readonly asked: readonly FaceFound[];
  readonly left: readonly FaceFound[];
  /** What the change costs, mm². */
  readonly cost: number;
  readonly solved: number;
  /** What changed, control by control. */
  readonly moves: readonly SettledMove[];
  /** What became of the touches meant for each control where that was worst, the worst first; null where it was not asked. */
  readonly misses: readonly MissChange[] | null;
  /** Why what remains remains. */
  readonly noWays: readonly NoWay[];
}
