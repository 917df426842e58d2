"use client";
/** The findings of the screen on the bench, all of them or those of what is selected: each leads to its place, shows itself on the glass, and is mended at a click where a small move does it. */
import { ownEntry } from "../../../core/engine/own";
import { applyFix } from "../../../core/checks/fixes";
import type { Finding } from "../../../core/checks/finding";
import { editContextOf, type EditContext } from "../../../core/editing/placing";
import type { FixOffer } from "../../../core/checks/check";
import { useSession, useSessionActions } from "../../session/context";
import { showMomentOf } from "../../session/showMoment";
import { FindingList, fixWord } from "../../shared/FindingList";
import { setBench } from "../bench";

/** `of`: only those that name one of these; null: all. */
export function FindingsCard({ context, of }: { context: EditContext; of: readonly string[] | null }) {
  const session = useSessionActions();
  const all = useSession((s) => ownEntry(s.findings, context.screen.name)?.list ?? undefined);
  const fixes = useSession((s) => s.fixes);
  const stale = useSession((s) => s.fixesOf !== s.layout);
  const findings = of === null ? all : all?.filter((f) => f.subjects.some((subject) => of.includes(subject)));
  const point = (ids: readonly string[], finding: Finding) => {
    const zones = context.layout.keepClear.filter((z) => finding.subjects.includes(z.id)).map((z) => z.id);
    showMomentOf(
      session,
      context.layout.controls.filter((c) => ids.includes(c.id)),
    );
    if (of === null) session.select(ids.length > 0 ? ids : zones);
    setBench({ finding: { code: finding.code, subjects: finding.subjects } });
  };
  const fix = (offer: FixOffer) => {
    const { layout } = session.store.getState();
    session.edit(
      fixWord(layout, offer).replace(/^./, (first) => first.toLowerCase()),
      () => applyFix(editContextOf(layout, context.screen, { ...context.playerView, moment: null }), offer.fix),
    );
    setBench({ finding: null });
  };
  if (of !== null && (findings === undefined || findings.length === 0)) return null;
  return <FindingList findings={findings} onPick={point} fixes={fixes} onFix={fix} stale={stale} narrow={of !== null} />;
}
