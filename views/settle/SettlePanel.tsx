"use client";
/** Settle: what is asked, how far it is, what it proposes; taken or left at a click. In the tray its parts stand side by side, in a drawer one below the other. */
import { X } from "lucide-react";
import { useEffect, useRef } from "react";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";
import { SettleOptions } from "./SettleOptions";
import { SettleOutcome } from "./SettleOutcome";
import { SettleLarge } from "./SettleLarge";
import { SettleMoves } from "./SettleMoves";
import { SettleRemaining } from "./SettleRemaining";
import type { SettlePanelProps } from "../document/settle/SettleSlot";
import { useSettle } from "../document/settle/settleState";
import { useProposal } from "../document/settle/useShownWay";
import { closeSettle, stopSettle } from "../document/settle/settleSession";

export function SettlePanel({ wide, picture }: SettlePanelProps) {
  const session = useSessionActions();
  const run = useSettle((s) => s.run);
  const proposal = useProposal();
  const panel = useRef<HTMLElement>(null);
  // The focus comes in with the panel, follows what is next to be done, and goes back where it came from.
  useEffect(() => {
    const before = document.activeElement;
    return () => {
      if (before instanceof HTMLElement && before.isConnected) before.focus();
    };
  }, []);
  useEffect(() => {
    const here = panel.current;
    if (!here || (document.activeElement !== document.body && !here.contains(document.activeElement) && run.kind !== "working")) return;
    (here.querySelector<HTMLElement>("[data-next]:not(:disabled)") ?? here).focus();
  }, [run.kind]);
  const columns = [
    { title: "Settle", plain: "smallest change that fixes", body: <SettleOptions proposal={proposal} /> },
    {
      title: "Result",
      plain: "",
      body: (
        <>
          {picture}
          <SettleOutcome proposal={proposal} />
          {proposal && <SettleLarge proposal={proposal} />}
          {proposal && <SettleMoves proposal={proposal} />}
        </>
      ),
    },
    ...(proposal && proposal.settled.remaining.length > 0 ? [{ title: "Remaining", plain: "", body: <SettleRemaining proposal={proposal} /> }] : []),
  ];
  return (
    <section
      ref={panel}
      tabIndex={-1}
      aria-label="Settle"
      data-region="4"
      className={`relative flex h-full min-h-0 flex-col bg-sheet outline-none ${wide ? "" : "overflow-auto"}`}
      onKeyDown={(event) => {
        if (event.key !== "Escape" || event.defaultPrevented) return;
        event.stopPropagation();
        if (run.kind === "working") stopSettle(session);
        else closeSettle(session);
      }}
    >
      <button
        type="button"
        className="push push-bare absolute top-0.5 right-1 z-10 h-6 px-1"
        aria-label="Close Settle"
        onClick={() => closeSettle(session)}
        {...readingProps(says("settle.close"))}
      >
        <X size={15} />
      </button>
      <div
        className={wide ? "grid min-h-0 flex-1 grid-rows-[minmax(0,1fr)] divide-x divide-rule" : "grid auto-rows-min divide-y divide-rule"}
        style={wide ? { gridTemplateColumns: `minmax(18rem, 0.85fr) minmax(0, 1.5fr) ${columns.length > 2 ? "minmax(0, 1.15fr)" : ""}` } : undefined}
      >
        {columns.map(({ title, plain, body }) => (
          <section key={title} aria-label={title} className={`flex min-h-0 min-w-0 flex-col px-2.5 pt-1 ${wide ? "pb-1" : "pb-2"}`}>
            <h2 className="heading mb-0.5 flex gap-2">
              {title}
              {plain && <span className="font-normal tracking-normal normal-case">{plain}</span>}
            </h2>
            <div className={`grid min-h-0 grid-cols-[minmax(0,1fr)] content-start gap-1.5 ${wide ? "overflow-x-hidden overflow-y-auto" : ""}`}>{body}</div>
          </section>
        ))}
      </div>
    </section>
  );
}
