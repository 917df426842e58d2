"use client";
/** The words a game has been reported to read, each with its kind, before they become its ledger. */
import { counted } from "../../core/derived/counted";
import { X } from "lucide-react";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { ActionKindSelect } from "../fields/code/ActionKindSelect";
import { endWord } from "../fields/keyWords";
import type { GameInput, GameName } from "./useGameInput";

export function GameNames({ told }: { told: GameInput }) {
  if (told.problem !== "")
    return (
      <p role="alert" className="whitespace-pre-line text-blocker">
        {told.problem}
      </p>
    );
  if (told.shown.length === 0) return null;
  return (
    <section aria-label="Names the game reads">
      <h3 className="heading mb-1">{counted(told.shown.length, "word")}, which appear in the ledger</h3>
      <ul className="grid max-h-[11rem] grid-cols-2 gap-x-4 overflow-auto border-y border-rule" aria-label="Names with their kinds">
        {told.shown.map((word) => (
          <Row key={word.name} word={word} told={told} />
        ))}
      </ul>
    </section>
  );
}

function Row({ word: { name, kind, from, ends }, told }: { word: GameName; told: GameInput }) {
  return (
    <li className="flex h-7 items-center gap-1.5" data-told={name}>
      <span className="min-w-0 flex-1 truncate" title={from}>
        <span className="figure">{name}</span>{" "}
        <span className="caption">
          {ends.map((end) => endWord(end)).join(", ")}
          {ends.includes("mouse 0") && <span className="text-warning"> ◆ every touch triggers this</span>}
          {from !== "typed" && ` ${from}`}
        </span>
      </span>
      <ActionKindSelect word={name} kind={kind} onChoose={(next) => told.chooseKind(name, next)} />
      <button
        type="button"
        className="grid size-6 shrink-0 place-items-center text-muted hover:text-ink"
        aria-label={`Exclude ${name}`}
        onClick={() => told.leaveOut(name)}
        {...readingProps(says("welcome.drop"), name)}
      >
        <X size={12} aria-hidden />
      </button>
    </li>
  );
}
