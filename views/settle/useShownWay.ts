"use client";
/** The part of the way from before to after that is shown of what Settle proposes for the open layout. */
import { useMemo } from "react";
import { useSession } from "../session/context";
import type { Between } from "../shared/LiveLayout";
import { proposalFor, proposedLayout, useSettle, type Proposal } from "./settling";

/** What is proposed for the open layout; null where nothing is. */
export function useProposal(): Proposal | null {
  const layout = useSession((s) => s.layout);
  const run = useSettle((s) => s.run);
  const isOpen = useSettle((s) => s.isOpen);
  return proposalFor({ isOpen, run }, layout);
}

/** What is drawn of it; undefined where nothing is proposed. The same proposal and part give the same object. */
export function useShownWay(): Between | undefined {
  const proposal = useProposal();
  const part = useSettle((s) => s.part);
  const is = useMemo(() => (proposal ? proposedLayout(proposal) : null), [proposal]);
  return useMemo(() => (proposal && is ? { was: proposal.of, is, part } : undefined), [proposal, is, part]);
}
