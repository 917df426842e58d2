/** The layouts that ship. */
import { parseLayout } from "../core/format/parse";
import type { Layout } from "../core/format/types";
import brackwater from "./brackwater.nodulum.json";
import firstDraft from "./brackwater-first-draft.nodulum.json";
import derrick from "./derrick.nodulum.json";
import pigeonhole from "./pigeonhole.nodulum.json";

/** A layout that ships: read when it is asked for. */
export interface Sample {
  readonly name: string;
  /** The text of its file. */
  readonly text: () => string;
  readonly layout: () => Layout;
}

function read(file: unknown): Layout {
  const layout = parseLayout(file);
  if (!layout.ok) throw new Error(`a shipped sample does not parse: ${JSON.stringify(layout.problems)}`);
  return layout.value;
}

/** The samples, Brackwater first. */
export const SAMPLES: readonly Sample[] = [brackwater, pigeonhole, firstDraft, derrick].map((file) => ({
  name: file.name,
  text: () => JSON.stringify(file),
  layout: () => read(file),
}));
