"use client";
/** Keys, buttons and touches that the game reads by themselves: what they give to here; those that give to nothing are bound, to an action there is or to a new one. */
import type { Action } from "../../../core/format/types";
import { hardwareWhyNot, sourceOfEnd } from "../../../core/wiring/hardwareWires";
import { nameForInput, type TakenInput } from "../../../core/wiring/takenInputs";
import type { FoundStandard } from "../../../core/scan/foundWords";
import { useKeyLetters } from "../../interaction/useKeyLetters";
import { endTitle, endWord } from "../keyWords";

/** The main mouse button: any touch gives it, too. */
const ANY_TOUCH = "mouse 0";

interface Props {
  readonly found: readonly FoundStandard[];
  readonly actions: readonly Action[];
  readonly onTake: (inputs: readonly TakenInput[]) => void;
}

export function StandardTable({ found, actions, onTake }: Props) {
  const letters = useKeyLetters();
  if (found.length === 0) return null;
  const proposed = (f: FoundStandard) => nameForInput(f.end, f.purpose, actions);
  const loose = found.filter((f) => f.actions.length === 0);
  return (
    <section aria-label="Keys, buttons and touches">
      <header className="mb-1 flex items-center justify-between">
        <h3 className="heading">Keys, buttons and touches in the code</h3>
        {loose.length > 1 && (
          <button type="button" className="push h-6" onClick={() => onTake(loose.map((f) => ({ end: f.end, name: proposed(f) })))}>
            Add all {loose.length} as proposed
          </button>
        )}
      </header>
      <ul className="max-h-[12rem] overflow-auto border border-rule" tabIndex={0} aria-label="Keys, buttons and touches">
        {found.map((f) => (
          <li key={f.end} className="flex min-h-7 items-center gap-2 border-b border-rule px-1.5 last:border-b-0" data-end={f.end}>
            <span className="figure w-24 shrink-0 truncate" title={endTitle(f.end, letters)}>
              {f.end === ANY_TOUCH ? "any touch" : endWord(f.end, letters)}
            </span>
            <span className="caption min-w-0 flex-1 truncate" title={f.occurrences.map((p) => `${p.file}:${p.line}`).join("\n")}>
              {f.occurrences[0].file.split("/").at(-1)}:{f.occurrences[0].line}
              {f.occurrences.length > 1 && ` and ${f.occurrences.length - 1} more`}
              {f.end === ANY_TOUCH && <span className="text-warning"> ◆ every touch triggers this</span>}
            </span>
            {f.actions.length > 0 ? (
              <span className="caption">
                action <span className="figure text-[0.6875rem]">{f.actions.join(", ")}</span>
              </span>
            ) : (
              <BindChoice found={f} proposed={proposed(f)} actions={actions} title={endTitle(f.end, letters)} onTake={onTake} />
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}

interface ChoiceProps {
  readonly found: FoundStandard;
  readonly proposed: string;
  readonly actions: readonly Action[];
  readonly title: string;
  readonly onTake: Props["onTake"];
}

/** What an input gives to: the action that is proposed, at one click, or another of the ledger. */
function BindChoice({ found, proposed, actions, title, onTake }: ChoiceProps) {
  const isNew = !actions.some((a) => a.name === proposed);
  return (
    <>
      <button type="button" className="push h-6 px-1.5" onClick={() => onTake([{ end: found.end, name: proposed }])}>
        {isNew ? "a new action " : "bind to "}
        <span className="figure text-[0.6875rem]">{proposed}</span>
      </button>
      <select
        aria-label={`Bind ${title}`}
        className="box h-6 max-w-[9rem] px-1 text-[0.6875rem]"
        value=""
        onChange={(event) => onTake([{ end: found.end, name: event.target.value }])}
      >
        <option value="">bind to…</option>
        {actions
          .filter((a) => hardwareWhyNot(sourceOfEnd(found.end)!.source, a.kind) === null)
          .map((a) => (
            <option key={a.name}>{a.name}</option>
          ))}
      </select>
    </>
  );
}
