/** The screen split between two landing areas, without gap or overlap. */
import { refused, type Result } from "../engine/result";
import { byId } from "../derived/byId";
import { checked } from "./edits/checked";
import type { Control, Layout, PlainPlacement } from "../format/types";
import type { EditContext } from "./placing";
import { putPlacement, placeableBox } from "./placeables";

/** The whole height of the screen from one share of its width to another. */
const strip = (from: number, to: number): PlainPlacement => ({
  kind: "span",
  frame: "screen",
  from: [from, 0],
  to: [to, 1],
  inset: { left: "0u", top: "0u", right: "0u", bottom: "0u" },
});

/** Whether a control can take part of the screen: a stick by a landing area, a touchpad or swipe by its own. */
export const canSplit = (control: Control | undefined): boolean => control !== undefined && ["stick", "touchpad", "swipe"].includes(control.kind);

/**
 * Gives two sticks, touchpads or swipes the two halves of the screen, the one that stands farther left the left one. Sticks
 * get a landing area and, if they were fixed, float in it; a touchpad or swipe becomes a span. All of it goes under the other controls.
 * `at`: where the line between them runs, a share of the width.
 */
export function splitScreen(context: EditContext, a: string, b: string, at = 0.5): Result<Layout> {
  const { layout, resolved } = context;
  const middleOf = (id: string) => {
    const box = placeableBox(resolved, { kind: "control", id });
    return box ? box.x + box.w / 2 : null;
  };
  const [ax, bx] = [middleOf(a), middleOf(b)];
  if (ax === null || bx === null || a === b) return refused("split", "choose two that are shown on this screen");
  if (![a, b].every((id) => canSplit(byId(layout.controls).get(id))))
    return refused("split", "only sticks, touchpads and swipes can share the screen between them");
  const mirrored = context.playerView.handed === "left";
  const leftFirst = ax <= bx !== mirrored;
  const halves = [
    [leftFirst ? a : b, strip(0, at)],
    [leftFirst ? b : a, strip(at, 1)],
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
