"use client";
/** Keys and pad inputs that the game reads by the web's own standards: what they give to here, and those that give to nothing, to be bound. */
import { hardwareWhyNot, plugIn, sourceOfEnd } from "../../../core/wiring/hardwareWires";
import type { FoundStandard } from "../../../core/scan/words";
import { useSession, useSessionActions } from "../../session/context";
import { useKeyLetters } from "../../shared/useKeyLetters";
import { endTitle, endWord } from "../keys";

export function StandardTable({ found }: { found: readonly FoundStandard[] }) {
  const session = useSessionActions();
  const actions = useSession((s) => s.layout.actions);
  const letters = useKeyLetters();
  if (found.length === 0) return null;
  return (
    <section aria-label="Keys and pad inputs the game reads">
      <h3 className="heading mb-1">Keys and pad inputs it reads by the web’s standards</h3>
      <ul className="max-h-[10.625rem] overflow-auto border border-rule" tabIndex={0} aria-label="Keys and pad inputs">
        {found.map((f) => (
          <li key={f.end} className="flex min-h-7 items-center gap-2 border-b border-rule px-1.5 last:border-b-0" data-end={f.end}>
            <span className="figure w-24 shrink-0 truncate" title={endTitle(f.end, letters)}>
              {endWord(f.end, letters)}
            </span>
            <span className="caption min-w-0 flex-1 truncate" title={f.occurrences.map((p) => `${p.file}:${p.line}`).join("\n")}>
              {f.occurrences[0].file.split("/").at(-1)}:{f.occurrences[0].line}
              {f.occurrences.length > 1 && ` and ${f.occurrences.length - 1} more`}
            </span>
            {f.actions.length > 0 ? (
              <span className="caption">
                gives to <span className="figure text-[0.6875rem]">{f.actions.join(", ")}</span>
              </span>
            ) : (
              <select
                aria-label={`Bind ${endTitle(f.end, letters)}`}
                className="box h-6 px-1 text-[0.6875rem]"
                value=""
                onChange={(event) => session.edit(`bind ${endWord(f.end)} to ${event.target.value}`, (l) => plugIn(l, event.target.value, f.end))}
              >
                <option value="">bound to nothing here; bind it to…</option>
                {actions
                  .filter((a) => hardwareWhyNot(sourceOfEnd(f.end)!.source, a.kind) === null)
                  .map((a) => (
                    <option key={a.name}>{a.name}</option>
                  ))}
              </select>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
