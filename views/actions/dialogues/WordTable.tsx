"use client";
/** The words the game reads, against the ledger: new ones are taken over, one nearly the same is spelt as the game has it. */
import type { FoundWord } from "../../../core/scan/words";

const STATE_WORD: Readonly<Record<FoundWord["state"], string>> = { nearly: "nearly the same", new: "new", gone: "gone", known: "known" };
const STATE_TONE: Readonly<Record<FoundWord["state"], string>> = { nearly: "text-warning", new: "text-accent", gone: "text-note", known: "text-muted" };
/** So many places are named; the rest are counted. */
const MOST_OCCURRENCES = 2;

interface Props {
  readonly words: readonly FoundWord[];
  readonly ticked: boolean;
  readonly onAccept: (words: readonly FoundWord[]) => void;
  readonly onRespell: (from: string, to: string) => void;
  /** The game reads it no longer: the action is kept, and says so. */
  readonly onGone: (word: string) => void;
}

export function WordTable({ words, ticked, onAccept, onRespell, onGone }: Props) {
  const fresh = words.filter((w) => w.state === "new");
  return (
    <section aria-label="Words the game reads" className="min-w-0">
      <header className="mb-1 flex items-center justify-between">
        <h3 className="heading">Words the game reads</h3>
        {fresh.length > 1 && (
          <button className="push h-6" onClick={() => onAccept(fresh)}>
            Take over all {fresh.length} new ones
          </button>
        )}
      </header>
      {!ticked && <p className="text-muted">Tick what reads an input; its words then stand here. It is asked once: the layout remembers it.</p>}
      <ul className="max-h-[20.625rem] overflow-auto">
        {words.map((w) => (
          <li key={`${w.state} ${w.word}`} className="flex min-h-7 items-center gap-2 border-b border-rule px-1" data-word={w.word}>
            <span className={`w-24 shrink-0 text-[0.6875rem] ${STATE_TONE[w.state]}`}>{STATE_WORD[w.state]}</span>
            <span className="min-w-0 flex-1">
              <span className="figure block truncate">{w.word}</span>
              {w.occurrences.length > 0 && (
                <span className="caption block truncate" title={w.occurrences.map((p) => `${p.file}:${p.line}`).join("\n")}>
                  {w.near !== null && (
                    <>
                      here <span className="figure text-[0.6875rem]">{w.near}</span> ·{" "}
                    </>
                  )}
                  {w.occurrences
                    .slice(0, MOST_OCCURRENCES)
                    .map((p) => `${p.file.split("/").at(-1)}:${p.line}`)
                    .join(", ")}
                  {w.occurrences.length > MOST_OCCURRENCES && ` and ${w.occurrences.length - MOST_OCCURRENCES} more`}
                </span>
              )}
            </span>
            <span className="caption">{w.kind}</span>
            {w.state === "new" && (
              <button className="push h-6 px-1.5" onClick={() => onAccept([w])}>
                Take it over
              </button>
            )}
            {w.state === "gone" && (
              <button
                className="push h-6 px-1.5"
                onClick={() => onGone(w.word)}
                title="None of the ticked callees asks for it. It is kept, marked as not read."
              >
                Mark it not read
              </button>
            )}
            {w.state === "nearly" && w.near !== null && (
              <>
                <button
                  className="push h-6 px-1.5"
                  onClick={() => onRespell(w.near!, w.word)}
                  title={`The action ${w.near} is then called ${w.word}, and everything that names it follows`}
                >
                  Spell it so
                </button>
                <button className="push h-6 px-1.5" onClick={() => onAccept([w])}>
                  It is new
                </button>
              </>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
