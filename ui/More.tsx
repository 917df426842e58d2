"use client";
/** What is seldom used, folded away; the fold says how many of its values are set. */
import { useState, type ReactNode } from "react";
import { readingProps, type Reading } from "./reading";

/** `set`: how many of the values in it are not as they begin. */
export function More({ set, reads, children }: { set: number; reads?: Reading; children: ReactNode }) {
  const [open, setOpen] = useState(false);
  const count = set === 0 ? "none set" : `${set} set`;
  return (
    <div>
      <button
        type="button"
        aria-expanded={open}
        className="flex h-6 w-full items-center gap-1 text-left text-[0.75rem] text-muted hover:text-ink"
        onClick={() => setOpen(!open)}
        {...readingProps(reads, count)}
      >
        <span aria-hidden className="w-3">
          {open ? "−" : "+"}
        </span>
        more · <span className={set > 0 ? "text-ink" : ""}>{count}</span>
      </button>
      {open && <div className="grid gap-0">{children}</div>}
    </div>
  );
}
