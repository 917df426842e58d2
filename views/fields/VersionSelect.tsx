"use client";
/** Choosing a version of the open layout, and getting it: as it is, a named state, after an edit, or a file. */
import { useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import type { KeptState } from "../../core/exchange/storedRecords";
import type { Layout } from "../../core/format/types";
import { problemText } from "../../core/engine/result";
import { listedEntries } from "../../core/versions/log";
import { FileInput } from "../../ui/FileInput";
import { useSession, useSessionActions, useStates } from "../document/SessionContext";
import { readLayoutFile } from "../document/files/readFile";
import { choiceWord, versionOf, type VersionChoice } from "../document/versions";

/** The layout of a choice; of "now" as it is when no gesture is under way. */
export function useVersion(choice: VersionChoice | null, onProblem: (problem: string) => void): Layout | null {
  const session = useSessionActions();
  const states = useStates();
  const now = useSession((s) => s.gesture?.base ?? s.layout);
  const [found, setFound] = useState<{ choice: VersionChoice; layout: Layout } | null>(null);
  const tell = useEffectEvent(onProblem);
  useEffect(() => {
    if (!choice || choice.kind === "now") return;
    let current = true;
    versionOf(choice, session, states).then(
      (read) => {
        if (!current) return;
        tell(read.ok ? "" : `${choiceWord(choice)}: ${problemText(read.problems, 2)}`);
        if (read.ok) setFound({ choice, layout: read.value });
      },
      (error: unknown) => current && tell(error instanceof Error ? error.message : String(error)),
    );
    return () => {
      current = false;
    };
  }, [choice, session, states]);
  if (choice?.kind === "now") return now;
  return found && found.choice === choice ? found.layout : null;
}

interface SelectProps {
  readonly label: string;
  readonly value: VersionChoice | null;
  readonly named: readonly KeptState[];
  readonly onChoose: (choice: VersionChoice | null) => void;
  readonly onProblem: (problem: string) => void;
}

export function VersionSelect({ label, value, named, onChoose, onProblem }: SelectProps) {
  const log = useSession((s) => s.log);
  const history = useSession((s) => s.history);
  const input = useRef<HTMLInputElement>(null);
  const entries = useMemo(() => listedEntries(log, history), [log, history]);
  const key = value === null ? "" : keyOf(value);
  const choose = (chosen: string) => {
    if (chosen === "file") return input.current?.click();
    const state = named.find((s) => `state ${s.id}` === chosen);
    const entry = entries.find((e) => `edit ${e.lastRecord}` === chosen);
    if (state) onChoose({ kind: "state", state });
    else if (entry) onChoose({ kind: "edit", record: entry.lastRecord, label: entry.entry.label });
    else onChoose(chosen === "now" ? { kind: "now" } : null);
  };
  const takeFile = async (file: File) => {
    const read = await readLayoutFile(file);
    onProblem(read.ok ? "" : `“${file.name}”: ${problemText(read.problems, 2)}`);
    if (read.ok) onChoose({ kind: "file", name: file.name, layout: read.value });
  };
  return (
    <>
      <select aria-label={label} className="box h-[1.625rem] w-full min-w-0 px-1" value={key} onChange={(event) => choose(event.target.value)}>
        <option value="">choose…</option>
        <option value="now">now</option>
        {named.length > 0 && (
          <optgroup label="States">
            {named.map((s) => (
              <option key={s.id} value={`state ${s.id}`}>
                {s.name}
              </option>
            ))}
          </optgroup>
        )}
        <optgroup label="Files">
          {value?.kind === "file" && <option value={key}>{value.name}</option>}
          <option value="file">a file…</option>
        </optgroup>
        {entries.length > 0 && (
          <optgroup label="Edits">
            {entries.map((e) => (
              <option key={e.entry.id} value={`edit ${e.lastRecord}`}>
                {e.entry.label}
              </option>
            ))}
          </optgroup>
        )}
      </select>
      <FileInput ref={input} accept=".json,application/json" label="File of the version" onFile={(file) => void takeFile(file)} />
    </>
  );
}

function keyOf(choice: VersionChoice): string {
  switch (choice.kind) {
    case "now":
      return "now";
    case "state":
      return `state ${choice.state.id}`;
    case "edit":
      return `edit ${choice.record}`;
    case "file":
      return `file ${choice.name}`;
  }
}
