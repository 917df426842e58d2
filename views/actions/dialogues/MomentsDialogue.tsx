"use client";
/** The moments of the game: added, named, ordered, removed with what becomes of what belonged to them; and a grid of controls and actions by moments. */
import { ArrowDown, ArrowUp, X } from "lucide-react";
import { useState } from "react";
import { changeAction } from "../../../core/editing/edits/actions";
import { changeMoments } from "../../../core/editing/edits/controls";
import { moveMoment, onlyIn, removeMoment, type Homeless } from "../../../core/editing/edits/moments";
import type { Layout, Moment } from "../../../core/format/types";
import { Dialogue } from "../../../ui/Dialogue";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { MomentName, NewMoment } from "../../fields/MomentFields";
import { removeWithNotice } from "../../document/remove";

export function MomentsDialogue({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const layout = useSession((s) => s.layout);
  return (
    <Dialogue title="Moments" open={open} onOpenChange={onOpenChange} wide>
      <div className="grid gap-4">
        <MomentList layout={layout} />
        {layout.moments.length > 0 && <MomentGrid layout={layout} />}
      </div>
    </Dialogue>
  );
}

function MomentList({ layout }: { layout: Layout }) {
  const session = useSessionActions();
  const { moments } = layout;
  const [asked, setAsked] = useState<Moment | null>(null);
  const remove = (moment: Moment, homeless: Homeless) => {
    removeWithNotice(session, `remove the moment ${moment.name}`, `Moment “${moment.name}” removed`, (l) => removeMoment(l, moment.id, homeless));
    setAsked(null);
  };
  const ask = (moment: Moment) => {
    const alone = onlyIn(layout, moment.id);
    if (moments.length > 1 && alone.actions.length + alone.controls.length + alone.zones.length > 0) setAsked(moment);
    else remove(moment, { kind: "none" });
  };
  return (
    <section aria-label="Moments in order" className="grid gap-1">
      <p className="text-muted">A moment is a time in the game with its own controls: under way, paused. Without moments every control shows all the time.</p>
      <ol className="grid gap-1">
        {moments.map((m, i) => (
          <li key={m.id} className="flex items-center gap-1" data-moment={m.id}>
            <span className="figure w-5 text-right text-muted">{i + 1}</span>
            <span className="w-56">
              <MomentName moment={m} />
            </span>
            <span className="caption w-28 truncate">{m.id}</span>
            <button
              className="push push-bare h-6 px-1"
              disabled={i === 0}
              aria-label={`${m.name} earlier`}
              onClick={() => session.edit(`order of ${m.name}`, (l) => moveMoment(l, m.id, i - 1))}
            >
              <ArrowUp size={13} />
            </button>
            <button
              className="push push-bare h-6 px-1"
              disabled={i === moments.length - 1}
              aria-label={`${m.name} later`}
              onClick={() => session.edit(`order of ${m.name}`, (l) => moveMoment(l, m.id, i + 1))}
            >
              <ArrowDown size={13} />
            </button>
            <button className="push push-bare h-6 px-1" aria-label={`Remove the moment ${m.name}`} onClick={() => ask(m)}>
              <X size={13} />
            </button>
          </li>
        ))}
      </ol>
      {asked && <Becomes key={asked.id} layout={layout} moment={asked} onChoose={(homeless) => remove(asked, homeless)} onKeep={() => setAsked(null)} />}
      <div className="ml-6 w-[15.625rem]">
        <NewMoment />
      </div>
    </section>
  );
}

/** What becomes of that which belongs to a moment alone: chosen before the moment goes. */
function Becomes({ layout, moment, onChoose, onKeep }: { layout: Layout; moment: Moment; onChoose: (homeless: Homeless) => void; onKeep: () => void }) {
  const alone = onlyIn(layout, moment.id);
  const others = layout.moments.filter((m) => m.id !== moment.id);
  const [to, setTo] = useState(others[0]?.id ?? "");
  const glass = [...alone.controls, ...alone.zones];
  return (
    <div
      role="group"
      aria-label={`What happens to controls and actions that only ${moment.name} uses`}
      className="grid gap-2 rounded-sm border border-warning p-2"
    >
      <p>
        To {moment.name} alone belong{" "}
        {glass.length > 0 && (
          <>
            on the glass <span className="figure">{glass.join(", ")}</span>
          </>
        )}
        {glass.length > 0 && alone.actions.length > 0 && ", and "}
        {alone.actions.length > 0 && (
          <>
            the {alone.actions.length === 1 ? "action" : "actions"} <span className="figure">{alone.actions.join(", ")}</span>
          </>
        )}
        .
      </p>
      <span className="flex flex-wrap items-center gap-1">
        <button className="push h-6 px-2" onClick={() => onChoose({ kind: "to", moment: to })}>
          Move it to
        </button>
        <select aria-label="The moment to move it to" className="box h-6 px-1" value={to} onChange={(event) => setTo(event.target.value)}>
          {others.map((m) => (
            <option key={m.id} value={m.id}>
              {m.name}
            </option>
          ))}
        </select>
        <button className="push h-6 px-2" onClick={() => onChoose({ kind: "none" })}>
          Keep it, hidden in every moment
        </button>
        {glass.length > 0 && (
          <button className="push h-6 px-2" onClick={() => onChoose({ kind: "remove" })}>
            Delete it
          </button>
        )}
        <button className="push h-6 px-2" onClick={onKeep}>
          Cancel
        </button>
      </span>
    </div>
  );
}

// oxlint-disable-next-line max-lines-per-function -- one table: head and rows share their columns
function MomentGrid({ layout }: { layout: Layout }) {
  const session = useSessionActions();
  const [of, setOf] = useState<"controls" | "actions">("controls");
  const { moments } = layout;
  const rows: readonly { key: string; word: string; moments: readonly string[]; set: (moments: string[]) => void }[] =
    of === "controls"
      ? [...layout.controls, ...layout.keepClear].map((c) => ({
          key: c.id,
          word: c.name,
          moments: c.moments,
          set: (next) => session.edit(`moments of ${c.name}`, (l) => changeMoments(l, [c.id], next)),
        }))
      : layout.actions.map((a) => ({
          key: a.name,
          word: a.name,
          moments: a.moments,
          set: (next) => session.edit(`moments of ${a.name}`, (l) => changeAction(l, a.name, { moments: next })),
        }));
  return (
    <section aria-label="Visible controls" className="grid gap-1.5">
      <span role="group" aria-label="Show" className="flex">
        {(["controls", "actions"] as const).map((word) => (
          <button
            key={word}
            aria-pressed={of === word}
            className={`push h-6 px-2 ${of === word ? "border-accent text-accent" : ""}`}
            onClick={() => setOf(word)}
          >
            {word === "controls" ? "Controls" : "Actions"}
          </button>
        ))}
      </span>
      <div className="max-h-[21.25rem] overflow-auto border border-rule" tabIndex={0} role="group" aria-label="Grid">
        <table className="w-full border-collapse">
          <caption className="sr-only">{of === "controls" ? "Moments in which each control and zone is visible" : "Moments of each action"}</caption>
          <thead className="sticky top-0 bg-sheet">
            <tr>
              <th scope="col" className="heading px-2 py-1 text-left font-normal">
                {of === "controls" ? "On the glass" : "Action"}
              </th>
              {moments.map((m) => (
                <th key={m.id} scope="col" className="px-2 py-1 text-[0.6875rem] font-normal">
                  {m.name}
                </th>
              ))}
              <th scope="col" className="px-2 py-1 text-[0.6875rem] font-normal">
                All
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map((row) => (
              <tr key={row.key} className="border-t border-rule hover:bg-paper">
                <th scope="row" className="truncate px-2 py-0.5 text-left font-normal">
                  <span className={of === "actions" ? "figure" : ""}>{row.word}</span>
                  {row.moments.length === 0 && <span className="ml-2 text-[0.6875rem] text-warning">◆ in no moment</span>}
                </th>
                {moments.map((m) => {
                  const on = row.moments.includes(m.id);
                  return (
                    <td key={m.id} className="text-center">
                      <input
                        type="checkbox"
                        className="size-4 accent-[var(--accent)]"
                        aria-label={`${row.word} in ${m.name}`}
                        checked={on}
                        onChange={() => row.set(moments.map((x) => x.id).filter((x) => (x === m.id ? !on : row.moments.includes(x))))}
                      />
                    </td>
                  );
                })}
                <td className="text-center">
                  <button
                    className="h-6 px-1.5 text-[0.6875rem] underline disabled:no-underline disabled:opacity-40"
                    disabled={row.moments.length === moments.length}
                    aria-label={`${row.word} in every moment`}
                    onClick={() => row.set(moments.map((m) => m.id))}
                  >
                    All
                  </button>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </section>
  );
}
