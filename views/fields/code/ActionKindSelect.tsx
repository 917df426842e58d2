"use client";
/** The kind of a word that is not an action yet, chosen before it becomes one. */
import type { ActionKind } from "../../../core/format/types";
import { readingProps } from "../../../ui/reading";
import { ACTION_KINDS } from "../actionKinds";
import { says } from "../../shell/reading/sentences";

export function ActionKindSelect({ word, kind, onChoose }: { word: string; kind: ActionKind; onChoose: (kind: ActionKind) => void }) {
  return (
    <select
      aria-label={`Kind of ${word}`}
      className="box h-6 px-1 text-[0.6875rem]"
      value={kind}
      onChange={(event) => onChoose(event.target.value as ActionKind)}
      {...readingProps(says("word.kind"), word)}
    >
      {ACTION_KINDS.map(([key]) => (
        <option key={key}>{key}</option>
      ))}
    </select>
  );
}
