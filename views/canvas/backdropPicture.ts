"use client";
/** What is seen behind the controls: one of the project's stills or the user's own picture, filled or fitted, dimmed. */
import { DIM_COLOUR, plainStill } from "../../core/checks/backdrop";
import type { StillSource } from "../../workers/stills";
import { ownEntry } from "../../core/engine/playerChanges";
import { SCREENS } from "../../core/format/limits";
import type { Screen, Workbench } from "../../core/format/types";
import { drawBackdrop } from "../../samples/scenes";
import { createCanvasCache } from "./canvasCache";
import { imageOf } from "./images";

type Ctx = CanvasRenderingContext2D;
const NIGHT = "#0c141b";

const inMoments = new WeakMap<Workbench, Map<string, Workbench>>();
/** The workbench as it is in a moment: with the moment's own picture where it has one. The same two give the same object. */
export function backdropIn(bench: Workbench, moment: string | null): Workbench {
  const picture = moment === null ? undefined : ownEntry(bench.momentPictures, moment);
  if (moment === null || picture === undefined) return bench;
  let known = inMoments.get(bench);
  if (!known) inMoments.set(bench, (known = new Map()));
  let made = known.get(moment);
  if (!made) known.set(moment, (made = { ...bench, picture }));
  return made;
}

/** Paints the backdrop over (0, 0, w, h). A picture that has not come in yet leaves the plain night. */
function paintBackdrop(ctx: Ctx, bench: Workbench, w: number, h: number): void {
  if (bench.picture) {
    ctx.fillStyle = NIGHT;
    ctx.fillRect(0, 0, w, h);
    const image = imageOf(bench.picture);
    if (image) {
      const ratios = [w / image.width, h / image.height];
      const scale = bench.fit === "fill" ? Math.max(...ratios) : Math.min(...ratios);
      const [iw, ih] = [image.width * scale, image.height * scale];
      ctx.drawImage(image, (w - iw) / 2, (h - ih) / 2, iw, ih);
    }
  } else if (bench.backdrop === "plain" && bench.colour !== undefined) {
    ctx.fillStyle = bench.colour;
    ctx.fillRect(0, 0, w, h);
  } else drawBackdrop(ctx, bench.backdrop, w, h);
  if (bench.dim > 0) {
    ctx.fillStyle = `rgba(${DIM_COLOUR.join(", ")}, ${bench.dim})`;
    ctx.fillRect(0, 0, w, h);
  }
}

/** What the backdrop looks like depends on this alone. */
export function backdropKey(bench: Workbench): string {
  if (!bench.picture) return `${bench.backdrop} ${bench.colour ?? ""} ${bench.dim}`;
  const { data } = bench.picture;
  return `own ${bench.fit} ${bench.dim} ${imageOf(bench.picture) ? "in" : "coming"} ${data.length} ${data.slice(64, 96)} ${data.slice(-24)}`;
}

/** The stills of a rail, a bench and a shelf in two zooms fit. */
const stills = createCanvasCache({ most: 96, mostPx: 2 * SCREENS.canvasPx.most });

function cached(key: string, w: number, h: number, bench: Workbench): HTMLCanvasElement {
  let still = stills.get(key);
  if (!still) {
    still = document.createElement("canvas");
    still.width = w;
    still.height = h;
    const ctx = still.getContext("2d");
    if (ctx) paintBackdrop(ctx, bench, w, h);
    stills.set(key, still);
  }
  return still;
}

/** The still at a size in device px, drawn once. */
export const backdropAt = (bench: Workbench, w: number, h: number): HTMLCanvasElement => cached(`${backdropKey(bench)} ${w} ${h}`, w, h, bench);

/** Longer side of the stills by which looks are judged, px: a control of 3 % of the screen still covers several. */
const JUDGED_PX = 200;
/** For each screen a small still of the backdrop, for judging looks. */
export const stillsOf = (bench: Workbench, screens: readonly Screen[]): readonly StillSource[] => screens.map((screen) => stillFor(bench, screen));

/** A small still of the backdrop as a screen shows it, for judging looks. Nothing is known of it before a backdrop is chosen, or while its picture comes in. */
function stillFor(bench: Workbench, screen: Screen): StillSource {
  const plain = plainStill(bench);
  if (plain) return { key: `plain ${bench.colour} ${bench.dim}`, read: () => plain };
  const isKnown = bench.picture ? imageOf(bench.picture) !== null : bench.backdrop !== "plain";
  const scale = JUDGED_PX / Math.max(screen.widthPx, screen.heightPx);
  const [w, h] = [Math.max(1, Math.round(screen.widthPx * scale)), Math.max(1, Math.round(screen.heightPx * scale))];
  return {
    key: isKnown ? `${backdropKey(bench)} ${w} ${h}` : "",
    read: () => {
      const canvas = document.createElement("canvas");
      canvas.width = w;
      canvas.height = h;
      const ctx = canvas.getContext("2d", { willReadFrequently: true });
      if (!ctx) return { width: 0, height: 0, data: [] };
      paintBackdrop(ctx, bench, w, h);
      return { width: w, height: h, data: ctx.getImageData(0, 0, w, h).data };
    },
  };
}
