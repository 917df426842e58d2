/**
 * Wishes: each finding that there could be, as a signed way that has to stay at 0 or above, and how that way changes with what is on the glass.
 * They are how Settle finds its way; whether it has arrived is for the checks to say.
 */
import type { BareFinding, FindingCode } from "../checks/finding";
import { isUnderlay } from "../derived/underlay";
import { thumbPivots } from "../editing/thumbs";
import { resolvedOn } from "../derived/resolved";
import { byId } from "../derived/byId";
import type { Box, Point } from "../engine/geometry/point";
import type { Shape } from "../engine/geometry/shape";
import type { Control, Layout } from "../format/types";
import { aimOf, findingWord, waivedKey, thresholdsOf, type ConstraintTarget, type FoundOnFaces, type Relaxed, type Thresholds } from "./aims";
import { HIT, LANDING, NUMBERS, numbersOn, VISUAL, type Scenario } from "./scenarios";
import { linesIn, type Line } from "./kinship";
import type { SettleRequest } from "./request";

/** What Settle holds in addition to the findings: a hit area about its picture, a whole target on the screen, the order of a row, a thumb's own controls. */
export type HeldCode = "held/picture" | "held/screen" | "held/line" | "held/thumb";
export const isHeld = (code: Constraint["code"]): code is HeldCode => code.startsWith("held/");

/** One wish on a face. The way is `value` mm now; with the numbers of the face it changes as `terms` say: place of a number, mm a mm. */
export interface Constraint {
  readonly code: FindingCode | HeldCode;
  readonly subjects: readonly string[];
  readonly face: number;
  /** Whether it is asked for, or only has to stay. */
  readonly wanted: boolean;
  /** Whether it is a finding that stays: it may be what it was, to the last digit. */
  readonly kept: boolean;
  readonly value: number;
  readonly terms: readonly (readonly [number, number])[];
}

/** A control on a face, as far as no place changes it. */
export interface FaceControl {
  readonly control: Control;
  readonly place: number;
  readonly shape: Shape["shape"];
  readonly own: boolean;
  readonly underlay: boolean;
  readonly hasLanding: boolean;
}
/** A keep-clear zone on a face, mm. */
export interface FaceZone {
  readonly id: string;
  readonly box: Shape;
  readonly taps: boolean;
  readonly moments: readonly string[];
}

/** What of a face no variable changes. */
export interface FaceFacts {
  readonly face: Scenario;
  readonly index: number;
  readonly controls: readonly FaceControl[];
  readonly zones: readonly FaceZone[];
  readonly pivots: readonly Point[];
  readonly thresholds: Partial<Record<FindingCode, Thresholds>>;
  readonly found: ReadonlyMap<string, BareFinding>;
  /** Pairs of controls that are shown in a moment together, own their touches and are both ground or neither. */
  readonly pairs: readonly (readonly [FaceControl, FaceControl])[];
  /** Where all stood at the beginning. */
  readonly origin: Float64Array;
  readonly lines: readonly Line[];
  /** The controls of a set that is wanted together: their thumb has to stay theirs. */
  readonly together: ReadonlySet<string>;
}

/** What is shown in some moments of the game. */
interface Shown {
  readonly moments: readonly string[];
}

/** Whether two things are shown in a moment together: in the one that is asked about, or (null) in any; in a layout without moments they always are. */
export function isShownWith({ layout, moment }: Pick<SettleRequest, "layout" | "moment">, a: Shown, b: Shown): boolean {
  return layout.moments.length === 0 || a.moments.some((m) => (moment === null || m === moment) && b.moments.includes(m));
}

