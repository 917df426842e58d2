"use client";
/** What takes a while: what it does, how far it is, and a button that stops it. */
import { Square } from "lucide-react";
import type { FileProgress } from "../../core/exchange/sortFiles";

export interface UnderWay {
  /** What is done: "Reading harbour.zip". */
  readonly what: string;
  readonly progress: FileProgress;
  readonly stop: () => void;
}

const figure = (n: number) => n.toLocaleString("en");

export function Progress({ what, progress: { done, of }, stop }: UnderWay) {
  return (
    <div className="grid w-full gap-1" role="group" aria-label={what}>
      <p className="flex items-baseline justify-between gap-2" aria-live="polite">
        <span className="min-w-0 break-words">{what}</span>
        {of > 0 && (
          <span className="figure shrink-0 text-muted">
            {figure(done)} of {figure(of)}
          </span>
        )}
      </p>
      <div className="flex items-center gap-2">
        <progress className="h-1.5 w-full accent-accent" aria-label={what} value={of > 0 ? done : undefined} max={of > 0 ? of : undefined} />
        <button type="button" className="push h-6 px-1.5" data-stop="" onClick={stop}>
          <Square size={11} /> Stop
        </button>
      </div>
    </div>
  );
}
