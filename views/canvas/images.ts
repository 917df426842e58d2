"use client";
/**
 * Decodes base64 pictures once each. A picture is only shown as an image: DOMPurify sanitizes an SVG, then the browser's image
 * decoder draws it, which runs no scripts and loads nothing.
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

/** Counts decoded images, so that their users redraw. */
const arrivals = createStore<{ count: number }>(() => ({ count: 0 }));
export const imageArrivals = (): number => arrivals.getState().count;
/** Re-renders a component for each decoded image. */
export const useImageArrivals = (): number => useStore(arrivals, (s) => s.count);

/** A decoded image in a canvas; an SVG would otherwise be rendered at every use. */
type Decoded = HTMLCanvasElement | "coming" | "broken";
const images = new Map<string, Decoded>();
const byPicture = new WeakMap<PictureBytes, string>();
/** Maximum pixels and number of cached images; above it, the cache is cleared. A layout's pictures and two backdrops always fit. */
const MOST_KEPT = 3 * PICTURES.area.most;
const MOST_IMAGES = 240;
let kept = 0;
/** Maximum longer side of a drawn image, px. */
const MOST_PX = 2400;
/** Longer side of a drawn SVG, px; smaller for an SVG with many thousand elements, because drawing it blocks the page. */
const svgPx = (tags: number): number => (tags < 4000 ? 512 : tags < 12_000 ? 256 : 128);

const textOf = (base64: string): string => new TextDecoder().decode(Uint8Array.from(atob(base64), (c) => c.charCodeAt(0)));
const base64Of = (text: string): string => btoa(Array.from(new TextEncoder().encode(text), (byte) => String.fromCharCode(byte)).join(""));

/** The SVG sanitizer, loaded with the first SVG; most layouts have none. */
let cleaner: typeof DOMPurify | null = null;
let coming: Promise<void> | null = null;
/** Resolves when the sanitizer is loaded. */
export function bringCleaner(): Promise<void> {
  coming ??= import("dompurify").then((module) => {
    cleaner = module.default;
    arrivals.setState((s) => ({ count: s.count + 1 }));
  });
  return coming;
}

/** Returns the sanitized SVG. Call `bringCleaner` first. */
export function cleanSvg(svg: string): string {
  if (!cleaner) throw new Error("the SVG sanitizer is not loaded yet");
  return cleaner.sanitize(svg, { USE_PROFILES: { svg: true, svgFilters: true }, FORBID_TAGS: ["image", "use", "a", "style", "foreignObject"] });
}

/** Returns a URL for showing a picture as an image; null for an SVG until the sanitizer is loaded, and for invalid data. */
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

/** Returns the decoded image, or null while it loads or if it is damaged. */
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

/** `vectorPx`: size of a drawn SVG; null for bitmaps, which keep their size. */
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
/** Returns the images of a layout's pictures by id, and all icons. */
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
