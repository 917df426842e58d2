"use client";
/** The findings of the screen on the bench, what points one out, and the small moves that fix them. */
import { ownEntry } from "../../core/engine/playerChanges";
import { applyFix } from "../../core/checks/fixes";
import type { FixOffer } from "../../core/checks/check";
import type { Finding } from "../../core/checks/finding";
import { seenAs } from "../../core/editing/placing";
import { useBenchScreen } from "../document/benchContext";
import { useSession, useSessionActions } from "../document/SessionContext";
import { showMomentOf } from "../document/showMoment";
import { fixWord } from "../fields/FindingList";
import { setBench } from "./bench";

/** `of`: only those that name one of these; null: all. */
export function useFindingMoves(of: readonly string[] | null) {
  const session = useSessionActions();
  const screen = useBenchScreen();
  const all = useSession((s) => ownEntry(s.findings, screen.name)?.list ?? undefined);
  const fixes = useSession((s) => s.fixes);
  const stale = useSession((s) => s.fixesOf !== s.layout);
  const findings = of === null ? all : all?.filter((f) => f.subjects.some((subject) => of.includes(subject)));
  const point = (ids: readonly string[], finding: Finding) => {
    const { layout } = session.store.getState();
    const zones = layout.keepClear.filter((z) => finding.subjects.includes(z.id)).map((z) => z.id);
    showMomentOf(
      session,
      layout.controls.filter((c) => ids.includes(c.id)),
    );
    if (of === null) session.select(ids.length > 0 ? ids : zones);
    setBench(session, { finding: { code: finding.code, subjects: finding.subjects } });
  };
  const fix = (offer: FixOffer) => {
    const { layout, playerView } = session.store.getState();
    session.edit(
      fixWord(layout, offer).replace(/^./, (first) => first.toLowerCase()),
      seenAs({ screen, playerView: { ...playerView, moment: null } }, (now) => applyFix(now, offer.fix)),
    );
    setBench(session, { finding: null });
  };
  return { findings, fixes, stale, point, fix };
}
