/** Draws what is played on a canvas over the element, in the looks of the layout; pictures and icons of the layout among them. */
import type { Picture, PlayedLayout } from "../core/engine/types";
import { drawControls, type Icons } from "./art";
import { createLaid } from "./attach/lay";
import { putAbove, shownElement } from "./element";
import type { Frame, MakePainter } from "./handle";
import { ICONS } from "./icons";

/** Pictures are shown as images alone: an SVG among them runs nothing and loads nothing. */
function createPictures(): (layout: PlayedLayout) => (id: string) => CanvasImageSource | null {
  const images = new Map<string, HTMLImageElement>();
  const imageOf = ({ type, data }: Picture) => {
    const url = `data:${type};base64,${data}`;
    let image = images.get(url);
    if (!image) {
      images.set(url, (image = new Image()));
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
    const pictures = createPictures();
    return {
      isSeen: above.isSeen,
      paint({ layout, screen, drawn, strength, scale }: Frame) {
        laid.follow(shownElement(over) ?? over);
        const [w, h] = [Math.max(1, Math.round(screen.widthPx)), Math.max(1, Math.round(screen.heightPx))];
        if (canvas.width !== w) canvas.width = w;
        if (canvas.height !== h) canvas.height = h;
        const ctx = canvas.getContext("2d");
        if (!ctx) return;
        ctx.clearRect(0, 0, w, h);
        canvas.style.setProperty("opacity", String(strength), "important");
        if (strength > 0) drawControls(ctx, drawn, 1 / scale, { pictureOf: pictures(layout), icons });
      },
      close: above.close,
    };
  };

/** The drawing of `play`, with every icon a layout may have: `play(played, { over, draw: drawing })`. A function of its own, so that a bundler leaves the icons out where it is not used. */
export const drawing: MakePainter = (over) => drawingWith(ICONS)(over);
