/**
 * `look/faint`: a control that its backdrop swallows.
 *
 * Judged at rest, by contrast as WCAG 2.2 defines it (1.4.11, non-text contrast: 3:1): of the control's line or fill,
 * whichever stands out more, against the mean of the backdrop under its visual box; and of its icon or word against its
 * own fill. Colours are laid over each other by their opacity in sRGB, as a browser does; the mean is of linear light.
 */
import { INK_STRENGTH } from "../engine/lettering";
import type { Box } from "../engine/geometry/point";
import type { Control, Layout } from "../format/types";
import type { Resolved } from "../engine/placement/resolve";
import { byId } from "../derived/byId";
import type { CheckResult } from "./finding";

/** Red, green, blue, 0…255. */
export type Rgb = readonly [number, number, number];

/** Below this a look is lost against its ground (WCAG 2.2, 1.4.11). */
const LEAST_CONTRAST = 3;

/** A colour written `#RRGGBB`. */
export function rgbOf(hex: string): Rgb {
  const n = Number.parseInt(hex.slice(1), 16);
  return [(n >> 16) & 255, (n >> 8) & 255, n & 255];
}

/** One channel of sRGB, 0…255, as linear light 0…1 (IEC 61966-2-1). */
function linearOf(channel: number): number {
  const c = channel / 255;
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
}
const channelOf = (linear: number) => 255 * (linear <= 0.0031308 ? linear * 12.92 : 1.055 * linear ** (1 / 2.4) - 0.055);

/** Relative luminance, 0 black … 1 white (WCAG 2.2). @internal exported for its test */
export function luminance([r, g, b]: Rgb): number {
  return 0.2126 * linearOf(r) + 0.7152 * linearOf(g) + 0.0722 * linearOf(b);
}

/** The contrast of two colours, 1 … 21, whichever is lighter (WCAG 2.2). @internal exported for its test */
export function contrast(a: Rgb, b: Rgb): number {
  const [x, y] = [luminance(a), luminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}

/** A colour laid over another at an opacity. */
export function over(top: Rgb, below: Rgb, opacity: number): Rgb {
  const mix = (i: 0 | 1 | 2) => top[i] * opacity + below[i] * (1 - opacity);
  return [mix(0), mix(1), mix(2)];
}

/** A still of the backdrop: `data` has four channels a pixel, row by row, as an ImageData does. */
export interface Still {
  readonly width: number;
  readonly height: number;
  readonly data: ArrayLike<number>;
}

/** The mean colour of a still under a box given in shares of its sides; null where the box lies next to it or the still is empty. @internal exported for its test */
export function meanUnder(still: Still, box: Box): Rgb | null {
  const clip = (part: number, side: number) => Math.min(side, Math.max(0, Math.round(part * side)));
  if (box.x >= 1 || box.y >= 1 || box.x + box.w <= 0 || box.y + box.h <= 0) return null;
  const x0 = Math.min(still.width - 1, clip(box.x, still.width));
  const y0 = Math.min(still.height - 1, clip(box.y, still.height));
  const x1 = Math.max(clip(box.x + box.w, still.width), Math.min(still.width, x0 + 1));
  const y1 = Math.max(clip(box.y + box.h, still.height), Math.min(still.height, y0 + 1));
  const sum = [0, 0, 0];
  let count = 0;
  for (let y = y0; y < y1; y += 1)
    for (let x = x0; x < x1; x += 1) {
      const at = 4 * (y * still.width + x);
      for (let i = 0; i < 3; i += 1) sum[i] += linearOf(still.data[at + i]);
      count += 1;
    }
  if (count === 0) return null;
  return [channelOf(sum[0] / count), channelOf(sum[1] / count), channelOf(sum[2] / count)];
}

/** How well a control's look at rest stands out of what is under it, and its its own ink fill (null where it has neither icon nor word). @internal exported for its test */
export function looksAt(look: Control["look"], under: Rgb): { readonly body: number; readonly ink: number | null } {
  const { fill, line, ink, opacity } = look.rest;
  const filled = over(rgbOf(fill), under, opacity);
  const body = Math.max(contrast(filled, under), contrast(over(rgbOf(line), under, opacity), under));
  const written = look.label !== "" || look.icon !== undefined;
  return { body, ink: written ? contrast(over(rgbOf(ink), filled, Math.min(1, opacity * INK_STRENGTH)), filled) : null };
}

/** The `look/faint` findings of a layout on a screen, in file order. Controls that show nothing at rest, or a their own picture, are passed over. */
export function faintLooks(layout: Layout, resolved: Resolved, still: Still): CheckResult[] {
  const { widthPx: w, heightPx: h } = resolved.screen;
  const places = byId(resolved.controls);
  return layout.controls.flatMap((control): CheckResult[] => {
    const at = places.get(control.id);
    const { look } = control;
    if (!at || look.hideAtRest === "all" || look.art?.rest !== undefined) return [];
    const box = { x: at.visual.x / w, y: at.visual.y / h, w: at.visual.w / w, h: at.visual.h / h };
    const under = meanUnder(still, box);
    if (!under) return [];
    const { body, ink } = looksAt(look, under);
    const worst = Math.min(body, ink ?? Infinity);
    if (worst >= LEAST_CONTRAST) return [];
    const what = body <= (ink ?? Infinity) ? "stands out from its backdrop" : `has its ${look.icon ? "icon" : "word"} stand out from its own fill`;
    return [
      {
        code: "look/faint",
        severity: "warning",
        subjects: [control.id],
        measure: { value: worst, unit: "ratio" },
        text: (say) => `${say(control.id)} ${what} at rest by only ${worst.toFixed(1)}:1, less than ${LEAST_CONTRAST}:1; change its line, fill or opacity`,
      },
    ];
  });
}
