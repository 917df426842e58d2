/** Wishes of what is next to another: areas that neither lie on each other nor too near, zones that stay free, rows that keep their order. */
import { clearance, isWithin } from "../engine/geometry/distance";
import { centreOf, type Box, type Point } from "../engine/geometry/point";
import type { Shape } from "../engine/geometry/shape";
import type { FindingCode } from "../checks/finding";
import { LENGTH_SLACK } from "../engine/geometry/tolerances";
import { findingWord, type ConstraintTarget } from "./aims";
import { depthContact, gapContact, shareContact, sharedPart, type Contact, type WholeOf } from "./contact";
import { NUMBERS, VISUAL } from "./scenarios";
import { SHARE_SPARE } from "./placeConstraints";
import { leavesNotes } from "./request";
import {
  aimFor,
  areaOn,
  isShownWith,
  areaPlace,
  boxTerms,
  pairWord,
  visualOf,
  type FaceControl,
  type Way,
  type Constraint,
  type ConstraintContext,
} from "./constraints";

/** What is farther apart than this, mm, has no say in a step; if one does go so far, it has one in the next. */
const LOOK_MM = 6;
/** How deep areas that may share a little lie in each other at least, mm: where they only touched, they would be too close. */
const LEAST_DEPTH_MM = 0.02;

/** The wishes of everything on a face that is next to something else. */
export function* pairWishes(wishing: ConstraintContext): Iterable<Constraint> {
  const { facts, numbers, request } = wishing;
  for (const [a, b] of facts.pairs) yield* clear(wishing, a, b);
  for (const under of facts.controls) if (under.own && !under.underlay) yield* unburied(wishing, under);
  for (const zone of facts.zones)
    for (const one of facts.controls) {
      if (!isShownWith(request, one.control, zone)) continue;
      if (zone.taps) yield* free(wishing, "touch/steals", one, { id: zone.id, box: zone.box, area: areaOn(numbers, one), at: areaPlace(one) });
      if (one.control.kind !== "touchpad" && one.control.kind !== "swipe")
        yield* free(wishing, "view/covered", one, { id: zone.id, box: zone.box, area: visualOf(numbers, one), at: one.place * NUMBERS + VISUAL });
    }
  yield* inLine(wishing);
  yield* withThumbs(wishing);
}

/** What a wish is about, and how far it may go. */
interface About {
  readonly code: Constraint["code"];
  readonly subjects: readonly string[];
  readonly aim: Pick<ConstraintTarget, "wanted" | "kept">;
}

/** What is not asked for, and may not come. */
const STAYS = { wanted: false, kept: false } as const;

/** A contact as a wish; `at`: where the numbers of its shapes begin. */
function* contactWish(
  { facts }: ConstraintContext,
  { code, subjects, aim }: About,
  contact: Contact | null,
  at: readonly [number, number | null],
): Iterable<Constraint> {
  if (!contact) return;
  const terms = [...boxTerms(at[0], contact.a), ...(at[1] === null ? [] : boxTerms(at[1], contact.b))];
  yield { code, subjects, face: facts.index, wanted: aim.wanted, kept: aim.kept, value: contact.value, terms };
}

/** The direction that a pair is reported, as this face sees it. */
function wayOn({ facts }: ConstraintContext, way: Way | undefined): Point | undefined {
  return way?.along ? (facts.face.mirrored ? { x: -way.along.x, y: way.along.y } : way.along) : undefined;
}

/** The direction (from an area to a zone that it lies on) along which the area is out of it soonest without leaving a frame; none where every way leaves it. */
function wayOut(area: Box, zone: Box, frame: Box): Point | undefined {
  const ways = [
    { along: { x: 1, y: 0 }, by: area.x + area.w - zone.x, fits: zone.x - area.w >= frame.x },
    { along: { x: -1, y: 0 }, by: zone.x + zone.w - area.x, fits: zone.x + zone.w + area.w <= frame.x + frame.w },
    { along: { x: 0, y: 1 }, by: area.y + area.h - zone.y, fits: zone.y - area.h >= frame.y },
    { along: { x: 0, y: -1 }, by: zone.y + zone.h - area.y, fits: zone.y + zone.h + area.h <= frame.y + frame.h },
  ];
  const soonest = Math.min(...ways.map(({ by }) => by));
  const free = ways.filter(({ fits }) => fits);
  // Where the soonest way is free anyway, the shapes themselves say it better.
  if (free.length === 0 || free.some(({ by }) => by <= soonest)) return undefined;
  return free.reduce((a, b) => (b.by < a.by ? b : a)).along;
}

