/** How many findings of each severity, each with its mark and its word. */
import { counted } from "../core/derived/counted";
import type { FindingTally, Severity } from "../core/checks/finding";

export const SEVERITY_MARK: Readonly<Record<Severity, string>> = { blocker: "■", warning: "◆", note: "○" };
export const SEVERITY_CLASS: Readonly<Record<Severity, string>> = { blocker: "text-blocker", warning: "text-warning", note: "text-note" };

/** The count of findings; `tally` undefined: not computed yet. `short`: marks and figures, the words for readers alone. */
export function Tally({ tally, short = false }: { tally: FindingTally | undefined; short?: boolean }) {
  if (!tally) return <span className="caption">checking…</span>;
  const parts = (["blocker", "warning", "note"] as const).filter((s) => tally[s] > 0);
  if (parts.length === 0) return <span className="caption">no findings</span>;
  return (
    <span className="inline-flex flex-wrap gap-x-2 text-[0.6875rem] whitespace-nowrap">
      {parts.map((s) => {
        const word = counted(tally[s], s);
        return (
          <span key={s} className={SEVERITY_CLASS[s]} title={word}>
            <span aria-hidden>{SEVERITY_MARK[s]}</span> {short ? <span className="figure text-[0.6875rem]">{tally[s]}</span> : word}
            {short && <span className="sr-only"> {word.slice(word.indexOf(" ") + 1)}</span>}
          </span>
        );
      })}
    </span>
  );
}
