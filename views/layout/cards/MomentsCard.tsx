"use client";
/** The moments of the game, to be added, renamed, removed. Which controls show when is said on each card. */
import { Plus, X } from "lucide-react";
import { addMoment, removeMoment, renameMoment } from "../../../core/layout/edits/moments";
import { TypedField } from "../../../ui/Typed";
import { useSession, useSessionActions } from "../../session/context";

export function MomentsCard() {
  const session = useSessionActions();
  const moments = useSession((s) => s.layout.moments);
  return (
    <>
      {moments.length === 0 && <p className="text-muted">None: every control shows all the time.</p>}
      {moments.map((m) => (
        <span key={m.id} className="flex items-center gap-0.5">
          <span className="min-w-0 flex-1">
            <TypedField
              bare
              label={`Moment ${m.name}`}
              value={m.name}
              onCommit={(name) => session.edit(`rename ${m.id}`, (l) => renameMoment(l, m.id, name.trim()))}
            />
          </span>
          <button
            className="grid size-6 place-items-center rounded-sm hover:bg-paper"
            aria-label={`Delete the moment ${m.name}`}
            onClick={() => session.edit(`delete the moment ${m.name}`, (l) => removeMoment(l, m.id))}
          >
            <X size={12} />
          </button>
        </span>
      ))}
      <form
        className="flex gap-0.5"
        onSubmit={(event) => {
          event.preventDefault();
          const form = event.currentTarget;
          const name = String(new FormData(form).get("moment")).trim();
          if (name !== "" && session.edit(`add the moment ${name}`, (l) => addMoment(l, name))) form.reset();
        }}
      >
        <input name="moment" aria-label="Name of the new moment" placeholder="one more" maxLength={80} className="box h-6 min-w-0 flex-1 px-1.5" />
        <button className="grid size-6 place-items-center" aria-label="Add the moment">
          <Plus size={13} />
        </button>
      </form>
    </>
  );
}
