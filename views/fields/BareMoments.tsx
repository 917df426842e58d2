"use client";
/** Offers, for each moment in which an action has no control, to show a control there or to want the action there no longer; `only`: for one moment. */
import { byId } from "../../core/derived/byId";
import { bareMoments, showIn, wantNoLonger } from "../../core/wiring/bareMoments";
import type { Layout } from "../../core/format/types";
import { useSessionActions } from "../document/SessionContext";

export function BareMoments({ name, layout, only = null }: { name: string; layout: Layout; only?: string | null }) {
  const session = useSessionActions();
  const bare = bareMoments(layout, name);
  if (bare.length === 0) return null;
  const momentName = (id: string) => byId(layout.moments).get(id)?.name ?? id;
  const controlName = (id: string) => byId(layout.controls).get(id)?.name ?? id;
  const drop = (moments: readonly string[], words: string) => session.edit(`${name} not needed ${words}`, (l) => wantNoLonger(l, name, moments));
  return (
    <div role="group" aria-label={`Moments without a control for ${name}`} className="grid gap-1 text-[0.75rem]">
      {bare
        .filter(({ moment }) => only === null || moment === only)
        .map(({ moment, hidden }) => (
          <div key={moment} className="flex flex-wrap items-center gap-1" data-bare={moment}>
            {only === null && <span className="caption w-24 shrink-0 truncate">{momentName(moment)}</span>}
            {hidden.map((id) => (
              <button
                key={id}
                className="push h-6 px-1.5 text-[0.6875rem]"
                onClick={() => session.edit(`show ${controlName(id)} in ${momentName(moment)}`, (l) => showIn(l, id, moment))}
              >
                Show {controlName(id)}
              </button>
            ))}
            <button className="push h-6 px-1.5 text-[0.6875rem]" onClick={() => drop([moment], `in ${momentName(moment)}`)}>
              Not needed
            </button>
          </div>
        ))}
      {bare.length > 1 && (
        <button
          className="push h-6 justify-self-start px-1.5 text-[0.6875rem]"
          onClick={() =>
            drop(
              bare.map(({ moment }) => moment),
              `in ${bare.length} moments`,
            )
          }
        >
          Not needed in any of these {bare.length}
        </button>
      )}
    </div>
  );
}
