/**
 * A layout on a screen as SVG, in layers that can be omitted: glass, keep-clear zones, areas, controls, names, measures, findings. Coordinates
 * are px of the screen; lines and letters keep their size on the paper, whatever the screen.
 */
import type { BareFinding, Severity } from "../checks/finding";
import { SEVERITIES } from "../checks/finding";
import { byId } from "../derived/byId";
import type { Box, Point } from "../engine/geometry/point";
import { centreOf } from "../engine/geometry/point";
import type { Shape } from "../engine/geometry/shape";
import type { Resolved, ResolvedControl } from "../engine/placement/resolve";
import { framesOf, pxPerMm } from "../engine/placement/screen";
import type { Control, ControlKind, Layout } from "../format/types";
import { FIGURES, FINDING_INK, FONT, INK } from "./ink";
import { element, escaped, figure } from "./svgElement";

export const DRAWING_LAYERS = ["glass", "zones", "areas", "controls", "names", "measures", "findings"] as const;
export type DrawingLayer = (typeof DRAWING_LAYERS)[number];

export interface DrawingOptions {
  readonly layers: readonly DrawingLayer[];
  /** mm of the screen a mm of the paper: 1 is life size, 2 is half of it. */
  readonly shrinks: number;
  /** What ids in the drawing begin with, so that several can be in one document. */
  readonly prefix?: string;
  /** What is marked in the layer of findings. */
  readonly findings?: readonly BareFinding[];
  /** Where it is within another drawing whose units are mm; absent: it is by itself. */
  readonly within?: Point;
}

/** px of the screen a mm of the paper, and the drawing's ids. */
interface Pen {
  readonly mm: number;
  readonly id: (name: string) => string;
}

/** A drawing as one element, `width` and `height` in mm of the paper. `resolved` is of that layout. */
export function layoutDrawing(layout: Layout, resolved: Resolved, options: DrawingOptions): string {
  const { screen } = resolved;
  const pen: Pen = { mm: pxPerMm(screen) * options.shrinks, id: (name) => `${options.prefix ?? ""}${name}` };
  const has = (layer: DrawingLayer) => options.layers.includes(layer);
  const layer = (name: DrawingLayer, inside: () => string) => (has(name) ? element("g", { id: pen.id(`layer.${name}`), "data-layer": name }, inside()) : "");
  const controls = byId(layout.controls);
  const each = (draw: (at: ResolvedControl, control: Control) => string) => resolved.controls.map((at) => draw(at, controls.get(at.id)!)).join("");
  const zones = byId(layout.keepClear);
  return element(
    "svg",
    {
      xmlns: "http://www.w3.org/2000/svg",
      ...placeOf(screen.widthPx / pen.mm, screen.heightPx / pen.mm, options.within),
      viewBox: `0 0 ${figure(screen.widthPx)} ${figure(screen.heightPx)}`,
      role: "img",
      "aria-label": `${layout.name} on ${screen.name}`,
    },
    patterns(pen) +
      layer("glass", () => glass(layout, resolved, pen)) +
      layer("zones", () => resolved.keepClear.map((zone) => zoneArea(zone, zones.get(zone.id)?.name ?? zone.id, pen)).join("")) +
      layer("areas", () => each((at, control) => areasOf(at, control, pen))) +
      layer("controls", () =>
        each((at, control) => element("g", { id: pen.id(at.id), "data-control": at.id, "data-kind": control.kind }, body(at, control, pen))),
      ) +
      layer("names", () => each((at, control) => (isUnderAnother(at, resolved) ? "" : nameIn(at.visual, control.name, pen)))) +
      layer("measures", () => each((at) => measureOf(at, pxPerMm(screen), pen))) +
      layer("findings", () => marks(resolved, options.findings ?? [], pen)),
  );
}

/** Its sides in mm: of the paper, or of the drawing it is in. */
const placeOf = (w: number, h: number, within: Point | undefined) =>
  within === undefined ? { width: `${figure(w)}mm`, height: `${figure(h)}mm` } : { x: within.x, y: within.y, width: w, height: h };

const line = (pen: Pen, mm: number, colour: string = INK.ink) => ({ fill: "none", stroke: colour, "stroke-width": mm * pen.mm });

