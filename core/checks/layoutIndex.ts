/** What the checks need of a layout whatever the screen, worked out once a layout. */
import type { Action, Control, KeepClear, Layout } from "../format/types";
import type { Found } from "./finding";
import { bindingFaults } from "./bindingFaults";

export interface LayoutIndex {
  readonly controls: ReadonlyMap<string, Control>;
  readonly zones: ReadonlyMap<string, KeepClear>;
  readonly actions: ReadonlyMap<string, Action>;
  /** The ids of the controls that serve an action, by its name. */
  readonly servers: ReadonlyMap<string, ReadonlySet<string>>;
  /** What a control serves, as a text equal for controls of a kind that serve exactly the same; empty for nothing. */
  readonly servesKeys: ReadonlyMap<string, string>;
  /** Faults of bindings: the same on every screen. */
  readonly bindingFaults: readonly Found[];
}

/** Kept by the identity of the layout, which never changes in place; what is kept can always be worked out again. */
const indexes = new WeakMap<Layout, LayoutIndex>();

export function layoutIndexOf(layout: Layout): LayoutIndex {
  let layoutIndex = indexes.get(layout);
  if (!layoutIndex) indexes.set(layout, (layoutIndex = makeLayoutIndex(layout)));
  return layoutIndex;
}

function makeLayoutIndex(layout: Layout): LayoutIndex {
  const servers = new Map<string, Set<string>>();
  for (const control of layout.controls)
    for (const serve of control.serves) {
      const known = servers.get(serve.action);
      if (known) known.add(control.id);
      else servers.set(serve.action, new Set([control.id]));
    }
  const actions = new Map(layout.actions.map((action) => [action.name, action]));
  return {
    controls: new Map(layout.controls.map((control) => [control.id, control])),
    zones: new Map(layout.keepClear.map((zone) => [zone.id, zone])),
    actions,
    servers,
    servesKeys: new Map(layout.controls.map((control) => [control.id, servesKey(control)])),
    bindingFaults: [...bindingFaults(layout, actions)],
  };
}

function servesKey(control: Control): string {
  if (control.serves.length === 0) return "";
  const lines = control.serves.map((s) => JSON.stringify([s.port, s.action, s.value ?? null, s.scale ?? null, s.repeat ?? null]));
  return `${control.kind}\n${lines.sort().join("\n")}`;
}
