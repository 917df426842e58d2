/** The layouts that ship. */
import { parseLayout } from "../core/format/parse";
import type { Layout } from "../core/format/types";
import brackwater from "./brackwater.nodulum.json";
import firstDraft from "./brackwater-first-draft.nodulum.json";
import pigeonhole from "./pigeonhole.nodulum.json";

/** The samples, Brackwater first. */
export function sampleLayouts(): Layout[] {
  return [brackwater, pigeonhole, firstDraft].map((file) => {
    const layout = parseLayout(file);
    if (!layout.ok) throw new Error(`a shipped sample does not parse: ${JSON.stringify(layout.problems)}`);
    return layout.value;
  });
}
