"use client";
/** Asks, for each action that the originals of mirrored copies serve, which action the copies serve. */
import { useMemo, useState } from "react";
import { copyWires, wireTargets, type Originals } from "../../core/wiring/copiedWires";
import { Dialogue } from "../../ui/Dialogue";
import type { Session } from "../document/session";
import { useSession, useSessionActions } from "../document/SessionContext";
import { namesOf } from "../document/names";
import { setBench, useBench } from "./bench";

const close = (session: Session) => setBench(session, { askedCopies: null });

export function CopyActionsDialogue() {
  const session = useSessionActions();
  const originals = useBench((b) => b.askedCopies);
  if (!originals) return null;
  return (
    <Dialogue title="Actions of the mirrored copies" open onOpenChange={(open) => !open && close(session)}>
      <Targets originals={originals} />
    </Dialogue>
  );
}

const NONE = "";

function Targets({ originals }: { originals: Originals }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const targets = useMemo(() => wireTargets(layout, originals), [layout, originals]);
  const [chosen, setChosen] = useState<ReadonlyMap<string, string>>(new Map());
  const targetOf = (action: string) => chosen.get(action) ?? NONE;
  const apply = () => {
    const meanings = new Map(targets.map(({ action }) => [action, targetOf(action) === NONE ? null : targetOf(action)]));
    if (session.edit(`actions of ${namesOf(layout, [...originals.keys()])}`, (l) => copyWires(l, originals, meanings))) close(session);
  };
  return (
    <form
      className="grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        apply();
      }}
    >
      <p className="text-muted">Choose the action of the copy for each original action.</p>
      <ul className="grid gap-1.5">
        {targets.map(({ action, fitting }) => (
          <li key={action}>
            <label className="grid grid-cols-[1fr_auto_1fr] items-center gap-2">
              <span className="figure truncate text-right">{action}</span>
              <span aria-hidden>→</span>
              <select
                className="box h-7 px-1"
                aria-label={`Instead of ${action}`}
                value={targetOf(action)}
                onChange={(event) => setChosen(new Map(chosen).set(action, event.target.value))}
              >
                <option value={NONE}>no action</option>
                {fitting.map(({ name }) => (
                  <option key={name}>{name}</option>
                ))}
              </select>
            </label>
          </li>
        ))}
      </ul>
      {targets.every(({ fitting }) => fitting.length < 2) && (
        <p className="caption">No other action has a fitting kind. Add one in Actions; its card binds the copies.</p>
      )}
      <button className="push push-main justify-self-end">Apply</button>
    </form>
  );
}
