"use client";
/** The worst finding of what is selected in one line, its move as a button; the others a click away. */
import { Popover } from "radix-ui";
import { memo } from "react";
import { readingProps } from "../../ui/reading";
import { SEVERITY_CLASS, SEVERITY_MARK } from "../../ui/Tally";
import { says } from "../shell/reading/sentences";
import { useSessionActions } from "../document/SessionContext";
import { FindingText, fixWord, offerFor } from "../fields/FindingList";
import { FindingsCard } from "./cards/FindingsCard";
import { useFindingMoves } from "./useFindingMoves";
import { Stop } from "../../ui/Roving";

export const FindingLine = memo(Line, (a, b) => a.of.join() === b.of.join());

function Line({ of }: { of: readonly string[] }) {
  const session = useSessionActions();
  const { findings, fixes, stale, point, fix } = useFindingMoves(of);
  const open = findings?.filter((f) => f.accepted === null) ?? [];
  const [first] = open;
  if (findings === undefined || findings.length === 0) return null;
  const offer = first && offerFor(fixes, first);
  return (
    <div className="flex min-w-0 flex-[1_1_20rem] items-center gap-2 text-[0.75rem]" data-testid="finding-line">
      {first ? (
        <Stop>
          <button
            className="min-w-0 py-0.5 text-left leading-tight"
            onClick={() => point([], first)}
            {...readingProps(says("do.finding"), first.text.replaceAll("`", ""))}
            data-finding={first.code}
          >
            <span className={SEVERITY_CLASS[first.severity]}>
              <span aria-hidden>{SEVERITY_MARK[first.severity]}</span> {first.severity}
            </span>{" "}
            <FindingText text={first.text} />
          </button>
        </Stop>
      ) : (
        <span className="text-muted">all findings are accepted</span>
      )}
      {offer && (
        <Stop isDisabled={stale}>
          <button
            disabled={stale}
            className="h-6 shrink-0 rounded-sm border border-accent px-1.5 text-accent disabled:border-rule disabled:text-muted"
            onClick={() => fix(offer)}
            {...readingProps(says("do.mend"), fixWord(session.store.getState().layout, offer))}
          >
            {fixWord(session.store.getState().layout, offer)}
          </button>
        </Stop>
      )}
      <Popover.Root>
        <Stop>
          <Popover.Trigger className="h-6 shrink-0 px-1 text-muted underline">{findings.length > 1 ? `All ${findings.length}…` : "Accept…"}</Popover.Trigger>
        </Stop>
        <Popover.Portal>
          <Popover.Content
            side="top"
            align="end"
            sideOffset={4}
            collisionPadding={8}
            aria-label="Findings of what is selected"
            className="z-50 max-h-[20rem] w-[32rem] max-w-[95vw] overflow-auto rounded-sm border border-edge bg-sheet p-2 shadow-lg"
          >
            <FindingsCard of={of} />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
    </div>
  );
}
