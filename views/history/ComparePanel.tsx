"use client";
/** Two versions compared: what differs as a list, and both over each other on the glass. */
import { useEffect, useMemo, useRef, useState } from "react";
import type { KeptState } from "../../core/exchange/kept";
import type { Layout } from "../../core/format/types";
import { problemText } from "../../core/engine/result";
import { compare, tellingDifferences, type Difference } from "../../core/versions/compare";
import { listedEntries } from "../../core/versions/log";
import { FileInput } from "../../ui/FileInput";
import { useSession, useSessionActions, useStates } from "../session/context";
import { benchScreenOf } from "../session/screens";
import { usePath } from "../shared/go";
import { readLayoutFile } from "../shared/readFile";
import { ViewLink } from "../shared/ViewLink";
import { choiceWord, sumOf, versionOf, type VersionChoice } from "./versions";

const NOW: VersionChoice = { kind: "now" };

export function ComparePanel({ named }: { named: readonly KeptState[] }) {
  const [was, setWas] = useState<VersionChoice | null>(null);
  const [is, setIs] = useState<VersionChoice>(NOW);
  const [problem, setProblem] = useState("");
  const first = useVersion(was, setProblem);
  const second = useVersion(is, setProblem);
  const words = was && `${choiceWord(was)}  →  ${choiceWord(is)}`;
  return (
    <section aria-label="Compare" className="grid max-h-[46vh] grid-rows-[auto_auto_minmax(0,1fr)] gap-1.5 border-t border-edge p-2">
      <h3 className="heading px-1">Compare</h3>
      <div className="grid grid-cols-[1fr_auto_1fr] items-center gap-1.5">
        <VersionSelect label="Compare this version" value={was} named={named} onChoose={setWas} onProblem={setProblem} />
        <span className="caption">with</span>
        <VersionSelect label="With this version" value={is} named={named} onChoose={(choice) => setIs(choice ?? NOW)} onProblem={setProblem} />
      </div>
      {problem !== "" && (
        <p role="alert" className="px-1 text-blocker">
          {problem}
        </p>
      )}
      {words && first && second && <Differences key={words} was={first} is={second} />}
      {!was && (
        <p className="caption px-1">Choose a version: what came, went, moved how far, grew or feels otherwise is told, and both are drawn on the glass.</p>
      )}
    </section>
  );
}

/** The layout of a choice; of "now" as it is when no gesture is under way. */
function useVersion(choice: VersionChoice | null, onProblem: (problem: string) => void): Layout | null {
  const session = useSessionActions();
  const states = useStates();
  const now = useSession((s) => s.gesture?.base ?? s.layout);
  const [found, setFound] = useState<{ choice: VersionChoice; layout: Layout } | null>(null);
  const latest = useRef(onProblem);
  useEffect(() => {
    latest.current = onProblem;
  });
  useEffect(() => {
    if (!choice || choice.kind === "now") return;
    let current = true;
    versionOf(choice, session, states).then(
      (read) => {
        if (!current) return;
        latest.current(read.ok ? "" : `${choiceWord(choice)}: ${problemText(read.problems, 2)}`);
        if (read.ok) setFound({ choice, layout: read.value });
      },
      (error: unknown) => current && latest.current(error instanceof Error ? error.message : String(error)),
    );
    return () => {
      current = false;
    };
  }, [choice, session, states]);
  if (choice?.kind === "now") return now;
  return found && found.choice === choice ? found.layout : null;
}

function Differences({ was, is }: { was: Layout; is: Layout }) {
  const session = useSessionActions();
  const path = usePath();
  const screen = useSession((s) => benchScreenOf(s.layout));
  const playerView = useSession((s) => s.playerView);
  const [onGlass, setOnGlass] = useState(true);
  const differences = useMemo(() => compare(was, is, { screen, playerView }), [was, is, screen, playerView]);
  useEffect(() => {
    session.setCompared(onGlass ? { was, is } : null);
  }, [session, was, is, onGlass]);
  useEffect(() => () => session.setCompared(null), [session]);
  return (
    <>
      <div className="grid gap-1 px-1">
        <p className="font-semibold" role="status">
          {sumOf(differences)}
        </p>
        <p className="caption">Measured on {screen.name}.</p>
        {path === "/layout" ? (
          <label className="flex items-center gap-1.5">
            <input type="checkbox" checked={onGlass} onChange={(event) => setOnGlass(event.target.checked)} /> over each other on the glass
          </label>
        ) : (
          <ViewLink to="/layout" className="text-accent underline">
            See both over each other on the bench
          </ViewLink>
        )}
      </div>
      <ul aria-label="Differences" className="min-h-0 overflow-auto px-1" tabIndex={0}>
        {tellingDifferences(differences).map((difference, i) => (
          <DifferenceLine key={i} difference={difference} />
        ))}
      </ul>
    </>
  );
}

const MARKS: Readonly<Record<Difference["what"], string>> = { came: "+", went: "−", moved: "→", sized: "↔", shown: "+", hidden: "−", field: "·", order: "·" };

function DifferenceLine({ difference: { what, text } }: { difference: Difference }) {
  return (
    <li className="grid grid-cols-[0.875rem_1fr] border-b border-rule py-[2px] text-[0.75rem] last:border-0">
      <span aria-hidden className="figure text-muted">
        {MARKS[what]}
      </span>
      <span className="break-words">{text}</span>
    </li>
  );
}

interface SelectProps {
  readonly label: string;
  readonly value: VersionChoice | null;
  readonly named: readonly KeptState[];
  readonly onChoose: (choice: VersionChoice | null) => void;
  readonly onProblem: (problem: string) => void;
}

function VersionSelect({ label, value, named, onChoose, onProblem }: SelectProps) {
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
    else onChoose(chosen === "now" ? NOW : null);
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
          <optgroup label="After an edit">
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
