"use client";
/** The moments of the game, to be added, renamed, removed. Which controls show when is said on each card. */
import { X } from "lucide-react";
import { removeMoment } from "../../../core/editing/edits/moments";
import { readingProps } from "../../../ui/reading";
import { says } from "../../shell/reading/sentences";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { MomentName, NewMoment } from "../../fields/MomentFields";
import { removeWithNotice } from "../../document/remove";

export function MomentsCard() {
  const session = useSessionActions();
  const moments = useSession((s) => s.layout.moments);
  return (
    <>
      {moments.length === 0 && <p className="text-muted">None: every control shows all the time.</p>}
      {moments.map((m, i) => (
        <span key={m.id} className="flex items-center gap-0.5 [--name:1.9rem]">
          <span className="field-name w-[3.5rem] shrink-0">Moment {i + 1}</span>
          <span className="min-w-0 flex-1">
            <MomentName moment={m} />
          </span>
          <button
            className="grid size-6 place-items-center rounded-sm hover:bg-paper"
            aria-label={`Delete the moment ${m.name}`}
            {...readingProps(says("moment.remove"))}
            onClick={() => removeWithNotice(session, `delete the moment ${m.name}`, `Moment “${m.name}” deleted`, (l) => removeMoment(l, m.id))}
          >
            <X size={12} />
          </button>
        </span>
      ))}
      <NewMoment />
    </>
  );
}
