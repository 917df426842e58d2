"use client";
/** A file shown by its kind: a picture as a picture, a document as it prints, what plays as it plays, a table as a table, code as code. */
import { lazy, Suspense, useEffect, useMemo, useRef, useState } from "react";
import { cellsOf } from "../../core/exchange/rows";
import type { ParcelFile, ParcelId } from "../../parcels/parcel";
import { useRoom } from "../canvas/useRoom";

/** No more letters are shown at once: of longer texts the beginning. */
const MOST_LETTERS = 400_000;
const MOST_ROWS = 400;

const PlayedPreview = lazy(() => import("./PlayedPreview").then((m) => ({ default: m.PlayedPreview })));

export function FilePreview({ parcel, file }: { readonly parcel: ParcelId; readonly file: ParcelFile }) {
  const { type, content } = file;
  const text = useMemo(() => (typeof content === "string" ? content : ""), [content]);
  if (type.startsWith("image/")) return <Picture file={file} />;
  if (type === "text/html" && (parcel === "page" || parcel === "runtime"))
    return (
      <Suspense fallback={<p className="p-3 text-muted">Loading…</p>}>
        <PlayedPreview />
      </Suspense>
    );
  // A document of ours has no script, and its policy lets none run; the frame allows none in addition.
  if (type === "text/html") return <Document text={text} />;
  if (type === "text/csv") return <Table text={text} />;
  const shown = text.length > MOST_LETTERS ? text.slice(0, MOST_LETTERS) : text;
  return (
    <div className="flex h-full flex-col">
      <pre
        tabIndex={0}
        aria-label="Text of the file"
        data-testid="file-text"
        className={`figure min-h-0 flex-1 overflow-auto p-3 text-[0.71875rem] leading-[1.5] ${type === "application/json" && !text.includes("\n") ? "break-all whitespace-pre-wrap" : ""}`}
      >
        {shown}
      </pre>
      {shown !== text && <p className="caption border-t border-rule px-3 py-1">The beginning; the file has {text.length.toLocaleString("en")} letters.</p>}
    </div>
  );
}

/** A document is as wide as its paper; where there is less room it is shown smaller. */
const DOCUMENT_PX = 812;

function Document({ text }: { readonly text: string }) {
  const room = useRef<HTMLDivElement>(null);
  const { w, h } = useRoom(room);
  const zoom = Math.min(1, w / DOCUMENT_PX) || 1;
  return (
    <div ref={room} className="h-full overflow-hidden">
      <iframe
        title="Print preview"
        sandbox=""
        srcDoc={text}
        className="block origin-top-left border-0 bg-white"
        style={{ width: w / zoom, height: h / zoom, transform: `scale(${zoom})` }}
      />
    </div>
  );
}

function Picture({ file: { path, type, content } }: { readonly file: ParcelFile }) {
  const [url, setUrl] = useState<string | null>(null);
  useEffect(() => {
    const made = URL.createObjectURL(new Blob([content as BlobPart], { type }));
    // eslint-disable-next-line react-hooks/set-state-in-effect -- an address is given out and taken back with the picture
    setUrl(made);
    return () => URL.revokeObjectURL(made);
  }, [content, type]);
  return (
    <div className="checkered grid h-full grid-cols-[minmax(0,1fr)] grid-rows-[minmax(0,1fr)] place-items-center p-4">
      {/* eslint-disable-next-line @next/next/no-img-element -- a picture of the parcel, from memory */}
      {url && <img src={url} alt={path} className={`object-contain ${type === "image/svg+xml" ? "size-full min-h-0" : "max-h-full max-w-full"}`} />}
    </div>
  );
}

function Table({ text }: { readonly text: string }) {
  const [heading = [], ...rows] = useMemo(() => cellsOf(text), [text]);
  return (
    <div className="h-full overflow-auto" tabIndex={0} role="region" aria-label="The table">
      <table className="figure w-max text-[0.6875rem]">
        <thead>
          <tr>
            {heading.map((name, i) => (
              <th key={i} scope="col" className="sticky top-0 border-b border-edge bg-sheet px-2 py-1 text-left font-normal whitespace-nowrap text-muted">
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, MOST_ROWS).map((row, i) => (
            <tr key={i}>
              {row.map((cell, k) => (
                <td
                  key={k}
                  className={`border-b border-rule px-2 py-0.5 whitespace-nowrap ${cell !== "" && Number.isFinite(Number(cell)) ? "text-right" : ""}`}
                >
                  {cell}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
      {rows.length > MOST_ROWS && (
        <p className="caption p-2">
          The first {MOST_ROWS} of {rows.length} rows.
        </p>
      )}
    </div>
  );
}
