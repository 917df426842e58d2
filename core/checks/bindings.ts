/** Whether what the game reads is served, and by what fits. */
import { layoutIndexOf } from "../derived/layoutIndex";
import { bindingFaults } from "./bindingFaults";
import type { Check, MomentContext } from "./context";
import type { CheckResult } from "./finding";

function* inMoment({ layout, moment, shown }: MomentContext): Iterable<CheckResult> {
  const index = layoutIndexOf(layout);
  for (const action of layout.actions) {
    if (!action.read || action.touch !== "wanted" || (moment !== null && !action.moments.includes(moment))) continue;
    const servers = index.servers.get(action.name);
    if (servers && shown.some(({ control }) => servers.has(control.id))) continue;
    yield {
      code: "bind/unserved",
      severity: "blocker",
      subjects: [action.name],
      measure: null,
      text: (say) =>
        `nothing on touch serves \`${action.name}\`${moment === null ? "" : ` in ${say(moment, "moment")}`}; drag it onto the glass, or mark it as desktop only`,
    };
  }
  const same = new Map<string, string[]>();
  for (const { control } of shown) {
    const key = index.servesKeys.get(control.id)!;
    if (key === "") continue;
    const others = same.get(key);
    if (!others) same.set(key, [control.id]);
    else {
      for (const other of others)
        yield {
          code: "bind/twice",
          severity: "note",
          subjects: [other, control.id],
          measure: null,
          text: (say) => `${say(other)} and ${say(control.id)} serve exactly the same actions; remove one`,
        };
      others.push(control.id);
    }
  }
}

export const bindings: Check = { once: ({ layout }) => bindingFaults(layout), inMoment };
