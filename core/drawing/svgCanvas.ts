/**
 * A canvas that writes SVG: what draws a control for the game's eyes draws it here too, so that a picture that is handed off is the one
 * that was seen. It has as much of CanvasRenderingContext2D as drawing controls takes. Turns and moves are expected before a path is begun,
 * as there, and each shape carries the matrix that was in force.
 */
import { element, escaped, figure, type Attributes } from "./svgElement";
import { wordWidth } from "../derived/letterWidths";

/** x' = a·x + c·y + e, y' = b·x + d·y + f. */
type Matrix = readonly [a: number, b: number, c: number, d: number, e: number, f: number];
const IDENTITY: Matrix = [1, 0, 0, 1, 0, 0];

/** The matrix that does `inner` first, then `outer`. */
function times([a, b, c, d, e, f]: Matrix, [p, q, r, s, t, u]: Matrix): Matrix {
  return [a * p + c * q, b * p + d * q, a * r + c * s, b * r + d * s, a * t + c * u + e, b * t + d * u + f];
}

/** A picture that can be drawn here: an address of data, so that the drawing needs nothing next to it. */
export interface SvgPicture {
  readonly href: string;
}

/** What `save` keeps and `restore` brings back. */
const KEPT = [
  "matrix",
  "globalAlpha",
  "lineWidth",
  "lineCap",
  "lineJoin",
  "fillStyle",
  "strokeStyle",
  "font",
  "textAlign",
  "textBaseline",
  "direction",
] as const;
type Kept = Pick<SvgCanvas, (typeof KEPT)[number]>;

interface Shape {
  name: string;
  attributes: Record<string, string | number | null>;
  inside?: string;
}

/** From the middle of the letters' em down to their baseline, as a part of it: Archivo's ascent 0.878, descent 0.210. */
const MIDDLE_TO_BASE = 0.334;

/** The canvas. `markup` gives what has been drawn, in order. */
export class SvgCanvas {
  globalAlpha = 1;
  lineWidth = 1;
  lineCap: CanvasLineCap = "butt";
  lineJoin: CanvasLineJoin = "miter";
  fillStyle = "#000000";
  strokeStyle = "#000000";
  font = "10px sans-serif";
  textAlign: CanvasTextAlign = "start";
  textBaseline: CanvasTextBaseline = "alphabetic";
  direction: CanvasDirection = "ltr";
  /** How what is drawn now is turned and moved. */
  matrix: Matrix = IDENTITY;
  private readonly kept: Kept[] = [];
  private path = "";
  private readonly shapes: Shape[] = [];
  private readonly icons = new WeakMap<object, string>();

  /** An icon's path data, as `stroke` takes it here. */
  readonly pathOf = (data: string): Path2D => {
    const path = {};
    this.icons.set(path, data);
    return path as Path2D;
  };
  readonly wordEm = wordWidth;

  markup(): string {
    return this.shapes.map(({ name, attributes, inside }) => element(name, attributes as Attributes, inside)).join("");
  }

  save(): void {
    this.kept.push(Object.fromEntries(KEPT.map((key) => [key, this[key]])) as unknown as Kept);
  }
  restore(): void {
    Object.assign(this, this.kept.pop());
  }
  translate(x: number, y: number): void {
    this.turn([1, 0, 0, 1, x, y]);
  }
  rotate(angle: number): void {
    const [cos, sin] = [Math.cos(angle), Math.sin(angle)];
    this.turn([cos, sin, -sin, cos, 0, 0]);
  }
  scale(x: number, y: number): void {
    this.turn([x, 0, 0, y, 0, 0]);
  }
  private turn(inner: Matrix): void {
    this.matrix = times(this.matrix, inner);
  }

