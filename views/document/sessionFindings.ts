/** Findings and fixes of a session, as the workers report them. */
import { isEqual } from "../../core/engine/equal";
import type { StoreApi } from "zustand/vanilla";
import { ownEntry } from "../../core/engine/playerChanges";
import type { FindingActions, SessionState } from "./sessionState";

export function createFindings({ getState: get, setState: set }: StoreApi<SessionState>): FindingActions {
  return {
    setFixes: (fixes, of) => set({ fixes, fixesOf: of }),
    setFindings(findings, countedFor) {
      const before = get().findings;
      if (!isEqual(countedFor, get().countedFor)) set({ countedFor });
      const kept = Object.entries(findings).map(([name, found]) => {
        const known = ownEntry(before, name);
        return [name, known !== undefined && isEqual(known, found) ? known : found] as const;
      });
      const same = Object.keys(before).length === kept.length && kept.every(([name, found]) => ownEntry(before, name) === found);
      if (!same) set({ findings: Object.fromEntries(kept) });
    },
  };
}
