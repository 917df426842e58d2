/** Wires for copies that serve nothing yet: those of the originals, toward the same actions or toward others. */
import { byId, byName } from "../derived/byId";
import { checked } from "../editing/edits/checked";
import { portFits } from "../engine/input/fits";
import type { Result } from "../engine/result";
import type { Action, Control, Layout, Serve } from "../format/types";
import { serveAs } from "./serves";

/** The controls that were copied, by the ids of their copies. */
export type Originals = ReadonlyMap<string, string>;

const servesOf = (layout: Layout, originals: Originals): Serve[] => {
  const controls = byId(layout.controls);
  return [...originals.values()].flatMap((id) => (controls.get(id)?.serves ?? []) as readonly Serve[]);
};

/** The actions that the originals serve, in order, each with the actions that all wires toward it could give to. */
export function wireTargets(layout: Layout, originals: Originals): { readonly action: string; readonly fitting: readonly Action[] }[] {
  const serves = servesOf(layout, originals);
  const served = new Set(serves.map((s) => s.action));
  return [...served].map((action) => {
    const ports = serves.flatMap((s) => (s.action === action ? [s.port] : []));
    return { action, fitting: layout.actions.filter(({ kind }) => ports.every((port) => portFits(port, kind))) };
  });
}

/**
 * Gives each copy the wires of its original.
 *
 * @param targets For an action of the originals the action that the copies serve instead, or null for none. An action that is not named stays the same.
 */
export function copyWires(layout: Layout, originals: Originals, targets: ReadonlyMap<string, string | null> = new Map()): Result<Layout> {
  const actions = byName(layout.actions);
  const known = byId(layout.controls);
  const retargeted = (serve: Serve): readonly Serve[] => {
    const target = targets.get(serve.action);
    if (target === null) return [];
    if (target === undefined || target === serve.action) return [serve];
    const action = actions.get(target);
    const fitted = action ? serveAs(serve, action) : null;
    return fitted ? [fitted] : [];
  };
  const controls = layout.controls.map((control) => {
    const original = known.get(originals.get(control.id) ?? "");
    return original ? ({ ...control, serves: (original.serves as readonly Serve[]).flatMap(retargeted) } as Control) : control;
  });
  return checked(layout, { ...layout, controls });
}
