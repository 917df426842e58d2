"use client";
/** From the game's own code: files are read in the browser, the user says what in them reads an input, and takes over the words that are right. */
import { useMemo, useState } from "react";
import { changeAction, renameAction, addActions } from "../../../core/editing/edits/actions";
import { changeLayout } from "../../../core/editing/edits/layout";
import type { Result } from "../../../core/engine/result";
import type { Layout } from "../../../core/format/types";
import { compareStandards, compareWords, likelyCallees, rankCallees } from "../../../core/scan/foundWords";
import { hardwareEnds } from "../../../core/wiring/hardwareWires";
import { takeInputs, type TakenInput } from "../../../core/wiring/takenInputs";
import { Dialogue } from "../../../ui/Dialogue";
import { CalleeList } from "../../fields/code/CalleeList";
import { ChangeList } from "../../fields/code/ChangeList";
import { CodeDrop, CodeSources } from "../../fields/code/CodeSources";
import { StandardTable } from "../../fields/code/StandardTable";
import { useCodeReading } from "../../fields/code/useCodeReading";
import { WordTable } from "../../fields/code/WordTable";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { endWord } from "../../fields/keyWords";

export function CodeDialogue({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialogue title="From the game’s code" open={open} onOpenChange={onOpenChange} wide="widest">
      <FromCode />
    </Dialogue>
  );
}

/** So many callees are offered; what is farther down asks for no input. */
const MOST_CALLEES = 60;

function FromCode() {
  const session = useSessionActions();
  const actions = useSession((s) => s.layout.actions);
  const stored = useSession((s) => s.layout.workbench.callees);
  const [isChosen, setChosen] = useState(false);
  const code = useCodeReading();
  const [shown, setShown] = useState<"reads" | "changes">("reads");
  const { scanned } = code;
  const names = useMemo(() => actions.map((a) => a.name), [actions]);
  const ranked = useMemo(() => (scanned ? rankCallees(scanned.reads, names).slice(0, MOST_CALLEES) : []), [scanned, names]);
  // What most likely reads an input is ticked until somebody says otherwise.
  const likely = useMemo(() => likelyCallees(ranked), [ranked]);
  const callees = stored.length > 0 || isChosen ? stored : likely;
  const words = useMemo(() => (scanned ? compareWords(scanned.reads, new Set(callees), actions) : []), [scanned, callees, actions]);
  const standards = useMemo(() => (scanned ? compareStandards(scanned.standards, actions, hardwareEnds) : []), [scanned, actions]);
  const tick = (callee: string) => {
    const next = callees.includes(callee) ? callees.filter((c) => c !== callee) : [...callees, callee];
    setChosen(true);
    session.edit("functions that read input", (l) => changeLayout(l, { workbench: { ...l.workbench, callees: next } }));
  };
  // What was ticked by itself is remembered once something of it is used.
  const withCallees = (added: Result<Layout>) =>
    added.ok ? changeLayout(added.value, { workbench: { ...added.value.workbench, callees: [...callees] } }) : added;
  const take = (inputs: readonly TakenInput[]) =>
    session.edit(inputs.length === 1 ? `bind ${endWord(inputs[0].end)} to ${inputs[0].name}` : `add ${inputs.length} inputs`, (l) => takeInputs(l, inputs));
  return (
    <CodeDrop code={code}>
      <CodeSources code={code} />
      {scanned && (
        <div role="group" aria-label="Shown" className="flex gap-1.5">
          {(["reads", "changes"] as const).map((which) => (
            <button
              key={which}
              type="button"
              className="push aria-pressed:border-accent aria-pressed:text-accent"
              aria-pressed={shown === which}
              onClick={() => setShown(which)}
            >
              {which === "reads" ? "Names and inputs" : "Code changes"}
            </button>
          ))}
        </div>
      )}
      {scanned && shown === "changes" && <ChangeList code={code} callees={callees} />}
      {scanned && shown === "reads" && (
        <>
          <div className="grid grid-cols-[18rem_minmax(0,1fr)] gap-4">
            <CalleeList ranked={ranked} ticked={callees} onTick={tick} />
            <WordTable
              words={words}
              ticked={callees.length > 0}
              onAccept={(list) => session.edit(list.length === 1 ? `add ${list[0].word}` : `add ${list.length} names`, (l) => withCallees(addActions(l, list)))}
              onGone={(word) => session.edit(`mark ${word} as not read`, (l) => changeAction(l, word, { read: false }))}
              onRespell={(from, to) => session.edit(`rename ${from} to ${to}`, (l) => renameAction(l, from, to))}
            />
          </div>
          <StandardTable found={standards} actions={actions} onTake={take} />
        </>
      )}
    </CodeDrop>
  );
}
