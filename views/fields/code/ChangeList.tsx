"use client";
/** What to change in the code: line by line what is there and what to write instead, to tick off, and to take along as Markdown or CSV. */
import { counted } from "../../../core/derived/counted";
import { useEffect, useMemo, useState } from "react";
import { changesCsv, changesMarkdown, constantFilesFor, changePlaceWords, type CodeChange } from "../../../core/exchange/codeChanges";
import { handleStubs, languagesWithoutRuntime } from "../../../core/exchange/handleStub";
import { CONSTANT_LANGUAGES, languageWord, type ConstantLanguage } from "../../../core/exchange/constants";
import { changesInFiles } from "../../../workers/scan";
import { useSession } from "../../document/SessionContext";
import { saveText } from "../../document/files/download";
import { note, noted } from "../../document/notes";
import type { CodeReading } from "./useCodeReading";

/** A change is known again by its place and its text: a line that has moved is another. */
const keyOf = (change: CodeChange) => `${change.file}:${change.line}:${change.stands}`;
/** So many are shown; all of them go out. */
const MOST_SHOWN = 300;

/** Which changes are done, kept with the layout in this browser. */
function useDone(id: string): readonly [ReadonlySet<string>, (key: string) => void] {
  const place = `nodulum.changes.${id}`;
  const [done, setDone] = useState<ReadonlySet<string>>(() => {
    const kept = noted(place);
    return new Set(Array.isArray(kept) ? kept.filter((k): k is string => typeof k === "string") : []);
  });
  const toggle = (key: string) => {
    const next = new Set(done);
    if (!next.delete(key)) next.add(key);
    setDone(next);
    note(place, [...next]);
  };
  return [done, toggle];
}

// oxlint-disable-next-line max-lines-per-function -- one list: each change with what can be done about it
export function ChangeList({ code, callees }: { code: CodeReading; callees: readonly string[] }) {
  const name = useSession((s) => s.layout.name);
  const id = useSession((s) => s.id);
  const actions = useSession((s) => s.layout.actions);
  const [language, setLanguage] = useState<ConstantLanguage | null>(null);
  const [changes, setChanges] = useState<readonly CodeChange[] | null>(null);
  const [problem, setProblem] = useState("");
  const [done, toggle] = useDone(id);
  const names = useMemo(() => new Set(code.told.flatMap(([file]) => (code.leftOut.has(file) ? [] : [file]))), [code.told, code.leftOut]);
  useEffect(() => {
    let current = true;
    changesInFiles(code.files, names, { callees, actions, language }).then(
      (list) => current && setChanges(list),
      (error: unknown) => current && setProblem(error instanceof Error ? error.message : "the browser gave no reason"),
    );
    return () => {
      current = false;
    };
  }, [code.files, names, callees, actions, language]);
  if (problem !== "") return <p role="alert">The files could not be read again: {problem}. Read them again.</p>;
  const files = [...names];
  const isDone = (change: CodeChange) => done.has(keyOf(change));
  const base = name.replace(/[^\p{L}\p{N}]+/gu, "-").toLowerCase();
  return (
    <section aria-label="Code changes" className="grid gap-2">
      <p className="text-muted">
        The new lines read the handle <span className="figure">controls</span> (<span className="figure">value</span>,{" "}
        <span className="figure">justPressed</span>, <span className="figure">justReleased</span>) with the names of{" "}
        {constantFilesFor(files, language).join(", ") || "the constants file"} (Actions, Lists and constants).
      </p>
      <WithoutRuntime files={files} language={language} />
      <div className="flex flex-wrap items-center gap-2">
        <label className="flex items-center gap-1.5">
          <span className="caption">In</span>
          <select
            aria-label="Language"
            className="box h-7 px-1"
            value={language ?? ""}
            onChange={(event) => setLanguage(event.target.value === "" ? null : (event.target.value as ConstantLanguage))}
          >
            <option value="">each file’s language</option>
            {CONSTANT_LANGUAGES.map((l) => (
              <option key={l} value={l}>
                {languageWord(l)}
              </option>
            ))}
          </select>
        </label>
        <span className="caption" role="status">
          {changes === null ? "Reading…" : `${counted(changes.length, "line")}, ${changes.filter(isDone).length} done`}
        </span>
        <span className="ml-auto flex gap-1.5">
          <button
            type="button"
            className="push"
            disabled={!changes?.length}
            onClick={() => saveText(`${base}-changes.md`, changesMarkdown(name, changes!, isDone), "text/markdown")}
          >
            Download Markdown
          </button>
          <button
            type="button"
            className="push"
            disabled={!changes?.length}
            onClick={() => saveText(`${base}-changes.csv`, changesCsv(changes!, isDone), "text/csv")}
          >
            Download CSV
          </button>
        </span>
      </div>
      {changes?.length === 0 && <p>No lines yet. Select the functions that read input and add their names, or bind the keys that the code reads.</p>}
      <ul className="max-h-[26rem] overflow-auto border border-rule" aria-label="Lines to change" tabIndex={0}>
        {changes?.slice(0, MOST_SHOWN).map((change) => (
          <li key={keyOf(change)} className="border-b border-rule px-1.5 py-1 last:border-b-0">
            <label className="grid grid-cols-[1rem_minmax(0,1fr)] gap-x-2">
              <input type="checkbox" className="mt-0.5 accent-[var(--accent)]" checked={isDone(change)} onChange={() => toggle(keyOf(change))} />
              <span className={isDone(change) ? "text-muted" : ""}>
                <span className="caption">
                  <span className="figure text-[0.6875rem]">
                    {change.file}:{change.line}
                  </span>{" "}
                  · {change.actions.join(", ")} · {changePlaceWords(change.how)}
                </span>
                <code className="figure block break-words text-muted line-through decoration-1">{change.stands}</code>
                <code className="figure block break-words">{change.write}</code>
              </span>
            </label>
          </li>
        ))}
      </ul>
      {changes !== null && changes.length > MOST_SHOWN && <p className="caption">{changes.length - MOST_SHOWN} more; the downloads contain all of them.</p>}
    </section>
  );
}

/** Says in which of the languages there is no runtime, and offers a stub of the handle where there is one. */
function WithoutRuntime({ files, language }: { files: readonly string[]; language: ConstantLanguage | null }) {
  const actions = useSession((s) => s.layout.actions);
  const without = languagesWithoutRuntime(files, language);
  if (without.length === 0) return null;
  return (
    <p data-testid="without-runtime">
      <span className="text-warning" aria-hidden>
        ◆
      </span>{" "}
      There is no Nodulum runtime for {without.join(" and ")}. Call the C header from it (Hand off), or write the handle yourself.{" "}
      {handleStubs(files, actions, language).map(({ file, text }) => (
        <button key={file} type="button" className="push h-6 px-1.5" onClick={() => saveText(file, text, "text/plain")}>
          Download {file} (stub)
        </button>
      ))}
    </p>
  );
}
