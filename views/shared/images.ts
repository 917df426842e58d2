"use client";
/**
 * The images behind base64 pictures, decoded once each. A picture is only ever shown as an image: an SVG goes through
 * DOMPurify first and is then drawn by the browser's own image decoder, which runs no scripts and loads nothing.
 */
import DOMPurify from "dompurify";
import { createStore } from "zustand/vanilla";
import { useStore } from "zustand";
import type { Layout } from "../../core/layout/types";
import type { PictureOf } from "../../runtime/art";

export interface PictureBytes {
  readonly type: string;
  readonly data: string;
}

/** Counts the images that have come in, so that what shows them draws anew. */
const arrivals = createStore<{ count: number }>(() => ({ count: 0 }));
export const useImageArrivals = (): number => useStore(arrivals, (s) => s.count);

const images = new Map<string, HTMLImageElement | "broken">();
/** How many decoded images are kept; beyond that all are let go and decoded anew as they are wanted. */
const MOST_IMAGES = 240;

const textOf = (base64: string): string => new TextDecoder().decode(Uint8Array.from(atob(base64), (c) => c.charCodeAt(0)));
const base64Of = (text: string): string => btoa(Array.from(new TextEncoder().encode(text), (byte) => String.fromCharCode(byte)).join(""));

/** An SVG without anything that acts or reaches out. */
export function cleanSvg(svg: string): string {
  return DOMPurify.sanitize(svg, { USE_PROFILES: { svg: true, svgFilters: true }, FORBID_TAGS: ["image", "use", "a", "style", "foreignObject"] });
}

/** The address under which the browser may show a picture as an image. */
export function pictureUrl(picture: PictureBytes): string {
  if (picture.type !== "image/svg+xml") return `data:${picture.type};base64,${picture.data}`;
  let clean = cleanSvg(textOf(picture.data));
  if (!/<svg[^>]+xmlns=/.test(clean)) clean = clean.replace("<svg", '<svg xmlns="http://www.w3.org/2000/svg"');
  return `data:image/svg+xml;base64,${base64Of(clean)}`;
}

/** The decoded image, or null while it comes in or where it is broken. */
export function imageOf(picture: PictureBytes): HTMLImageElement | null {
  const key = `${picture.type} ${picture.data}`;
  const known = images.get(key);
  if (known === "broken") return null;
  if (known) return known.complete && known.naturalWidth > 0 ? known : null;
  if (images.size >= MOST_IMAGES) images.clear();
  const image = new Image();
  images.set(key, image);
  const arrived = () => arrivals.setState((s) => ({ count: s.count + 1 }));
  image.onload = arrived;
  image.onerror = () => {
    images.set(key, "broken");
    arrived();
  };
  try {
    image.src = pictureUrl(picture);
  } catch {
    images.set(key, "broken");
  }
  return null;
}

const byLayout = new WeakMap<Layout["pictures"], PictureOf>();
/** The images of a layout's pictures by their ids. */
export function picturesOf(layout: Layout): PictureOf {
  let of = byLayout.get(layout.pictures);
  if (!of) {
    const byId = new Map(layout.pictures.map((p) => [p.id, p]));
    of = (id) => {
      const picture = byId.get(id);
      return picture ? imageOf(picture) : null;
    };
    byLayout.set(layout.pictures, of);
  }
  return of;
}
