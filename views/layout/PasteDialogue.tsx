"use client";
/** What was pasted serves words that this game does not read, or reads as something else: what they mean here is asked before it comes in. */
import { useMemo, useState } from "react";
import type { Clip } from "../../core/wiring/paste";
import { matchWords, mismatches, type WordChoice } from "../../core/wiring/adopt";
import { plainWords, strangeWords } from "../../core/wiring/paste";
import { Dialogue } from "../../ui/Dialogue";
import { choiceOf, WordsTable } from "../fields/WordsTable";
import { useBenchContext } from "../document/benchContext";
import { useSessionActions } from "../document/SessionContext";
import { setBench, useBench } from "./bench";
import { paste } from "./pasteEdit";

export function PasteDialogue() {
  const session = useSessionActions();
  const clip = useBench((b) => b.pasted);
  if (!clip) return null;
  return (
    <Dialogue title="Paste from another layout" open onOpenChange={(open) => !open && setBench(session, { pasted: null })} wide>
      <Asking clip={clip} />
    </Dialogue>
  );
}

function Asking({ clip }: { clip: Clip }) {
  const session = useSessionActions();
  const context = useBenchContext();
  const here = context.layout;
  const ids = useMemo(() => clip.layout.controls.map((c) => c.id), [clip]);
  const [byHand, setByHand] = useState<ReadonlyMap<string, WordChoice>>(new Map());
  const matches = useMemo(() => {
    const strange = new Set(strangeWords(clip, here));
    return matchWords(clip.layout, ids, here.actions).filter((m) => strange.has(m.word));
  }, [clip, here, ids]);
  const words = new Map([...plainWords(clip, here), ...matches.map((m) => [m.word, byHand.get(m.word) ?? choiceOf(m)] as const)]);
  const wrong = mismatches(clip.layout, here, words, ids);
  const run = () => {
    if (paste(session, context, clip, words)) setBench(session, { pasted: null });
  };
  return (
    <div className="grid gap-3">
      <p className="text-muted">
        From “{clip.layout.name}”: {ids.length === 1 ? "one control" : `${ids.length} controls`}. Say what{" "}
        {matches.length === 1 ? "its action means" : "their actions mean"} here.
      </p>
      <WordsTable
        from={clip.layout}
        here={here}
        matches={matches}
        words={words}
        wrong={wrong}
        byHand={byHand}
        onChoose={(word, choice) => setByHand(new Map(byHand).set(word, choice))}
      />
      <button className="push push-main justify-self-end" onClick={run}>
        Paste
      </button>
    </div>
  );
}
