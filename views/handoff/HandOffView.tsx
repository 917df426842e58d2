"use client";
/** What leaves and what comes in: the layout file. */
import { Download, Upload } from "lucide-react";
import { go } from "../shared/go";
import { useMemo, useRef, useState } from "react";
import { textOf } from "../../core/derived/text";
import { problemText } from "../../core/engine/result";
import { FileInput } from "../../ui/FileInput";
import { useLibrary, useSession } from "../session/context";
import { fileNameFor } from "../../core/exchange/fileName";
import { saveText } from "../shared/download";
import { textOfFile } from "../shared/textOfFile";
import { PageParcel } from "./PageParcel";
import { PlayInPage } from "./PlayInPage";

export function HandOffView() {
  const layout = useSession((s) => s.layout);
  const text = useMemo(() => textOf(layout), [layout]);
  const name = fileNameFor(layout.name);
  const [copied, setCopied] = useState(false);
  return (
    <div className="grid h-full grid-cols-[22.5rem_minmax(0,1fr)]">
      <div className="grid content-start gap-6 overflow-auto border-r border-rule p-5">
        <section className="grid gap-2" aria-label="Out">
          <h2 className="heading">Out</h2>
          <p>
            The layout file: everything in this layout, in one text that the command line and every runtime read. The same layout always gives the same bytes.
          </p>
          <p className="figure text-[0.75rem]">
            {name}
            <span className="text-muted"> · {new TextEncoder().encode(text).length.toLocaleString("en")} bytes</span>
          </p>
          <div className="flex gap-2">
            <button className="push push-main" onClick={() => saveText(name, text)}>
              <Download size={14} /> Export the file
            </button>
            <button
              className="push"
              onClick={() =>
                // On plain http there is no clipboard to write to.
                void Promise.resolve(navigator.clipboard as Clipboard | undefined)
                  .then((clipboard) => clipboard?.writeText(text).then(() => setCopied(true)))
                  .catch(() => setCopied(false))
              }
            >
              {copied ? "Copied" : "Copy the text"}
            </button>
          </div>
        </section>
        <PageParcel />
        <Import />
        <PlayInPage />
        <section className="grid gap-2" aria-label="Command line">
          <h2 className="heading">At the command line</h2>
          <pre className="figure box overflow-auto p-2 text-[0.6875rem] whitespace-pre-wrap">{`npx nodulum check ${name}\nnpx nodulum resolve ${name} \\\n  --screen 2400x1080@411+96,0,0,48`}</pre>
        </section>
      </div>
      <section aria-label="The file" className="flex min-h-0 min-w-0 flex-col">
        <h2 className="heading px-5 pt-4 pb-2">The file as it stands</h2>
        <pre
          tabIndex={0}
          aria-label="Text of the layout file"
          data-testid="file-text"
          className="figure mx-5 mb-5 min-h-0 flex-1 overflow-auto border border-rule bg-sheet p-3 text-[0.71875rem] leading-[1.5]"
        >
          {text}
        </pre>
      </section>
    </div>
  );
}

function Import() {
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
    <section className="grid gap-2" aria-label="In">
      <h2 className="heading">In</h2>
      <div
        className={`grid justify-items-start gap-2 border border-dashed p-4 ${over ? "border-accent bg-sheet" : "border-edge"}`}
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
          <Upload size={14} /> Import a file…
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
