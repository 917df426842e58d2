"use client";
/** The history, a drawer over the right edge: the edits in their words, newest first; states by name; any two versions compared. */
import { X } from "lucide-react";
import { useEffect, useMemo, useRef, useState, type FormEvent } from "react";
import type { KeptState } from "../../core/exchange/storedRecords";
import { listedEntries, MOST_EDITS, timesInOrder } from "../../core/versions/log";
import { useAsking, useSession, useStates } from "../document/SessionContext";
import { ComparePanel } from "./ComparePanel";
import { useNamedStates } from "../document/useNamedStates";
import { EditRow, FirstRow, StateRow } from "./HistoryRows";

/** So many rows are shown at first, and more when wanted. */
const ROWS = 150;

export function HistoryDrawer({ onClose }: { onClose: () => void }) {
  const ask = useAsking();
  const states = useStates();
  const named = useNamedStates();
  const drawer = useRef<HTMLElement>(null);
  useEffect(() => {
    const before = document.activeElement;
    drawer.current?.focus();
    return () => {
      if (before instanceof HTMLElement && before.isConnected) before.focus();
    };
  }, []);
  const name = (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = event.currentTarget;
    const text = String(new FormData(form).get("state"));
    ask(
      states.name(text).then((done) => {
        if (done.ok) form.reset();
        return done;
      }),
    );
  };
  return (
    <aside
      ref={drawer}
      tabIndex={-1}
      aria-label="History"
      className="fixed top-[2.75rem] right-0 bottom-0 z-30 grid w-[21.25rem] grid-rows-[auto_auto_minmax(5rem,1fr)_auto] border-l border-edge bg-sheet shadow-xl outline-none"
      onKeyDown={(event) => {
        if (event.key !== "Escape" || event.defaultPrevented) return;
        event.stopPropagation();
        onClose();
      }}
    >
      <header className="flex items-center justify-between border-b border-rule py-1 pr-1 pl-3">
        <h2 className="heading">History</h2>
        <button className="push push-bare" aria-label="Close the history" onClick={onClose}>
          <X size={15} />
        </button>
      </header>
      <form className="flex gap-1.5 border-b border-rule p-2" onSubmit={name}>
        <input
          name="state"
          aria-label="Name of the state"
          placeholder="before the playtest"
          maxLength={80}
          className="box h-[1.625rem] min-w-0 flex-1 px-2"
          autoComplete="off"
        />
        <button className="push">Name this state</button>
      </form>
      <EditList named={named} />
      <ComparePanel named={named} />
    </aside>
  );
}

function EditList({ named }: { named: readonly KeptState[] }) {
  const log = useSession((s) => s.log);
  const history = useSession((s) => s.history);
  const others = useSession((s) => s.others);
  const [shown, setShown] = useState(ROWS);
  const [today] = useState(() => Date.now());
  const entries = useMemo(() => listedEntries(log, history), [log, history]);
  const here = history.past.at(-1)?.id ?? null;
  const rows = useMemo(() => {
    const times = timesInOrder(entries.map(({ entry }) => entry));
    const all = [
      ...entries.map((listed, i) => ({ time: times[i], listed, state: null })),
      ...named.map((state) => ({ time: state.time, listed: null, state })),
    ];
    return all.sort((a, b) => b.time - a.time);
  }, [entries, named]);
  return (
    <ol aria-label="Edits and states" className="min-h-0 overflow-auto py-1">
      {rows
        .slice(0, shown)
        .map((row) =>
          row.listed ? (
            <EditRow
              key={row.listed.entry.id}
              listed={row.listed}
              isHere={row.listed.entry.id === here}
              isOthers={others.has(row.listed.entry.by)}
              today={today}
            />
          ) : (
            <StateRow key={row.state.id} state={row.state} today={today} />
          ),
        )}
      {rows.length > shown ? (
        <li className="px-3 py-1">
          <button className="push" onClick={() => setShown(shown + ROWS)}>
            {rows.length - shown} earlier…
          </button>
        </li>
      ) : (
        <FirstRow isHere={here === null} isEmpty={rows.length === 0} isCut={entries.length >= MOST_EDITS} />
      )}
    </ol>
  );
}
