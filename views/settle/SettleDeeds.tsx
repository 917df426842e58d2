"use client";
/** How far Settle is, and what can be done with it: ask anew, stop, take it, take it into an arrangement. */
import { counted } from "../../core/derived/counted";
import { readingProps } from "../../ui/reading";
import { says } from "../reading/sentences";
import { useSession, useSessionActions } from "../session/context";
import { shelfOf } from "../session/screens";
import { arrangementFor } from "../../core/engine/placement/arrangement";
import { useSettle, type Proposal, type SettleRun } from "./settleState";
import { ask, askingScreens, screensAsked, stopSettle, takeIntoArrangement, takeProposal } from "./settling";
import { facesFor } from "./settleQuestion";

export function SettleDeeds({ proposal }: { proposal: Proposal | null }) {
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
          <button type="button" className="push push-main" data-next onClick={stopSettle} {...readingProps(says("settle.stop"))}>
            Stop
          </button>
        )}
        {canTake && (
          <button type="button" className="push push-main" data-next onClick={() => takeProposal(session)} {...readingProps(says("settle.take"))}>
            Take it
          </button>
        )}
        {fitsArrangement && (
          <button
            type="button"
            className="push px-2"
            onClick={() => takeIntoArrangement(session)}
            {...readingProps(says("settle.takeInto"), screensWord(asking.length))}
          >
            As an arrangement
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
            Settle anew
          </button>
        )}
      </div>
    </div>
  );
}

const screensWord = (n: number) => (n === 1 ? "the one screen that asked" : `the ${n} that asked`);
const findings = (n: number) => counted(n, "finding");

/** Where it stands, in a sentence. */
function stateWords(run: SettleRun, proposal: Proposal | null, faces: number): string {
  switch (run.kind) {
    case "idle":
      return `Nothing is under way. It would look at ${faces} faces.`;
    case "failed":
      return run.problem;
    case "working":
      return run.progress === null
        ? `Looking at ${faces} faces…`
        : `${DOING[run.progress.doing]}: ${findings(run.progress.left)} left so far, on ${faces} faces.`;
    case "done": {
      if (!proposal) return "The layout has changed since: settle anew.";
      const { kind, asked, left, cost } = proposal.settled;
      const gone = asked.length - left.length;
      switch (kind) {
        case "clean":
          return `Nothing to settle: nothing of it is found on ${faces} faces.`;
        case "settled":
          return asked.length === 0 ? "Settled." : `Settled: ${findings(gone)} gone, nothing new, nothing graver; ${cost.toFixed(1)} mm² of change.`;
        case "partly":
          return `Settled in part: ${gone} of ${findings(asked.length)} gone, nothing new, nothing graver; ${cost.toFixed(1)} mm² of change.`;
        case "none":
          return `Nothing could be done without making something else worse: ${findings(left.length)} left.`;
      }
    }
  }
}

const DOING = {
  looking: "Looking",
  "trying alone": "Trying each alone",
  settling: "Settling",
  "trying other ways": "Trying other ways",
  "looking for ways out": "Looking for ways out",
  "lowering misses": "Lowering misses",
} as const;
