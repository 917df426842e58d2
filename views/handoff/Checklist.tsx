"use client";
/** What is to be set by hand in the game's own project, to tick off; it is remembered. */
import { useMemo } from "react";
import { checklist } from "../../core/handoff/checklist";
import type { Layout } from "../../core/format/types";

interface Props {
  readonly layout: Layout;
  readonly ticked: ReadonlySet<string>;
  readonly onTick: (id: string, isDone: boolean) => void;
}

export function Checklist({ layout, ticked, onTick }: Props) {
  const items = useMemo(() => checklist(layout), [layout]);
  const done = items.filter(({ id }) => ticked.has(id)).length;
  return (
    <section aria-label="Checklist" className="grid gap-1.5">
      <h2 className="heading">
        Checklist · {done} of {items.length}
      </h2>
      {items.map(({ id, text }) => (
        <label key={id} className="grid min-h-6 grid-cols-[1.25rem_1fr] text-[0.75rem] leading-snug">
          <input
            type="checkbox"
            className="mt-0.5 size-3.5 accent-[var(--accent)]"
            checked={ticked.has(id)}
            onChange={(event) => onTick(id, event.target.checked)}
          />
          <span className={ticked.has(id) ? "text-muted line-through" : ""}>{text}</span>
        </label>
      ))}
    </section>
  );
}