function patterns(pen: Pen): string {
  const pattern = (name: string, size: number, turned: boolean, inside: string) =>
    element(
      "pattern",
      {
        id: pen.id(`pattern.${name}`),
        width: size * pen.mm,
        height: size * pen.mm,
        patternUnits: "userSpaceOnUse",
        patternTransform: turned ? "rotate(45)" : null,
      },
      inside,
    );
  const side = (size: number) => figure(size * pen.mm);
  return element(
    "defs",
    {},
    pattern("hatch", 1.3, true, element("path", { d: `M0 0V${side(1.3)}`, ...line(pen, 0.12, INK.hit) })) +
      pattern("dots", 1.8, false, element("circle", { cx: 0.9 * pen.mm, cy: 0.9 * pen.mm, r: 0.16 * pen.mm, fill: INK.land })) +
      pattern("cross", 1.5, true, element("path", { d: `M0 0V${side(1.5)}M0 0H${side(1.5)}`, ...line(pen, 0.12, INK.clear) })),
  );
}

/** The glass: its outline, cut-outs, and the safe frame in long dashes. */
function glass(layout: Layout, { screen }: Resolved, pen: Pen): string {
  const { widthPx: w, heightPx: h, cornerPx, cutouts } = screen;
  const { safe } = framesOf(screen, layout.picture);
  const isWhole = safe.x <= 0 && safe.y <= 0 && safe.w >= w && safe.h >= h;
  const half = 0.15 * pen.mm;
  return (
    element("rect", { x: half, y: half, width: w - 2 * half, height: h - 2 * half, rx: cornerPx, ...line(pen, 0.3), fill: INK.paper }) +
    cutouts.map((c) => element("rect", { x: c.x, y: c.y, width: c.w, height: c.h, fill: INK.ink })).join("") +
    (isWhole ? "" : element("rect", { ...sides(safe), ...line(pen, 0.15), "stroke-dasharray": `${figure(1.6 * pen.mm)} ${figure(0.9 * pen.mm)}` }))
  );
}

const sides = ({ x, y, w, h }: Box) => ({ x, y, width: w, height: h });

function zoneArea(zone: Box & { readonly id: string }, name: string, pen: Pen): string {
  const at = { x: zone.x + 0.6 * pen.mm, y: zone.y + zone.h - 0.6 * pen.mm };
  return element(
    "g",
    { id: pen.id(zone.id), "data-zone": zone.id },
    element("rect", { ...sides(zone), ...line(pen, 0.15, INK.clear), fill: `url(#${pen.id("pattern.cross")})` }) +
      words(at, name, pen, { size: 1.6, fill: INK.clear, anchor: "start" }),
  );
}

/** An area by its shape. */
function outline({ shape, x, y, w, h }: Shape, more: Readonly<Record<string, string | number>>): string {
  if (shape === "ellipse") return element("ellipse", { cx: x + w / 2, cy: y + h / 2, rx: w / 2, ry: h / 2, ...more });
  return element("rect", { x, y, width: w, height: h, rx: shape === "capsule" ? Math.min(w, h) / 2 : 0, ...more });
}

function areasOf(at: ResolvedControl, control: Control, pen: Pen): string {
  const { x, y } = centreOf(at.visual);
  const travel =
    control.kind === "stick" && at.travel !== undefined
      ? element("circle", { cx: x, cy: y, r: at.travel, ...line(pen, 0.12), "data-travel": at.id }) +
        element("circle", { cx: x, cy: y, r: at.travel * control.feel.inner, fill: INK.muted, "fill-opacity": 0.5 })
      : "";
  const area = at.landing
    ? element("rect", { ...sides(at.landing), ...line(pen, 0.15, INK.land), fill: `url(#${pen.id("pattern.dots")})`, "data-landing": at.id })
    : outline(at.hit, { ...line(pen, 0.15, INK.hit), fill: `url(#${pen.id("pattern.hatch")})`, "data-hit": at.id });
  return area + travel;
}

/** What a body is drawn from. */
interface BodySource {
  readonly at: ResolvedControl;
  readonly control: Control;
  readonly pen: Pen;
  readonly ink: Readonly<Record<string, string | number>>;
}

