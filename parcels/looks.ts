/**
 * The looks of controls as single pictures, for games that draw their controls themselves: drawn by the hand that draws them in the game
 * (runtime/art.ts), on a canvas of pixels or on one that writes SVG. A picture is as large as the control as it was drawn, a px a unit at 1×,
 * with a margin for the lines that reach over the edge; all pieces of one look share that box, so that they lie over each other.
 */
import { KINDS } from "../core/engine/kinds";
import { drawnFor } from "../core/versions/compare";
import { resolvedOn } from "../core/derived/resolved";
import { byId } from "../core/derived/byId";
import { element } from "../core/drawing/svgElement";
import { SvgCanvas, type SvgPicture } from "../core/drawing/svgCanvas";
import { PLAIN_PLAYER_VIEW } from "../core/engine/placement/resolve";
import { pxPerMm } from "../core/engine/placement/screen";
import type { Control, Layout } from "../core/format/types";
import { drawControls } from "../runtime/art";
import type { Arm, DrawnControl, DrawingContext, LookPart, Pose, Supplies } from "../runtime/draw/drawn";
import { ICONS } from "../runtime/icons";

export const LOOK_STATES = ["rest", "held", "away"] as const;
export type LookState = (typeof LOOK_STATES)[number];

/** One picture of a control: a state of it, whole or a part. */
export interface LookPicture {
  /** The name of its files, without ending: `helm-held-knob`. */
  readonly name: string;
  readonly control: string;
  readonly state: LookState;
  /** Null: the whole control. */
  readonly part: LookPart | null;
  /** Its sides at 1×, px, margins among them. */
  readonly width: number;
  readonly height: number;
  readonly drawn: DrawnControl;
  readonly hairline: number;
}

const ARMS: readonly (readonly [Arm, number, number])[] = [
  ["right", 1, 0],
  ["up", 0, 1],
  ["left", -1, 0],
  ["down", 0, -1],
];
/** A thin line is about as wide as a px of a web page on a phone, 160 of which make an inch. */
const HAIRLINE_MM = 25.4 / 160;

/** All pictures of a layout's controls. Of what never shows (a control that hides at rest) there is none. */
export function lookPictures(layout: Layout): readonly LookPicture[] {
  const screen = drawnFor(layout);
  const resolved = resolvedOn({ ...layout, arrangements: [] }, screen, PLAIN_PLAYER_VIEW);
  const known = byId(layout.controls);
  const hairline = HAIRLINE_MM * pxPerMm(screen);
  return resolved.controls.flatMap((at) => {
    const control = known.get(at.id)!;
    const over = KINDS[control.kind].hasKnob ? Math.max(0, control.look.knobSize - 1) / 2 : 0;
    const margin = Math.ceil(2 * hairline + over * Math.max(at.visual.w, at.visual.h));
    const width = Math.ceil(at.visual.w) + 2 * margin;
    const height = Math.ceil(at.visual.h) + 2 * margin;
    const box = { x: (width - at.visual.w) / 2, y: (height - at.visual.h) / 2, w: at.visual.w, h: at.visual.h };
    return statesOf(control).flatMap((state) =>
      partsOf(control, state).map(([part, pose]): LookPicture => {
        const name = [at.id, state, ...(part === null ? [] : [part])].join("-");
        const drawn = { control, box, travel: at.travel ?? 0, pose, ...(part === null ? {} : { part }) };
        return { name, control: at.id, state, part, width, height, drawn, hairline };
      }),
    );
  });
}

function statesOf({ look }: Control): readonly LookState[] {
  return LOOK_STATES.filter((state) => state === "held" || (look.hideAtRest !== "all" && (state === "rest" || look.away !== undefined)));
}

const POSES: Readonly<Record<LookState, Pose>> = {
  rest: { held: false, x: 0, y: 0 },
  held: { held: true, x: 0, y: 0 },
  away: { held: false, away: 1, x: 0, y: 0 },
};

function partsOf({ kind, look }: Control, state: LookState): readonly (readonly [LookPart | null, Pose])[] {
  const pose = POSES[state];
  const whole: (readonly [LookPart | null, Pose])[] = [[null, pose]];
  const hasMark = look.label !== "" || look.icon !== undefined;
  const hasArt = look.art?.rest !== undefined || (state === "held" && look.art?.held !== undefined);
  if (KINDS[kind].hasKnob) {
    whole.push(["base", pose]);
    if (state === "held" || look.hideAtRest !== "knob") whole.push(["knob", pose]);
    if (hasMark) whole.push(["mark", pose]);
  }
  if (kind === "dpad" && !hasArt) whole.push(...ARMS.map(([arm, x, y]) => [arm, state === "held" ? { ...pose, x, y } : pose] as const));
  return whole;
}

/** Draws one, with a scale: 2 for twice as many px. */
export function drawLook(ctx: DrawingContext, picture: LookPicture, scale: number, supplies: Supplies): void {
  ctx.save();
  ctx.scale(scale, scale);
  drawControls(ctx, [picture.drawn], picture.hairline, supplies);
  ctx.restore();
}

/** The pictures of a layout as an SVG takes them in: their own data, as it is in the layout. */
function svgPictures(layout: Layout): Supplies["pictureOf"] {
  const known = byId(layout.pictures);
  return (id) => {
    const picture = known.get(id);
    if (!picture) return null;
    const drawn: SvgPicture = { href: `data:${picture.type};base64,${picture.data}` };
    return drawn as unknown as CanvasImageSource;
  };
}

/** One as SVG, its units px at 1×. */
export function lookSvg(layout: Layout, picture: LookPicture): string {
  const canvas = new SvgCanvas();
  const { pathOf, wordEm } = canvas;
  drawLook(canvas as unknown as DrawingContext, picture, 1, { pictureOf: svgPictures(layout), icons: ICONS, pathOf, wordEm });
  const { width, height, name } = picture;
  return `${element(
    "svg",
    { xmlns: "http://www.w3.org/2000/svg", width, height, viewBox: `0 0 ${width} ${height}`, role: "img", "aria-label": name },
    canvas.markup(),
  )}\n`;
}
