"use client";
/** Paints PNGs on the browser's canvas: looks by the game's own hand, drawings from their SVG in the letters of the application. */
import type { Layout } from "../../core/format/types";
import type { PngPainter } from "../../parcels/parcelSource";
import { bringCleaner, suppliesOf } from "../canvas/images";
import { once } from "../document/once";

async function pngOf(canvas: HTMLCanvasElement): Promise<Uint8Array> {
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, "image/png"));
  if (!blob) throw new Error(`the browser cannot draw ${canvas.width} × ${canvas.height} px`);
  return new Uint8Array(await blob.arrayBuffer());
}

function freshCanvas(width: number, height: number): readonly [HTMLCanvasElement, CanvasRenderingContext2D] {
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, width);
  canvas.height = Math.max(1, height);
  const ctx = canvas.getContext("2d");
  if (!ctx) throw new Error("the browser has no canvas");
  return [canvas, ctx];
}

/** The letters of the application as rules that a drawing can carry: an image sees no font of the page. Worked out once. */
const carriedLetters = once(async (): Promise<string> => {
  const rules = [...document.styleSheets].flatMap((sheet) => {
    try {
      return [...sheet.cssRules];
    } catch {
      return [];
    }
  });
  const faces = rules.filter(
    (rule): rule is CSSFontFaceRule => rule instanceof CSSFontFaceRule && /U\+0{1,4}-0*FF/i.test(rule.style.getPropertyValue("unicode-range")),
  );
  const texts = await Promise.all(
    faces.map(async ({ style, parentStyleSheet }) => {
      const address = /url\(["']?([^"')]+)["']?\)/.exec(style.getPropertyValue("src"))?.[1];
      if (address === undefined) return "";
      const answer = await fetch(new URL(address, parentStyleSheet?.href ?? document.baseURI));
      if (!answer.ok) return "";
      const bytes = new Uint8Array(await answer.arrayBuffer());
      const data = btoa(Array.from(bytes, (byte) => String.fromCharCode(byte)).join(""));
      return `@font-face{font-family:${style.getPropertyValue("font-family")};font-weight:100 900;src:url(data:font/woff2;base64,${data})}`;
    }),
  );
  return texts.join("");
});

async function paintSvg(svg: string, width: number, height: number): Promise<Uint8Array> {
  // Without its letters the drawing is painted in those of the system.
  const letters = await carriedLetters().catch(() => "");
  const style = `<style>${letters}</style>`;
  const url = URL.createObjectURL(new Blob([svg.replace(/>/, `>${style}`)], { type: "image/svg+xml" }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const [canvas, ctx] = freshCanvas(width, height);
    ctx.drawImage(image, 0, 0, width, height);
    return await pngOf(canvas);
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** So long a picture of the layout may take to be decoded, ms. */
const PATIENCE_MS = 5000;

/** Waits until the layout's own pictures are decoded; what is broken stays away, as in the game. */
async function picturesDecoded(layout: Layout): Promise<void> {
  await bringCleaner();
  const { pictureOf } = suppliesOf(layout);
  const end = performance.now() + PATIENCE_MS;
  while (performance.now() < end && layout.pictures.some(({ id }) => pictureOf(id) === null)) await new Promise((resolve) => setTimeout(resolve, 30));
}

/** The painter of a layout, once its pictures and the letters are there. */
export async function browserPainter(layout: Layout): Promise<PngPainter> {
  await Promise.all([picturesDecoded(layout), document.fonts.ready]);
  return {
    supplies: suppliesOf(layout),
    paint: (width, height, draw) => {
      const [canvas, ctx] = freshCanvas(width, height);
      draw(ctx);
      return pngOf(canvas);
    },
    paintSvg,
  };
}
