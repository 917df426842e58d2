/** A fitting control for an action, grown where it is dropped. */
import type { Box } from "../geometry/point";
import { controlsSchema } from "../layout/schema/control";
import { formatLength } from "../layout/length";
import { addControls, freeId } from "../layout/edits/controls";
import type { Action, Control, ControlKind, Layout, Serve } from "../layout/types";
import { ok, type Result } from "../result";
import type { Sight } from "./edits";
import { nearestCorner } from "./edits";
import { framesOf, pxPerMm } from "./screen";

/** The kind that suits an action best, and the port it serves by. */
export function fittingKind(kind: Action["kind"]): ControlKind {
  switch (kind) {
    case "press":
      return "button";
    case "axis":
    case "vector":
      return "stick";
    case "motion":
      return "touchpad";
  }
}

/** How a control of a kind serves an action of a kind when nothing more is said; null where no port fits. */
export function fittingServe(control: ControlKind, action: Action): Serve | null {
  const name = action.name;
  switch (action.kind) {
    case "press":
      return control === "button" ? { port: "press", action: name } : { port: control === "swipe" ? "up" : "held", action: name };
    case "axis":
      return control === "stick" || control === "dpad" ? { port: "x", action: name } : control === "button" ? { port: "press", action: name, value: 1 } : null;
    case "vector":
      return control === "button" ? { port: "press", action: name, value: [0, 1] } : control === "touchpad" ? null : { port: "vector", action: name };
    case "motion":
      if (control === "touchpad") return { port: "motion", action: name };
      return control === "button" ? null : { port: "vector", action: name, scale: 120 };
  }
}

/** The size a new control has, mm: a stick as wide as a thumb's easy circle, a button a good target, a touchpad a broad field. */
export const NEW_SIZE_MM: Readonly<Record<ControlKind, readonly [number, number]>> = {
  stick: [26, 26],
  dpad: [26, 26],
  button: [11, 11],
  touchpad: [40, 30],
  swipe: [40, 30],
};

/** A control of a kind with every default, named after the action it serves, its centre at a point of the screen in view, tied to the nearest corner of the safe frame. */
export function makeControl(sight: Sight, kind: ControlKind, action: Action | null, x: number, y: number): Control {
  const { layout, screen, resolved } = sight;
  const mm = pxPerMm(screen);
  const safe = framesOf(screen).safe;
  const unit = resolved.scale;
  const [w, h] = NEW_SIZE_MM[kind].map((size) => Math.max(1, Math.round((size * mm) / unit)) * unit);
  const inside = (at: number, low: number, room: number, size: number) => Math.min(Math.max(at - size / 2, low), low + Math.max(0, room - size));
  const box: Box = { x: inside(x, safe.x, safe.w, w), y: inside(y, safe.y, safe.h, h), w, h };
  const corner = nearestCorner(safe, box.x + w / 2, box.y + h / 2);
  const offsetX = box.x + corner[0] * w - safe.x - corner[0] * safe.w;
  const offsetY = box.y + corner[1] * h - safe.y - corner[1] * safe.h;
  const serve = action ? fittingServe(kind, action) : null;
  const name = action?.name ?? kind;
  const units = (px: number) => formatLength(Math.round(px / unit), "u");
  const made = controlsSchema.parse({
    id: freeId(layout, name),
    name,
    kind,
    placement: { kind: "pin", frame: "safe", anchor: corner, pivot: corner, offset: [units(offsetX), units(offsetY)], size: [units(w), units(h)] },
    look: { label: action && kind === "button" ? action.name : "" },
    serves: serve ? [serve] : [],
  });
  const moments = action && action.moments.length > 0 ? action.moments : layout.moments.map((m) => m.id);
  return (made.kind === "button" ? { ...made, moments, feel: { ...made.feel, slideOut: made.feel.slideOut ?? "keep" } } : { ...made, moments }) as Control;
}

/** Grows a control for an action at a point of the screen in view; gives the layout and the new control's id. */
export function growControl(sight: Sight, action: Action | null, kind: ControlKind, x: number, y: number): Result<{ layout: Layout; id: string }> {
  const control = makeControl(sight, kind, action, x, y);
  // Ground lies under the others from the start, or it would swallow their touches.
  const ground = kind === "touchpad" || kind === "swipe";
  const added = addControls(sight.layout, [control]);
  if (!added.ok) return added;
  const controls = ground ? [added.value.controls[added.value.controls.length - 1], ...added.value.controls.slice(0, -1)] : added.value.controls;
  return ok({ layout: { ...added.value, controls }, id: control.id });
}
