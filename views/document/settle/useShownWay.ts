"use client";
/** The part of the way from before to after that is shown of what Settle proposes for the open layout. */
import { useMemo } from "react";
import { SEVERITIES, type BareFinding } from "../../../core/checks/finding";
import type { PlayerCase } from "../../../core/checks/grid";
import { byName } from "../../../core/derived/byId";
import { useSession } from "../SessionContext";
import type { Between } from "../../canvas/LiveLayout";
import { proposalFor, useSettle, type Proposal } from "./settleState";

/** What is proposed for the open layout; null where nothing is. The component draws again only when that is another. */
export function useProposal(): Proposal | null {
  const run = useSettle((s) => s.run);
  const isOpen = useSettle((s) => s.isOpen);
  return useSession((s) => proposalFor({ isOpen, run }, s.layout));
}

/** What is drawn of it; undefined where nothing is proposed. The same proposal and part give the same object. */
export function useShownWay(): Between | undefined {
  const proposal = useProposal();
  const part = useSettle((s) => s.part);
  return useMemo(() => (proposal ? { was: proposal.of, is: proposal.is, part } : undefined), [proposal, part]);
}

/** From here on what is shown is nearer to after than to before. */
const NEARER_AFTER = 0.5;

/** What is found after, while that is what is shown of a face; null where it is not, or is not known. Worst first, as findings come. */
export function useSettledFindings(screen: string, { handed, playerSize }: PlayerCase): readonly BareFinding[] | null {
  const proposal = useProposal();
  const part = useSettle((s) => s.part);
  return useMemo(() => {
    if (!proposal || part < NEARER_AFTER) return null;
    const face = proposal.request.faces.findIndex((one) => one.handed === handed && one.playerSize === playerSize);
    const found = byName(proposal.after).get(screen)?.faces[face];
    return found ? SEVERITIES.flatMap((severity) => found.filter((one) => one.severity === severity)) : null;
  }, [proposal, part, screen, handed, playerSize]);
}
