/**
 * What may be typed into a number's field: a number, arithmetic on numbers (`24/2`, `3*(2+1)`), or a change of the number
 * that stands there, begun by a sign of its own (`+3`, `*2`, `/2`; a lone minus is a negative number, so `+-3` takes three
 * away). A unit may follow. Commas count as decimal points.
 */
import { formatLength, LENGTH_UNITS, type LengthUnit } from "./length";

/** The number an expression comes to; null where it is not one, or comes to nothing finite. `present`: what stands in the field. */
export function calculate(text: string, present: number): number | null {
  const compact = text.replace(/,/g, ".").replace(/\s+/g, "");
  const relative = /^[+*/]/.test(compact);
  const source = relative ? `${String(present)}${compact}` : compact;
  let at = 0;
  const peek = () => source[at];
  const factor = (): number => {
    if (peek() === "-" || peek() === "+") return source[at++] === "-" ? -factor() : factor();
    if (peek() === "(") {
      at += 1;
      const inner = sum();
      if (source[at++] !== ")") throw new SyntaxError();
      return inner;
    }
    const digits = /^(\d+\.?\d*|\.\d+)(e-?\d+)?/.exec(source.slice(at));
    if (!digits) throw new SyntaxError();
    at += digits[0].length;
    return Number(digits[0]);
  };
  const product = (): number => {
    let value = factor();
    while (peek() === "*" || peek() === "/") value = source[at++] === "*" ? value * factor() : value / factor();
    return value;
  };
  const sum = (): number => {
    let value = product();
    while (peek() === "+" || peek() === "-") value = source[at++] === "+" ? value + product() : value - product();
    return value;
  };
  try {
    const value = sum();
    return at === source.length && Number.isFinite(value) ? value : null;
  } catch (error) {
    if (error instanceof SyntaxError) return null;
    throw error;
  }
}

/** A typed length: arithmetic, then a unit, or none for the unit that stands there. Null where it is none. */
export function calculateLength(text: string, present: { amount: number; unit: LengthUnit }): { amount: number; unit: LengthUnit } | null {
  const compact = text.trim().replace(/\s+/g, "");
  const unit = [...LENGTH_UNITS].sort((a, b) => b.length - a.length).find((u) => compact.toLowerCase().endsWith(u));
  const amount = calculate(unit ? compact.slice(0, compact.length - unit.length) : compact, present.amount);
  return amount === null ? null : { amount, unit: unit ?? present.unit };
}

/** A typed length as the file writes it. */
export function lengthTyped(text: string, present: { amount: number; unit: LengthUnit }): string | null {
  const length = calculateLength(text, present);
  return length && formatLength(length.amount, length.unit);
}