/** A control of each kind, in ink: a rose with its knob, quoins, an outline, a field with corner marks, a wind arrow, a wheel with a mark at its top. */
const BODIES: Readonly<Record<ControlKind, (source: BodySource) => string>> = {
  stick({ at: { visual }, control, pen, ink }) {
    const { x, y } = centreOf(visual);
    const r = Math.min(visual.w, visual.h) / 2;
    const knob = control.look.knobSize;
    return (
      outline({ ...visual, shape: "ellipse" }, ink) +
      element("ellipse", { cx: x, cy: y, rx: (visual.w / 2) * knob, ry: (visual.h / 2) * knob, ...line(pen, 0.25) }) +
      element("path", {
        d: `M${figure(x - r * knob * 0.3)} ${figure(y)}h${figure(r * knob * 0.6)}M${figure(x)} ${figure(y - r * knob * 0.3)}v${figure(r * knob * 0.6)}`,
        ...line(pen, 0.15),
      })
    );
  },
  dpad: ({ at: { visual }, ink }) =>
    untouched(visual) +
    element("path", { d: [0, 90, 180, 270].map((turn) => quoin(centreOf(visual), Math.min(visual.w, visual.h) / 2, turn)).join(""), ...ink }),
  button: ({ at: { visual, hit }, ink }) => outline({ ...visual, shape: hit.shape }, ink),
  touchpad: ({ at: { visual }, pen }) => untouched(visual) + element("path", { d: cornerMarks(visual), ...line(pen, 0.3) }),
  swipe({ at: { visual }, pen }) {
    const { x, y } = centreOf(visual);
    const r = Math.min(visual.w, visual.h) / 2;
    const arrow = `M${figure(x)} ${figure(y + r * 0.32)}v${figure(-r * 0.64)}M${figure(x - r * 0.14)} ${figure(y - r * 0.18)}l${figure(r * 0.14)} ${figure(-r * 0.14)}l${figure(r * 0.14)} ${figure(r * 0.14)}`;
    return untouched(visual) + element("path", { d: cornerMarks(visual) + arrow, ...line(pen, 0.3) });
  },
  dial({ at: { visual }, pen, ink }) {
    const { x, y } = centreOf(visual);
    const [rx, ry] = [visual.w / 2, visual.h / 2];
    const rim = { ...line(pen, 0.2), fill: "none" };
    const spokes = DIAL_SPOKES.map(
      ([dx, dy]) => `M${figure(x + dx * rx * 0.22)} ${figure(y + dy * ry * 0.22)}L${figure(x + dx * rx * 0.78)} ${figure(y + dy * ry * 0.78)}`,
    );
    return (
      outline({ ...visual, shape: "ellipse" }, ink) +
      element("ellipse", { cx: x, cy: y, rx: rx * 0.78, ry: ry * 0.78, ...rim }) +
      element("ellipse", { cx: x, cy: y, rx: rx * 0.22, ry: ry * 0.22, ...rim }) +
      element("path", { d: `${spokes.join("")}M${figure(x)} ${figure(y - ry * 0.98)}v${figure(ry * 0.18)}`, ...line(pen, 0.3) })
    );
  },
};

/** The spokes of a dial: to both sides and down, so that its top is the mark alone. */
const DIAL_SPOKES = [
  [-1, 0],
  [1, 0],
  [0, 1],
] as const;

function body(at: ResolvedControl, control: Control, pen: Pen): string {
  return BODIES[control.kind]({ at, control, pen, ink: { ...line(pen, 0.25), fill: INK.paper, "fill-opacity": 0.55 } });
}

/** The box of a control whose drawing does not fill it: programs that measure what is drawn find all of it. */
const untouched = (visual: Box) => element("rect", { ...sides(visual), fill: "none", stroke: "none" });

function cornerMarks({ x, y, w, h }: Box): string {
  const mark = (Math.min(w, h) / 2) * 0.18;
  const corner = (cx: number, cy: number, sx: number, sy: number) => `M${figure(cx + sx * mark)} ${figure(cy)}H${figure(cx)}V${figure(cy + sy * mark)}`;
  return corner(x, y, 1, 1) + corner(x + w, y, -1, 1) + corner(x, y + h, 1, -1) + corner(x + w, y + h, -1, -1);
}

/** One of the four arms of a d-pad. */
function quoin({ x, y }: Point, r: number, turnDeg: number): string {
  const [cos, sin] = [Math.round(Math.cos((turnDeg * Math.PI) / 180)), Math.round(Math.sin((turnDeg * Math.PI) / 180))];
  const at = (along: number, across: number) => `${figure(x + (cos * along - sin * across) * r)} ${figure(y + (sin * along + cos * across) * r)}`;
  return `M${at(0.26, 0)}L${at(0.52, -0.3)}L${at(0.9, -0.34)}Q${at(1.06, 0)} ${at(0.9, 0.34)}L${at(0.52, 0.3)}Z`;
}

