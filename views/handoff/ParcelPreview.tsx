"use client";
/** A parcel as it will be: its files, and the one that is chosen shown by its kind. */
import { useState } from "react";
import { PARCELS, fileBytes, type ParcelFile, type ParcelId } from "../../parcels/parcel";
import { Select } from "../../ui/Select";
import { says } from "../shell/reading/sentences";
import { FilePreview } from "./FilePreview";
import { sizeText } from "./sizeText";
import type { ParcelState } from "./useParcels";

interface Props {
  readonly id: ParcelId;
  readonly state: ParcelState;
}

export function ParcelPreview({ id, state }: Props) {
  const [chosen, setChosen] = useState<{ readonly of: ParcelId; readonly path: string } | null>(null);
  const { title, holds } = PARCELS[id];
  const files = state.kind === "made" ? state.made.parcel.files : [];
  const path = chosen?.of === id ? chosen.path : "";
  const file = files.find((one) => one.path === path) ?? firstShown(files);
  return (
    <section aria-label="Parcel preview" className="grid min-h-0 min-w-0 grid-rows-[auto_auto_minmax(0,1fr)]">
      <div className="px-5 pt-4 pb-2">
        <h2 className="text-[1rem] font-semibold">{title}</h2>
        <p className="caption">{holds}</p>
      </div>
      <div className="flex h-8 items-center gap-2 px-5">
        {files.length > 1 && file ? (
          <Select
            label="File of the parcel"
            reads={says("handoff.file")}
            className="max-w-full min-w-0"
            value={file.path}
            options={files.map((one) => [one.path, `${one.path} · ${sizeText(fileBytes(one))}`] as const)}
            onChange={(next) => setChosen({ of: id, path: next })}
          />
        ) : (
          file && <span className="figure min-w-0 truncate">{file.path}</span>
        )}
        {files.length > 1 && <span className="caption shrink-0">{files.length} files</span>}
      </div>
      <div className="mx-5 mb-5 min-h-0 min-w-0 border border-rule bg-sheet" data-testid="parcel-preview">
        {state.kind === "failed" && (
          <p role="alert" className="p-3 text-blocker">
            Could not be created: {state.problem}.
          </p>
        )}
        {(state.kind === "making" || state.kind === "none") && (
          <p role="status" className="p-3 text-muted">
            Creating…
          </p>
        )}
        {state.kind === "made" && !file && <p className="p-3 text-muted">{state.made.parcel.leftOut.join("; ")}</p>}
        {file && <FilePreview key={`${id} ${file.path}`} parcel={id} file={file} />}
      </div>
    </section>
  );
}

/** What is looked at first: what a person reads or sees before what a machine reads. */
function firstShown(files: readonly ParcelFile[]): ParcelFile | undefined {
  const rank = ({ type }: ParcelFile) => (type === "image/png" || type === "image/svg+xml" ? 0 : type === "text/html" ? 1 : 2);
  return [...files].sort((a, b) => rank(a) - rank(b))[0];
}
