/** Where there is no way: wishes of which none can be omitted, with a bound, or plainly that none was found; and the ways out. */
import { counted } from "../derived/counted";
import { isWorse, SEVERITIES, type FindingCode } from "../checks/finding";
import { isWithin } from "../engine/geometry/distance";
import { findingWord, type Relaxed } from "./aims";
import { faceName, idNames } from "./faceName";
import { provedImpossible, type Impossible } from "./impossible";
import { motionBy, numbersAt, type LayoutMotion } from "./layoutMotion";
import type { FaceFound } from "./outcome";
import type { Screen } from "../format/types";
import type { SettleRequest } from "./request";
import { areaOn, type FaceFacts, type ConstraintContext } from "./constraints";

/** A way out, in words, and what it costs where that could be computed, mm². */
export type WayOut = { readonly text: string; readonly costMm2: number | null } & (
  | { readonly kind: "smaller-targets"; readonly minTargetMm: number }
  /** Notes may come and grow. */
  | { readonly kind: "notes" }
  /** An arrangement for these screens, by their names. */
  | { readonly kind: "arrangement"; readonly screens: readonly string[] }
  /** The first of the two shown when the second is not. */
  | { readonly kind: "one-less"; readonly ids: readonly [string, string] }
);

/** A finding that could not be taken away, and why. */
export interface NoWay {
  readonly code: FindingCode;
  readonly subjects: readonly string[];
  /** The face it is worst on, by its place. */
  readonly face: number;
  /** Whether it is proved that there is no way; else none was found. */
  readonly proved: boolean;
  readonly text: string;
  /** The wishes that cannot all be had, in words; empty where nothing is proved. */
  readonly wishes: readonly string[];
  /** The same as findings: of which code (or what is held in addition), about what, on which face. */
  readonly parts: readonly { readonly code: string; readonly subjects: readonly string[]; readonly face: number }[];
  /** By how much they fall short at least, mm; null where nothing is proved. */
  readonly shortMm: number | null;
  readonly waysOut: readonly WayOut[];
}

/** What remains of a settling, and how another question is asked: how many findings remain, and what it costs. */
export interface Remainder {
  readonly request: SettleRequest;
  readonly motion: LayoutMotion;
  readonly facts: readonly FaceFacts[];
  readonly waived: Relaxed;
  readonly left: readonly FaceFound[];
  readonly again: (request: SettleRequest) => { readonly left: readonly FaceFound[]; readonly cost: number };
}

/** So many findings are looked into, the worst first; the others are only told as left. */
const MOST_TOLD = 6;
/** So many neighbours are taken into a proof. */
const MOST_NEIGHBOURS = 2;
/** Controls nearer than this, mm, are neighbours. */
const NEIGHBOUR_MM = 3;

/** Why what remains remains. */
export function noWaysOf(asked: Remainder): NoWay[] {
  // Several findings may be left on the same screens: what would become of these is computed once.
  const known = new Map<string, ReturnType<Remainder["again"]>>();
  const again: Remainder["again"] = (request) => {
    const key = JSON.stringify([
      request.screens.map(({ name }) => name),
      request.layout.limits,
      request.layout.controls.map(({ id }) => id),
      request.notesMayGrow,
    ]);
    const answer = known.get(key) ?? asked.again(request);
    known.set(key, answer);
    return answer;
  };
  const remainder = { ...asked, again };
  const groups = new Map<string, FaceFound[]>();
  const sorted = [...remainder.left].sort((a, b) => SEVERITIES.indexOf(a.finding.severity) - SEVERITIES.indexOf(b.finding.severity));
  for (const one of sorted) {
    const word = findingWord(one.finding.code, one.finding.subjects);
    groups.set(word, [...(groups.get(word) ?? []), one]);
  }
  const proofs: Impossible[] = [];
  const noWays = [...groups.values()].slice(0, MOST_TOLD).map((group) => noWayOf(remainder, group, proofs));
  return withNotesFree(remainder, noWays);
}

/** Whether a finding is among those that remain, on any face. */
const isIn = (left: readonly FaceFound[], { code, subjects }: Pick<NoWay, "code" | "subjects">): boolean =>
  left.some(({ finding }) => findingWord(finding.code, finding.subjects) === findingWord(code, subjects));

/** Where it is not proved that there is no way, notes may be what is in it: the same question with notes free, asked once for all of them. */
function withNotesFree({ request, again }: Remainder, noWays: readonly NoWay[]): NoWay[] {
  if (request.notesMayGrow || request.severities.includes("note") || noWays.every(({ proved }) => proved)) return [...noWays];
  const free = again({ ...request, notesMayGrow: true });
  return noWays.map((noWay) => {
    if (noWay.proved || isIn(free.left, noWay)) return noWay;
    const way: WayOut = { kind: "notes", text: `allow new and worse notes: fixed with ${free.cost.toFixed(2)} mm² total change`, costMm2: free.cost };
    return { ...noWay, waysOut: [way, ...noWay.waysOut] };
  });
}

