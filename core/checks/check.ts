/** All findings of a layout on a screen: the families judged once and in each moment, brought together and put in order. */
import { LENGTH_SLACK, SAME_MEASURE } from "../engine/geometry/tolerances";
import type { Layout, Screen } from "../format/types";
import { keptOnScreen } from "../derived/cached";
import { preparedOf } from "../derived/prepared";
import { resolvedOn } from "../derived/resolved";
import { PLAIN_PLAYER_VIEW, resolve, type PlayerView, type Resolved } from "../engine/placement/resolve";
import { plainStill } from "./backdrop";
import { bindings } from "./bindings";
import { faintLooks, type Still } from "./contrast";
import { words } from "./overflowingWords";
import { checkContext, inMoment, type Check, type CheckContext } from "./context";
import { feels } from "./feels";
import { FINDING_CODES, isWorse, SEVERITIES, type BareFinding, type Finding, type FindingCode, type CheckResult } from "./finding";
import { sayIds, type Say } from "./say";
import { contextWithFix } from "./fixes";
import { type Fix } from "./fix";
import { bounds } from "./bounds";
import { reaches } from "./reaches";
import { cover, coverage, zonesSeen } from "./coverage";
import { touches, touchesAlone, touchesTogether } from "./touchFindings";

/** The families. Nothing else knows their number. */
const CHECKS: readonly Check[] = [bindings, bounds, touches, feels, reaches, coverage, words];

/** What was found, and the moment it holds in. */
interface MomentFound {
  readonly found: CheckResult;
  readonly moment: string | null;
}

/** What holds in a context, each with the moment it holds in. */
function foundIn(context: CheckContext, playerView: PlayerView, checks: readonly Check[] = CHECKS): MomentFound[] {
  const all: MomentFound[] = [];
  for (const check of checks) if (check.once) for (const found of check.once(context)) all.push({ found, moment: null });
  const asked = playerView.moment !== null ? [playerView.moment] : context.layout.moments.map((m) => m.id);
  const moments: readonly (string | null)[] = asked.length > 0 ? asked : [null];
  const judged: MomentFound[] = [];
  for (const moment of moments) {
    const within = inMoment(context, moment);
    for (const check of checks) if (check.inMoment) for (const found of check.inMoment(within)) judged.push({ found, moment });
  }
  return all.concat(moments.length === 1 ? judged.map(({ found }) => ({ found, moment: playerView.moment })) : mergeMoments(judged, moments.length));
}

/** A screen judged: what holds on it, and the context it was judged in. */
interface Judged {
  readonly context: CheckContext;
  readonly all: readonly MomentFound[];
}

function judgeOn(layout: Layout, resolved: Resolved, playerView: PlayerView): Judged {
  const context = checkContext(layout, resolved);
  return { context, all: foundIn(context, playerView) };
}
/** The same, judged once for a layout on a screen, whether counts, texts or fixes are asked for. */
const judgedOn = keptOnScreen((layout, screen, playerView) => judgeOn(layout, resolvedOn(layout, screen, { ...playerView, moment: null }), playerView));

const bare = (layout: Layout, { found: f, moment }: MomentFound): BareFinding => ({
  code: f.code,
  severity: f.severity,
  subjects: f.subjects,
  moment,
  measure: f.measure,
  accepted: acceptedReason(layout, f),
});

/** All that holds on a screen with what its backdrop swallows. `still`: what is seen behind the controls; null: that is not judged. */
function allOn(layout: Layout, screen: Screen, playerView: PlayerView, still: Still | null): readonly MomentFound[] {
  const { all, context } = judgedOn(layout, screen, playerView);
  return still ? all.concat(faintLooks(layout, context.resolved, still).map((found) => ({ found, moment: playerView.moment }))) : all;
}

