/**
 * One run of Settle with what it may change: all that is asked for at once; what falls short given up; what was given up tried again by itself;
 * and pairs that press told other ways. Nothing comes out of it that the checks have not found good.
 */
import type { BareFinding, FindingCode } from "../checks/finding";
import { aimOf, byWord, findingWord, waivedKey } from "./aims";
import { costOf, pricesOf } from "./cost";
import { descend, type Reached, type Task } from "./descend";
import type { Scenario } from "./scenarios";
import { motionBy, motionOf, numbersAt, type LayoutMotion } from "./layoutMotion";
import type { Layout } from "../format/types";
import type { Remainder } from "./noWay";
import { waysAbout } from "./otherWays";
import { allFindings, askedFor, isFurther, outcomeOf, type FaceFound } from "./outcome";
import { pairWishes } from "./pairConstraints";
import { placeWishes } from "./placeConstraints";
import type { SettleRequest } from "./request";
import type { SettleResult, SettleProgress } from "./settleResult";
import { variablesOf, withValues } from "./variables";
import { WHOLE_CODES, wholeWishes } from "./wholeConstraints";
import { factsOf, type Way, type Constraint, type ConstraintContext } from "./constraints";

/** A version that the checks have found good, and how it was reached. */
type Proved = Pick<SettleResult, "layout" | "left" | "cost"> & { readonly reached: Reached };
/** What a run has come to. */
export interface Attempt extends Pick<SettleResult, "layout" | "left" | "cost" | "solved"> {
  readonly pressing: Reached["pressing"];
  readonly why: Omit<Remainder, "left" | "again">;
}

/** So often a result that the checks refuse is gone over again. */
const MOST_PROOFS = 8;
/** So many other ways are tried: as many as cost about as much, at least and at most this many. */
const WAYS = { effort: 8000, least: 3, most: 16 };
/** Another way has to cost less than this part of the best. */
const WORTH_IT = 0.999;
/** Another way out has to leave less than this part of what falls short. */
const MUCH_LESS = 0.9;
/** So often something is given up. */
const MOST_ROUNDS = 24;
/** So much of what was waived is tried again. */
const MOST_AGAIN = 24;

/** One run, with what it may change: it knows what has been given up, and what the checks have refused so far. */
export class Solver {
  private readonly task: Task;
  /** How much of each finding is given up, by its word; and the same by face. */
  private readonly levels = new Map<string, number>();
  private readonly waived = new Map<string, number>();
  /** By how much a wish that has to stay was broken at the beginning, mm. */
  private readonly eased = new Map<string, number>();
  private readonly wholeCodes = new Set<FindingCode>();
  private solved = 0;

  constructor(
    private readonly request: SettleRequest,
    private readonly basis: {
      readonly faces: readonly Scenario[];
      readonly before: readonly (readonly BareFinding[])[];
      readonly held: ReadonlySet<string>;
      readonly children: boolean;
      /** No variable goes farther than this, mm; else as far as variables may. */
      readonly withinMm?: number;
      /** At one go: what was waived is not tried again, nor any other way. */
      readonly isQuick: boolean;
    },
  ) {
    const { faces, before, held, children, withinMm = Infinity } = basis;
    const { layout } = request;
    const growing = new Set(askedFor(request, before).flatMap(({ finding }) => (finding.code === "touch/small" ? finding.subjects : [])));
    const variables = variablesOf({ layout, faces, held, changeable: request.changeable, children, growing }).map((variable) => ({
      ...variable,
      low: Math.max(variable.low, -withinMm),
      high: Math.min(variable.high, withinMm),
    }));
    const motion = motionOf(layout, faces, variables);
    const origin = numbersAt(motion, new Float64Array(variables.length));
    this.task = {
      request,
      motion,
      prices: pricesOf(layout, origin, request.weights),
      facts: factsOf(request, layout, faces, before.map(byWord)),
      waived: this.waived,
      wishes: (wishing) => this.wishes(wishing),
    };
    for (const facts of this.task.facts) {
      const wishing = { request, facts, numbers: origin[facts.index], waived: this.waived, ways: new Map<string, Way>(), brief: true };
      for (const wish of this.wishes(wishing))
        if (!wish.wanted && wish.value < 0) this.eased.set(easedKey(wish), Math.max(-wish.value, this.eased.get(easedKey(wish)) ?? 0));
    }
  }

  /** Every wish of a face. What only has to stay and was broken at the beginning, though the checks found nothing, may stay as it was. */
  private *wishes(wishing: ConstraintContext): Iterable<Constraint> {
    for (const wishes of [placeWishes(wishing), pairWishes(wishing), wholeWishes(wishing, this.wholeCodes)])
      for (const wish of wishes) {
        const eased = wish.wanted || this.eased.size === 0 ? 0 : (this.eased.get(easedKey(wish)) ?? 0);
        yield eased > 0 ? { ...wish, kept: true, value: wish.value + eased } : wish;
      }
  }

  private descend(task: Task, start: Float64Array, ways?: ReadonlyMap<string, Way>): Reached {
    const reached = descend(task, start, ways);
    this.solved += reached.solved;
    return reached;
  }

