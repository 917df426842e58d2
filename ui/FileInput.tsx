"use client";
/** A hidden file field behind your own button: the same file can be chosen twice. */
import type { RefObject } from "react";

interface Props {
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File) => void;
  /** Hears of all that are chosen at once; without it one can be chosen. */
  readonly onFiles?: (files: readonly File[]) => void;
  /** A whole folder is chosen, with all in it. */
  readonly folder?: boolean;
  readonly ref: RefObject<HTMLInputElement | null>;
}

export function FileInput({ label, accept, onFile, onFiles, folder = false, ref }: Props) {
  return (
    <input
      ref={(element) => {
        ref.current = element;
        if (folder) element?.setAttribute("webkitdirectory", "");
      }}
      type="file"
      accept={accept}
      multiple={onFiles !== undefined}
      aria-label={label}
      className="sr-only"
      tabIndex={-1}
      onChange={(event) => {
        const files = [...(event.target.files ?? [])];
        if (onFiles && files.length > 1) onFiles(files);
        else if (files.length > 0) onFile(files[0]);
        event.target.value = "";
      }}
    />
  );
}
