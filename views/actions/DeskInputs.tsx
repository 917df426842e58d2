"use client";
/** Keys, mouse and pad of an action; a key is bound by pressing it. */
import { X } from "lucide-react";
import { useState, type KeyboardEvent } from "react";
import { changeAction } from "../../core/layout/edits/actions";
import type { Action } from "../../core/layout/types";
import { useSessionActions } from "../session/context";
import { DIRECTIONS, directionWord, keyWord, nextKeyValue } from "./keys";

export function DeskInputs({ action, height, dim }: { action: Action; height: number; dim: boolean }) {
  const session = useSessionActions();
  const [listening, setListening] = useState(false);
  const { name } = action;
  const change = (label: string, next: Partial<Action>) => session.edit(`${label} of ${name}`, (l) => changeAction(l, name, next));
  const onKey = (event: KeyboardEvent) => {
    if (!listening || event.code === "" || event.repeat) return;
    event.preventDefault();
    event.stopPropagation();
    event.nativeEvent.stopPropagation();
    setListening(false);
    if (event.code === "Escape") return;
    if (action.keys.some((k) => k.code === event.code)) session.tell({ text: `${keyWord(event.code)} already serves ${name}.`, tone: "plain" });
    else change("keys", { keys: [...action.keys, { code: event.code, value: nextKeyValue(action, event.code) }] });
  };
  const without = <T,>(list: readonly T[], index: number) => list.filter((_, i) => i !== index);
  return (
    <li style={{ height }} className={`flex items-center justify-end gap-1 pr-0 pl-4 transition-opacity ${dim ? "opacity-35" : ""}`}>
      <span className="flex min-w-0 flex-wrap content-center justify-end gap-1">
        {action.keys.map((key, i) => (
          <Chip key={key.code} label={keyWord(key.code)} title={`Key ${key.code}`} onRemove={() => change("keys", { keys: without(action.keys, i) })}>
            {(action.kind === "vector" || action.kind === "axis") && (
              <select
                aria-label={`What ${keyWord(key.code)} gives to ${name}`}
                className="h-full w-[34px] bg-transparent text-[10px]"
                value={directionWord(key.value)}
                onChange={(event) => {
                  const value = DIRECTIONS[action.kind as "vector" | "axis"].find(([word]) => word === event.target.value)?.[1];
                  change("keys", { keys: action.keys.map((k, j) => (j === i ? { ...k, value } : k)) });
                }}
              >
                {[...new Set([directionWord(key.value), ...DIRECTIONS[action.kind].map(([word]) => word)])].map((word) => (
                  <option key={word}>{word}</option>
                ))}
              </select>
            )}
          </Chip>
        ))}
        {action.mouse.map((m, i) => (
          <Chip
            key={`m${i}`}
            label={"move" in m ? "mouse" : `mouse ${m.button}`}
            title="Mouse"
            onRemove={() => change("mouse", { mouse: without(action.mouse, i) })}
          />
        ))}
        {action.pad.map((p, i) => (
          <Chip
            key={`p${i}`}
            label={"button" in p ? `pad ${p.button}` : "axis" in p ? `pad axis ${p.axis}` : `${p.stick} stick`}
            title="Pad, standard mapping"
            onRemove={() => change("pad", { pad: without(action.pad, i) })}
          />
        ))}
        <button
          className={`h-6 shrink-0 rounded-sm border border-dashed px-1.5 text-[11px] ${listening ? "border-accent text-accent" : "border-edge text-muted"}`}
          aria-label={listening ? `Press the key for ${name}; Escape takes it back` : `Bind a key to ${name}`}
          onClick={() => setListening(!listening)}
          onKeyDown={onKey}
          onBlur={() => setListening(false)}
        >
          {listening ? "press a key…" : "+ key"}
        </button>
      </span>
      <span aria-hidden className="h-px w-4 shrink-0 bg-ink" />
    </li>
  );
}

function Chip({ label, title, onRemove, children }: { label: string; title: string; onRemove: () => void; children?: React.ReactNode }) {
  return (
    <span className="group flex h-6 shrink-0 items-center gap-0.5 rounded-sm border border-edge bg-sheet pl-1.5" title={title}>
      <span className="figure text-[11px]">{label}</span>
      {children}
      <button className="grid h-full w-6 place-items-center text-muted opacity-60 group-hover:opacity-100" aria-label={`Take ${label} away`} onClick={onRemove}>
        <X size={10} />
      </button>
    </span>
  );
}
