/**
 * Constraints: each possible finding as a signed distance that has to stay at 0 or above, and how it changes with the boxes of the controls.
 * They lead the solver; whether a layout is free of findings is decided by the checks (verify.ts).
 */
import type { FindingCode } from "../../checks/finding";
import type { Shape } from "../../engine/geometry/shape";
import type { PlacedControl, ScenarioData } from "../problem/scenarioData";
import { HIT, LANDING, NUMBERS, VISUAL } from "../problem/scenarios";
import { findingKey, relaxedKey, targetOf, type Relaxed, type Target } from "../problem/targets";
import type { SettleRequest } from "../request";
import type { Separations } from "./separation";

/**
 * Relations that Settle keeps in addition to the findings: a hit area around its picture (`shape`: in the directions between the sides, too), a whole
 * target on the screen, the order of a row, the row itself, equal gaps in it, the thumb of a control.
 */
export type FixedRelation = "held/picture" | "held/shape" | "held/screen" | "held/line" | "held/row" | "held/gap" | "held/thumb";
export const isFixedRelation = (code: Constraint["code"]): code is FixedRelation => code.startsWith("held/");

/** Weights of numbers of a scenario (place of the number, weight), in mm per mm. */
export type Terms = readonly (readonly [number, number])[];

/** A constraint in one scenario: `value` mm must be at least 0; it changes with the numbers of the scenario by `terms`. */
export interface Constraint {
  readonly code: FindingCode | FixedRelation;
  readonly subjects: readonly string[];
  /** The scenario, by its place. */
  readonly scenario: number;
  /** Whether it is requested; else it only has to keep holding. */
  readonly requested: boolean;
  /** Whether it is a finding that stays: it may be exactly what it was, without a margin. */
  readonly kept: boolean;
  readonly value: number;
  readonly terms: Terms;
}

/** Where the constraints of a scenario are evaluated. */
export interface ConstraintContext {
  readonly request: SettleRequest;
  readonly data: ScenarioData;
  readonly numbers: Float64Array;
  readonly relaxed: Relaxed;
  readonly separations: Separations;
  /** Whether only violated constraints are needed; the others may be left out. */
  readonly brief: boolean;
}

/** A family of constraints. */
export type ConstraintFamily = (context: ConstraintContext) => Iterable<Constraint>;

/** The target of a finding with thresholds. */
export function targetFor({ request, data, relaxed }: ConstraintContext, code: FindingCode, subjects: readonly string[]): Target {
  const key = findingKey(code, subjects);
  return targetOf(data.thresholds[code]!, data.found.get(key), request, relaxed.get(relaxedKey(data.index, key)) ?? 0);
}

/** The target of a relation that keeps holding, exactly as it was. */
export const AS_IT_WAS = { requested: false, kept: true } as const;
/** The target of a finding that is not there and must not come. */
export const NOT_NEW = { requested: false, kept: false } as const;

/** A constraint of one control. */
export const ofControl = (
  { data }: ConstraintContext,
  { control }: PlacedControl,
  code: Constraint["code"],
  { target: { requested, kept }, value, terms }: { readonly target: Pick<Target, "requested" | "kept">; readonly value: number; readonly terms: Terms },
): Constraint => ({ code, subjects: [control.id], scenario: data.index, requested, kept, value, terms });

/** The visual box of a control, mm. */
export function visualOf(numbers: Float64Array, { index }: PlacedControl): Shape {
  const at = index * NUMBERS + VISUAL;
  return { shape: "box", x: numbers[at], y: numbers[at + 1], w: numbers[at + 2], h: numbers[at + 3] };
}

/** Where the four numbers of a control's visual box begin. */
export const visualPlace = ({ index }: PlacedControl): number => index * NUMBERS + VISUAL;

/** Where the four numbers of a control's touch area (landing area or hit area) begin. */
export const areaPlace = ({ index, hasLanding }: PlacedControl): number => index * NUMBERS + (hasLanding ? LANDING : HIT);

/** The touch area of a control, mm. */
export function areaOn(numbers: Float64Array, control: PlacedControl): Shape {
  const at = areaPlace(control);
  return { shape: control.shape, x: numbers[at], y: numbers[at + 1], w: numbers[at + 2], h: numbers[at + 3] };
}

/** Terms of a box whose four numbers begin at a place. */
export const boxTerms = (at: number, weights: readonly number[]): Terms => weights.map((weight, k) => [at + k, weight] as const);