/** `proofs`: those that are known, added to: one of them may be about this finding too. */
function noWayOf(remainder: Remainder, group: readonly FaceFound[], proofs: Impossible[]): NoWay {
  const worst = group.reduce((a, b) => (isWorse(b.finding.code, b.finding.measure, a.finding.measure) ? b : a));
  const { code, subjects } = worst.finding;
  const known = proofs.find(({ wishes }) => wishes.some(({ word }) => word === findingWord(code, subjects)));
  const impossible = known ?? impossibleFor(remainder, worst);
  if (impossible && !known) proofs.push(impossible);
  const waysOut = waysOutOf(remainder, group, worst);
  const common = { code, subjects, face: worst.face, waysOut };
  const what = `${code} of ${idNames(subjects)}`;
  if (!impossible) return { ...common, proved: false, text: `${what}: none found; it is not proved impossible`, wishes: [], parts: [], shortMm: null };
  const wishes = impossible.wishes.map(({ word, face }) => `${wishWords(word)} on ${faceName(remainder.facts[face].face)}`);
  const text = `${what}: ${wishes.join("; ")} cannot all be met; at least ${impossible.shortMm.toFixed(2)} mm short`;
  const parts = impossible.wishes.map(({ word, face }) => {
    const [code, ...ids] = word.split(" ");
    return { code, subjects: ids, face };
  });
  return { ...common, proved: true, text, wishes, parts, shortMm: impossible.shortMm };
}

/** A wish in words, from the code and the subjects of its finding. */
function wishWords(word: string): string {
  const [code, ...ids] = word.split(" ");
  const all = idNames(ids);
  switch (code) {
    case "touch/overlap":
      return `${all}, at their smallest, clear of each other`;
    case "view/covered":
      return `\`${ids[0]}\` clear of \`${ids[1]}\``;
    case "place/off-screen":
      return `${all} on the screen`;
    case "place/unsafe":
      return `${all} in the safe frame`;
    case "touch/small":
      return `${all} large enough`;
    case "reach/far":
      return `${all} in reach`;
    case "feel/travel-cut":
      return `the travel of ${all} on the screen`;
    case "feel/fine":
      return `the travel of ${all} long enough`;
    case "held/screen":
      return `${all} with a whole target on the screen`;
    case "held/line":
      return `${all} in their order`;
    case "held/thumb":
      return `${all} on the side of its thumb`;
    default:
      return `${all} around its picture`;
  }
}

/** Proves a finding impossible to take away: for its own controls first, then with what else lies on each other next to them. */
function impossibleFor({ motion, facts, request, waived }: Remainder, { face, finding }: FaceFound): Impossible | null {
  const word = findingWord(finding.code, finding.subjects);
  const prove = (ids: ReadonlySet<string>, isAsked: (given: string) => boolean) => {
    // What is claimed is asked for in full again; what else has been given up stays so.
    const still = new Map([...waived].filter(([key]) => !isAsked(key.slice(key.indexOf(" ") + 1))));
    const wishing = (one: FaceFacts, numbers: Float64Array): ConstraintContext => ({
      request,
      facts: one,
      numbers,
      waived: still,
      ways: new Map(),
      brief: false,
    });
    const isOwn = (id: string) => ids.has(id) || isHomeOf(request, id, ids);
    const own = motionBy(motion, ({ parts }) => parts.some(({ slot }) => isOwn(slot.id)));
    return provedImpossible({ motion: own, facts, wishing, ids, faces: [face] });
  };
  const own = new Set(finding.subjects.filter((id) => motion.places.has(id)));
  const alone = prove(own, (given) => given === word);
  if (alone || own.size < 2) return alone;
  const wider = new Set([...own, ...neighbours(motion, facts[face], own)]);
  const isBetween = (given: string) =>
    given.startsWith("touch/overlap ") &&
    given
      .split(" ")
      .slice(1)
      .every((id) => wider.has(id));
  const proof = prove(wider, isBetween);
  return proof?.wishes.some((wish) => wish.word === word) ? proof : null;
}

/** Whether a cluster holds one of some controls. */
function isHomeOf({ layout }: SettleRequest, cluster: string, ids: ReadonlySet<string>): boolean {
  return layout.controls.some(({ id, placement }) => ids.has(id) && typeof placement.frame === "object" && placement.frame.cluster === cluster);
}