/** How a check speaks, and what is seen behind the controls. */
export interface CheckOptions {
  /** How texts speak of what is there. */
  readonly say?: Say;
  /** A still of the backdrop. Absent: the plain colour of the layout's workbench, or nothing. */
  readonly still?: Still | null;
}

/** Findings of a layout on a screen, in order. `playerView.moment` set: judged within that moment alone. */
export function checkScreen(layout: Layout, screen: Screen, playerView: PlayerView = PLAIN_PLAYER_VIEW, options: CheckOptions = {}): Finding[] {
  const { say = sayIds, still = plainStill(layout.workbench) } = options;
  const judged = judgedOn(layout, screen, playerView);
  const proofs = provedFixes(judged, playerView, FIXES_IN_TEXTS);
  const worded = allOn(layout, screen, playerView, still).map((one) => ({ ...bare(layout, one), text: one.found.text(say, proofs.get(one) ?? null) }));
  return sortFindings(layout, worded);
}

/** Findings without texts and in no order, for those who only compare. Nothing is kept of the screen: it may be one of thousands. */
export function bareFindings(layout: Layout, screen: Screen, playerView: PlayerView = PLAIN_PLAYER_VIEW): BareFinding[] {
  const resolved = resolve(preparedOf(layout), screen, { ...playerView, moment: null });
  const still = plainStill(layout.workbench);
  const faint = still ? faintLooks(layout, resolved, still).map((found) => ({ found, moment: playerView.moment })) : [];
  return [...judgeOn(layout, resolved, playerView).all, ...faint].map((one) => bare(layout, one));
}

/** The same for a screen that is looked at again and again: what is known of it is kept, and only what has changed is placed again. */
export function bareOn(layout: Layout, screen: Screen, playerView: PlayerView, still: Still | null = plainStill(layout.workbench)): BareFinding[] {
  return allOn(layout, screen, playerView, still).map((one) => bare(layout, one));
}

/** The families that say something of single controls: what they find of one does not depend on the others. */
const ALONE: readonly Check[] = [bounds, touchesAlone, feels, { once: reaches.once }, zonesSeen, words];
/** The families that say something of controls by those near to them, and of all of them together. */
const TOGETHER: readonly Check[] = [touchesTogether];
const ALL_TOGETHER: readonly Check[] = [{ inMoment: reaches.inMoment }, cover];

/** A finding without its text, and how to word it. */
export interface WordedFinding extends BareFinding {
  readonly word: (say: Say) => string;
}

/**
 * What is found of some controls (`alone`: a context of these), by others near to them (`together`: of these and those), or of all of them at
 * once (`all`): for those who have little time. Words that nothing reads, and the glass between landing areas, are not asked about.
 */
export function findingsOfSome(context: CheckContext, playerView: PlayerView, which: "alone" | "together" | "all"): WordedFinding[] {
  const found = foundIn(context, playerView, { alone: ALONE, together: TOGETHER, all: ALL_TOGETHER }[which]);
  return found.map((one) => ({ ...bare(context.layout, one), word: (say) => one.found.text(say, null) }));
}

/** How many findings of a screen get a proved move into their text: proving one means checking the screen again. */
const FIXES_IN_TEXTS = 4;

/** The moves, of the worst findings first and `most` of them tried, after which their finding is gone and no finding as severe is new or worse. */
function provedFixes({ context, all }: Judged, playerView: PlayerView, most: number): Map<MomentFound, Fix> {
  const proved = new Map<MomentFound, Fix>();
  const before = new Map(all.map((h) => [keyOf(h.found, h.moment), gravityOf(h.found)]));
  let tried = 0;
  for (const h of all.filter(({ found }) => found.fix).sort((a, b) => gravityOf(b.found) - gravityOf(a.found))) {
    if (tried >= most) break;
    const f = h.found;
    const fix = f.fix?.();
    if (!fix) continue;
    tried += 1;
    const after = foundIn(contextWithFix(context, fix), playerView);
    const gone = !after.some(({ found: g }) => g.code === f.code && g.subjects.join() === f.subjects.join());
    const harmless = after.every(
      ({ found: g, moment }) => gravityOf(g) < gravityOf(f) || (before.get(keyOf(g, moment)) ?? before.get(keyOf(g, null)) ?? 0) >= gravityOf(g),
    );
    if (gone && harmless) proved.set(h, fix);
  }
  return proved;
}