  /** What moves, and by which variables. */
  get motion(): LayoutMotion {
    return this.task.motion;
  }
  /** How many programmes were solved. */
  get solvedSoFar(): number {
    return this.solved;
  }

  /** As near to some values as all that has to stay allows; null where the checks find something worse there. For a run that is asked for nothing else. */
  nearTo(target: Float64Array): { readonly layout: Layout; readonly values: Float64Array } | null {
    const prices = { ...this.task.prices, origin: numbersAt(this.task.motion, target) };
    for (let again = 0; again <= WHOLE_CODES.length; again += 1) {
      const reached = this.descend({ ...this.task, prices }, target);
      if (reached.broken.length > 0) return null;
      const { proved, refused } = this.proved(reached);
      if (proved) return { layout: proved.layout, values: reached.values };
      const known = this.wholeCodes.size;
      for (const { finding } of refused) if (WHOLE_CODES.includes(finding.code)) this.wholeCodes.add(finding.code);
      if (this.wholeCodes.size === known) return null;
    }
    return null;
  }

  *run(): Generator<SettleProgress, Attempt, void> {
    const asked = askedFor(this.request, this.basis.before);
    yield { doing: "testing single fixes", left: asked.length, solved: this.solved };
    const alone = this.triedAlone(asked);
    const zero = new Float64Array(this.task.motion.variables.length);
    let best: Proved | null = null;
    for (let round = 0; round < MOST_ROUNDS && best === null; round += 1) {
      yield { doing: "settling", left: asked.length, solved: this.solved };
      const { proved, short } = this.tried(zero, round === 0 && !this.basis.isQuick);
      best = proved;
      if (best || short.length === 0) break;
      for (const word of short) this.waive(word);
    }
    // What has been given up with others may be had after all, now that the others are out of the way.
    for (const [word, level] of best && !this.basis.isQuick ? [...this.levels].slice(0, MOST_AGAIN) : [])
      for (let wished = 0; wished < level; wished += 1) {
        if (alone.includes(word) && wished === 0) continue;
        yield { doing: "trying other directions", left: best!.left.length, solved: this.solved };
        this.setLevel(word, wished);
        const { proved } = this.tried(best!.reached.values);
        if (proved && isFurther(proved.left, best!.left)) {
          best = proved;
          break;
        }
        this.setLevel(word, level);
      }
    if (best && this.levels.size > 0 && !this.basis.isQuick) best = this.cheaper(best, zero);
    const why = { request: this.request, motion: this.task.motion, facts: this.task.facts, waived: this.waived };
    if (best && best.left.length === 0 && !this.basis.isQuick) best = yield* this.otherWays(best);
    if (best) return { ...best, solved: this.solved, pressing: best.reached.pressing, why };
    const left = askedFor(this.request, allFindings(this.request.layout, this.basis.faces, this.request.moment));
    return { layout: this.request.layout, left, cost: 0, solved: this.solved, pressing: [], why };
  }

  /** What is asked for in the end all at once from the beginning: cheaper, it may be, than one after the other. */
  private cheaper(best: Proved, zero: Float64Array): Proved {
    const { proved } = this.tried(zero);
    return proved && !isFurther(best.left, proved.left) && proved.reached.cost < best.reached.cost * WORTH_IT ? proved : best;
  }

  /** Pairs that press, told to keep clear another way: over there rather than here, or wholly apart rather than sharing a little. */
  private *otherWays(first: Proved): Generator<SettleProgress, Proved, void> {
    let best = first;
    const tried = new Set<string>();
    for (let tries = 0; tries < this.most(); tries += 1) {
      const next = waysAbout(best.reached, this.basis.faces).find(({ word }) => !tried.has(word));
      if (!next) break;
      tried.add(next.word);
      yield { doing: "trying other directions", left: best.left.length, solved: this.solved };
      const reached = this.descend(this.task, best.reached.values, new Map([[next.pair, next.way]]));
      if (reached.broken.length > 0 || reached.cost > best.reached.cost * WORTH_IT) continue;
      const { proved } = this.proved(reached);
      if (proved && proved.left.length <= best.left.length) best = proved;
    }
    return best;
  }

  /** One way down, proved; or what of that which is asked for is in its way. */
  private tried(start: Float64Array, isPatient = false): { readonly proved: Proved | null; readonly short: readonly string[] } {
    let reached = this.descend(this.task, start);
    for (let proof = 0; proof < MOST_PROOFS; proof += 1) {
      if (isPatient && reached.broken.length > 0) reached = this.otherWaysOut(reached);
      const short = this.shortOf(reached);
      if (short.length > 0) return { proved: null, short };
      const { proved, refused } = this.proved(reached);
      if (proved) return { proved, short: [] };
      const known = this.wholeCodes.size;
      for (const { finding } of refused) if (WHOLE_CODES.includes(finding.code)) this.wholeCodes.add(finding.code);
      if (this.wholeCodes.size === known) return { proved: null, short: this.openBeside(refused.flatMap(({ finding }) => finding.subjects)) };
      reached = this.descend(this.task, start);
    }
    return { proved: null, short: [] };
  }

