"use client";
/** The words of two layouts next to each other: what each of there means here, chosen for each, and what does not go together. */
import type { Layout } from "../../core/format/types";
import type { Mismatch, WordChoice, WordMatch } from "../../core/wiring/adopt";
import { nameOf } from "../document/names";

/** What a word means until it is said otherwise: what it most likely is, or a new action. */
export const choiceOf = (match: WordMatch): WordChoice => (match.to === null ? { kind: "new" } : { kind: "means", action: match.to });
const choiceText = (choice: WordChoice) => (choice.kind === "means" ? `= ${choice.action}` : choice.kind);
const textChoice = (text: string): WordChoice =>
  text.startsWith("= ") ? { kind: "means", action: text.slice(2) } : { kind: text === "new" ? "new" : "leave" };

const STATE = { same: "same", near: "similar", none: "missing" } as const;

interface Props {
  readonly from: Layout;
  readonly here: Layout;
  readonly matches: readonly WordMatch[];
  readonly words: ReadonlyMap<string, WordChoice>;
  readonly wrong: readonly Mismatch[];
  /** The words chosen by hand. */
  readonly byHand: ReadonlyMap<string, WordChoice>;
  readonly onChoose: (word: string, choice: WordChoice) => void;
}

export function WordsTable({ from, here, matches, words, wrong, byHand, onChoose }: Props) {
  return (
    <section aria-label="Words">
      <h3 className="heading mb-1">Words</h3>
      <div className="max-h-[13.75rem] overflow-auto border border-rule" tabIndex={0} role="group" aria-label="Action names of the two layouts">
        <table className="w-full border-collapse text-left">
          <thead className="sticky top-0 bg-sheet">
            <tr className="caption">
              <th scope="col" className="px-2 py-1 font-normal">
                In the other layout
              </th>
              <th scope="col" className="px-2 py-1 font-normal">
                Match
              </th>
              <th scope="col" className="px-2 py-1 font-normal">
                Action here
              </th>
              <th scope="col" className="px-2 py-1 font-normal">
                Does not fit
              </th>
            </tr>
          </thead>
          <tbody>
            {matches.map((m) => {
              const bad = wrong.filter((w) => w.word === m.word);
              return (
                <tr key={m.word} className="border-t border-rule" data-word={m.word}>
                  <th scope="row" className="px-2 py-0.5 font-normal">
                    <span className="figure">{m.word}</span> <span className="caption">{m.kind}</span>
                  </th>
                  <td className={`px-2 text-[0.6875rem] ${m.state === "near" ? "text-warning" : "text-muted"}`}>
                    {byHand.has(m.word) ? "your choice" : STATE[m.state]}
                  </td>
                  <td className="px-2 py-0.5">
                    <select
                      aria-label={`Action for ${m.word}`}
                      className="box h-6 max-w-[11.25rem] px-1"
                      value={choiceText(words.get(m.word)!)}
                      onChange={(event) => onChoose(m.word, textChoice(event.target.value))}
                    >
                      {here.actions.map((a) => (
                        <option key={a.name} value={`= ${a.name}`}>
                          {a.name}
                        </option>
                      ))}
                      {!here.actions.some((a) => a.name === m.word) && <option value="new">a new action</option>}
                      <option value="leave">nothing</option>
                    </select>
                  </td>
                  <td className="px-2 py-0.5 text-[0.6875rem] text-warning">
                    {bad.length > 0 && `◆ ${bad.map((b) => `${nameOf(from, b.control)}: ${b.why}`).join("; ")}`}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </section>
  );
}