interface WordStyle {
  /** The letters' size on the paper, mm. */
  readonly size: number;
  readonly fill: string;
  readonly anchor: "start" | "middle";
  readonly family?: string;
  readonly weight?: number;
}

function words(at: Point, text: string, pen: Pen, { size, fill, anchor, family = FONT, weight }: WordStyle): string {
  const halo = { stroke: INK.paper, "stroke-width": 0.6 * pen.mm, "paint-order": "stroke", "stroke-linejoin": "round" };
  return element(
    "text",
    { x: at.x, y: at.y, "font-size": size * pen.mm, "font-family": family, "font-weight": weight, fill, "text-anchor": anchor, ...halo },
    escaped(text),
  );
}

/** A letter is about so wide, in its size. */
const LETTER = 0.56;

/** Whether the middle of a later control lies so near that its name would be on this one's. */
function isUnderAnother(at: ResolvedControl, { controls }: Resolved): boolean {
  const own = centreOf(at.visual);
  return controls.slice(controls.indexOf(at) + 1).some(({ visual }) => {
    const other = centreOf(visual);
    return Math.hypot(other.x - own.x, other.y - own.y) < 0.25 * Math.min(at.visual.w, at.visual.h);
  });
}

/** A name in the middle of a control, smaller where it would not fit, down to what can be read. */
function nameIn(box: Box, name: string, pen: Pen): string {
  const { x, y } = centreOf(box);
  const size = Math.max(1.3, Math.min(2.4, (box.w * 1.1) / pen.mm / (LETTER * Math.max(1, [...name].length))));
  return words({ x, y: y + size * 0.35 * pen.mm }, name, pen, { size, fill: INK.ink, anchor: "middle", weight: 600 });
}

/** Width and height of what is seen, in mm of the screen, under the control. */
function measureOf({ visual }: ResolvedControl, mm: number, pen: Pen): string {
  const at = { x: visual.x + visual.w / 2, y: visual.y + visual.h + 1.9 * pen.mm };
  return words(at, `${(visual.w / mm).toFixed(1)} × ${(visual.h / mm).toFixed(1)}`, pen, { size: 1.6, fill: INK.muted, anchor: "middle", family: FIGURES });
}

/** The worst finding of each control and zone at its top right corner, and how many there are. */
function marks(resolved: Resolved, findings: readonly BareFinding[], pen: Pen): string {
  const places: readonly (Box & { readonly id: string })[] = [...resolved.controls.map(({ id, visual }) => ({ ...visual, id })), ...resolved.keepClear];
  const { widthPx, heightPx } = resolved.screen;
  return places
    .map((box) => {
      const own = findings.filter((f) => f.accepted === null && f.subjects.includes(box.id));
      const worst = SEVERITIES.find((severity) => own.some((f) => f.severity === severity));
      if (!worst) return "";
      const inside = (value: number, most: number) => Math.max(1.2 * pen.mm, Math.min(most - 1.2 * pen.mm, value));
      return mark({ x: inside(box.x + box.w, widthPx), y: inside(box.y, heightPx) }, worst, pen, box.id);
    })
    .join("");
}

/** The mark of a severity about a point: a square, a diamond, a ring. */
function mark({ x, y }: Point, severity: Severity, pen: Pick<Pen, "mm">, of: string): string {
  const r = 0.9 * pen.mm;
  const style = { fill: FINDING_INK[severity], stroke: INK.paper, "stroke-width": 0.3 * pen.mm, "paint-order": "stroke", "data-finding": of };
  switch (severity) {
    case "blocker":
      return element("rect", { x: x - r * 0.9, y: y - r * 0.9, width: r * 1.8, height: r * 1.8, ...style });
    case "warning":
      return element("path", {
        d: `M${figure(x)} ${figure(y - r * 1.2)}L${figure(x + r * 1.2)} ${figure(y)}L${figure(x)} ${figure(y + r * 1.2)}L${figure(x - r * 1.2)} ${figure(y)}Z`,
        ...style,
      });
    case "note":
      return element("circle", { cx: x, cy: y, r: r * 0.8, fill: INK.paper, stroke: FINDING_INK.note, "stroke-width": 0.35 * pen.mm, "data-finding": of });
  }
}
