"use client";
/** Where code comes from: files, a folder, a drop, or pasted; how far reading it is; and which files are omitted. */
import { counted } from "../../../core/derived/counted";
import { useRef, useState, type ChangeEvent, type DragEvent, type ReactNode } from "react";
import { droppedFiles } from "../../document/files/droppedFiles";
import type { CodeReading } from "./useCodeReading";
import { FIELD_LETTERS } from "../../../ui/fieldLimits";

/** What holds the sources takes drops anywhere on it. */
export function CodeDrop({ code, children }: { code: CodeReading; children: ReactNode }) {
  const onDrop = (event: DragEvent) => {
    event.preventDefault();
    void droppedFiles(event.dataTransfer).then((files) => code.read(files));
  };
  return (
    <div data-drop className="grid gap-3" onDragOver={(event) => event.preventDefault()} onDrop={onDrop}>
      {children}
    </div>
  );
}

export function CodeSources({ code }: { code: CodeReading }) {
  const [pasted, setPasted] = useState("");
  const folder = useRef<HTMLInputElement>(null);
  const files = useRef<HTMLInputElement>(null);
  const chosen = (event: ChangeEvent<HTMLInputElement>) => {
    void code.read([...(event.target.files ?? [])]);
    event.target.value = "";
  };
  return (
    <>
      <p className="text-muted">Drop source files or a folder, in any language, or paste. They are read here; nothing leaves the browser.</p>
      <div className="flex flex-wrap items-center gap-1.5">
        <button type="button" className="push" onClick={() => files.current?.click()}>
          Files…
        </button>
        <button type="button" className="push" onClick={() => folder.current?.click()}>
          Folder…
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
        <HowFar code={code} />
        {!code.progress && <LeftOut code={code} />}
      </div>
      <form
        className="flex gap-1.5"
        onSubmit={(event) => {
          event.preventDefault();
          event.stopPropagation();
          void code.read([new File([pasted], "pasted.ts")]);
        }}
      >
        <textarea
          aria-label="Source to read"
          placeholder="or paste source code here"
          rows={2}
          maxLength={FIELD_LETTERS.source}
          className="box figure flex-1 px-2 py-1"
          spellCheck={false}
          value={pasted}
          onChange={(event) => setPasted(event.target.value)}
        />
        <button className="push self-end" disabled={pasted.trim() === ""}>
          Read it
        </button>
      </form>
    </>
  );
}

function HowFar({ code: { progress, scanned, stop } }: { code: CodeReading }) {
  if (progress)
    return (
      <span role="status" className="flex items-center gap-2">
        <progress max={progress.files} value={progress.read + progress.passedOver} aria-label="Progress" className="w-32 accent-[var(--accent)]" />
        <span className="figure text-[0.6875rem]">
          {progress.read} of {progress.files}
        </span>
        <button type="button" className="push h-6" onClick={stop}>
          Stop
        </button>
      </span>
    );
  if (!scanned) return null;
  const { tooLong } = scanned;
  return (
    <span role="status" className="caption">
      {counted(scanned.read, "file")} read, {scanned.passedOver} skipped (too large, or no text)
      {tooLong.length > 0 && `; took too long, and were left: ${tooLong.slice(0, 3).join(", ")}${tooLong.length > 3 ? ` and ${tooLong.length - 3} more` : ""}`}
    </span>
  );
}

/** So many files are listed; a game of more is reported by its folders anyway. */
const MOST_LISTED = 400;

/** Files in which something was found, to be omitted: tests, tools, what others wrote. */
function LeftOut({ code }: { code: CodeReading }) {
  if (code.told.length < 2) return null;
  const out = code.told.filter(([name]) => code.leftOut.has(name)).length;
  return (
    <details className="w-full">
      <summary className="caption w-fit cursor-pointer">Exclude files{out > 0 && `: ${out} of ${code.told.length} excluded`}</summary>
      <ul className="mt-1 max-h-[8rem] overflow-auto border border-rule" aria-label="Files" tabIndex={0}>
        {code.told.slice(0, MOST_LISTED).map(([name, count]) => (
          <li key={name}>
            <label className="flex h-6 items-center gap-1.5 px-1.5 hover:bg-paper">
              <input
                type="checkbox"
                className="accent-[var(--accent)]"
                checked={!code.leftOut.has(name)}
                onChange={(event) => code.leaveOut([name], !event.target.checked)}
              />
              <span className="figure min-w-0 flex-1 truncate">{name}</span>
              <span className="caption">{counted(count, "place")}</span>
            </label>
          </li>
        ))}
      </ul>
    </details>
  );
}
