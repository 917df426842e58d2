"use client";
/** The reading line along the bottom of the window: one sentence on whatever is under the pointer or has the focus, and the key that does it. */
import { useEffect, useState } from "react";
import { SENTENCES, type SentenceKey } from "./reading/sentences";
import { useSaid, watchReading, type ReadElement } from "./reading/watch";
import { useSessionActions } from "../document/SessionContext";

/** What is said while nothing is pointed at. */
function restingWords(path: string): string {
  const key = `view.${path.slice(1)}`;
  return key in SENTENCES ? SENTENCES[key as SentenceKey].words : "";
}

export function ReadingLine({ path }: { path: string }) {
  const session = useSessionActions();
  const [read, setRead] = useState<ReadElement | null>(null);
  const said = useSaid();
  useEffect(() => watchReading(session, document, setRead), [session]);
  const words = said ?? read?.words ?? restingWords(path);
  const keys = said === null ? (read?.keys ?? "") : "";
  return (
    <footer aria-label="Reading line" className="flex h-6 items-center gap-4 border-t border-rule bg-sheet px-3 text-[0.75rem]" data-testid="reading-line">
      <span aria-live={said === null ? undefined : "polite"} className="line-clamp-1 min-w-0 flex-1">
        {words}
      </span>
      <kbd className="figure shrink-0 text-[0.6875rem] text-muted">{keys}</kbd>
    </footer>
  );
}
