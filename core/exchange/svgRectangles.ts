/**
 * Rectangles out of an SVG that was drawn elsewhere: rect, circle, ellipse and image, with the transforms of all they are in (SVG 1.1,
 * chapter 7). What else is drawn, and what only serves to draw other things, is passed over. Nothing is shown and nothing of it runs.
 */
import { readXml, type XmlElement } from "../format/pictures/xml";
import { withoutByteOrderMark } from "../format/parseJson";
import { PICTURES } from "../format/limits";
import type { Box } from "../engine/geometry/point";
import { ok, refused, type Result } from "../engine/result";
import { PORTS } from "../engine/types";
import type { ControlKind } from "../format/types";
import type { DrawnRectangle } from "../wiring/rectangles";

/** A drawing's rectangles, in its own units, its top left corner at the origin; y runs down, as in every SVG. */
export interface DrawnSheet {
  readonly width: number;
  readonly height: number;
  readonly rectangles: readonly DrawnRectangle[];
  /** What was passed over because it has no place that can be reported, by name. */
  readonly passedOver: readonly string[];
}

type Matrix = readonly [number, number, number, number, number, number];
const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];
const times = ([a, b, c, d, e, f]: Matrix, [p, q, r, s, t, u]: Matrix): Matrix => [
  a * p + c * q,
  b * p + d * q,
  a * r + c * s,
  b * r + d * s,
  a * t + c * u + e,
  b * t + d * u + f,
];

const attributesOf = (element: XmlElement): ReadonlyMap<string, string> => new Map(element.attributes);
/** The name of an element without its prefix. */
const plain = (name: string) => name.slice(name.lastIndexOf(":") + 1);

const RADIANS = Math.PI / 180;

/** A list of transforms as one; null where it is none that can be read. @internal exported for its test */
export function readTransform(text: string): Matrix | null {
  let matrix = IDENTITY;
  let rest = text.trim();
  while (rest !== "") {
    const match = /^(matrix|translate|scale|rotate|skewX|skewY)\s*\(([^)]*)\)[\s,]*/.exec(rest);
    if (!match) return null;
    rest = rest.slice(match[0].length);
    const numbers =
      match[2].trim() === ""
        ? []
        : match[2]
            .trim()
            .split(/\s*,\s*|\s+/)
            .map(Number);
    if (numbers.length === 0 || !numbers.every(Number.isFinite)) return null;
    const next = oneTransform(match[1], numbers);
    if (!next) return null;
    matrix = times(matrix, next);
  }
  return matrix;
}

function oneTransform(name: string, n: readonly number[]): Matrix | null {
  switch (name) {
    case "matrix":
      return n.length === 6 ? [n[0], n[1], n[2], n[3], n[4], n[5]] : null;
    case "translate":
      return [1, 0, 0, 1, n[0], n[1] ?? 0];
    case "scale":
      return [n[0], 0, 0, n[1] ?? n[0], 0, 0];
    case "rotate": {
      const [cos, sin] = [Math.cos(n[0] * RADIANS), Math.sin(n[0] * RADIANS)];
      const turn: Matrix = [cos, sin, -sin, cos, 0, 0];
      return n.length < 3 ? turn : times(times([1, 0, 0, 1, n[1], n[2]], turn), [1, 0, 0, 1, -n[1], -n[2]]);
    }
    case "skewX":
      return [1, 0, Math.tan(n[0] * RADIANS), 1, 0, 0];
    case "skewY":
      return [1, Math.tan(n[0] * RADIANS), 0, 1, 0, 0];
    default:
      return null;
  }
}

/** px a unit of CSS (css-values: 96 px an inch). */
const CSS_UNITS: Readonly<Record<string, number>> = { "": 1, px: 1, mm: 96 / 25.4, cm: 96 / 2.54, in: 96, pt: 96 / 72, pc: 16 };

/** A length of an attribute; percent of `whole`. An absent one is `usual`; NaN for what is none. */
function length(text: string | undefined, whole: number, usual = 0): number {
  if (text === undefined) return usual;
  const match = /^\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:e[+-]?\d+)?)\s*(%|px|mm|cm|in|pt|pc|)\s*$/i.exec(text);
  if (!match) return NaN;
  const unit = match[2].toLowerCase();
  return Number(match[1]) * (unit === "%" ? whole / 100 : CSS_UNITS[unit]);
}

/** The box about a rectangle, or about an ellipse that fills it, once it is transformed. */
function boxAfter([a, b, c, d, e, f]: Matrix, { x, y, w, h }: Box, isRound: boolean): Box {
  const [mx, my] = [x + w / 2, y + h / 2];
  const [rx, ry] = [w / 2, h / 2];
  const half = (p: number, q: number) => (isRound ? Math.hypot(p * rx, q * ry) : Math.abs(p * rx) + Math.abs(q * ry));
  const [hw, hh] = [half(a, c), half(b, d)];
  return { x: a * mx + c * my + e - hw, y: b * mx + d * my + f - hh, w: 2 * hw, h: 2 * hh };
}

interface Size {
  readonly w: number;
  readonly h: number;
}

