"use client";
/** The findings of the screen on the bench, all of them or those of what is selected: each leads to its place, shows itself on the glass, and is mended at a click where a small move does it. */
import { applyMend } from "../../../core/checks/mends";
import type { Finding } from "../../../core/checks/finding";
import { sightOf, type Sight } from "../../../core/editing/placing";
import type { MendOffer } from "../../../workers/checks";
import { useSession, useSessionActions } from "../../session/context";
import { showMomentOf } from "../../session/screens";
import { FindingList, mendWord } from "../../shared/FindingList";
import { setBench } from "../bench";

/** `of`: only those that name one of these; null: all. */
export function FindingsCard({ sight, of }: { sight: Sight; of: readonly string[] | null }) {
  const session = useSessionActions();
  const all = useSession((s) => s.findings[sight.screen.name]);
  const mends = useSession((s) => s.mends);
  const stale = useSession((s) => s.mendsOf !== s.layout);
  const findings = of === null ? all : all?.filter((f) => f.subjects.some((subject) => of.includes(subject)));
  const point = (ids: readonly string[], finding: Finding) => {
    const zones = sight.layout.keepClear.filter((z) => finding.subjects.includes(z.id)).map((z) => z.id);
    showMomentOf(
      session,
      sight.layout.controls.filter((c) => ids.includes(c.id)),
    );
    if (of === null) session.select(ids.length > 0 ? ids : zones);
    setBench({ finding: { code: finding.code, subjects: finding.subjects } });
  };
  const mend = (offer: MendOffer) => {
    const { layout } = session.store.getState();
    session.edit(
      mendWord(layout, offer).replace(/^./, (first) => first.toLowerCase()),
      () => applyMend(sightOf(layout, sight.screen, { ...sight.view, moment: null }), offer.mend),
    );
    setBench({ finding: null });
  };
  if (of !== null && (findings === undefined || findings.length === 0)) return null;
  return <FindingList findings={findings} onPick={point} mends={mends} onMend={mend} stale={stale} narrow={of !== null} />;
}
