"use client";
/** Findings as a list: mark, word, text; a click leads to what they are about. */
import type { Finding } from "../../core/checks/finding";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import { useSession } from "../session/context";

/** Words of a finding with the names in it set apart. */
function FindingText({ text }: { text: string }) {
  return (
    <>
      {text.split("`").map((part, i) =>
        i % 2 === 1 ? (
          <span key={i} className="figure">
            {part}
          </span>
        ) : (
          part
        ),
      )}
    </>
  );
}

export function FindingList({ findings, onPick }: { findings: readonly Finding[] | undefined; onPick: (controlIds: string[]) => void }) {
  const controls = useSession((s) => s.layout.controls);
  if (!findings) return <p className="text-muted">Checking…</p>;
  if (findings.length === 0) return <p className="text-muted">Nothing found on this screen: everything fits, and everything is served.</p>;
  return (
    <ul className="grid gap-0.5">
      {findings.map((f) => {
        const ids = controls
          .filter((c) => f.subjects.includes(c.id) || c.serves.some((s) => f.subjects.includes(s.action) && f.code.startsWith("bind/")))
          .map((c) => c.id);
        return (
          <li key={JSON.stringify([f.code, f.subjects, f.moment])}>
            <button className="grid w-full grid-cols-[76px_1fr] gap-2 rounded-sm px-1 py-0.5 text-left hover:bg-paper" onClick={() => onPick(ids)}>
              <span className={f.accepted === null ? SEVERITY_CLASS[f.severity] : "text-muted"}>
                <span aria-hidden>{SEVERITY_MARK[f.severity]}</span> {f.accepted === null ? f.severity : "accepted"}
              </span>
              <span className={f.accepted === null ? "" : "text-muted"}>
                <FindingText text={f.text} />
                {f.moment && <span className="caption"> · {f.moment}</span>}
                {f.accepted !== null && <span className="caption"> · {f.accepted}</span>}
              </span>
            </button>
          </li>
        );
      })}
    </ul>
  );
}