  beginPath(): void {
    this.path = "";
  }
  closePath(): void {
    this.path += "Z";
  }
  moveTo(x: number, y: number): void {
    this.path += `M${figure(x)} ${figure(y)}`;
  }
  lineTo(x: number, y: number): void {
    this.path += `L${figure(x)} ${figure(y)}`;
  }
  quadraticCurveTo(cx: number, cy: number, x: number, y: number): void {
    this.path += `Q${figure(cx)} ${figure(cy)} ${figure(x)} ${figure(y)}`;
  }
  /** A whole ellipse that is not turned: no other is drawn. */
  ellipse(x: number, y: number, rx: number, ry: number): void {
    const half = `A${figure(rx)} ${figure(ry)} 0 1 1 `;
    this.path += `M${figure(x + rx)} ${figure(y)}${half}${figure(x - rx)} ${figure(y)}${half}${figure(x + rx)} ${figure(y)}Z`;
  }
  /** A box whose corners all have one radius. */
  // eslint-disable-next-line @typescript-eslint/max-params -- as a canvas has it
  roundRect(x: number, y: number, w: number, h: number, radii?: unknown): void {
    const r = Math.min(typeof radii === "number" ? radii : 0, w / 2, h / 2);
    const corner = (cx: number, cy: number) => `a${figure(r)} ${figure(r)} 0 0 1 ${figure(cx)} ${figure(cy)}`;
    this.path +=
      `M${figure(x + r)} ${figure(y)}h${figure(w - 2 * r)}${corner(r, r)}v${figure(h - 2 * r)}${corner(-r, r)}` +
      `h${figure(2 * r - w)}${corner(-r, -r)}v${figure(2 * r - h)}${corner(r, -r)}Z`;
  }

  fill(): void {
    this.put("path", { d: this.path, fill: this.fillStyle, "fill-opacity": this.seen() });
  }
  stroke(icon?: unknown): void {
    const { strokeStyle, lineWidth, lineCap, lineJoin } = this;
    const d = icon === undefined ? this.path : this.icons.get(icon as object);
    if (d === undefined) throw new Error("an icon that this canvas has not made; take it from its own pathOf");
    const line = {
      stroke: strokeStyle,
      "stroke-width": lineWidth,
      "stroke-opacity": this.seen(),
      "stroke-linecap": lineCap === "butt" ? null : lineCap,
      "stroke-linejoin": lineJoin === "miter" ? null : lineJoin,
    };
    const last = this.shapes.at(-1);
    // A shape that has just been filled is one shape with its line.
    if (last && last.attributes.d === d && last.attributes.stroke === undefined && last.attributes.transform === this.transform()) {
      Object.assign(last.attributes, line);
    } else this.put("path", { d, fill: "none", ...line });
  }
  // eslint-disable-next-line @typescript-eslint/max-params -- as a canvas has it
  drawImage(picture: unknown, x: number, y: number, width: number, height: number): void {
    this.put("image", { href: (picture as SvgPicture).href, x, y, width, height, preserveAspectRatio: "none", opacity: this.seen() });
  }
  fillText(text: string, x: number, y: number): void {
    const [, weight = "400", size = "10", family = "sans-serif"] = /^(?:(\d+) )?([\d.]+)px (.+)$/.exec(this.font) ?? [];
    const { textAlign, textBaseline, direction } = this;
    this.put(
      "text",
      {
        x,
        y: y + (textBaseline === "middle" ? MIDDLE_TO_BASE * Number(size) : 0),
        "font-family": family.replace(/"/g, "'"),
        "font-weight": weight,
        "font-size": Number(size),
        "text-anchor": textAlign === "center" ? "middle" : null,
        direction: direction === "rtl" ? "rtl" : null,
        fill: this.fillStyle,
        "fill-opacity": this.seen(),
      },
      escaped(text),
    );
  }
  measureText(text: string): TextMetrics {
    return { width: wordWidth(text) * Number(/([\d.]+)px/.exec(this.font)?.[1] ?? 10) } as TextMetrics;
  }

  private put(name: string, attributes: Shape["attributes"], inside?: string): void {
    this.shapes.push({ name, attributes: { ...attributes, transform: this.transform() }, inside });
  }
  private transform(): string | null {
    const { matrix } = this;
    return matrix.every((value, i) => value === IDENTITY[i]) ? null : `matrix(${matrix.map((value) => Number(value.toFixed(6)) + 0).join(" ")})`;
  }
  /** How strongly it is seen; null: wholly. */
  private seen(): number | null {
    return this.globalAlpha === 1 ? null : this.globalAlpha;
  }
}
