/**
 * Relaxation: requests that cannot be satisfied together are relaxed step by step. At level 1 a finding may stay with a milder severity, at level
 * 2 as it is. A level holds in all scenarios.
 */
import type { Constraint } from "./constraints/constraint";
import type { FindingCode } from "../checks/finding";
import type { Problem } from "./problem/problem";
import { findingKey, relaxedKey, targetOf, type Relaxed } from "./problem/targets";
import type { Iterate } from "./solve";
import { requestedFindings, type ScenarioFinding } from "./verify";

/** The key of the finding that a constraint stands for. */
export const keyOf = (constraint: Constraint): string => findingKey(constraint.code as FindingCode, constraint.subjects);

export class Relaxation {
  private readonly levels = new Map<string, number>();
  private readonly byScenario = new Map<string, number>();

  constructor(private readonly problem: Problem) {}

  /** The levels by scenario and finding. */
  get relaxed(): Relaxed {
    return this.byScenario;
  }
  /** The relaxed findings with their levels. */
  get all(): readonly (readonly [string, number])[] {
    return [...this.levels];
  }

  /** Relaxes a finding by one level. */
  relax(key: string): void {
    this.set(key, (this.levels.get(key) ?? 0) + 1);
  }

  set(key: string, level: number): void {
    this.levels.set(key, level);
    this.problem.scenarios.forEach((_, scenario) => this.byScenario.set(relaxedKey(scenario, key), level));
  }

  /** Whether a finding is relaxed at all. */
  isRelaxed({ scenario, finding }: ScenarioFinding): boolean {
    return this.levelOf(scenario, finding) > 0;
  }

  private levelOf(scenario: number, { code, subjects }: ScenarioFinding["finding"]): number {
    return this.byScenario.get(relaxedKey(scenario, findingKey(code, subjects))) ?? 0;
  }

  /** Whether anything is still requested of a finding. */
  private isOpen({ scenario, finding }: ScenarioFinding): boolean {
    const thresholds = this.problem.data[scenario].thresholds[finding.code];
    const level = this.levelOf(scenario, finding);
    return thresholds ? targetOf(thresholds, finding, this.problem.request, level).requested : level === 0;
  }

  /** What is still requested of some controls; if nothing is, everything that is still requested. */
  openBeside(ids: readonly string[]): readonly string[] {
    const open = requestedFindings(this.problem.request, this.problem.before).filter((one) => this.isOpen(one));
    const near = open.filter(({ finding }) => finding.subjects.some((id) => ids.includes(id)));
    return [...new Set((near.length > 0 ? near : open).map(({ finding }) => findingKey(finding.code, finding.subjects)))];
  }

  /** What to relax after a minimization: every violated request. If only other constraints are violated, the most active request next to them. */
  candidates({ violated, active }: Iterate): readonly string[] {
    if (violated.length === 0) return [];
    const requested = [...new Set(violated.filter((constraint) => constraint.requested).map(keyOf))];
    if (requested.length > 0) return requested;
    const ids = new Set(violated.flatMap(({ subjects }) => subjects));
    const beside = active
      .filter(({ constraint }) => constraint.requested && constraint.subjects.some((id) => ids.has(id)))
      .sort((a, b) => b.multiplier - a.multiplier);
    return beside.length > 0 ? [keyOf(beside[0].constraint)] : this.openBeside([...ids]);
  }
}
