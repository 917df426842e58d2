"use client";
/** A hidden file field behind a button of one's own: the same file can be chosen twice. */
import type { Ref } from "react";

interface Props {
  readonly label: string;
  readonly accept: string;
  readonly onFile: (file: File) => void;
  readonly ref: Ref<HTMLInputElement>;
}

export function FileInput({ label, accept, onFile, ref }: Props) {
  return (
    <input
      ref={ref}
      type="file"
      accept={accept}
      aria-label={label}
      className="sr-only"
      tabIndex={-1}
      onChange={(event) => {
        const file = event.target.files?.[0];
        if (file) onFile(file);
        event.target.value = "";
      }}
    />
  );
}
