"use client";
/**
 * Decodes base64 pictures once each. A picture is only shown as an image: DOMPurify sanitizes an SVG, then the browser's image
 * decoder draws it, which runs no scripts and loads nothing.
 */
import type DOMPurify from "dompurify";
import { byId } from "../../core/derived/byId";
import { useSyncExternalStore } from "react";
import { PICTURES } from "../../core/format/limits";
import { canBeShown, type PictureType } from "../../core/format/pictures/picture";
import type { Layout } from "../../core/format/types";
import type { Supplies } from "../../runtime/draw/drawn";
import { ICONS } from "../../runtime/icons";
import { once } from "../document/once";
import { createCanvasCache } from "./canvasCache";

export interface PictureBytes {
  readonly type: PictureType;
  readonly data: string;
}

/** Counts decoded images, so that their users redraw. */
const arrivals = createCounter();
export const imageArrivals = arrivals.now;
/** Re-renders a component for each decoded image. */
export const useImageArrivals = (): number => useSyncExternalStore(arrivals.subscribe, arrivals.now, arrivals.now);

function createCounter() {
  const listeners = new Set<() => void>();
  let count = 0;
  return {
    now: () => count,
    add() {
      count += 1;
      listeners.forEach((listener) => listener());
    },
    subscribe(listener: () => void) {
      listeners.add(listener);
      return () => void listeners.delete(listener);
    },
  };
}

/** A decoded image in a canvas; an SVG would otherwise be rendered at every use. */
type Decoded = HTMLCanvasElement | "coming" | "broken";
/** A layout's pictures and two backdrops always fit. */
const images = createCanvasCache<"coming" | "broken">({ most: 240, mostPx: 3 * PICTURES.area.most });
const byPicture = new WeakMap<PictureBytes, string>();
/** Maximum longer side of a drawn image, px. */
const MOST_PX = 2400;
/** Longer side of a drawn SVG, px; smaller for an SVG with many thousand elements, because drawing it blocks the page. */
const svgPx = (tags: number): number => (tags < 4000 ? 512 : tags < 12_000 ? 256 : 128);

const textOf = (base64: string): string => new TextDecoder().decode(Uint8Array.from(atob(base64), (c) => c.charCodeAt(0)));
const base64Of = (text: string): string => btoa(Array.from(new TextEncoder().encode(text), (byte) => String.fromCharCode(byte)).join(""));

/** The SVG sanitizer, loaded with the first SVG; most layouts have none. */
const cleaner: { loaded: typeof DOMPurify | null } = { loaded: null };
/** Resolves when the sanitizer is loaded. */
export const bringCleaner = once(async (): Promise<void> => {
  cleaner.loaded = (await import("dompurify")).default;
  arrivals.add();
});

/** Returns the sanitized SVG. Call `bringCleaner` first. */
export function cleanSvg(svg: string): string {
  if (!cleaner.loaded) throw new Error("the SVG sanitizer is not loaded yet");
  return cleaner.loaded.sanitize(svg, { USE_PROFILES: { svg: true, svgFilters: true }, FORBID_TAGS: ["image", "use", "a", "style", "foreignObject"] });
}

/** Returns a URL for showing a picture as an image; null for an SVG until the sanitizer is loaded, and for invalid data. */
export function pictureUrl(picture: PictureBytes): string | null {
  if (!canBeShown(picture.type, picture.data)) return null;
  if (picture.type !== "image/svg+xml") return `data:${picture.type};base64,${picture.data}`;
  if (!cleaner.loaded) {
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
  images.set(key, "coming");
  const image = new Image();
  const arrived = (decoded: Decoded) => {
    images.set(key, decoded);
    arrivals.add();
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
