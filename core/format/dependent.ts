/**
 * Defaults that depend on another field. They are filled in when a file is parsed and omitted when it is written:
 * the orientation (as the reference), the moments of a control, action or zone (all), a button's slideOut
 * (release with slideIn, else keep), the shape of an overridden hit area (by the control's kind).
 */
import { KINDS } from "../engine/kinds";
import type { FileValue } from "./schema/file";
import type { Action, Arrangement, Control, ControlKind, Hit, KeepClear, Layout, Override } from "./types";

/** Returns the default shape of a hit area. */
export function defaultShape(kind: ControlKind): Hit["shape"] {
  return KINDS[kind].isField ? "box" : "ellipse";
}

/** Returns the default orientation; a square reference counts as landscape. */
export function defaultOrientation(reference: Layout["reference"]): Layout["orientation"] {
  return reference.width >= reference.height ? "landscape" : "portrait";
}

/** Returns the default of `slideOut`. */
export function defaultSlideOut(slideIn: boolean): "keep" | "release" {
  return slideIn ? "release" : "keep";
}

/** Fills in all dependent defaults. */
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

type FileItem<List extends "actions" | "controls" | "keepClear" | "arrangements"> = FileValue[List][number];

const momentsOf = (moments: readonly string[], all: Layout["moments"]) => (isEveryMoment(moments, all) ? undefined : [...moments]);

/** Returns an action as written to a file: without `moments` if it lists all of them. */
export function plainAction(action: Action, moments: Layout["moments"]): FileItem<"actions"> {
  return { ...action, moments: momentsOf(action.moments, moments) };
}

/** Returns a control as written to a file. */
export function plainControl(control: Control, moments: Layout["moments"]): FileItem<"controls"> {
  const shown = momentsOf(control.moments, moments);
  if (control.kind !== "button") return { ...control, moments: shown };
  const slideOut = control.feel.slideOut === defaultSlideOut(control.feel.slideIn) ? undefined : control.feel.slideOut;
  return { ...control, moments: shown, feel: { ...control.feel, slideOut } };
}

/** Returns a keep-clear zone as written to a file. */
export function plainZone(zone: KeepClear, moments: Layout["moments"]): FileItem<"keepClear"> {
  return { ...zone, moments: momentsOf(zone.moments, moments) };
}

/** Returns an arrangement as written to a file. `kindOf` returns a control's kind, or undefined for an unknown id. */
export function plainArrangement(arrangement: Arrangement, kindOf: (id: string) => ControlKind | undefined): FileItem<"arrangements"> {
  return {
    ...arrangement,
    overrides: Object.fromEntries(
      Object.entries(arrangement.overrides).map(([id, override]) => {
        const shape = override.hit?.shape === defaultShape(kindOf(id) ?? "button") ? undefined : override.hit?.shape;
        return [id, override.hit ? { ...override, hit: { ...override.hit, shape } } : override];
      }),
    ),
  };
}

/** Returns the orientation as written to a file. */
export function plainOrientation({ orientation, reference }: Pick<Layout, "orientation" | "reference">): FileValue["orientation"] {
  return orientation === defaultOrientation(reference) ? undefined : orientation;
}

function isEveryMoment(moments: readonly string[], all: Layout["moments"]): boolean {
  return moments.length === all.length && moments.every((id, index) => id === all[index].id);
}
