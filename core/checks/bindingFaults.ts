/** Faults of bindings that hold on every screen and in every moment: words nothing reads, kinds that do not go together, controls that serve nothing. */
import { withArticle } from "../derived/counted";
import { portFits, serveLacks } from "../engine/input/fits";
import { byName } from "../derived/byId";
import type { Layout } from "../format/types";
import { nearestWord } from "../engine/nearest";
import type { CheckResult } from "./finding";

/** Kept by what they are about, the controls and the actions: they are the same on every screen. */
const known = new WeakMap<Layout["controls"], { readonly of: Layout["actions"]; readonly faults: readonly CheckResult[] }>();

/** The faults of a layout's bindings, in the order of the file. */
export function bindingFaults(layout: Pick<Layout, "controls" | "actions">): readonly CheckResult[] {
  const before = known.get(layout.controls);
  if (before?.of === layout.actions) return before.faults;
  const faults = [...findFaults(layout)];
  known.set(layout.controls, { of: layout.actions, faults });
  return faults;
}

function* findFaults(layout: Pick<Layout, "controls" | "actions">): Iterable<CheckResult> {
  const actions = byName(layout.actions);
  const names = layout.actions.map((action) => action.name);
  for (const control of layout.controls) {
    const told = new Set<string>();
    for (const serve of control.serves) {
      const action = actions.get(serve.action);
      const key = `${serve.action}\n${action ? "kind" : "name"}`;
      if (told.has(key)) continue;
      if (!action) {
        told.add(key);
        const near = nearestWord(serve.action, names);
        yield {
          code: "bind/unknown-action",
          severity: "blocker",
          subjects: [control.id, serve.action],
          measure: null,
          text: (say) =>
            `${say(control.id)} serves \`${serve.action}\`, which the game does not read${near ? `; nearly \`${near}\`` : "; add the action or serve another"}`,
        };
        continue;
      }
      const lacks = portFits(serve.port, action.kind)
        ? serveLacks(serve.port, action.kind, serve.value, serve.scale)
        : `cannot give to ${withArticle(action.kind)}`;
      if (!lacks) continue;
      told.add(key);
      yield {
        code: "bind/kind-mismatch",
        severity: "blocker",
        subjects: [control.id, action.name],
        measure: null,
        text: (say) =>
          `the ${serve.port} port of ${say(control.id)} ${lacks}, and \`${action.name}\` is ${withArticle(action.kind)}; choose another port or kind`,
      };
    }
    if (control.serves.length === 0)
      yield {
        code: "bind/silent",
        severity: "warning",
        subjects: [control.id],
        measure: null,
        text: (say) => `${say(control.id)} serves nothing; give it an action or remove it`,
      };
    else if (control.serves.every((serve) => actions.get(serve.action)?.read === false))
      yield {
        code: "bind/unread",
        severity: "note",
        subjects: [control.id],
        measure: null,
        text: (say) => `the game reads none of the actions that ${say(control.id)} serves`,
      };
  }
  for (const action of layout.actions)
    if (action.mouse.some((source) => "button" in source && source.button === 0))
      yield {
        code: "bind/any-touch",
        severity: "warning",
        subjects: [action.name],
        measure: null,
        text: () => `\`${action.name}\` is bound to the main mouse button, so every touch on the screen triggers it; bind another button`,
      };
}
