/** The screen split between two landing areas, without gap or overlap. */
import { refused, type Result } from "../engine/result";
import { byId } from "../derived/byId";
import { checked } from "./edits/checked";
import { FILED_SLACK } from "../engine/geometry/tolerances";
import { formatLength } from "../engine/placement/length";
import { pxPerMm } from "../engine/placement/screen";
import type { Control, Layout, PlainPlacement, Screen, Span } from "../format/types";
import type { EditContext } from "./placing";
import { putPlacement, placeableBox } from "./placeables";

/** How wide the system's edge strips are at most on some screens, as lengths in mm, by side. Left and right are alike: the left hand sees them changed over. */
function stripsOf(screens: readonly Screen[]): Span["inset"] {
  const widest = (...sides: readonly (keyof Screen["edges"])[]) => {
    const mm = Math.max(0, ...screens.flatMap((screen) => sides.map((side) => screen.edges[side] / pxPerMm(screen))));
    return mm > 0 ? formatLength(Math.ceil(mm * 10 - FILED_SLACK) / 10, "mm") : "0u";
  };
  const beside = widest("left", "right");
  return { left: beside, top: widest("top"), right: beside, bottom: widest("bottom") };
}

/** The screen from one share of its width to another, less the system's edge strips at its own edges. */
const part = (from: number, to: number, strips: Span["inset"]): PlainPlacement => ({
  kind: "span",
  frame: "screen",
  from: [from, 0],
  to: [to, 1],
  inset: { ...strips, left: from > 0 ? "0u" : strips.left, right: to < 1 ? "0u" : strips.right },
});

/** Whether a control can take part of the screen: a stick by a landing area, a touchpad or swipe by its own. */
export const canSplit = (control: Control | undefined): boolean => control !== undefined && ["stick", "touchpad", "swipe"].includes(control.kind);

/**
 * Gives two sticks, touchpads or swipes the two halves of the screen, the one that is farther left the left one. Sticks
 * get a landing area and, if they were fixed, float in it; a touchpad or swipe becomes a span. All of it goes under the other controls.
 * The edge strips that the system takes swipes in stay free.
 *
 * @param at Where the line between them runs, a share of the width.
 * @param screens Screens whose edge strips stay free next to those of the screen in view.
 */
export function splitScreen(context: EditContext, [a, b]: readonly [string, string], at = 0.5, screens: readonly Screen[] = []): Result<Layout> {
  const { layout, resolved } = context;
  const middleOf = (id: string) => {
    const box = placeableBox(resolved, { kind: "control", id });
    return box ? box.x + box.w / 2 : null;
  };
  const [ax, bx] = [middleOf(a), middleOf(b)];
  if (ax === null || bx === null || a === b) return refused("split", "choose two that are visible on this screen");
  if (![a, b].every((id) => canSplit(byId(layout.controls).get(id))))
    return refused("split", "only sticks, touchpads and swipes can share the screen between them");
  const mirrored = context.playerView.handed === "left";
  const leftFirst = ax <= bx !== mirrored;
  const strips = stripsOf([context.screen, ...screens]);
  const halves = [
    [leftFirst ? a : b, part(0, at, strips)],
    [leftFirst ? b : a, part(at, 1, strips)],
  ] as const;
  let next = layout;
  for (const [id, placement] of halves) {
    const control = byId(layout.controls).get(id)!;
    if (control.kind === "stick") {
      const origin = control.feel.origin === "fixed" ? "floating" : control.feel.origin;
      const feel = { ...control.feel, origin, landing: control.feel.landing ?? placement };
      next = { ...next, controls: next.controls.map((c) => (c.id === id ? ({ ...c, feel } as Control) : c)) };
      next = putPlacement(next, resolved.arrangement, { kind: "landing", id }, placement);
    } else next = putPlacement(next, resolved.arrangement, { kind: "control", id }, placement);
  }
  const low = new Set([a, b]);
  next = { ...next, controls: [...next.controls.filter((c) => low.has(c.id)), ...next.controls.filter((c) => !low.has(c.id))] };
  return checked(layout, next);
}
