"use client";
/** The moments of the game, to be added, renamed, removed. Which controls show when is said on each card. */
import { X } from "lucide-react";
import { removeMoment } from "../../../core/editing/edits/moments";
import { useSession, useSessionActions } from "../../session/context";
import { MomentName, NewMoment } from "../../shared/MomentFields";
import { removeTold } from "../../shared/remove";

export function MomentsCard() {
  const session = useSessionActions();
  const moments = useSession((s) => s.layout.moments);
  return (
    <>
      {moments.length === 0 && <p className="text-muted">None: every control shows all the time.</p>}
      {moments.map((m) => (
        <span key={m.id} className="flex items-center gap-0.5">
          <span className="min-w-0 flex-1">
            <MomentName moment={m} />
          </span>
          <button
            className="grid size-6 place-items-center rounded-sm hover:bg-paper"
            aria-label={`Delete the moment ${m.name}`}
            onClick={() => removeTold(session, `delete the moment ${m.name}`, `The moment “${m.name}” is deleted`, (l) => removeMoment(l, m.id))}
          >
            <X size={12} />
          </button>
        </span>
      ))}
      <NewMoment />
    </>
  );
}
