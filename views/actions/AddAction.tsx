"use client";
/** A new action: its word as the game's code has it, and its kind. Enter adds it and the field is ready for the next. */
import { useState, type FormEvent } from "react";
import { addAction } from "../../core/editing/edits/actions";
import type { ActionKind } from "../../core/format/types";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";
import { ACTION_KINDS } from "../fields/actionKinds";

export function AddAction() {
  const session = useSessionActions();
  const [name, setName] = useState("");
  const [kind, setKind] = useState<ActionKind>("press");
  const submit = (event: FormEvent) => {
    event.preventDefault();
    if (name === "") return;
    if (session.edit(`add ${name}`, (l) => addAction(l, name, kind))) setName("");
  };
  return (
    <form className="flex items-center gap-2" onSubmit={submit}>
      <input
        aria-label="Name of the new action"
        {...readingProps(says("action.newWord"))}
        className="box figure h-7 w-44 px-2"
        placeholder="code name"
        value={name}
        maxLength={64}
        spellCheck={false}
        autoComplete="off"
        onChange={(event) => setName(event.target.value)}
      />
      <span className="caption">Kind</span>
      <select
        aria-label="Kind of the new action"
        {...readingProps(says("action.newKind"), kind)}
        className="box h-7 px-1"
        value={kind}
        onChange={(event) => setKind(event.target.value as ActionKind)}
      >
        {ACTION_KINDS.map(([key, word]) => (
          <option key={key} value={key}>
            {word}
          </option>
        ))}
      </select>
      <button className="push push-main h-7" disabled={name === ""}>
        Add action
      </button>
    </form>
  );
}
