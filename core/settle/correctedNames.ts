/** Corrects misspelled action names of wires if a similar action has no control. This has no cost. */
import { byName } from "../derived/byId";
import { portFits, serveLacks } from "../engine/input/fits";
import { nearestWord } from "../engine/nearest";
import type { Control, Layout } from "../format/types";

/** The layout with corrected names where the wire fits the action; held controls do not change. The same layout if there is nothing to correct. */
export function spelledAnew(layout: Layout, held: ReadonlySet<string>): Layout {
  const actions = byName(layout.actions);
  const served = new Set(layout.controls.flatMap(({ serves }) => serves.map(({ action }) => action)));
  const open = layout.actions.filter(({ name, read, touch }) => read && touch === "wanted" && !served.has(name)).map(({ name }) => name);
  if (open.length === 0) return layout;
  let isChanged = false;
  const controls = layout.controls.map((control): Control => {
    if (held.has(control.id)) return control;
    const serves = control.serves.map((serve) => {
      const near = actions.has(serve.action) ? null : nearestWord(serve.action, open);
      const kind = near === null ? undefined : actions.get(near)!.kind;
      if (near === null || kind === undefined || !portFits(serve.port, kind) || serveLacks(serve.port, kind, serve.value, serve.scale)) return serve;
      isChanged = true;
      return { ...serve, action: near };
    });
    return { ...control, serves } as Control;
  });
  return isChanged ? { ...layout, controls } : layout;
}
