/** Markup as text: SVG and HTML elements whose words can be anything at all. */

const ESCAPES: Readonly<Record<string, string>> = { "&": "&amp;", "<": "&lt;", ">": "&gt;", '"': "&quot;", "'": "&#39;" };

/** A text as markup: the five signs escaped; characters that XML forbids (1.0, section 2.2) omitted. */
export function escaped(text: string): string {
  return text.replace(/[^\u0009\u000a\u000d\u0020-\ud7ff\ue000-\ufffd\u{10000}-\u{10ffff}]/gu, "").replace(/[&<>"']/g, (sign) => ESCAPES[sign]);
}

/** Attributes by name; null and undefined are omitted, numbers written to a thousandth. */
export type Attributes = Readonly<Record<string, string | number | null | undefined>>;

/** A number to a thousandth, without a needless end. */
export const figure = (value: number): string => String(Math.round(value * 1000) / 1000 + 0);

/** An element. `inside`: markup that is whole already; absent, the element is empty. */
export function element(name: string, attributes: Attributes, inside?: string): string {
  const written = Object.entries(attributes)
    .flatMap(([key, value]) => (value === null || value === undefined ? [] : [` ${key}="${typeof value === "number" ? figure(value) : escaped(value)}"`]))
    .join("");
  return inside === undefined ? `<${name}${written}/>` : `<${name}${written}>${inside}</${name}>`;
}
