"use client";
/** What comes in. */
import { Upload } from "lucide-react";
import { useRef, useState } from "react";
import { problemText } from "../../core/engine/result";
import { FileInput } from "../../ui/FileInput";
import { useLibrary } from "../session/context";
import { go } from "../shared/go";
import { textOfFile } from "../shared/textOfFile";

export function ComesIn() {
  const library = useLibrary();
  const input = useRef<HTMLInputElement>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [over, setOver] = useState(false);
  const accept = async (file: File | undefined) => {
    if (!file) return;
    setProblem(null);
    const text = await textOfFile(file);
    const result = text.ok ? await library.importText(text.value) : text;
    if (!result.ok) setProblem(`“${file.name}” was not taken, and nothing has changed.\n${problemText(result.problems)}`);
    else go("/layout");
  };
  return (
    <section className="grid gap-2" aria-label="Comes in">
      <h2 className="heading">Comes in</h2>
      <div
        className={`grid justify-items-start gap-2 border border-dashed p-3 ${over ? "border-accent bg-sheet" : "border-edge"}`}
        onDragOver={(event) => {
          event.preventDefault();
          setOver(true);
        }}
        onDragLeave={() => setOver(false)}
        onDrop={(event) => {
          event.preventDefault();
          setOver(false);
          void accept(event.dataTransfer.files[0]);
        }}
      >
        <p className="text-muted">Drop a layout file here. It becomes a layout of its own; the open one stays.</p>
        <button className="push" onClick={() => input.current?.click()}>
          <Upload size={14} /> Take a file in…
        </button>
        <FileInput ref={input} accept=".json,application/json" label="Layout file to import" onFile={(file) => void accept(file)} />
      </div>
      {problem && (
        <p role="alert" className="max-h-56 overflow-auto whitespace-pre-line text-blocker">
          {problem}
        </p>
      )}
    </section>
  );
}
