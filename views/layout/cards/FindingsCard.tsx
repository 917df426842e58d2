"use client";
/** The findings of the screen on the bench: each leads to its place, shows itself on the glass, and is fixed at a click where a small move does it. */
import { FindingList } from "../../fields/FindingList";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { benchScreens, settleBench } from "../settleBench";
import { useFindingMoves } from "../useFindingMoves";

/** `of`: only those that name one of these; null: all. */
export function FindingsCard({ of }: { of: readonly string[] | null }) {
  const { findings, fixes, stale, point, fix } = useFindingMoves(of);
  if (of !== null && (findings === undefined || findings.length === 0)) return null;
  const list = <FindingList findings={findings} onPick={point} fixes={fixes} onFix={fix} stale={stale} />;
  if (of !== null) return list;
  return (
    <>
      <SettleButton />
      {list}
    </>
  );
}

/** Settles the screens in view. */
function SettleButton() {
  const session = useSessionActions();
  const count = useSession((s) => benchScreens(s.layout).length);
  return (
    <button
      type="button"
      className="push mb-1 h-6 justify-self-start"
      onClick={() => settleBench(session)}
      {...readingProps(says("settle.open"), `these ${count} screens`)}
    >
      Settle these {count} screens
    </button>
  );
}
