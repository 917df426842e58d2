"use client";
/** Actions as lists: out and in as CSV and JSON, with what would change; and their names as constants of the game's language. */
import { useRef, useState } from "react";
import { actionsCsv, actionsJson, applyActions, previewActions, type ListedAction } from "../../../core/exchange/actionList";
import { CONSTANT_LANGUAGES, constantFile, constantsFile, languageWord, type ConstantLanguage } from "../../../core/exchange/constants";
import { problemText } from "../../../core/engine/result";
import { Dialogue } from "../../../ui/Dialogue";
import { FileInput } from "../../../ui/FileInput";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { saveText } from "../../document/files/download";
import { readActionsFile } from "../../document/files/readFile";

// oxlint-disable-next-line max-lines-per-function -- one dialogue: the list and its preview share the text
export function ListDialogue({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const [list, setList] = useState<readonly ListedAction[] | null>(null);
  const [problem, setProblem] = useState("");
  const [language, setLanguage] = useState<ConstantLanguage>("typescript");
  const input = useRef<HTMLInputElement>(null);
  const accept = async (file: File) => {
    const read = await readActionsFile(file);
    setProblem(read.ok ? "" : `${file.name}: ${problemText(read.problems, 4)}`);
    setList(read.ok ? read.value : null);
  };
  const preview = list && previewActions(layout, list);
  const constants = constantsFile(layout, language);
  return (
    <Dialogue title="Lists and constants" open={open} onOpenChange={onOpenChange} wide>
      <div className="grid gap-4">
        <section aria-label="Action list" className="grid gap-2">
          <h3 className="heading">List</h3>
          <div className="flex flex-wrap gap-1.5">
            <button className="push" onClick={() => saveText("actions.csv", actionsCsv(layout.actions), "text/csv")}>
              Export as CSV
            </button>
            <button className="push" onClick={() => saveText("actions.json", actionsJson(layout.actions))}>
              Export as JSON
            </button>
            <button className="push" onClick={() => input.current?.click()}>
              Import…
            </button>
            <FileInput ref={input} accept=".csv,.json,text/csv,application/json" label="List of actions to import" onFile={(file) => void accept(file)} />
          </div>
          {problem && (
            <p role="alert" className="whitespace-pre-line text-blocker">
              {problem}
            </p>
          )}
          {preview && list && (
            <div role="group" aria-label="Changes" className="grid gap-1 border border-rule p-2">
              <p>
                <span className="figure">{preview.added.length}</span> added, <span className="figure">{preview.changed.length}</span> changed,{" "}
                <span className="figure">{preview.same}</span> as they are; <span className="figure">{preview.unnamed.length}</span> not in the list stay
                unchanged.
              </p>
              <ul className="max-h-[8.75rem] overflow-auto">
                {preview.added.map((a) => (
                  <li key={a.name}>
                    <span className="text-accent">new</span> <span className="figure">{a.name}</span> {a.kind ?? "press"}
                  </li>
                ))}
                {preview.changed.map((c) => (
                  <li key={c.name}>
                    <span className="figure">{c.name}</span>: {c.fields.map((f) => `${f.field} ${JSON.stringify(f.from)} → ${JSON.stringify(f.to)}`).join("; ")}
                  </li>
                ))}
              </ul>
              <button
                className="push push-main justify-self-end"
                disabled={preview.added.length + preview.changed.length === 0}
                onClick={() => {
                  if (session.edit("import an action list", (l) => applyActions(l, list))) setList(null);
                }}
              >
                Import
              </button>
            </div>
          )}
        </section>
        <section aria-label="Constants" className="grid gap-2">
          <h3 className="heading">Constants for the game’s code</h3>
          <div className="flex gap-1.5">
            <select aria-label="Language" className="box h-7 px-1" value={language} onChange={(event) => setLanguage(event.target.value as ConstantLanguage)}>
              {CONSTANT_LANGUAGES.map((l) => (
                <option key={l} value={l}>
                  {languageWord(l)}
                </option>
              ))}
            </select>
            <button className="push" onClick={() => saveText(constantFile(language), constants, "text/plain")}>
              Save {constantFile(language)}
            </button>
          </div>
          <pre className="figure max-h-[13.75rem] overflow-auto border border-rule bg-paper p-2" tabIndex={0} aria-label="The constants">
            {constants}
          </pre>
        </section>
      </div>
    </Dialogue>
  );
}
