/** Faults of bindings that hold on every screen and in every moment: words nothing reads, kinds that do not go together, controls that serve nothing. */
import { withArticle } from "../derived/counted";
import { hasPort, portFits, serveLacks } from "../engine/input/fits";
import { byName } from "../derived/byId";
import type { Action, Control, Layout } from "../format/types";
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

function* findFaults({ controls, actions: all }: Pick<Layout, "controls" | "actions">): Iterable<CheckResult> {
  const actions = byName(all);
  for (const control of controls) {
    yield* serveFaults(control, actions);
    yield* unheardFaults(control, actions);
  }
  for (const action of all)
    if (action.mouse.some((source) => "button" in source && source.button === 0))
      yield {
        code: "bind/any-touch",
        severity: "warning",
        subjects: [action.name],
        measure: null,
        text: () => `\`${action.name}\` is bound to the main mouse button, so every touch on the screen triggers it; bind another button`,
      };
}

/** Wires to unknown actions, and wires whose port does not fit the kind of the action; each action once. */
function* serveFaults(control: Control, actions: ReadonlyMap<string, Action>): Iterable<CheckResult> {
  const told = new Set<string>();
  for (const { action: name, port, value, scale } of control.serves) {
    const action = actions.get(name);
    const key = `${name}\n${action ? "kind" : "name"}`;
    if (told.has(key)) continue;
    if (!action) {
      told.add(key);
      const near = nearestWord(name, [...actions.keys()]);
      yield {
        code: "bind/unknown-action",
        severity: "blocker",
        subjects: [control.id, name],
        measure: null,
        text: (say) =>
          `${say(control.id)} serves \`${name}\`, which the game does not read${near ? `; nearly \`${near}\`` : "; add the action or serve another"}`,
      };
      continue;
    }
    const isThere = hasPort(control.kind, port);
    const lacks = portFits(port, action.kind) ? serveLacks(port, action.kind, value, scale) : `cannot give to ${withArticle(action.kind)}`;
    if (isThere && !lacks) continue;
    told.add(key);
    yield {
      code: "bind/kind-mismatch",
      severity: "blocker",
      subjects: [control.id, action.name],
      measure: null,
      text: (say) =>
        !isThere
          ? `${say(control.id)} is ${withArticle(control.kind)}, which has no ${port} port; choose another port`
          : `the ${port} port of ${say(control.id)} ${lacks}, and \`${action.name}\` is ${withArticle(action.kind)}; choose another port or kind`,
    };
  }
}

/** Controls that serve nothing, or nothing that the game reads. */
function* unheardFaults({ id, serves }: Control, actions: ReadonlyMap<string, Action>): Iterable<CheckResult> {
  if (serves.length === 0)
    yield {
      code: "bind/silent",
      severity: "warning",
      subjects: [id],
      measure: null,
      text: (say) => `${say(id)} serves nothing; give it an action or remove it`,
    };
  else if (serves.every((serve) => actions.get(serve.action)?.read === false))
    yield {
      code: "bind/unread",
      severity: "note",
      subjects: [id],
      measure: null,
      text: (say) => `the game reads none of the actions that ${say(id)} serves`,
    };
}
