"use client";
/** The kind of an action. A change that would leave wires behind is shown before it is done: which of them, and why. */
import { useState } from "react";
import type { Action, ActionKind } from "../../../core/format/types";
import { changeActionKind, previewKind, type KindPreview, type Wire } from "../../../core/wiring/serves";
import { Labelled } from "../../../ui/Typed";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { endWord } from "../../fields/keyWords";
import { ACTION_KINDS } from "../../fields/actionKinds";

export function KindField({ action, bare = false }: { action: Action; bare?: boolean }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const [asked, setAsked] = useState<{ kind: ActionKind; preview: KindPreview } | null>(null);
  const { name } = action;
  const change = (kind: ActionKind, broken: "take-off" | "leave") => {
    session.edit(`kind of ${name}`, (l) => changeActionKind(l, name, kind, broken));
    setAsked(null);
  };
  const choose = (kind: ActionKind) => {
    const preview = previewKind(layout, name, kind);
    if (kind !== action.kind && preview.broken.length > 0) setAsked({ kind, preview });
    else change(kind, "leave");
  };
  const field = (
    <select
      aria-label={`Kind of ${name}`}
      className="box h-6 w-full px-1"
      value={asked?.kind ?? action.kind}
      onChange={(event) => choose(event.target.value as ActionKind)}
    >
      {ACTION_KINDS.map(([key, word]) => (
        <option key={key} value={key}>
          {word}
        </option>
      ))}
    </select>
  );
  return (
    <>
      {bare ? field : <Labelled label="Kind">{field}</Labelled>}
      {asked && (
        <div
          role="group"
          aria-label={`Effect of the kind ${asked.kind} on ${name}`}
          className="grid gap-1.5 rounded-sm border border-warning p-2 text-[0.75rem]"
        >
          <p>
            As {asked.kind === "axis" ? "an" : "a"} {asked.kind},{" "}
            {asked.preview.broken.length === 1 ? "one wire does not fit:" : `${asked.preview.broken.length} wires do not fit:`}
          </p>
          <ul className="grid max-h-[7.5rem] gap-1 overflow-auto" tabIndex={0} aria-label="Wires that do not fit">
            {asked.preview.broken.map(({ wire, why }, i) => (
              <li key={i}>
                <span className="figure">{wireWord(wire)}</span> <span className="caption">{why}</span>
              </li>
            ))}
          </ul>
          {asked.preview.change.length > 0 && <p className="caption">{asked.preview.change.map(wireWord).join(", ")}: given a value that fits.</p>}
          <span className="flex flex-wrap gap-1">
            <button className="push push-main h-6 px-1.5" onClick={() => change(asked.kind, "take-off")}>
              Change and remove them
            </button>
            <button className="push h-6 px-1.5" onClick={() => change(asked.kind, "leave")}>
              Change and keep them
            </button>
            <button className="push h-6 px-1.5" onClick={() => setAsked(null)}>
              Keep {action.kind}
            </button>
          </span>
        </div>
      )}
    </>
  );
}

const wireWord = (wire: Wire): string => (wire.kind === "touch" ? `${wire.control} ${wire.serve.port}` : endWord(wire.end));
