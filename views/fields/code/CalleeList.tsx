"use client";
/** What in the code may read an input, the likeliest first, to be ticked. */
import type { Callee } from "../../../core/scan/foundWords";

interface Props {
  readonly ranked: readonly Callee[];
  readonly ticked: readonly string[];
  readonly onTick: (callee: string) => void;
  /** Stands among other things, and takes little room. */
  readonly short?: boolean;
}

export function CalleeList({ ranked, ticked, onTick, short = false }: Props) {
  return (
    <section aria-label="Functions that read input">
      <h3 className="heading mb-1">What reads an input?</h3>
      {ranked.length === 0 && <p className="text-muted">No function in these files takes an action name.</p>}
      <ul className={`${short ? "max-h-[8.5rem]" : "max-h-[20.625rem]"} overflow-auto border border-rule`}>
        {ranked.map((c) => (
          <li key={c.callee}>
            <label className="flex min-h-6 items-start gap-1.5 px-1.5 py-0.5 hover:bg-paper">
              <input type="checkbox" className="mt-0.5 accent-[var(--accent)]" checked={ticked.includes(c.callee)} onChange={() => onTick(c.callee)} />
              <span className="min-w-0">
                <span className="figure block truncate">{c.callee}</span>
                <span className="caption block truncate">
                  {c.count} × {c.words.slice(0, 4).join(", ")}
                </span>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </section>
  );
}
