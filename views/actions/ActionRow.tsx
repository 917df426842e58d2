"use client";
/** An action on the patch sheet: its word, its kind, how it stands. */
import { X } from "lucide-react";
import { changeAction, removeAction, renameAction } from "../../core/layout/edits/actions";
import type { Action, ActionKind } from "../../core/layout/types";
import { TypedField } from "../../ui/Typed";
import { useSessionActions } from "../session/context";
import { KINDS } from "./kinds";

interface Props {
  readonly action: Action;
  readonly height: number;
  readonly dim: boolean;
  readonly picked: boolean;
  readonly onPick: () => void;
}

export function ActionRow({ action, height, dim, picked, onPick }: Props) {
  const session = useSessionActions();
  const { name } = action;
  return (
    <li style={{ height }} className={`px-0 py-1.5 transition-opacity ${dim ? "opacity-35" : ""}`} data-action={name} onClick={onPick}>
      <div
        className={`grid h-full grid-cols-[1fr_auto] content-center gap-x-1 gap-y-0 rounded-sm border bg-sheet px-2 ${picked ? "border-accent" : "border-rule"}`}
      >
        <TypedField bare code label={`Word of ${name}`} value={name} onCommit={(next) => session.edit(`rename ${name}`, (l) => renameAction(l, name, next))} />
        <button
          className="grid size-6 place-items-center text-muted hover:text-ink"
          aria-label={`Remove ${name}`}
          title={`Remove ${name}`}
          onClick={() => session.edit(`remove ${name}`, (l) => removeAction(l, name))}
        >
          <X size={13} />
        </button>
        <span className="col-span-2 flex items-center gap-2">
          <select
            aria-label={`Kind of ${name}`}
            className="h-6 bg-transparent text-[11px] text-muted"
            value={action.kind}
            onChange={(event) => session.edit(`kind of ${name}`, (l) => changeAction(l, name, { kind: event.target.value as ActionKind }))}
          >
            {KINDS.map(([key, word]) => (
              <option key={key} value={key}>
                {word}
              </option>
            ))}
          </select>
          <select
            aria-label={`Where ${name} is wanted`}
            className="h-6 bg-transparent text-[11px] text-muted"
            value={!action.read ? "unread" : action.touch}
            onChange={(event) => {
              const { value } = event.target;
              session.edit(`where ${name} is wanted`, (l) =>
                changeAction(l, name, value === "unread" ? { read: false } : { read: true, touch: value as "wanted" | "never" }),
              );
            }}
          >
            <option value="wanted">on touch</option>
            <option value="never">desk only</option>
            <option value="unread">not read</option>
          </select>
        </span>
      </div>
    </li>
  );
}