  /** Pairs that do not come free by the way they would take by themselves, told others, the one that falls short most first. */
  private otherWaysOut(first: Reached): Reached {
    let best = first;
    for (let tries = 0, tried = new Set<string>(); tries < this.most(); tries += 1) {
      const pressing = best.pressing.filter(({ wish }) => best.broken.some((one) => one.wanted && wordOf(one) === wordOf(wish)));
      const next = waysAbout({ ...best, pressing }, this.basis.faces).find(({ word }) => !tried.has(word));
      if (!next || best.broken.length === 0) break;
      tried = tried.add(next.word);
      const reached = this.descend(this.task, best.values, new Map([[next.pair, next.way]]));
      if (reached.short < best.short * MUCH_LESS) best = reached;
    }
    return best;
  }

  /** How many other ways are tried. */
  private most(): number {
    return Math.min(WAYS.most, Math.max(WAYS.least, Math.floor(WAYS.effort / (this.basis.faces.length * this.request.layout.controls.length))));
  }

  /** What to give up: all that is asked for and falls short. Where only what has to stay is broken, what presses most next to it. */
  private shortOf({ broken, pressing }: Reached): readonly string[] {
    if (broken.length === 0) return [];
    const wanted = [...new Set(broken.filter((wish) => wish.wanted).map(wordOf))];
    if (wanted.length > 0) return wanted;
    const ids = new Set(broken.flatMap(({ subjects }) => subjects));
    const beside = pressing.filter(({ wish }) => wish.wanted && wish.subjects.some((id) => ids.has(id))).sort((a, b) => b.multiplier - a.multiplier);
    return beside.length > 0 ? [wordOf(beside[0].wish)] : this.openBeside([...ids]);
  }

  /** What is still asked for of some controls; of none of them: all that is. */
  private openBeside(ids: readonly string[]): readonly string[] {
    const open = askedFor(this.request, this.basis.before).filter((one) => this.isOpen(one));
    const near = open.filter(({ finding }) => finding.subjects.some((id) => ids.includes(id)));
    return [...new Set((near.length > 0 ? near : open).map(({ finding }) => findingWord(finding.code, finding.subjects)))];
  }

  /** Gives a finding up on every face, by one step. */
  private waive(word: string): void {
    this.setLevel(word, (this.levels.get(word) ?? 0) + 1);
  }

  /** How much of a finding is given up, on every face. */
  private setLevel(word: string, level: number): void {
    this.levels.set(word, level);
    this.basis.faces.forEach((_, face) => this.waived.set(waivedKey(face, word), level));
  }

  /** Gives up what a control could not have even if it stood there alone; what that is. */
  private triedAlone(asked: readonly FaceFound[]): string[] {
    const impossible: string[] = [];
    const ids = new Set(asked.filter(({ finding }) => finding.subjects.length === 1).map(({ finding }) => finding.subjects[0]));
    for (const id of ids) {
      const motion = motionBy(this.task.motion, ({ parts }) => parts.some(({ slot }) => slot.id === id));
      const zero = new Float64Array(motion.variables.length);
      for (let again = 0; again < 3; again += 1) {
        const only = (wishing: ConstraintContext) =>
          placeWishes({ ...wishing, facts: { ...wishing.facts, controls: wishing.facts.controls.filter((c) => c.control.id === id) } });
        const { broken } = this.descend({ ...this.task, motion, wishes: only }, zero);
        const short = [...new Set(broken.filter((w) => w.wanted).map(wordOf))];
        if (short.length === 0) break;
        for (const word of short) {
          if (!impossible.includes(word)) impossible.push(word);
          this.waive(word);
        }
      }
    }
    return impossible;
  }

  /** What has been reached, written down and held against the checks. */
  private proved(reached: Reached): { readonly proved: Proved | null; readonly refused: readonly FaceFound[] } {
    const { motion, prices } = this.task;
    const layout = withValues(motion.layout, motion.variables, reached.values, true);
    const { left, worse } = outcomeOf(this.request, this.basis.faces, this.basis.before, layout);
    const refused = [...left.filter((one) => !this.isWaived(one)), ...worse];
    return { proved: refused.length > 0 ? null : { layout, left, cost: costOf(prices, reached.numbers), reached }, refused };
  }

  /** Whether something is still asked of a finding: that it goes, or becomes less grave. */
  private isOpen({ face, finding }: FaceFound): boolean {
    const thresholds = this.task.facts[face].thresholds[finding.code];
    const level = this.waived.get(waivedKey(face, findingWord(finding.code, finding.subjects))) ?? 0;
    return thresholds ? aimOf(thresholds, finding, this.request, level).wanted : level === 0;
  }

  private isWaived({ face, finding }: FaceFound): boolean {
    return (this.waived.get(waivedKey(face, findingWord(finding.code, finding.subjects))) ?? 0) > 0;
  }
}

const easedKey = ({ code, subjects, face }: Constraint): string => `${face} ${code} ${subjects.join(" ")}`;
const wordOf = (wish: Constraint): string => findingWord(wish.code as FindingCode, wish.subjects);
