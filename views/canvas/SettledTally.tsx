"use client";
/** What is found on a screen for the player in view once it is settled, next to what is found there now. */
import { tallyOf } from "../../core/checks/finding";
import { Tally } from "../../ui/Tally";
import { useSession } from "../document/SessionContext";
import { useSettledFindings } from "../document/settle/useShownWay";

export function SettledTally({ screen }: { screen: string }) {
  const handed = useSession((s) => s.playerView.handed);
  const playerSize = useSession((s) => s.playerView.playerSize);
  const after = useSettledFindings(screen, { handed, playerSize });
  if (!after) return null;
  const tally = tallyOf(after);
  return (
    <span className="inline-flex gap-1 text-[0.6875rem]" data-testid="settled-tally">
      <span className="text-accent">
        <span aria-hidden>→</span>
        <span className="sr-only">settled:</span>
      </span>
      {tally.blocker + tally.warning + tally.note === 0 ? (
        <span>
          <span aria-hidden>✓</span>
          <span className="sr-only">no findings</span>
        </span>
      ) : (
        <Tally tally={tally} short />
      )}
    </span>
  );
}
