/**
 * Decides whether an SVG may be shown: it only draws, refers to nothing outside itself, and its drawing cost is within the limits. The scan is
 * stricter than a browser: it rejects XML that is not well-formed, so that the scan and the renderer cannot disagree. (The renderer sanitizes it
 * again and shows it as an image, in which no script runs.)
 *
 * The cost is counted, not measured: each use, mask, pattern, filter, marker and clip path draws what it refers to again, so a few hundred
 * bytes can produce millions of elements.
 */
import { PICTURES } from "../limits";
import { readXml, type XmlElement } from "./xml";

/** Elements that are not allowed in an SVG, with any prefix. */
const FORBIDDEN: ReadonlyMap<string, string> = new Map([
  ["script", "a script"],
  ["foreignobject", "a foreign object"],
  ["iframe", "a frame"],
  ["object", "an object"],
  ["embed", "an object"],
  ["handler", "an event handler"],
  ["listener", "an event handler"],
  ["audio", "a sound"],
  ["video", "a film"],
]);

/** Elements that need a separate layer while they are drawn. */
const LAYERS: ReadonlySet<string> = new Set(["mask", "pattern", "filter"]);
/** References that draw their target again; others (between gradients) only copy values. */
const NESTED: ReadonlySet<string> = new Set(["use", "mask", "pattern", "filter"]);

/** Filter steps that cost many times more than others. */
const SLOW_STEPS: ReadonlyMap<string, number> = new Map([
  ["femorphology", 16],
  ["feturbulence", 8],
  ["feconvolvematrix", 8],
  ["fediffuselighting", 8],
  ["fespecularlighting", 8],
  ["fedisplacementmap", 8],
]);
const stepsOf = (kind: string): number => (kind.startsWith("fe") ? (SLOW_STEPS.get(kind) ?? 1) : 0);

/** Returns the name without prefix in lower case, as an HTML parser sees it. */
const plain = (name: string) => name.slice(name.lastIndexOf(":") + 1).toLowerCase();

/** Returns why an SVG may not be shown, as the end of a sentence; null if it may. */
export function svgProblem(text: string): string | null {
  const read = readXml(text, PICTURES.svgElements.most);
  if ("problem" in read) return read.problem;
  if (plain(read.root.name) !== "svg") return `is not an SVG: it begins with <${read.root.name.slice(0, 40)}>`;
  for (const element of read.elements) {
    const problem = elementProblem(element);
    if (problem) return problem;
  }
  return costProblem(read.root, read.elements);
}

