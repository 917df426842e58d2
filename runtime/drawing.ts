/** Draws what is played on a canvas over the element, in the looks of the layout; pictures and icons of the layout among them. */
import type { Picture, PlayedLayout } from "../core/engine/types";
import { forgetWordWidths, type Icons } from "./art";
import { changedRegion, drawRegion } from "./region";
import { createLaid } from "./attach/lay";
import { putAbove, shownElement } from "./canvasAbove";
import type { PaintFrame, MakePainter } from "./handle";
import { ICONS } from "./icons";

/** Pictures are shown as images alone: an SVG among them runs nothing and loads nothing. `came` hears of each that has come in. */
function createPictures(came: () => void): (layout: PlayedLayout) => (id: string) => CanvasImageSource | null {
  const images = new Map<string, HTMLImageElement>();
  const imageOf = ({ type, data }: Picture) => {
    const url = `data:${type};base64,${data}`;
    let image = images.get(url);
    if (!image) {
      images.set(url, (image = new Image()));
      image.onload = came;
      image.src = url;
    }
    return image.complete && image.naturalWidth > 0 ? image : null;
  };
  return (layout) => (id) => {
    const picture = layout.pictures.find((one) => one.id === id);
    return picture ? imageOf(picture) : null;
  };
}

/** A drawing that knows these icons alone, by name: for games that carry only those their layout uses. */
export const drawingWith =
  (icons: Icons): MakePainter =>
  (over) => {
    const canvas = document.createElement("canvas");
    canvas.setAttribute("aria-hidden", "true");
    const laid = createLaid(canvas, {});
    const above = putAbove(canvas, over);
    let isStale = false;
    const pictures = createPictures(() => (isStale = true));
    /** What the canvas shows; null: nothing that could be drawn on. */
    let shown: PaintFrame | null = null;
    const fonts = document.fonts;
    const fontsCame = () => {
      forgetWordWidths();
      isStale = true;
    };
    fonts?.addEventListener("loadingdone", fontsCame);
    return {
      isSeen: above.isSeen,
      isStale() {
        laid.follow(shownElement(over) ?? over);
        return isStale;
      },
      paint(frame: PaintFrame) {
        const { layout, screen, drawn, opacity: strength, scale } = frame;
        const [w, h] = [Math.max(1, Math.round(screen.widthPx)), Math.max(1, Math.round(screen.heightPx))];
        const isOther = isStale || canvas.width !== w || canvas.height !== h || shown?.layout !== layout || shown.scale !== scale;
        isStale = false;
        if (canvas.width !== w) canvas.width = w;
        if (canvas.height !== h) canvas.height = h;
        const ctx = canvas.getContext("2d");
        if (!ctx) return;
        if (shown?.opacity !== strength) canvas.style.setProperty("opacity", String(strength), "important");
        const supplies = { pictureOf: pictures(layout), icons };
        const region = isOther || !shown ? null : changedRegion(shown.drawn, drawn, { hairline: 1 / scale, w, h });
        shown = frame;
        drawRegion(ctx, drawn, { region, hairline: 1 / scale, supplies });
      },
      dispose() {
        fonts?.removeEventListener("loadingdone", fontsCame);
        above.close();
      },
    };
  };

/** The drawing of `play`, with every icon a layout may have: `play(played, { over, draw: drawing })`. its own function, so that a bundler leaves the icons out where it is not used. */
export const drawing: MakePainter = (over) => drawingWith(ICONS)(over);
