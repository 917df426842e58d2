"use client";
/**
 * The images behind base64 pictures, decoded once each. A picture is only ever shown as an image: an SVG goes through
 * DOMPurify first and is then drawn by the browser's own image decoder, which runs no scripts and loads nothing.
 */
import type DOMPurify from "dompurify";
import { byId } from "../../core/derived/byId";
import { createStore } from "zustand/vanilla";
import { useStore } from "zustand";
import { PICTURES } from "../../core/format/limits";
import { canBeShown, type PictureType } from "../../core/format/pictures/picture";
import type { Layout } from "../../core/format/types";
import type { Supplies } from "../../runtime/art";
import { ICONS } from "../../runtime/icons";

export interface PictureBytes {
  readonly type: PictureType;
  readonly data: string;
}

/** Counts the images that have come in, so that what shows them draws again. */
const arrivals = createStore<{ count: number }>(() => ({ count: 0 }));
export const imageArrivals = (): number => arrivals.getState().count;
/** The same for a component, which is rendered again at each. */
export const useImageArrivals = (): number => useStore(arrivals, (s) => s.count);

/** A decoded image, drawn once into a canvas: an SVG would else be redrawn at every use. */
type Decoded = HTMLCanvasElement | "coming" | "broken";
const images = new Map<string, Decoded>();
const byPicture = new WeakMap<PictureBytes, string>();
/** How many pixels of decoded images are kept, and how many images; beyond that all are let go and decoded again as they are wanted. A layout's own pictures and two backdrops always find room. */
const MOST_KEPT = 3 * PICTURES.area.most;
const MOST_IMAGES = 240;
let kept = 0;
/** No image is drawn larger, px along the longer side. */
const MOST_PX = 2400;
/** An SVG is drawn this large, px along the longer side: one of many thousand elements smaller, for the page is still while it is drawn. */
const svgPx = (tags: number): number => (tags < 4000 ? 512 : tags < 12_000 ? 256 : 128);

const textOf = (base64: string): string => new TextDecoder().decode(Uint8Array.from(atob(base64), (c) => c.charCodeAt(0)));
const base64Of = (text: string): string => btoa(Array.from(new TextEncoder().encode(text), (byte) => String.fromCharCode(byte)).join(""));

/** The cleaner, brought in with the first SVG: most layouts have none. */
let cleaner: typeof DOMPurify | null = null;
let coming: Promise<void> | null = null;
/** Resolves when SVGs can be cleaned. */
export function bringCleaner(): Promise<void> {
  coming ??= import("dompurify").then((module) => {
    cleaner = module.default;
    arrivals.setState((s) => ({ count: s.count + 1 }));
  });
  return coming;
}

/** An SVG without anything that acts or reaches out. Call `bringCleaner` first. */
export function cleanSvg(svg: string): string {
  if (!cleaner) throw new Error("the SVG sanitizer is not loaded yet");
  return cleaner.sanitize(svg, { USE_PROFILES: { svg: true, svgFilters: true }, FORBID_TAGS: ["image", "use", "a", "style", "foreignObject"] });
}

/** The address under which the browser may show a picture as an image; null for an SVG until it can be cleaned, and for what is no picture. */
export function pictureUrl(picture: PictureBytes): string | null {
  if (!canBeShown(picture.type, picture.data)) return null;
  if (picture.type !== "image/svg+xml") return `data:${picture.type};base64,${picture.data}`;
  if (!cleaner) {
    void bringCleaner();
    return null;
  }
  let clean = cleanSvg(textOf(picture.data));
  if (!/<svg[^>]+xmlns=/.test(clean)) clean = clean.replace("<svg", '<svg xmlns="http://www.w3.org/2000/svg"');
  return `data:image/svg+xml;base64,${base64Of(clean)}`;
}

/** The decoded image, or null while it comes in or where it is broken. */
export function imageOf(picture: PictureBytes): HTMLCanvasElement | null {
  let key = byPicture.get(picture);
  if (key === undefined) byPicture.set(picture, (key = `${picture.type} ${picture.data}`));
  const known = images.get(key);
  if (known !== undefined) return typeof known === "string" ? null : known;
  const url = pictureUrl(picture);
  if (url === null) return null;
  if (images.size >= MOST_IMAGES || kept > MOST_KEPT) {
    images.clear();
    kept = 0;
  }
  images.set(key, "coming");
  const image = new Image();
  const arrived = (decoded: Decoded) => {
    images.set(key, decoded);
    if (typeof decoded !== "string") kept += decoded.width * decoded.height;
    arrivals.setState((s) => ({ count: s.count + 1 }));
  };
  image.onload = () => arrived(drawnOnce(image, picture.type === "image/svg+xml" ? svgPx(tagsIn(picture.data)) : null));
  image.onerror = () => arrived("broken");
  image.src = url;
  return null;
}

const tagsIn = (base64: string): number => textOf(base64).split("<").length;

/** `vectorPx`: how large an SVG is drawn; null for a picture of pixels, which keeps its size. */
function drawnOnce(image: HTMLImageElement, vectorPx: number | null): Decoded {
  const w = image.naturalWidth || 1;
  const h = image.naturalHeight || 1;
  const scale = vectorPx === null ? Math.min(1, MOST_PX / Math.max(w, h)) : vectorPx / Math.max(w, h);
  const canvas = document.createElement("canvas");
  canvas.width = Math.max(1, Math.round(w * scale));
  canvas.height = Math.max(1, Math.round(h * scale));
  const ctx = canvas.getContext("2d");
  if (!ctx) return "broken";
  ctx.drawImage(image, 0, 0, canvas.width, canvas.height);
  return canvas;
}

const byLayout = new WeakMap<Layout["pictures"], Supplies>();
/** What the looks of a layout are made of: the images of its pictures by their ids, and every icon there is. */
export function suppliesOf(layout: Layout): Supplies {
  let supplies = byLayout.get(layout.pictures);
  if (!supplies) {
    const known = byId(layout.pictures);
    const pictureOf = (id: string) => {
      const picture = known.get(id);
      return picture ? imageOf(picture) : null;
    };
    byLayout.set(layout.pictures, (supplies = { pictureOf, icons: ICONS }));
  }
  return supplies;
}
