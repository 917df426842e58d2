/** Constraints on the area that two shapes share. */
import type { Point } from "../../engine/geometry/point";
import type { Shape } from "../../engine/geometry/shape";
import type { Target } from "../problem/targets";
import { boxTerms, type Constraint, type ConstraintContext } from "./constraint";
import { shareContact, sharedPart, type Contact, type WholeOf } from "./contact";

/** A share stays below its limit by this much: sums of samples are not exact. */
export const SHARE_MARGIN = 1e-4;
/** Shapes farther apart than this, mm, give no constraint; it comes back as soon as they are nearer. */
export const LOOK_MM = 6;

/** What a constraint of two shapes is about. */
export interface PairSubject {
  readonly code: Constraint["code"];
  readonly subjects: readonly string[];
  readonly target: Pick<Target, "requested" | "kept">;
}

/** A contact as a constraint. `at`: where the numbers of its shapes begin; null: the second shape does not change. */
export function* contactConstraint(
  { data }: ConstraintContext,
  { code, subjects, target: { requested, kept } }: PairSubject,
  contact: Contact | null,
  at: readonly [number, number | null],
): Iterable<Constraint> {
  if (!contact) return;
  const terms = [...boxTerms(at[0], contact.a), ...(at[1] === null ? [] : boxTerms(at[1], contact.b))];
  yield { code, subjects, scenario: data.index, requested, kept, value: contact.value, terms };
}

/** Two shapes, the area that their share refers to, the direction of separation, and where their numbers begin (null: they do not change). */
export interface Sharing {
  readonly a: Shape;
  readonly b: Shape;
  readonly of: WholeOf;
  readonly along?: Point;
  readonly at: readonly [number, number | null];
}

/** Two shapes share no more than a target allows. */
export function* shareConstraint(
  context: ConstraintContext,
  subject: PairSubject & { readonly target: Target },
  { a, b, of, along, at }: Sharing,
): Iterable<Constraint> {
  const share = subject.target.measure - (subject.target.kept ? 0 : SHARE_MARGIN);
  if (context.brief && sharedPart(a, b, of) <= share) return;
  yield* contactConstraint(context, subject, shareContact(a, b, { of, share }, along), at);
}
