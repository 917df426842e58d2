/**
 * Whether an SVG may be shown: it draws and does nothing else, it reaches for nothing outside itself, and drawing it costs no more than the
 * limits say. A scan of our own, strict where a browser is lenient: what is not well-formed XML is refused, so that nothing can be one thing
 * to this scan and another to whoever draws it. (Who draws it cleans it once more, and shows it as an image, in which no script runs.)
 *
 * What drawing costs is counted, not tried: every use, mask, pattern, filter, marker and clip path draws what it refers to once more, and
 * what that refers to again, so a few hundred bytes can ask for millions of elements.
 */
import { PICTURES } from "../limits";
import { readXml, type XmlElement } from "./xml";

/** What may not are in an SVG, whatever prefix it wears. */
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

/** Elements that represent a their own picture while they are drawn. */
const LAYERS: ReadonlySet<string> = new Set(["mask", "pattern", "filter"]);
/** References that draw what they lead to once more; others (a gradient's to another) copy figures. */
const NESTED: ReadonlySet<string> = new Set(["use", "mask", "pattern", "filter"]);

/** Steps of a filter that cost many times what the others do. */
const SLOW_STEPS: ReadonlyMap<string, number> = new Map([
  ["femorphology", 16],
  ["feturbulence", 8],
  ["feconvolvematrix", 8],
  ["fediffuselighting", 8],
  ["fespecularlighting", 8],
  ["fedisplacementmap", 8],
]);
const stepsOf = (kind: string): number => (kind.startsWith("fe") ? (SLOW_STEPS.get(kind) ?? 1) : 0);

/** The name without its prefix, in small letters: how HTML's reader sees it. */
const plain = (name: string) => name.slice(name.lastIndexOf(":") + 1).toLowerCase();

/** Why an SVG may not be shown, as the end of a sentence; null where it may. */
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
/** Every url() of a value leads to something in the drawing. */
const isQuietValue = (value: string) => !/url\s*\(\s*(?!\s*["']?\s*#)/i.test(value);
/** In a style sheet in addition: nothing is brought in, and nothing is hidden behind a backslash or a comment within a word. */
const isQuietStyle = (value: string) => isQuietValue(value) && !/@import|\\|image\s*\(|image-set|src\s*\(|expression\s*\(/i.test(value);

/** What drawing an element comes to: elements, layers, and how deep references are in one another. */
interface Cost {
  readonly elements: number;
  readonly layers: number;
  readonly steps: number;
  readonly depth: number;
}
const NOTHING: Cost = { elements: 1, layers: 0, steps: 0, depth: 0 };

/** How many filters an element brings about by functions of CSS, as in filter="blur(2px)": they need no filter element. */
function filterFunctions({ attributes }: XmlElement): number {
  const count = (value: string) =>
    [...value.matchAll(/(?:blur|drop-shadow|brightness|contrast|grayscale|hue-rotate|invert|opacity|saturate|sepia)\s*\(/gi)].length;
  return attributes.reduce((sum, [name, value]) => (/^(?:filter|style)$/.test(plain(name)) ? sum + count(value) : sum), 0);
}

/** Beyond every limit: sums stay finite. */
const TOO_MANY = 1e9;
/** References of every sort, gradients' to one another among them, lead on at most so often. */
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

/** The ids that an element refers to, by href and by url(). */
function referencesOf({ attributes }: XmlElement): readonly string[] {
  return attributes.flatMap(([name, value]) => {
    if (plain(name) === "href") return [value.trim().slice(1)];
    return [...value.matchAll(/url\s*\(\s*["']?\s*#([^"')\s]*)/gi)].map((match) => match[1]);
  });
}