/** What is nearest to some controls on a face, of those that may overlap with them. */
function neighbours(motion: LayoutMotion, facts: FaceFacts, ids: ReadonlySet<string>): readonly string[] {
  const numbers = numbersAt(motion, new Float64Array(motion.variables.length))[facts.index];
  const near = facts.pairs.flatMap(([a, b]) => {
    const [mine, other] = ids.has(a.control.id) ? [a, b] : [b, a];
    const isNear = ids.has(mine.control.id) && !ids.has(other.control.id) && isWithin(areaOn(numbers, mine), areaOn(numbers, other), NEIGHBOUR_MM);
    return isNear ? [other.control.id] : [];
  });
  return [...new Set(near)].slice(0, MOST_NEIGHBOURS);
}

/** What a way out costs is computed for this many screens at most; what an arrangement costs for more of them. */
const MOST_WORKED_OUT = 4;
const MOST_ARRANGED = 12;
/** Targets that are tried where the wanted ones cannot be had, mm. */
const TARGETS_MM = [8, 7, 6];

/** What would help, and what it costs. */
function waysOutOf(remainder: Remainder, group: readonly FaceFound[], worst: FaceFound): WayOut[] {
  const { request, facts, again } = remainder;
  const { code, subjects } = group[0].finding;
  const isGone = (one: { readonly left: readonly FaceFound[] }) => !isIn(one.left, { code, subjects });
  const screens = [...new Set(group.map(({ face }) => facts[face].face.screen))];
  const names = screens.map(({ name }) => name).join("; ");
  const worstScreen = facts[worst.face].face.screen;
  const ways: WayOut[] = [];
  const arranged = (these: readonly Screen[]): WayOut | null => {
    const own = again({ ...request, screens: these });
    const named = these.map(({ name }) => name);
    const text = `an arrangement for ${named.join("; ")}: fixed there with ${own.cost.toFixed(2)} mm² of change`;
    return isGone(own) ? { kind: "arrangement", screens: named, text, costMm2: own.cost } : null;
  };
  if (screens.length > MOST_ARRANGED && screens.length < request.screens.length)
    ways.push({ kind: "arrangement", screens: screens.map(({ name }) => name), text: `an arrangement for ${names}`, costMm2: null });
  // Where one arrangement for all of them does not do, one for the worst of them may.
  else if (request.screens.length > 1) {
    const way = (screens.length < request.screens.length ? arranged(screens) : null) ?? (screens.length > 1 ? arranged([worstScreen]) : null);
    if (way) ways.push(way);
  }
  if (screens.length > MOST_WORKED_OUT) return [...ways, ...oneLess(remainder, subjects, screens)];
  if (code === "touch/small" || code === "touch/overlap")
    for (const minTargetMm of TARGETS_MM) {
      if (minTargetMm >= request.layout.limits.minTargetMm) continue;
      const smaller = again({ ...request, screens, layout: { ...request.layout, limits: { ...request.layout.limits, minTargetMm } } });
      if (!isGone(smaller)) continue;
      ways.push({
        kind: "smaller-targets",
        minTargetMm,
        text: `targets of ${minTargetMm} mm: fixed on ${names} with ${smaller.cost.toFixed(2)} mm² of change`,
        costMm2: smaller.cost,
      });
      break;
    }
  return [...ways, ...oneLess(remainder, subjects, screens)];
}

/** Of two controls that are in each other's way, one somewhere else in the game: which, and what the rest costs then. */
function oneLess({ request, again }: Remainder, subjects: readonly string[], screens: readonly Screen[]): WayOut[] {
  const { controls } = request.layout;
  const both = subjects.filter((id) => controls.some((c) => c.id === id));
  if (both.length !== 2) return [];
  const ids = (id: string): readonly [string, string] => [id, both.find((other) => other !== id)!];
  if (screens.length > MOST_WORKED_OUT) return both.map((id) => ({ kind: "one-less", ids: ids(id), text: `\`${id}\` in another moment`, costMm2: null }));
  const without = both.map((id) => ({ id, ...again({ ...request, screens, layout: { ...request.layout, controls: controls.filter((c) => c.id !== id) } }) }));
  const best = without.reduce((a, b) => (b.left.length < a.left.length || (b.left.length === a.left.length && b.cost < a.cost) ? b : a));
  const rest = best.left.length === 0 ? "nothing else remains" : counted(best.left.length, "finding remains", "findings remain");
  return [
    {
      kind: "one-less",
      ids: ids(best.id),
      text: `\`${best.id}\` in another moment: ${rest} on ${screens.map(({ name }) => name).join("; ")}, with ${best.cost.toFixed(2)} mm² of change`,
      costMm2: best.cost,
    },
  ];
}
