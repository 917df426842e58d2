/**
 * Lengths as the file writes them: a number and a unit in one string, `12mm`, `-3.5%min`.
 * What a unit comes to in px depends on the screen and the frame; that is decided in core/placement.
 */
export const LENGTH_UNITS = ["u", "mm", "px", "%w", "%h", "%min", "%max"] as const;
/** u: layout units · mm · px: device pixels · %w %h %min %max: hundredths of the frame's width, height, shorter, longer side. */
export type LengthUnit = (typeof LENGTH_UNITS)[number];
/** A length as the file writes it: digits, optionally a minus before and decimals after, then the unit: `12mm`, `-3.5%min`. */
export type LengthText = string;

/** A length taken apart. `amount` is finite. */
export interface Length {
  readonly amount: number;
  readonly unit: LengthUnit;
}

const PATTERN = /^(-?\d+(?:\.\d+)?)(u|mm|px|%w|%h|%min|%max)$/;
/** The pattern of a length in the file, for the schema. */
export const LENGTH_PATTERN = PATTERN;

/** Lengths by their text, so that a text is looked at once and not with every frame of a drag; what has been written is known already. */
const KNOWN = new Map<string, Length>();
/** So many texts are kept; then all are forgotten and read again. */
const MOST_KNOWN = 8192;

function remember(text: string, length: Length): Length {
  if (KNOWN.size >= MOST_KNOWN) KNOWN.clear();
  KNOWN.set(text, length);
  return length;
}

/** Reads a length; null when the text is not one. */
export function parseLength(text: string): Length | null {
  const known = KNOWN.get(text);
  if (known) return known;
  const match = PATTERN.exec(text);
  if (!match) return null;
  const amount = Number(match[1]);
  return Number.isFinite(amount) ? remember(text, { amount, unit: match[2] as LengthUnit }) : null;
}

/** Reads a length that has already passed the schema. Throws on anything else: that is a bug of the caller. */
export function lengthOf(text: string): Length {
  const length = parseLength(text);
  if (!length) throw new Error(`not a length behind the door: ${text}`);
  return length;
}

/** Writes a length, shortest form, at most six decimals (a millionth of any unit is below what placement can show). */
export function formatLength(amount: number, unit: LengthUnit): string {
  const digits = formatAmount(amount);
  const text = `${digits}${unit}`;
  // From 1e21 on digits come with an exponent, which no length has; such a text is refused when it is read.
  const written = Math.abs(amount) < 1e21 ? Number(digits) : NaN;
  if (!KNOWN.has(text) && Number.isFinite(written)) remember(text, { amount: written, unit });
  return text;
}

/** The same length in its shortest spelling: `8.0mm` → `8mm`. Digits are kept, never rounded. */
export function canonicalLength(text: string): string {
  if (isShortest(text)) return text;
  const match = PATTERN.exec(text);
  if (!match) return text;
  let digits = match[1];
  if (digits.includes(".")) digits = digits.replace(/0+$/, "").replace(/\.$/, "");
  digits = digits.replace(/^(-?)0+(?=\d)/, "$1");
  return `${digits === "-0" ? "0" : digits}${match[2]}`;
}

/** Whether a length that is known is in its shortest spelling; false where that would have to be looked at. */
function isShortest(text: string): boolean {
  const known = KNOWN.get(text);
  return known !== undefined && `${known.amount}${known.unit}` === text && text !== `-0${known.unit}`;
}

function formatAmount(amount: number): string {
  const text = amount.toFixed(6).replace(/0+$/, "").replace(/\.$/, "");
  return text === "-0" ? "0" : text;
}

/** What to write instead of a text that is no length, as the end of an error message. */
export function lengthAdvice(text: string): string {
  const loose = /^\s*([-+]?)(\d*\.?\d+)\s*([a-z%]*)\s*$/i.exec(text);
  if (!loose) return `write a number and a unit of ${LENGTH_UNITS.join(" ")}, such as "12mm"`;
  const digits = `${loose[1] === "-" ? "-" : ""}${loose[2].startsWith(".") ? `0${loose[2]}` : loose[2]}`;
  const unit = LENGTH_UNITS.find((known) => known === loose[3].toLowerCase());
  return unit ? `write "${digits}${unit}"` : `give it a unit of ${LENGTH_UNITS.join(" ")}, such as "${digits}u"`;
}
