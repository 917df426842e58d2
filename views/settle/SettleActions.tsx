"use client";
/** How far Settle is, and what can be done with it: ask again, stop, take it, take it into an arrangement. */
import { counted } from "../../core/derived/counted";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { useSession, useSessionActions } from "../document/SessionContext";
import { shelfOf } from "../document/railScreens";
import { arrangementFor } from "../../core/engine/placement/arrangement";
import { useSettle, type Proposal, type SettleRun } from "../document/settle/settleState";
import { ask, askingScreens, screensAsked, stopSettle, takeIntoArrangement, takeProposal } from "../document/settle/settleSession";
import { facesFor } from "../document/settle/settleQuestion";

export function SettleActions({ proposal }: { proposal: Proposal | null }) {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const { run, choice, these } = useSettle((s) => s);
  const screens = screensAsked({ choice, these }, layout);
  const faces = facesFor(choice, layout).length;
  const isWorking = run.kind === "working";
  const canTake = proposal !== null && proposal.differs;
  const asking = proposal && canTake ? askingScreens(proposal) : [];
  const fitsArrangement =
    asking.length > 0 && asking.length < shelfOf(layout).length && new Set(asking.map((screen) => arrangementFor(layout.arrangements, screen))).size === 1;
  return (
    <div className="grid gap-1.5">
      <p role="status" className={run.kind === "failed" ? "text-blocker" : ""} data-testid="settle-state">
        {stateWords(run, proposal, screens.length * faces)}
      </p>
      <div className="flex flex-wrap gap-1">
        {isWorking && (
          <button type="button" className="push push-main" data-next onClick={() => stopSettle(session)} {...readingProps(says("settle.stop"))}>
            Stop
          </button>
        )}
        {canTake && (
          <button type="button" className="push push-main" data-next onClick={() => takeProposal(session)} {...readingProps(says("settle.take"))}>
            Apply
          </button>
        )}
        {fitsArrangement && (
          <button
            type="button"
            className="push px-2"
            onClick={() => takeIntoArrangement(session)}
            {...readingProps(says("settle.takeInto"), screensWord(asking.length))}
          >
            Apply as an arrangement
          </button>
        )}
        {!isWorking && (
          <button
            type="button"
            className={`push px-2 ${canTake ? "" : "push-main"}`}
            data-next={canTake ? undefined : true}
            onClick={() => void ask(session)}
            {...readingProps(says("settle.anew"))}
          >
            Recompute
          </button>
        )}
      </div>
    </div>
  );
}

const screensWord = (n: number) => (n === 1 ? "this screen" : `these ${n} screens`);
const findings = (n: number) => counted(n, "finding");

/** Where it is, in a sentence. */
function stateWords(run: SettleRun, proposal: Proposal | null, faces: number): string {
  switch (run.kind) {
    case "idle":
      return `Ready. Settle would check ${faces} cases (screens × players).`;
    case "failed":
      return run.problem;
    case "working":
      return run.progress === null
        ? `Checking ${faces} cases…`
        : `${DOING[run.progress.doing]}: ${findings(run.progress.remaining)} remaining, in ${faces} cases.`;
    case "done": {
      if (!proposal) return "The layout has changed. Recompute.";
      const { kind, requested, remaining, cost } = proposal.settled;
      const gone = requested.length - remaining.length;
      switch (kind) {
        case "clean":
          return `Nothing to fix in ${faces} cases.`;
        case "settled":
          return requested.length === 0 ? "Settled." : `${findings(gone)} fixed, none added. Total change ${cost.toFixed(1)} mm².`;
        case "partly":
          return `Partly settled: ${gone} of ${findings(requested.length)} fixed, none added. Total change ${cost.toFixed(1)} mm².`;
        case "none":
          return `No change found that makes nothing worse: ${findings(remaining.length)} remaining.`;
      }
    }
  }
}

const DOING = {
  looking: "Checking",
  "testing single fixes": "Testing single fixes",
  settling: "Settling",
  "trying other directions": "Trying other directions",
  "computing options": "Computing options",
  "reducing misses": "Reducing misses",
} as const;
