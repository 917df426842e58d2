/** What follows from a layout whatever the screen: who serves what. Worked out once for a list of controls, each control's own part once a control. */
import type { Control, Layout, Serve } from "../format/types";

/** Who serves what. */
export interface LayoutIndex {
  /** The ids of the controls that serve an action, by its name, in the order of the file. */
  readonly servers: ReadonlyMap<string, ReadonlySet<string>>;
  /** What a control serves, as a text equal for controls of a kind that serve exactly the same; empty for nothing. By id. */
  readonly servesKeys: ReadonlyMap<string, string>;
}

const indexes = new WeakMap<Layout["controls"], LayoutIndex>();
const keys = new WeakMap<Control, string>();

/** The index of a layout. Versions of a layout with the same list of controls share it. */
export function layoutIndexOf({ controls }: Pick<Layout, "controls">): LayoutIndex {
  let index = indexes.get(controls);
  if (!index) indexes.set(controls, (index = makeIndex(controls)));
  return index;
}

function makeIndex(controls: Layout["controls"]): LayoutIndex {
  const servers = new Map<string, Set<string>>();
  for (const control of controls)
    for (const serve of control.serves) {
      const known = servers.get(serve.action);
      if (known) known.add(control.id);
      else servers.set(serve.action, new Set([control.id]));
    }
  return { servers, servesKeys: new Map(controls.map((control) => [control.id, servesKey(control)])) };
}

function servesKey(control: Control): string {
  let key = keys.get(control);
  if (key === undefined) {
    const lines = (control.serves as readonly Serve[]).map((s) => JSON.stringify([s.port, s.action, s.value ?? null, s.scale ?? null, s.repeat ?? null]));
    key = lines.length === 0 ? "" : `${control.kind}\n${lines.sort().join("\n")}`;
    keys.set(control, key);
  }
  return key;
}

const servings = new WeakMap<Layout["controls"], Layout["controls"]>();
let lastServing: Layout["controls"] = [];

/**
 * The controls of a layout, for whoever looks only at their names, moments and serves: a list that says the same about these as the one
 * asked for last is that one, so that nothing which follows from it is computed again because a control has moved.
 */
export function servingControls(controls: Layout["controls"]): Layout["controls"] {
  const known = servings.get(controls);
  if (known) return known;
  const same =
    controls.length === lastServing.length &&
    controls.every((c, i) => {
      const before = lastServing[i];
      return (
        c === before || (c.id === before.id && c.name === before.name && c.kind === before.kind && c.moments === before.moments && c.serves === before.serves)
      );
    });
  if (!same) lastServing = controls;
  servings.set(controls, lastServing);
  return lastServing;
}
