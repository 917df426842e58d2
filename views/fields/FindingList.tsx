"use client";
/** Findings as a list: mark, word, text; a click leads to what they are about; a move that fixes one is a click away; one may be accepted with a reason, and taken back. */
import { useState } from "react";
import type { Finding } from "../../core/checks/finding";
import { accept, unaccept } from "../../core/editing/edits/accept";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import type { FixOffer } from "../../workers/checks";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";
import { BareMoments } from "./BareMoments";
import { momentName, nameOf } from "../document/names";
import type { Control, Layout } from "../../core/format/types";
import { LEAVES, trimText } from "../../core/checks/fix";
import { landingKey } from "../../core/editing/placeables";

/** Words of a finding with the names in it set apart. */
export function FindingText({ text }: { text: string }) {
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

/** A move that fixes a finding, in a few words. */
export function fixWord(layout: Layout, { fix }: Pick<FixOffer, "fix">): string {
  switch (fix.kind) {
    case "move":
      return `Move ${nameOf(layout, fix.id)} ${fix.mm.toFixed(1)} mm ${fix.side}${fix.leaves ? LEAVES : ""}`;
    case "grow":
      return `Grow it by ${fix.mm.toFixed(1)} mm`;
    case "raise":
      return `Draw ${nameOf(layout, fix.id)} above`;
    case "trim":
      return `Bring ${nameOf(layout, fix.part === "landing" ? landingKey(fix.id) : fix.id)} in by ${trimText(fix.mm)}`;
  }
}

/** The move that fixes a finding, if one is offered. */
export const offerFor = (fixes: readonly FixOffer[], f: Finding): FixOffer | undefined =>
  fixes.find((m) => m.code === f.code && m.subjects.join() === f.subjects.join() && (m.moment === f.moment || m.moment === null || f.moment === null));

const SEVERITY_WORD = { blocker: "Blocker", warning: "Warning", note: "Note" } as const;

interface Props {
  readonly findings: readonly Finding[] | undefined;
  readonly onPick: (controlIds: string[], finding: Finding) => void;
  /** The moves that are offered, and what to do with one; absent where the screen is not the one on the bench. */
  readonly fixes?: readonly FixOffer[];
  readonly onFix?: (offer: FixOffer) => void;
  /** The moves were proved on another state of the layout: they wait to be proved again. */
  readonly stale?: boolean;
  readonly empty?: string;
  /** What is reported of a finding in addition, such as on how many screens it is. */
  readonly also?: (finding: Finding) => string | null;
}

/** The controls a finding is about: those it names, or that serve an action it names. */
function controlsOf({ controls }: Layout, { code, subjects }: Finding): string[] {
  const serves = (c: Control) => code.startsWith("bind/") && c.serves.some((s) => subjects.includes(s.action));
  return controls.flatMap((c) => (subjects.includes(c.id) || serves(c) ? [c.id] : []));
}

export function FindingList({ findings, onPick, fixes = [], onFix, stale = false, empty, also }: Props) {
  const session = useSessionActions();
  // Names are those of the moment: findings and moves come again with every layout, and the list with them.
  const { layout } = session.store.getState();
  if (!findings) return <p className="text-muted">Checking…</p>;
  if (findings.length === 0) return <p className="text-muted">{empty ?? "No findings on this screen."}</p>;
  return (
    <ul className="grid gap-0.5">
      {findings.map((f) => {
        const offer = offerFor(fixes, f);
        return (
          <li
            key={JSON.stringify([f.code, f.subjects, f.moment])}
            className="flex flex-wrap items-start gap-x-2 rounded-sm px-1 hover:bg-paper"
            data-finding={f.code}
          >
            <button
              className="grid min-h-6 min-w-0 flex-1 grid-cols-[4.75rem_1fr] gap-x-2 py-0.5 text-left"
              onClick={() => onPick(controlsOf(session.store.getState().layout, f), f)}
              {...readingProps(
                says("finding.row", { severity: f.accepted === null ? SEVERITY_WORD[f.severity] : "Accepted" }),
                `${f.text.replaceAll("`", "")}.`,
              )}
            >
              <span className={f.accepted === null ? SEVERITY_CLASS[f.severity] : "text-muted"}>
                <span aria-hidden>{SEVERITY_MARK[f.severity]}</span> <span>{f.accepted === null ? f.severity : "accepted"}</span>
              </span>
              <span className={f.accepted === null ? "" : "text-muted"}>
                <FindingText text={f.text} />
                {f.moment && <span className="caption"> · {momentName(layout, f.moment)}</span>}
                {f.accepted !== null && <span className="caption"> · accepted: {f.accepted}</span>}
                {also?.(f) && <span className="caption"> · {also(f)}</span>}
              </span>
            </button>
            <span className="flex flex-wrap gap-x-2 text-[0.6875rem]">
              {offer && onFix && f.accepted === null && (
                <button
                  disabled={stale}
                  className="h-6 rounded-sm border border-accent px-1.5 text-accent disabled:border-rule disabled:text-muted"
                  onClick={() => onFix(offer)}
                  {...readingProps(says("do.mend"), fixWord(layout, offer))}
                >
                  {fixWord(layout, offer)}
                </button>
              )}
              {onFix && f.code === "bind/unserved" && f.accepted === null && f.moment !== null && (
                <BareMoments name={f.subjects[0]} layout={layout} only={f.moment} />
              )}
              <Acceptance finding={f} />
            </span>
          </li>
        );
      })}
    </ul>
  );
}

/** Accepting a finding asks for the reason where it is; an accepted one can be taken back. */
function Acceptance({ finding }: { finding: Finding }) {
  const session = useSessionActions();
  const [asking, setAsking] = useState(false);
  if (finding.accepted !== null)
    return (
      <button
        className="h-6 px-1 underline"
        {...readingProps(says("finding.takeBack"))}
        onClick={() => session.edit(`undo accepting: ${finding.code}`, (l) => unaccept(l, finding))}
      >
        Withdraw
      </button>
    );
  if (!asking)
    return (
      <button className="h-6 px-1 text-muted underline" onClick={() => setAsking(true)} {...readingProps(says("finding.accept"))}>
        Accept…
      </button>
    );
  return (
    <form
      className="flex flex-1 gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        const reason = String(new FormData(event.currentTarget).get("reason"));
        if (session.edit(`accept: ${finding.code}`, (l) => accept(l, finding, reason))) setAsking(false);
      }}
    >
      <input
        name="reason"
        aria-label="Reason"
        {...readingProps(says("finding.accept"))}
        placeholder="reason"
        maxLength={2000}
        autoFocus
        className="box h-6 min-w-0 flex-1 px-1"
        onKeyDown={(event) => {
          if (event.key !== "Escape") return;
          event.stopPropagation();
          setAsking(false);
        }}
      />
      <button className="h-6 px-1 underline">Accept</button>
    </form>
  );
}
