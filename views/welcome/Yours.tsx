"use client";
/** The layouts kept here that were changed last: when, and what remains to do in each. */
import { useEffect, useState } from "react";
import type { Result } from "../../core/engine/result";
import type { KeptLayout } from "../../core/exchange/storedRecords";
import { leftToDo } from "../../core/wiring/actionStatus";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useLibrary } from "../document/SessionContext";

const MOST = 4;

interface Listed {
  readonly kept: KeptLayout;
  /** When it was changed last. */
  readonly when: string;
  /** How much remains to do; null where it cannot be read. */
  readonly left: number | null;
}

/** A time as one speaks of it: today by the clock, else by the day. */
function whenWords(time: number, now: number): string {
  const then = new Date(time);
  const isToday = new Date(now).toDateString() === then.toDateString();
  const clock = then.toLocaleTimeString("en-GB", { hour: "2-digit", minute: "2-digit" });
  return isToday ? `today ${clock}` : then.toLocaleDateString("en-GB", { weekday: "short", day: "numeric", month: "short" });
}

export function Yours({ begin }: { begin: (making: Promise<Result<unknown>>) => Promise<boolean> }) {
  const library = useLibrary();
  const [listed, setListed] = useState<readonly Listed[]>([]);
  useEffect(() => {
    let current = true;
    void (async () => {
      const kept = (await library.list()).kept.filter((l) => l.revision > 0 || !l.id.startsWith("shipped-")).slice(0, MOST);
      const found: Listed[] = [];
      for (const one of kept) {
        const layout = await library.layoutOf(one);
        found.push({ kept: one, when: whenWords(one.savedAt, Date.now()), left: layout.ok ? leftToDo(layout.value).length : null });
      }
      if (current) setListed(found);
    })().catch(() => undefined);
    return () => {
      current = false;
    };
  }, [library]);
  if (listed.length === 0) return null;
  return (
    <section aria-labelledby="yours">
      <h2 id="yours" className="mb-2 text-base font-semibold">
        Your layouts
      </h2>
      <ul className="border-y border-rule">
        {listed.map(({ kept, when, left }) => (
          <li key={kept.id} className="border-b border-rule last:border-b-0">
            <button
              type="button"
              className="grid h-8 w-full grid-cols-[minmax(0,1fr)_8rem_8rem] items-center gap-3 px-1 text-left hover:bg-sheet"
              onClick={() => void begin(library.open(kept.id))}
              {...readingProps(says("welcome.yours"), kept.name)}
            >
              <span className="truncate font-medium">{kept.name}</span>
              <span className="caption">{when}</span>
              <span className={`text-[0.6875rem] ${left ? "text-blocker" : "text-muted"}`}>
                {left === null ? "cannot be read" : left === 0 ? "all done" : `■ ${left} open`}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
