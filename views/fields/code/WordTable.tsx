"use client";
/** The words the game reads, against the ledger: new ones are taken over, of a kind that can be changed first; one nearly the same is spelt as the game has it. */
import { useState } from "react";
import { ActionKindSelect } from "./ActionKindSelect";
import type { ActionKind } from "../../../core/format/types";
import type { FoundWord } from "../../../core/scan/foundWords";

const STATE_WORD: Readonly<Record<FoundWord["state"], string>> = { nearly: "similar", new: "new", gone: "not found", known: "known" };
const STATE_TONE: Readonly<Record<FoundWord["state"], string>> = { nearly: "text-warning", new: "text-accent", gone: "text-note", known: "text-muted" };
/** So many places are named; the rest are counted. */
const MOST_OCCURRENCES = 2;

/** A word to be taken over, with its kind. */
export interface WordToTake {
  readonly word: string;
  readonly kind: ActionKind;
}

interface Props {
  readonly words: readonly FoundWord[];
  readonly ticked: boolean;
  readonly onAccept: (words: readonly WordToTake[]) => void;
  readonly onRespell: (from: string, to: string) => void;
  /** The game reads it no longer: the action is kept, and says so. */
  readonly onGone: (word: string) => void;
}

export function WordTable({ words, ticked, onAccept, onRespell, onGone }: Props) {
  /** Kinds chosen by hand, by word. */
  const [kinds, setKinds] = useState<ReadonlyMap<string, ActionKind>>(new Map());
  const kindOf = (w: FoundWord): ActionKind => kinds.get(w.word) ?? w.kind ?? "press";
  const accept = (list: readonly FoundWord[]) => onAccept(list.map((w) => ({ word: w.word, kind: kindOf(w) })));
  const fresh = words.filter((w) => w.state === "new");
  return (
    <section aria-label="Names the game reads" className="min-w-0">
      <header className="mb-1 flex items-center justify-between">
        <h3 className="heading">Names the game reads</h3>
        {fresh.length > 1 && (
          <button type="button" className="push h-6" onClick={() => accept(fresh)}>
            Add all {fresh.length} new ones
          </button>
        )}
      </header>
      {!ticked && <p className="text-muted">Select the functions that read input to see their names here. The layout remembers your selection.</p>}
      <ul className="max-h-[20.625rem] overflow-auto">
        {words.map((w) => (
          <li key={`${w.state} ${w.word}`} className="flex min-h-7 items-center gap-2 border-b border-rule px-1" data-word={w.word}>
            <span className={`w-24 shrink-0 text-[0.6875rem] ${STATE_TONE[w.state]}`}>{STATE_WORD[w.state]}</span>
            <span className="min-w-0 flex-1">
              <span className="figure block truncate">{w.word}</span>
              <Places word={w} />
            </span>
            {w.state === "new" || w.state === "nearly" ? (
              <ActionKindSelect word={w.word} kind={kindOf(w)} onChoose={(kind) => setKinds(new Map(kinds).set(w.word, kind))} />
            ) : (
              <span className="caption">{w.kind}</span>
            )}
            {w.state === "new" && (
              <button type="button" className="push h-6 px-1.5" onClick={() => accept([w])}>
                Import
              </button>
            )}
            {w.state === "gone" && (
              <button
                type="button"
                className="push h-6 px-1.5"
                onClick={() => onGone(w.word)}
                title="No selected function reads it. It stays, marked as not read."
              >
                Mark as not read
              </button>
            )}
            {w.state === "nearly" && w.near !== null && (
              <>
                <button
                  type="button"
                  className="push h-6 px-1.5"
                  onClick={() => onRespell(w.near!, w.word)}
                  title={`Renames the action ${w.near} to ${w.word} everywhere`}
                >
                  Use this spelling
                </button>
                <button type="button" className="push h-6 px-1.5" onClick={() => accept([w])}>
                  Add
                </button>
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** Where a word is read, and what it is near to. */
function Places({ word: { near, occurrences } }: { word: FoundWord }) {
  if (occurrences.length === 0) return null;
  return (
    <span className="caption block truncate" title={occurrences.map((p) => `${p.file}:${p.line}`).join("\n")}>
      {near !== null && (
        <>
          in the layout <span className="figure text-[0.6875rem]">{near}</span> ·{" "}
        </>
      )}
      {occurrences
        .slice(0, MOST_OCCURRENCES)
        .map((p) => `${p.file.split("/").at(-1)}:${p.line}`)
        .join(", ")}
      {occurrences.length > MOST_OCCURRENCES && ` and ${occurrences.length - MOST_OCCURRENCES} more`}
    </span>
  );
}