const keyOf = (f: CheckResult, moment: string | null) => `${f.code}\n${f.subjects.join("\n")}\n\n${moment ?? ""}`;
const gravityOf = (f: CheckResult) => SEVERITIES.length - SEVERITIES.indexOf(f.severity);

/** A small move that would fix a finding, proved, with the finding it belongs to. */
export interface FixOffer {
  readonly code: FindingCode;
  readonly subjects: readonly string[];
  readonly moment: string | null;
  readonly fix: Fix;
}

/** The small moves that would fix findings on a screen, of the worst findings first and at most `most` of them tried; all of them proved. */
export function fixesOn(layout: Layout, screen: Screen, playerView: PlayerView = PLAIN_PLAYER_VIEW, most = Infinity): FixOffer[] {
  const proved = provedFixes(judgedOn(layout, screen, playerView), playerView, most);
  return [...proved].map(([{ found, moment }, fix]) => ({ code: found.code, subjects: found.subjects, moment, fix }));
}

/** One finding with moment null where it holds in every moment judged with the same severity and measure, else one for each moment. */
function mergeMoments(judged: readonly MomentFound[], moments: number): MomentFound[] {
  const groups = new Map<string, MomentFound[]>();
  for (const one of judged) {
    const key = keyOf(one.found, null);
    const group = groups.get(key);
    if (group) group.push(one);
    else groups.set(key, [one]);
  }
  return [...groups.values()].flatMap((group) => {
    const worst = group.reduce((a, b) => (isWorse(b.found.code, b.found.measure, a.found.measure) ? b : a)).found;
    const least = group.reduce((a, b) => (isWorse(a.found.code, a.found.measure, b.found.measure) ? b : a)).found;
    const same = group.length === moments && group.every(({ found }) => found.severity === worst.severity) && sameMeasure(worst, least);
    return same ? [{ found: worst, moment: null }] : group;
  });
}

function sameMeasure(a: CheckResult, b: CheckResult): boolean {
  return Math.abs((a.measure?.value ?? 0) - (b.measure?.value ?? 0)) <= SAME_MEASURE + LENGTH_SLACK;
}

function acceptedReason(layout: Layout, f: CheckResult): string | null {
  if (layout.accepted.length === 0) return null;
  const entry = layout.accepted.find((a) => a.code === f.code && a.subjects.length === f.subjects.length && a.subjects.every((s) => f.subjects.includes(s)));
  return entry ? entry.reason : null;
}

/** By severity, then by code, then by the file: the place of the first subject, of the second, of the moment. */
function sortFindings(layout: Layout, found: readonly Finding[]): Finding[] {
  const place = new Map<string, number>();
  for (const id of [...layout.actions.map((a) => a.name), ...layout.controls.map((c) => c.id), ...layout.keepClear.map((z) => z.id)])
    if (!place.has(id)) place.set(id, place.size + 1);
  const moments = new Map(layout.moments.map((m, i) => [m.id, i + 1]));
  const keyed = found.map((f) => ({
    f,
    grave: SEVERITIES.indexOf(f.severity) * 100 + FINDING_CODES.indexOf(f.code),
    first: place.get(f.subjects[0]) ?? 0,
    second: place.get(f.subjects[1]) ?? 0,
    moment: f.moment === null ? 0 : (moments.get(f.moment) ?? 0),
  }));
  return keyed.sort((a, b) => a.grave - b.grave || a.first - b.first || a.second - b.second || a.moment - b.moment).map(({ f }) => f);
}
