/** The versions of a layout that can be compared: as it is, its named states, each edit of its log, a file. */
import type { KeptState } from "../../core/exchange/storedRecords";
import type { Layout } from "../../core/format/types";
import { refused, ok, type Result } from "../../core/engine/result";
import { versionAt } from "../../core/versions/log";
import type { Session } from "./session";
import type { States } from "./states";

/** A version by how it is found again. */
export type VersionChoice =
  | { readonly kind: "now" }
  | { readonly kind: "state"; readonly state: KeptState }
  | { readonly kind: "edit"; readonly record: string; readonly label: string }
  | { readonly kind: "file"; readonly name: string; readonly layout: Layout };

/** What a version is called. */
export function choiceWord(choice: VersionChoice): string {
  switch (choice.kind) {
    case "now":
      return "now";
    case "state":
      return choice.state.name;
    case "edit":
      return `after “${choice.label}”`;
    case "file":
      return choice.name;
  }
}

/** The layout of a version. */
export async function versionOf(choice: VersionChoice, session: Session, states: States): Promise<Result<Layout>> {
  const { layout, gesture, log } = session.store.getState();
  const now = gesture?.base ?? layout;
  switch (choice.kind) {
    case "now":
      return ok(now);
    case "state":
      return states.layoutOf(choice.state);
    case "edit": {
      const version = versionAt(now, log, choice.record);
      return version ? ok(version) : refused("", "the history no longer has this edit");
    }
    case "file":
      return ok(choice.layout);
  }
}