function elementProblem({ name, attributes, text }: XmlElement): string | null {
  const kind = plain(name);
  const forbidden = FORBIDDEN.get(kind);
  if (forbidden) return `contains ${forbidden} (<${name.slice(0, 40)}>); remove it`;
  if (kind === "style" && !isQuietStyle(text)) return OUTSIDE_STYLE;
  for (const [attribute, value] of attributes) {
    const which = plain(attribute);
    if (which.startsWith("on")) return `contains an event handler (${attribute.slice(0, 40)}); remove it`;
    if (which === "base" || which === "src") return `refers to something outside the file (${attribute}); remove it`;
    if (which === "href" && value.trim() !== "" && !/^\s*#/.test(value))
      return `refers to something outside the file (${attribute}="${value.slice(0, 40)}"); embed it`;
    if (which === "attributename" && /^\s*(?:xlink:)?href\s*$|^\s*on/i.test(value)) return `animates a reference (${kind}); remove it`;
    if (which === "numoctaves" && !(Number(value) <= PICTURES.svgOctaves.most)) return `is too slow to draw: ${PICTURES.svgOctaves.words}`;
    if (which === "style" ? !isQuietStyle(value) : !isQuietValue(value)) return OUTSIDE_STYLE;
  }
  return null;
}

const OUTSIDE_STYLE = "has a style that may refer to something outside the file (url, @import, a backslash); remove it";
/** Every url() of a value must refer to an element of the drawing. */
const isQuietValue = (value: string) => !/url\s*\(\s*(?!\s*["']?\s*#)/i.test(value);
/** A style sheet must also not import anything, nor hide something behind a backslash or comment. */
const isQuietStyle = (value: string) => isQuietValue(value) && !/@import|\\|image\s*\(|image-set|src\s*\(|expression\s*\(/i.test(value);

/** The drawing cost of an element: elements, layers, and nesting of references. */
interface Cost {
  readonly elements: number;
  readonly layers: number;
  readonly steps: number;
  readonly depth: number;
}
const NOTHING: Cost = { elements: 1, layers: 0, steps: 0, depth: 0 };

/** Returns the number of CSS filter functions of an element, as in filter="blur(2px)". */
function filterFunctions({ attributes }: XmlElement): number {
  const count = (value: string) =>
    [...value.matchAll(/(?:blur|drop-shadow|brightness|contrast|grayscale|hue-rotate|invert|opacity|saturate|sepia)\s*\(/gi)].length;
  return attributes.reduce((sum, [name, value]) => (/^(?:filter|style)$/.test(plain(name)) ? sum + count(value) : sum), 0);
}

/** Above every limit, so that sums stay finite. */
const TOO_MANY = 1e9;
/** Maximum length of a chain of references of any kind. */
const MOST_REFERENCES = 16;

function costProblem(root: XmlElement, elements: readonly XmlElement[]): string | null {
  const byId = new Map<string, XmlElement>();
  for (const element of elements) for (const [name, value] of element.attributes) if (plain(name) === "id" && !byId.has(value)) byId.set(value, element);
  const sheet = elements.some((e) => plain(e.name) === "style" && /url\s*\(/i.test(e.text));
  if (sheet) return "has a style sheet with references (url); write them as attributes";
  const costs = new Map<XmlElement, Cost | "under way">();
  let problem: string | null = null;
  const costOf = (element: XmlElement, references: number): Cost => {
    const known = costs.get(element);
    if (known !== undefined && known !== "under way") return known;
    if (known === "under way") problem ??= "refers to itself in a circle; draw the content directly";
    if (references > MOST_REFERENCES) problem ??= `is too deep: references are nested more than ${MOST_REFERENCES} times`;
    if (problem !== null) return NOTHING;
    costs.set(element, "under way");
    const kind = plain(element.name);
    const cost = { elements: 1, layers: LAYERS.has(kind) ? 1 : 0, steps: stepsOf(kind) + filterFunctions(element), depth: 0 };
    for (const child of element.children) add(cost, costOf(child, references), 0);
    for (const id of referencesOf(element)) {
      const target = byId.get(id);
      if (target) add(cost, costOf(target, references + 1), NESTED.has(plain(target.name)) || kind === "use" ? 1 : 0);
    }
    costs.set(element, cost);
    return cost;
  };
  const whole = costOf(root, 0);
  if (problem !== null) return problem;
  if (whole.depth > PICTURES.svgNesting.most) return `is too deep: ${PICTURES.svgNesting.words}`;
  if (whole.elements > PICTURES.svgElements.most) return `is too large: ${PICTURES.svgElements.words}`;
  if (whole.steps > PICTURES.svgFilterSteps.most) return `is too slow to draw: ${PICTURES.svgFilterSteps.words}`;
  return whole.layers > PICTURES.svgLayers.most ? `is too slow to draw: ${PICTURES.svgLayers.words}` : null;
}

function add(sum: { elements: number; layers: number; steps: number; depth: number }, more: Cost, deeper: number): void {
  sum.elements = Math.min(TOO_MANY, sum.elements + more.elements);
  sum.layers = Math.min(TOO_MANY, sum.layers + more.layers);
  sum.steps = Math.min(TOO_MANY, sum.steps + more.steps);
  sum.depth = Math.max(sum.depth, more.depth + deeper);
}

/** Returns the ids that an element refers to by href and url(). */
function referencesOf({ attributes }: XmlElement): readonly string[] {
  return attributes.flatMap(([name, value]) => {
    if (plain(name) === "href") return [value.trim().slice(1)];
    return [...value.matchAll(/url\s*\(\s*["']?\s*#([^"')\s]*)/gi)].map((match) => match[1]);
  });
}