/** Shapes about one middle come free upwards: any side is as good, and this one is its own mirror. */
function awayFrom(a: Shape, b: Shape): Point | undefined {
  const [p, q] = [centreOf(a), centreOf(b)];
  return Math.abs(p.x - q.x) + Math.abs(p.y - q.y) < 1e-6 ? { x: 0, y: -1 } : undefined;
}

/** Two shapes, what they share being a part of one of them, and where their numbers begin (null: they do not change). */
interface Sharing {
  readonly a: Shape;
  readonly b: Shape;
  readonly of: WholeOf;
  readonly along?: Point;
  readonly at: readonly [number, number | null];
}

/** That two shapes share no more than an aim allows. */
function* shareWish(wishing: ConstraintContext, about: About & { readonly aim: ConstraintTarget }, { a, b, of, along, at }: Sharing): Iterable<Constraint> {
  const share = about.aim.measure - spareOf(about.aim);
  if (wishing.brief && sharedPart(a, b, of) <= share) return;
  yield* contactWish(wishing, about, shareContact(a, b, { of, share }, along), at);
}

const spareOf = ({ kept }: ConstraintTarget) => (kept ? 0 : SHARE_SPARE);

/** Two areas, both ground or neither: they share less than would be found, or keep the wanted gap. */
function* clear(wishing: ConstraintContext, a: FaceControl, b: FaceControl): Iterable<Constraint> {
  const { facts, numbers, ways } = wishing;
  const [one, two] = [areaOn(numbers, a), areaOn(numbers, b)];
  if (!(one.w > 0 && one.h > 0 && two.w > 0 && two.h > 0) || !isWithin(one, two, LOOK_MM)) return;
  const subjects = [a.control.id, b.control.id];
  const at = [areaPlace(a), areaPlace(b)] as const;
  const way = ways.get(pairWord(a.control.id, b.control.id));
  const along = wayOn(wishing, way) ?? awayFrom(one, two);
  const overlap = aimFor(wishing, "touch/overlap", subjects);
  const close = aimFor(wishing, "touch/close", subjects);
  // Where notes are free no gap is wanted: areas may come as near as no warning says otherwise.
  const gap = leavesNotes(wishing.request) ? 0 : facts.thresholds["touch/close"]![0].measure;
  const isFound = (code: FindingCode) => facts.found.has(findingWord(code, subjects));
  const depth = a.underlay ? 0 : -clearance(areaOn(facts.origin, a), areaOn(facts.origin, b)).px;
  const lay = depth > LENGTH_SLACK;
  if (!a.underlay && gap > 0 && !(lay && !way?.apart)) {
    // Apart already, or told to be: the gap is what is asked for, or what there was.
    const aim = lay ? { ...overlap, measure: gap } : isFound("touch/close") ? close : { ...close, measure: gap };
    const about = { code: lay ? "touch/overlap" : "touch/close", subjects, aim } as const;
    const [seenOne, seenTwo] = [visualOf(numbers, a), visualOf(numbers, b)];
    // Either distance will do: the one that is larger now is held.
    if (clearance(seenOne, seenTwo).px > Math.max(0, clearance(one, two).px)) {
      const seenAt = [a.place * NUMBERS + VISUAL, b.place * NUMBERS + VISUAL] as const;
      yield* contactWish(wishing, about, gapContact(seenOne, seenTwo, aim.measure, along), seenAt);
      yield* contactWish(wishing, { ...about, code: "touch/overlap" }, gapContact(one, two, 0, along), at);
    } else yield* contactWish(wishing, about, gapContact(one, two, aim.measure, along), at);
    return;
  }
  yield* shareWish(wishing, { code: "touch/overlap", subjects, aim: overlap }, { a: one, b: two, of: "smaller", along, at });
  if (!a.underlay && gap > 0)
    yield* contactWish(wishing, { code: "touch/close", subjects, aim: STAYS }, depthContact(one, two, Math.min(LEAST_DEPTH_MM, depth / 2)), at);
}

