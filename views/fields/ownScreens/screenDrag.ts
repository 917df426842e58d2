/** Drawing a screen by hand: insets, edge strips, the corner and cut-outs as they are dragged, in whole px and within the screen. */
import type { Screen } from "../../../core/format/types";

export type ScreenSide = "left" | "top" | "right" | "bottom";
/** What is taken hold of. A cut-out by its place in the list: all of it, or its lower right corner. */
export type ScreenHandle =
  | { readonly kind: "inset" | "edge"; readonly side: ScreenSide }
  | { readonly kind: "corner" }
  | { readonly kind: "cutout" | "cutout size"; readonly index: number };

const within = (value: number, most: number) => Math.round(Math.max(0, Math.min(most, value)));

/** The screen after something has been dragged by this many px of it, from how it was. */
export function dragScreen(screen: Screen, handle: ScreenHandle, dx: number, dy: number): Screen {
  const { widthPx: w, heightPx: h } = screen;
  switch (handle.kind) {
    case "inset":
    case "edge": {
      const list = handle.kind === "inset" ? "insets" : "edges";
      const way = { left: dx, top: dy, right: -dx, bottom: -dy }[handle.side];
      const most = handle.side === "left" || handle.side === "right" ? w / 2 : h / 2;
      return { ...screen, [list]: { ...screen[list], [handle.side]: within(screen[list][handle.side] + way, most) } };
    }
    case "corner":
      return { ...screen, cornerPx: within(screen.cornerPx + dx, Math.min(w, h) / 2) };
    case "cutout":
    case "cutout size": {
      const cutouts = screen.cutouts.map((c, i) => {
        if (i !== handle.index) return c;
        if (handle.kind === "cutout") return { ...c, x: within(c.x + dx, w - c.w), y: within(c.y + dy, h - c.h) };
        return { ...c, w: Math.max(4, within(c.w + dx, w - c.x)), h: Math.max(4, within(c.h + dy, h - c.y)) };
      });
      return { ...screen, cutouts };
    }
  }
}

/** A cut-out drawn from one point to another, px of the screen; nothing where it is too small to be meant. */
export function withCutout(screen: Screen, from: { x: number; y: number }, to: { x: number; y: number }): Screen {
  const [x, y] = [within(Math.min(from.x, to.x), screen.widthPx), within(Math.min(from.y, to.y), screen.heightPx)];
  const w = within(Math.abs(to.x - from.x), screen.widthPx - x);
  const h = within(Math.abs(to.y - from.y), screen.heightPx - y);
  return w < 8 || h < 8 || screen.cutouts.length >= 16 ? screen : { ...screen, cutouts: [...screen.cutouts, { x, y, w, h }] };
}

export const withoutCutout = (screen: Screen, index: number): Screen => ({ ...screen, cutouts: screen.cutouts.filter((_, i) => i !== index) });
