"use client";
/** The first page: a finished layout that plays by itself, your own game, a starter, or one of those that are kept. */
import { useState } from "react";
import type { Layout } from "../../core/format/types";
import { problemText, type Result } from "../../core/engine/result";
import { StarterChoice } from "../shell/StarterChoice";
import { startFirstSteps } from "../shell/firstStepsState";
import { useLibrary, useSessionActions } from "../document/SessionContext";
import { navigate } from "../shell/navigate";
import { FinishedOne } from "./FinishedOne";
import { StartFromGame } from "./StartFromGame";
import { Yours } from "./Yours";

export function WelcomeView() {
  const session = useSessionActions();
  const library = useLibrary();
  const [problem, setProblem] = useState("");
  /** Goes to the bench when a layout has been made or opened; else says why not. */
  const begin = async (making: Promise<Result<unknown>>): Promise<boolean> => {
    const made = await making;
    setProblem(made.ok ? "" : problemText(made.problems));
    if (!made.ok) return false;
    startFirstSteps(session);
    navigate("/layout");
    return true;
  };
  return (
    <div className="h-full overflow-auto bg-paper">
      <div className="mx-auto grid max-w-[96rem] grid-cols-[minmax(0,1fr)_minmax(0,1fr)] gap-x-10 gap-y-5 px-8 py-6">
        <div className="grid content-start gap-6">
          <StartFromGame begin={begin} />
          {problem && (
            <p role="alert" className="whitespace-pre-line text-blocker">
              {problem}
            </p>
          )}
          <Yours begin={begin} />
        </div>
        <div className="grid content-start gap-6">
          <FinishedOne begin={begin} />
          <section aria-labelledby="from-a-starter">
            <h2 id="from-a-starter" className="mb-2 text-base font-semibold">
              Start from a starter
            </h2>
            <StarterChoice onPick={(starter: Layout) => void begin(library.add(starter))} />
          </section>
        </div>
      </div>
    </div>
  );
}