/** What lies under ground drawn above it keeps the most of its touches. */
function* unburied(wishing: ConstraintContext, under: FaceControl): Iterable<Constraint> {
  const { facts, numbers } = wishing;
  const area = areaOn(numbers, under);
  for (const above of facts.controls) {
    if (!above.own || !above.underlay || above.place < under.place) continue;
    const cover = areaOn(numbers, above);
    if (!isShownWith(wishing.request, under.control, above.control) || !isWithin(area, cover, LOOK_MM)) continue;
    const aim = aimFor(wishing, "touch/buried", [under.control.id]);
    yield* shareWish(
      wishing,
      { code: "touch/buried", subjects: [under.control.id], aim },
      { a: area, b: cover, of: "a", at: [areaPlace(under), areaPlace(above)] },
    );
  }
}

/** A zone that a control leaves free. */
function* free(
  wishing: ConstraintContext,
  code: "touch/steals" | "view/covered",
  { control }: FaceControl,
  { id, box, area, at }: { readonly id: string; readonly box: Shape; readonly area: Shape; readonly at: number },
): Iterable<Constraint> {
  if (!(box.w > 0 && box.h > 0) || !isWithin(area, box, LOOK_MM)) return;
  const aim = aimFor(wishing, code, [control.id, id]);
  const way = wishing.ways.get(pairWord(control.id, id));
  const along = wayOn(wishing, way) ?? awayFrom(area, box) ?? (isWithin(area, box, 0) ? wayOut(area, box, wishing.facts.face.frames.safe) : undefined);
  yield* shareWish(wishing, { code, subjects: [control.id, id], aim }, { a: area, b: box, of: "b", along, at: [at, null] });
}

const middle = (numbers: Float64Array, place: number, axis: 0 | 1) =>
  numbers[place * NUMBERS + VISUAL + axis] + numbers[place * NUMBERS + VISUAL + axis + 2] / 2;

/** What is set in a row or a column keeps its order there. */
function* inLine({ facts, numbers }: ConstraintContext): Iterable<Constraint> {
  const places = new Map(facts.controls.map((s) => [s.control.id, s.place]));
  for (const { along, ids } of facts.lines) {
    const axis = along === "x" ? 0 : 1;
    const there = ids.filter((id) => places.has(id)).map((id) => ({ id, place: places.get(id)! }));
    there.sort((a, b) => middle(facts.origin, a.place, axis) - middle(facts.origin, b.place, axis));
    for (let i = 0; i + 1 < there.length; i += 1) {
      const [before, after] = [there[i], there[i + 1]];
      const [p, q] = [before.place * NUMBERS + VISUAL + axis, after.place * NUMBERS + VISUAL + axis];
      const value = middle(numbers, after.place, axis) - middle(numbers, before.place, axis);
      const terms = [[q, 1], [q + 2, 0.5], [p, -1], [p + 2, -0.5]] as const; // prettier-ignore
      yield { code: "held/line", subjects: [before.id, after.id], face: facts.index, wanted: false, kept: true, value, terms };
    }
  }
}

/** One thumb lies on two buttons at once when they are at most this far apart, mm (section 3 of the model). */
const ONE_THUMB_GAP_MM = 3;

/** What is wanted together stays with the thumb it has, and what one thumb gives at once stays as near. */
function* withThumbs(wishing: ConstraintContext): Iterable<Constraint> {
  const { facts, numbers } = wishing;
  const held = facts.controls.filter((s) => facts.together.has(s.control.id));
  if (facts.pivots.length === 2) {
    const border = (facts.pivots[0].x + facts.pivots[1].x) / 2;
    for (const { control, place } of held) {
      const side = middle(facts.origin, place, 0) <= border ? -1 : 1;
      const at = place * NUMBERS + VISUAL;
      const terms = [[at, side], [at + 2, side / 2]] as const; // prettier-ignore
      yield {
        code: "held/thumb",
        subjects: [control.id],
        face: facts.index,
        wanted: false,
        kept: true,
        value: side * (middle(numbers, place, 0) - border),
        terms,
      };
    }
  }
  for (const [a, b] of facts.pairs) {
    if (!facts.together.has(a.control.id) || !facts.together.has(b.control.id) || a.control.kind !== "button" || b.control.kind !== "button") continue;
    if (!a.control.feel.slideIn && !b.control.feel.slideIn) continue;
    if (clearance(areaOn(facts.origin, a), areaOn(facts.origin, b)).px > ONE_THUMB_GAP_MM) continue;
    const near = depthContact(areaOn(numbers, a), areaOn(numbers, b), -ONE_THUMB_GAP_MM);
    yield* contactWish(wishing, { code: "held/thumb", subjects: [a.control.id, b.control.id], aim: { ...STAYS, kept: true } }, near, [
      areaPlace(a),
      areaPlace(b),
    ]);
  }
}
