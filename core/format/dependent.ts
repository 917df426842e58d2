/**
 * The defaults that depend on another field, filled in at the door and left out again when written:
 * the orientation (as the reference), the moments of a control, action or zone (all), a button's slideOut
 * (release with slideIn, else keep), the shape of an overridden hit area (by the control's kind).
 */
import type { FileValue } from "./schema/file";
import type { Action, Control, ControlKind, Hit, KeepClear, Layout, Override } from "./types";

/** The shape a hit area has when the file does not say. */
export function defaultShape(kind: ControlKind): Hit["shape"] {
  return kind === "touchpad" || kind === "swipe" ? "box" : "ellipse";
}

/** The orientation a layout has when the file does not say; a square reference counts as landscape. */
export function defaultOrientation(reference: Layout["reference"]): Layout["orientation"] {
  return reference.width >= reference.height ? "landscape" : "portrait";
}

/** What a button does when the thumb leaves it and the file does not say. */
export function defaultSlideOut(slideIn: boolean): "keep" | "release" {
  return slideIn ? "release" : "keep";
}

/** Fills in every dependent default. */
export function fillDependent(file: FileValue): Layout {
  const all = file.moments.map((m) => m.id);
  const kinds = new Map(file.controls.map((c) => [c.id, c.kind]));
  const controls = file.controls.map((control): Control => {
    const moments = control.moments ?? all;
    if (control.kind !== "button") return { ...control, moments };
    return { ...control, moments, feel: { ...control.feel, slideOut: control.feel.slideOut ?? defaultSlideOut(control.feel.slideIn) } };
  });
  return {
    ...file,
    orientation: file.orientation ?? defaultOrientation(file.reference),
    actions: file.actions.map((action): Action => ({ ...action, moments: action.moments ?? all })),
    controls,
    keepClear: file.keepClear.map((zone): KeepClear => ({ ...zone, moments: zone.moments ?? all })),
    arrangements: file.arrangements.map((arrangement) => ({
      ...arrangement,
      overrides: Object.fromEntries(
        Object.entries(arrangement.overrides).map(([id, override]) => {
          const kind = kinds.get(id) ?? "button";
          const { hit, ...rest } = override;
          const filled: Override = hit ? { ...rest, hit: { ...hit, shape: hit.shape ?? defaultShape(kind) } } : rest;
          return [id, filled];
        }),
      ),
    })),
  };
}

/** Leaves out every dependent default: the inverse of `fillDependent`, for the writer. */
export function leaveOutDependent(layout: Layout): FileValue {
  const all = layout.moments.map((m) => m.id);
  const momentsOf = (moments: readonly string[]) => (sameList(moments, all) ? undefined : [...moments]);
  const kinds = new Map(layout.controls.map((c) => [c.id, c.kind]));
  return {
    ...layout,
    orientation: layout.orientation === defaultOrientation(layout.reference) ? undefined : layout.orientation,
    actions: layout.actions.map((action) => ({ ...action, moments: momentsOf(action.moments) })),
    controls: layout.controls.map((control): FileValue["controls"][number] => {
      const moments = momentsOf(control.moments);
      if (control.kind !== "button") return { ...control, moments };
      const slideOut = control.feel.slideOut === defaultSlideOut(control.feel.slideIn) ? undefined : control.feel.slideOut;
      return { ...control, moments, feel: { ...control.feel, slideOut } };
    }),
    keepClear: layout.keepClear.map((zone) => ({ ...zone, moments: momentsOf(zone.moments) })),
    arrangements: layout.arrangements.map((arrangement) => ({
      ...arrangement,
      overrides: Object.fromEntries(
        Object.entries(arrangement.overrides).map(([id, override]) => {
          const shape = override.hit?.shape === defaultShape(kinds.get(id) ?? "button") ? undefined : override.hit?.shape;
          return [id, override.hit ? { ...override, hit: { ...override.hit, shape } } : override];
        }),
      ),
    })),
  };
}

function sameList(a: readonly string[], b: readonly string[]): boolean {
  return a.length === b.length && a.every((item, index) => item === b[index]);
}
