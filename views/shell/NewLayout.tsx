"use client";
/** A new layout: from the words of a game, from its code, from a file, or from a starter, as on the first page. */
import { useState } from "react";
import type { Layout } from "../../core/format/types";
import { problemText, type Result } from "../../core/engine/result";
import { Dialogue } from "../../ui/Dialogue";
import { useLibrary } from "../document/SessionContext";
import { navigate } from "./navigate";
import { StartFromGame } from "../welcome/StartFromGame";
import { StarterChoice } from "./StarterChoice";

export function NewLayout({ onClose }: { onClose: () => void }) {
  const library = useLibrary();
  const [problem, setProblem] = useState("");
  const begin = async (making: Promise<Result<unknown>>): Promise<boolean> => {
    const made = await making;
    setProblem(made.ok ? "" : problemText(made.problems));
    if (!made.ok) return false;
    onClose();
    navigate("/layout");
    return true;
  };
  return (
    <Dialogue title="New layout" open onOpenChange={(open) => !open && onClose()} wide="widest">
      <div className="grid grid-cols-2 gap-x-8 gap-y-4 max-[56rem]:grid-cols-1">
        <div className="grid content-start gap-3">
          <StartFromGame begin={begin} />
          {problem && (
            <p role="alert" className="whitespace-pre-line text-blocker">
              {problem}
            </p>
          )}
        </div>
        <section aria-labelledby="new-from-a-starter">
          <h2 id="new-from-a-starter" className="mb-2 text-base font-semibold">
            Start from a starter
          </h2>
          <StarterChoice onPick={(starter: Layout) => void begin(library.add(starter))} />
        </section>
      </div>
    </Dialogue>
  );
}
