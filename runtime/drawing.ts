/** Draws what is played on a canvas over the element, in the looks of the layout; pictures and icons of the layout among them. */
import type { Picture, PlayedLayout } from "../core/engine/types";
import { drawControls, type Icons } from "./art";
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
    canvas.style.cssText = "position:fixed;pointer-events:none;margin:0;padding:0;border:0";
    over.insertAdjacentElement("afterend", canvas);
    const pictures = createPictures();
    return {
      paint({ layout, screen, drawn, strength, scale }: Frame) {
        const { left, top, width, height } = over.getBoundingClientRect();
        const place = `${left}px ${top}px ${width}px ${height}px`;
        if (canvas.dataset.place !== place) {
          canvas.dataset.place = place;
          Object.assign(canvas.style, { left: `${left}px`, top: `${top}px`, width: `${width}px`, height: `${height}px` });
        }
        const [w, h] = [Math.max(1, Math.round(screen.widthPx)), Math.max(1, Math.round(screen.heightPx))];
        if (canvas.width !== w) canvas.width = w;
        if (canvas.height !== h) canvas.height = h;
        const ctx = canvas.getContext("2d");
        if (!ctx) return;
        ctx.clearRect(0, 0, w, h);
        canvas.style.opacity = String(strength);
        if (strength > 0) drawControls(ctx, drawn, 1 / scale, { pictureOf: pictures(layout), icons });
      },
      close: () => canvas.remove(),
    };
  };

/** The drawing of `play`, with every icon a layout may have: `play(played, { over, draw: drawing })`. */
export const drawing: MakePainter = /* @__PURE__ */ drawingWith(ICONS);