/** Gathers what is fast on every face. */
export function factsOf(request: SettleRequest, layout: Layout, faces: readonly Scenario[], found: FoundOnFaces): FaceFacts[] {
  const together = controlsTogether(layout);
  const places = new Map(layout.controls.map(({ id }, i) => [id, i]));
  const controls = byId(layout.controls);
  const zones = byId(layout.keepClear);
  return faces.map((face, index): FaceFacts => {
    const resolved = resolvedOn(layout, face.screen, face.view);
    const inMm = ({ x, y, w, h }: Box): Box => ({ x: x / face.mm, y: y / face.mm, w: w / face.mm, h: h / face.mm });
    const placed = resolved.controls.map((at): FaceControl => {
      const control = controls.get(at.id)!;
      const hasLanding = at.landing !== undefined;
      return {
        control,
        place: places.get(at.id)!,
        shape: hasLanding ? "box" : at.hit.shape,
        own: at.sharing === "own",
        underlay: isUnderlay(control),
        hasLanding,
      };
    });
    const pairs: [FaceControl, FaceControl][] = [];
    placed.forEach((a, i) => {
      if (!a.own) return;
      for (const b of placed.slice(i + 1)) if (b.own && a.underlay === b.underlay && isShownWith(request, a.control, b.control)) pairs.push([a, b]);
    });
    return {
      face,
      index,
      controls: placed,
      zones: resolved.keepClear.map((at) => {
        const zone = zones.get(at.id)!;
        return { id: at.id, box: { shape: "box", ...inMm(at) }, taps: zone.taps, moments: zone.moments };
      }),
      pivots: thumbPivots(layout, face.screen).map(({ x, y }) => ({ x: x / face.mm, y: y / face.mm })),
      thresholds: thresholdsOf(layout, face.mm),
      found: found[index],
      pairs,
      origin: numbersOn(layout, face, places),
      lines: linesIn(layout, face.arrangement),
      together,
    };
  });
}

function controlsTogether({ controls, together }: Layout): ReadonlySet<string> {
  const actions = new Set(together.flatMap((set) => set.actions));
  return new Set(controls.flatMap(({ id, serves }) => (serves.some((serve) => actions.has(serve.action)) ? [id] : [])));
}

/** A pair as a word. */
export const pairWord = (a: string, b: string): string => `${a} ${b}`;
/** How a pair is reported to keep clear, other than it would by itself: along a direction from the first to the second as the right hand sees it, or wholly apart. */
export interface Way {
  readonly along: Point | null;
  readonly apart: boolean;
}

/** The wishes of a face: where all is there, and what has been given up. */
export interface ConstraintContext {
  readonly request: SettleRequest;
  readonly facts: FaceFacts;
  readonly numbers: Float64Array;
  readonly waived: Relaxed;
  /** By pair. */
  readonly ways: ReadonlyMap<string, Way>;
  /** Whether only what does not hold need be reported. */
  readonly brief: boolean;
}

/** The aim for a finding of a code that has thresholds. */
export function aimFor({ request, facts, waived }: ConstraintContext, code: FindingCode, subjects: readonly string[]): ConstraintTarget {
  const word = findingWord(code, subjects);
  return aimOf(facts.thresholds[code]!, facts.found.get(word), request, waived.get(waivedKey(facts.index, word)) ?? 0);
}

/** The visual box of a control, mm. */
export function visualOf(numbers: Float64Array, { place }: FaceControl): Shape {
  const at = place * NUMBERS + VISUAL;
  return { shape: "box", x: numbers[at], y: numbers[at + 1], w: numbers[at + 2], h: numbers[at + 3] };
}

/** Where the four numbers of a control's area begin. */
export const areaPlace = ({ place, hasLanding }: FaceControl): number => place * NUMBERS + (hasLanding ? LANDING : HIT);

/** The area that takes a control's touches, mm. */
export function areaOn(numbers: Float64Array, control: FaceControl): Shape {
  const at = areaPlace(control);
  return { shape: control.shape, x: numbers[at], y: numbers[at + 1], w: numbers[at + 2], h: numbers[at + 3] };
}

/** Terms of a box whose numbers begin at a place. */
export const boxTerms = (at: number, weights: readonly number[]): (readonly [number, number])[] => weights.map((weight, k) => [at + k, weight] as const);
