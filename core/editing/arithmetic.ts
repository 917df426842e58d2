/**
 * What may be typed into a field: a number, arithmetic on numbers (`24/2`, `3*(2+1)`), or a change of the number that is
 * there, begun by its own sign (`+3`, `*2`, `/2`; a lone minus is a negative number, so `+-3` takes three away). Commas count as
 * decimal points. In a length every number may carry its unit; numbers without one take the unit of what they are added to, and a unit
 * at the end alone is that of the whole (`24/2mm`). Lengths of different units are added by what they come to, never by their digits.
 */
import { LENGTH_UNITS, type Length, type LengthUnit } from "../engine/placement/length";

/** A number on its way through an expression; unit null: none said so far. */
interface Quantity {
  readonly amount: number;
  readonly unit: LengthUnit | null;
}
/** What `from` comes to in another unit; null where that cannot be said. */
export type Convert = (from: Length, unit: LengthUnit) => number | null;

const UNITS = [...LENGTH_UNITS].sort((a, b) => b.length - a.length);
class NotAnExpression extends Error {}
const fail = (): never => {
  throw new NotAnExpression();
};

/** The number an expression comes to; null where it is not one, or comes to nothing finite. `present`: what is in the field. */
export function calculate(text: string, present: number): number | null {
  const value = evaluate(text, { amount: present, unit: null }, () => null);
  return value && value.unit === null ? value.amount : null;
}

/** A typed length: what its expression comes to, in the unit it is in, or in that of the field where none is said. Null where it is none. */
export function calculateLength(text: string, present: Length, convert: Convert = () => null): Length | null {
  const value = evaluate(text, present, convert);
  return value && { amount: value.amount, unit: value.unit ?? present.unit };
}

/** The number that is typed where no arithmetic is taken: a comma is a decimal point. NaN where it is none; 0 where nothing is typed. */
export const typedNumber = (text: string): number => Number(text.replace(",", "."));

function evaluate(text: string, present: Quantity, convert: Convert): Quantity | null {
  const source = text.replace(/,/g, ".").replace(/\s+/g, "").toLowerCase();
  let at = 0;
  const number = (): Quantity => {
    const digits = /^(\d+\.?\d*|\.\d+)(e-?\d+)?/.exec(source.slice(at)) ?? fail();
    at += digits[0].length;
    return { amount: Number(digits[0]), unit: unitHere() };
  };
  const unitHere = (): LengthUnit | null => {
    const unit = UNITS.find((u) => source.startsWith(u, at)) ?? null;
    at += unit?.length ?? 0;
    return unit;
  };
  const factor = (): Quantity => {
    if (source[at] === "-" || source[at] === "+") {
      const sign = source[at++] === "-" ? -1 : 1;
      const { amount, unit } = factor();
      return { amount: sign * amount, unit };
    }
    if (source[at] !== "(") return number();
    at += 1;
    const inner = sum(product(factor()));
    if (source[at++] !== ")") fail();
    return { amount: inner.amount, unit: inner.unit ?? unitHere() };
  };
  const product = (first: Quantity): Quantity => {
    let value = first;
    while (source[at] === "*" || source[at] === "/") {
      const times = source[at++] === "*";
      const by = factor();
      // `24/2mm`: the unit at the end is that of the whole. A length times a length is none.
      if (value.unit !== null && by.unit !== null) fail();
      value = { amount: times ? value.amount * by.amount : value.amount / by.amount, unit: value.unit ?? by.unit };
    }
    return value;
  };
  const sum = (first: Quantity): Quantity => {
    let value = first;
    while (source[at] === "+" || source[at] === "-") {
      const sign = source[at++] === "+" ? 1 : -1;
      const next = product(factor());
      const unit = value.unit ?? next.unit;
      const amount = unit === null || next.unit === null || next.unit === unit ? next.amount : convert({ amount: next.amount, unit: next.unit }, unit);
      value = { amount: value.amount + sign * (amount ?? fail()), unit };
    }
    return value;
  };
  try {
    const changes = /^[+*/]/.test(source);
    const value = sum(product(changes ? present : factor()));
    return at === source.length && Number.isFinite(value.amount) ? value : null;
  } catch (error) {
    if (error instanceof NotAnExpression) return null;
    throw error;
  }
}
