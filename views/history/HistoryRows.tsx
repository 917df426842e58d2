"use client";
/** A row of the history: an edit, or a named state. A click goes there; whatever that changes is a step of undo itself. */
import { Flag, X } from "lucide-react";
import { memo } from "react";
import { checked } from "../../core/editing/edits/checked";
import type { KeptState } from "../../core/exchange/storedRecords";
import { ok } from "../../core/engine/result";
import { MOST_EDITS, type ListedEntry } from "../../core/versions/log";
import { useAsking, useSessionActions, useStates } from "../document/SessionContext";
import { timeText } from "./times";

const ROW = "grid w-full grid-cols-[0.875rem_minmax(0,1fr)_auto_auto] content-center items-baseline gap-x-2 px-3 h-[1.625rem] text-left hover:bg-paper";

interface EditProps {
  readonly listed: ListedEntry;
  readonly isHere: boolean;
  readonly isOthers: boolean;
  /** By which times are reported, ms since 1970. */
  readonly today: number;
}

export const EditRow = memo(function EditRow({ listed, isHere, isOthers, today }: EditProps) {
  const session = useSessionActions();
  const { entry, standing } = listed;
  const word = { done: isOthers ? "other window" : "", undone: "redo", dropped: "taken back" }[standing];
  return (
    <li>
      <button
        className={ROW}
        aria-current={isHere ? "step" : undefined}
        onClick={() => session.goTo(entry.id)}
        title={`Go to: ${entry.words ? `${entry.label}. ${entry.words}` : entry.label}`}
      >
        <span aria-hidden className="text-accent">
          {isHere ? "▸" : ""}
        </span>
        <span className={`truncate ${standing === "done" ? "" : "text-muted"} ${standing === "dropped" ? "line-through" : ""}`}>
          {entry.words ?? entry.label}
        </span>
        <span className="caption">{isHere ? "here" : word}</span>
        <time className="figure text-[0.6875rem] text-muted" dateTime={new Date(entry.time).toISOString()}>
          {timeText(entry.time, today)}
        </time>
      </button>
    </li>
  );
});

/** Where the log begins. */
export function FirstRow({ isHere, isEmpty, isCut }: { isHere: boolean; isEmpty: boolean; isCut: boolean }) {
  const session = useSessionActions();
  if (isEmpty) return <li className="px-3 py-2 text-muted">No edits yet. Every edit is listed here, and you can go back to it, also after a reload.</li>;
  return (
    <li>
      <button className={ROW} aria-current={isHere ? "step" : undefined} onClick={() => session.goTo(null)}>
        <span aria-hidden className="text-accent">
          {isHere ? "▸" : ""}
        </span>
        <span className="text-muted">before all edits</span>
        <span className="caption">{isHere ? "here" : ""}</span>
      </button>
      {isCut && <p className="caption px-3 pt-1">Only the last {MOST_EDITS.toLocaleString("en")} edits and all named states are stored.</p>}
    </li>
  );
}

export function StateRow({ state, today }: { state: KeptState; today: number }) {
  const session = useSessionActions();
  const states = useStates();
  const ask = useAsking();
  const goBack = () =>
    ask(
      states.layoutOf(state).then((read) => {
        if (!read.ok) return read;
        session.edit(`go back to “${state.name}”`, (before) => checked(before, { ...read.value, workbench: before.workbench }));
        return ok(true);
      }),
    );
  return (
    <li className="flex items-center bg-paper">
      <button className={ROW} onClick={goBack} title={`Go back to “${state.name}”`}>
        <Flag size={12} className="self-center text-accent" aria-label="State" />
        <span className="truncate font-semibold">{state.name}</span>
        <span />
        <time className="figure text-[0.6875rem] text-muted" dateTime={new Date(state.time).toISOString()}>
          {timeText(state.time, today)}
        </time>
      </button>
      <button
        className="grid size-6 shrink-0 place-items-center text-muted hover:text-ink"
        aria-label={`Remove the state ${state.name}`}
        onClick={() => ask(states.remove(state))}
      >
        <X size={12} />
      </button>
    </li>
  );
}
