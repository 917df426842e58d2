"use client";
/** From the game's own code: files are read in the browser, the user says what in them reads an input, and takes over the words that are right. */
import { useMemo, useRef, useState, type DragEvent } from "react";
import { changeAction, renameAction, addActions } from "../../../core/editing/edits/actions";
import { changeLayout } from "../../../core/editing/edits/layout";
import { compareStandards, compareWords, rankCallees } from "../../../core/scan/words";
import { hardwareEnds } from "../../../core/wiring/hardwareWires";
import { Dialogue } from "../../../ui/Dialogue";
import { scanFiles, type Scanned, type ScanProgress } from "../../../workers/scan";
import { useSession, useSessionActions } from "../../session/context";
import { droppedFiles } from "./droppedFiles";
import { StandardTable } from "./StandardTable";
import { WordTable } from "./WordTable";

export function CodeDialogue({ open, onOpenChange }: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialogue title="From the game’s code" open={open} onOpenChange={onOpenChange} wide>
      <FromCode />
    </Dialogue>
  );
}

function FromCode() {
  const session = useSessionActions();
  const actions = useSession((s) => s.layout.actions);
  const callees = useSession((s) => s.layout.workbench.callees);
  const [scanned, setScanned] = useState<Scanned | null>(null);
  const [progress, setProgress] = useState<ScanProgress | null>(null);
  const [pasted, setPasted] = useState("");
  const stop = useRef<AbortController | null>(null);
  const folder = useRef<HTMLInputElement>(null);
  const files = useRef<HTMLInputElement>(null);

  const read = async (list: readonly File[]) => {
    if (list.length === 0) return;
    stop.current?.abort();
    const control = new AbortController();
    stop.current = control;
    setProgress({ read: 0, passedOver: 0, files: list.length, tooLong: [] });
    try {
      const result = await scanFiles(list, (now) => stop.current === control && setProgress(now), control.signal);
      if (stop.current === control && result) setScanned(result);
    } catch (error) {
      session.tell({ text: `The files cannot be read: ${error instanceof Error ? error.message : "the browser gave no reason"}.`, tone: "problem" });
    } finally {
      if (stop.current === control) setProgress(null);
    }
  };
  const names = useMemo(() => actions.map((a) => a.name), [actions]);
  const ranked = useMemo(() => (scanned ? rankCallees(scanned.reads, names).slice(0, 60) : []), [scanned, names]);
  const words = useMemo(() => (scanned ? compareWords(scanned.reads, new Set(callees), actions) : []), [scanned, callees, actions]);
  const standards = useMemo(() => (scanned ? compareStandards(scanned.standards, actions, hardwareEnds) : []), [scanned, actions]);
  const tick = (callee: string) =>
    session.edit("what reads an input", (l) => {
      const next = l.workbench.callees.includes(callee) ? l.workbench.callees.filter((c) => c !== callee) : [...l.workbench.callees, callee];
      return changeLayout(l, { workbench: { ...l.workbench, callees: next } });
    });
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    void droppedFiles(event.dataTransfer).then(read);
  };
  const chosen = (event: React.ChangeEvent<HTMLInputElement>) => {
    void read([...(event.target.files ?? [])]);
    event.target.value = "";
  };

  return (
    <div data-drop className="grid gap-3" onDragOver={(event) => event.preventDefault()} onDrop={onDrop}>
      <p className="text-muted">Drop source files or a folder, in any language, or paste. They are read here; nothing leaves the browser.</p>
      <div className="flex flex-wrap items-center gap-1.5">
        <button className="push push-main" onClick={() => files.current?.click()}>
          Files…
        </button>
        <button className="push" onClick={() => folder.current?.click()}>
          A folder…
        </button>
        <input ref={files} type="file" multiple aria-label="Source files" className="sr-only" tabIndex={-1} onChange={chosen} />
        <input
          ref={(element) => {
            folder.current = element;
            element?.setAttribute("webkitdirectory", "");
          }}
          type="file"
          multiple
          aria-label="Source folder"
          className="sr-only"
          tabIndex={-1}
          onChange={chosen}
        />
        {progress ? (
          <span role="status" className="flex items-center gap-2">
            <progress max={progress.files} value={progress.read + progress.passedOver} aria-label="How far it is" className="w-32 accent-[var(--accent)]" />
            <span className="figure text-[0.6875rem]">
              {progress.read} of {progress.files}
            </span>
            <button className="push h-6" onClick={() => stop.current?.abort()}>
              Stop
            </button>
          </span>
        ) : (
          scanned && (
            <span role="status" className="caption">
              {scanned.read} {scanned.read === 1 ? "file" : "files"} read, {scanned.passedOver} passed over (too large, or no text)
              {scanned.tooLong.length > 0 &&
                `; took too long, and were left: ${scanned.tooLong.slice(0, 3).join(", ")}${scanned.tooLong.length > 3 ? ` and ${scanned.tooLong.length - 3} more` : ""}`}
            </span>
          )
        )}
      </div>
      <form
        className="flex gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          void read([new File([pasted], "pasted.ts")]);
        }}
      >
        <textarea
          aria-label="Source to read"
          placeholder="or paste source here"
          rows={2}
          className="box figure flex-1 px-2 py-1"
          spellCheck={false}
          value={pasted}
          onChange={(event) => setPasted(event.target.value)}
        />
        <button className="push self-end" disabled={pasted.trim() === ""}>
          Read it
        </button>
      </form>
      {scanned && (
        <div className="grid grid-cols-[15.625rem_1fr] gap-4">
          <section aria-label="What reads an input">
            <h3 className="heading mb-1">What reads an input?</h3>
            {ranked.length === 0 && <p className="text-muted">Nothing in these files asks by a word.</p>}
            <ul className="max-h-[20.625rem] overflow-auto border border-rule">
              {ranked.map((c) => (
                <li key={c.callee}>
                  <label className="flex min-h-6 items-start gap-1.5 px-1.5 py-0.5 hover:bg-paper">
                    <input type="checkbox" className="mt-0.5 accent-[var(--accent)]" checked={callees.includes(c.callee)} onChange={() => tick(c.callee)} />
                    <span className="min-w-0">
                      <span className="figure block truncate">{c.callee}</span>
                      <span className="caption block truncate">
                        {c.count} × {c.words.slice(0, 4).join(", ")}
                      </span>
                    </span>
                  </label>
                </li>
              ))}
            </ul>
          </section>
          <WordTable
            words={words}
            ticked={callees.length > 0}
            onAccept={(list) => session.edit(list.length === 1 ? `take over ${list[0].word}` : `take over ${list.length} words`, (l) => addActions(l, list))}
            onGone={(word) => session.edit(`${word} is not read`, (l) => changeAction(l, word, { read: false }))}
            onRespell={(from, to) => session.edit(`spell ${from} ${to}`, (l) => renameAction(l, from, to))}
          />
        </div>
      )}
      <StandardTable found={standards} />
    </div>
  );
}
