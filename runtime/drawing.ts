/** Draws the controls on a canvas above the element, with the layout's looks, pictures and icons. */
import type { Picture, PlayedLayout } from "../core/engine/types";
import { forgetWordWidths } from "./draw/label";
import type { Icons } from "./draw/drawn";
import { playersStyle, STRONG } from "./draw/given";
import { changedRegion, drawRegion } from "./region";
import { createLaid } from "./attach/lay";
import { putAbove, shownElement } from "./canvasAbove";
import type { PaintFrame, MakePainter } from "./handle";
import { ICONS } from "./icons";

/** Loads pictures as images, in which an SVG runs and loads nothing. `came` is called for each loaded picture. */
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

/** Returns a `draw` option with only these icons (SVG path data by name), for games that bundle only the icons of their layout. */
export const drawingWith =
  (icons: Icons): MakePainter =>
  (over) => {
    const canvas = document.createElement("canvas");
    canvas.setAttribute("aria-hidden", "true");
    const laid = createLaid(canvas, {});
    const above = putAbove(canvas, over);
    let isStale = false;
    const pictures = createPictures(() => (isStale = true));
    /** The frame that the canvas shows; null before the first. */
    let shown: PaintFrame | null = null;
    let style = playersStyle();
    const contrast = window.matchMedia(STRONG);
    const styleChanged = () => {
      style = playersStyle();
      isStale = true;
    };
    contrast.addEventListener("change", styleChanged);
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
        const supplies = { pictureOf: pictures(layout), icons, givenStyle: style };
        const region = isOther || !shown ? null : changedRegion(shown.drawn, drawn, { hairline: 1 / scale, w, h });
        shown = frame;
        drawRegion(ctx, drawn, { region, hairline: 1 / scale, supplies });
      },
      dispose() {
        contrast.removeEventListener("change", styleChanged);
        fonts?.removeEventListener("loadingdone", fontsCame);
        above.close();
      },
    };
  };

/** The default drawing with all icons: `play(played, { over, draw: drawing })`. A separate export, so that a bundler can drop the icons if it is not used. */
export const drawing: MakePainter = (over) => drawingWith(ICONS)(over);