/** A shape's own box and what it is drawn as; null where the element is no such shape, NaN where a figure is none. */
function shapeOf(element: XmlElement, { w, h }: Size): { readonly box: Box; readonly shape: DrawnRectangle["shape"] } | null {
  const of = attributesOf(element);
  const across = (name: string) => length(of.get(name), w);
  const down = (name: string) => length(of.get(name), h);
  const about = (rx: number, ry: number) => ({ x: across("cx") - rx, y: down("cy") - ry, w: 2 * rx, h: 2 * ry });
  switch (plain(element.name)) {
    case "rect": {
      const box = { x: across("x"), y: down("y"), w: across("width"), h: down("height") };
      const r = Math.max(across("rx"), down("ry"));
      return { box, shape: r >= 0.45 * Math.min(box.w, box.h) && r > 0 ? (Math.abs(box.w - box.h) < 1e-6 ? "ellipse" : "capsule") : "box" };
    }
    case "image":
      return { box: { x: across("x"), y: down("y"), w: across("width"), h: down("height") }, shape: null };
    case "circle": {
      const r = length(of.get("r"), Math.hypot(w, h) / Math.SQRT2);
      return { box: about(r, r), shape: "ellipse" };
    }
    case "ellipse":
      return { box: about(across("rx"), down("ry")), shape: "ellipse" };
    default:
      return null;
  }
}

/** What only serves to draw other things. */
const SERVES = new Set(["defs", "clipPath", "mask", "pattern", "symbol", "marker", "filter", "linearGradient", "radialGradient", "metadata", "style"]);

/** What a shape is called: by its title, its label or its id, else by the nearest thing it is in that has one. */
function nameOf(element: XmlElement): string | null {
  const of = attributesOf(element);
  const title = element.children.find((child) => plain(child.name) === "title")?.text.trim();
  const label = [...of].find(([name]) => plain(name) === "label" || name === "aria-label" || name === "data-name")?.[1].trim();
  const id = of.get("id")?.trim();
  return [title, label, id].find((text) => text !== undefined && text !== "") ?? null;
}

const isKind = (text: string | undefined): text is ControlKind => text !== undefined && Object.hasOwn(PORTS, text);

/** Reads the text of an SVG. Of a drawing that Nodulum made, each control is one rectangle, and its areas are none. */
export function readSvgRectangles(source: string): Result<DrawnSheet> {
  const read = readXml(withoutByteOrderMark(source), PICTURES.svgElements.most);
  if ("problem" in read) return refused("", `the SVG ${read.problem}`);
  const { root } = read;
  if (plain(root.name) !== "svg") return refused("", `this is XML, and no SVG: its root is "${root.name}"`);
  const of = attributesOf(root);
  const view = (of.get("viewBox") ?? "")
    .trim()
    .split(/[\s,]+/)
    .map(Number);
  const hasView = view.length === 4 && view.every(Number.isFinite) && view[2] > 0 && view[3] > 0;
  const w = hasView ? view[2] : length(of.get("width"), NaN, NaN);
  const h = hasView ? view[3] : length(of.get("height"), NaN, NaN);
  if (!(w > 0 && h > 0)) return refused("", "the SVG has no size; add a viewBox, or width and height");
  const size = { w, h };
  const rectangles: DrawnRectangle[] = [];
  const passedOver: string[] = [];
  const ours = read.elements.some((element) => attributesOf(element).has("data-control"));
  /** A control of a drawing of ours: the box about all its shapes. */
  const whole = (group: XmlElement, matrix: Matrix) => {
    const told = attributesOf(group);
    const first = group.children.map((child) => ({ child, at: shapeOf(child, size) })).find(({ at }) => at !== null);
    if (!first?.at) return;
    const kind = told.get("data-kind");
    const own = readTransform(attributesOf(first.child).get("transform") ?? "") ?? IDENTITY;
    const box = boxAfter(times(matrix, own), first.at.box, first.at.shape === "ellipse");
    rectangles.push({ name: told.get("data-control")!, box, shape: first.at.shape, kind: isKind(kind) ? kind : null });
  };
  const walk = (element: XmlElement, outer: Matrix, outerName: string | null) => {
    if (SERVES.has(plain(element.name)) || attributesOf(element).get("display") === "none") return;
    const own = readTransform(attributesOf(element).get("transform") ?? "");
    const name = nameOf(element) ?? outerName;
    if (own === null) return void passedOver.push(name ?? element.name);
    const matrix = times(outer, own);
    if (ours && attributesOf(element).has("data-control")) return whole(element, matrix);
    const at = ours ? null : shapeOf(element, size);
    if (at) {
      const box = boxAfter(matrix, at.box, at.shape === "ellipse");
      if ([box.x, box.y, box.w, box.h].every(Number.isFinite) && box.w > 0 && box.h > 0) {
        rectangles.push({ name: name ?? `${plain(element.name)} ${rectangles.length + 1}`, box, shape: at.shape, kind: null });
      } else passedOver.push(name ?? element.name);
    }
    for (const child of element.children) walk(child, matrix, name);
  };
  const start: Matrix = hasView ? [1, 0, 0, 1, -view[0], -view[1]] : IDENTITY;
  for (const child of root.children) walk(child, start, null);
  if (rectangles.length === 0) return refused("", "the SVG has no rect, circle, ellipse or image; draw each control as one of them");
  return ok({ width: w, height: h, rectangles, passedOver });
}
