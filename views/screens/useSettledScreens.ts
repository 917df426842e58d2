"use client";
/** What is found on the screens before and after what Settle proposes; of screens it was not asked about, what is found there anyway. */
import { useMemo } from "react";
import type { JudgedScreen } from "../../core/checks/grid";
import { byName } from "../../core/derived/byId";
import { useProposal } from "../document/settle/useShownWay";
import { useFaces } from "./useFaces";

export interface SettledScreens {
  /** By the places of the screens. */
  readonly before: readonly (JudgedScreen | null)[];
  readonly after: readonly (JudgedScreen | null)[];
  /** The names of the screens it was asked about. */
  readonly asked: ReadonlySet<string>;
}

/** Null where nothing is proposed. */
export function useSettledScreens(judged: readonly (JudgedScreen | null)[]): SettledScreens | null {
  const { screens } = useFaces();
  const proposal = useProposal();
  return useMemo(() => {
    if (!proposal) return null;
    const [before, after] = [byName(proposal.before), byName(proposal.after)];
    return {
      before: screens.map(({ name }, place) => before.get(name) ?? judged[place]),
      after: screens.map(({ name }, place) => after.get(name) ?? judged[place]),
      asked: new Set(before.keys()),
    };
  }, [proposal, screens, judged]);
}
