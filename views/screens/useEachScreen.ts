"use client";
/** A question asked of screen after screen: shown from the first answer on, asked again with every change; of a change a moment ago the older answer is until the newer has come. */
import { useEffect, useMemo, useRef, useState } from "react";
import type { Screen } from "../../core/format/types";
import { useSessionActions } from "../document/SessionContext";

/** Answers come to the page in bunches this far apart, ms: forty screens are not forty pictures. */
const TOLD_EVERY_MS = 80;

/** Asks, and reports each answer by the place of its screen; resolves to false where a newer question has ended it. */
export type EachScreen<T> = (heard: (place: number, answer: T) => void) => Promise<boolean>;

interface Options {
  /** What is reported where it fails, such as "The screens could not be checked". */
  readonly failure: string;
  /** Whether the answers to the question before stand until newer ones have come. */
  readonly keepsOlder: boolean;
}

/** `question`: the same as long as nothing has changed; null asks nothing. */
export function useEachScreen<T extends { readonly name: string }>(screens: readonly Screen[], question: EachScreen<T> | null, options: Options) {
  const { failure, keepsOlder } = options;
  const session = useSessionActions();
  const [known, setKnown] = useState<{
    readonly of: readonly Screen[];
    readonly by: EachScreen<T> | null;
    readonly answers: readonly (T | null)[];
    readonly done: number;
  }>({ of: screens, by: null, answers: [], done: 0 });
  const latest = useRef(known.answers);
  useEffect(() => {
    if (!question) return;
    const answers: (T | null)[] = screens.map((screen) => (keepsOlder ? latest.current.find((one) => one?.name === screen.name) : null) ?? null);
    let done = 0;
    let timer: number | undefined;
    let isWanted = true;
    const tell = () => {
      timer = undefined;
      latest.current = [...answers];
      setKnown({ of: screens, by: question, answers: latest.current, done });
    };
    question((place, one) => {
      answers[place] = one;
      done += 1;
      timer ??= window.setTimeout(tell, TOLD_EVERY_MS);
    }).then(
      (isWhole) => {
        window.clearTimeout(timer);
        if (isWhole && isWanted) tell();
      },
      (error: unknown) => {
        if (isWanted) session.tell({ text: `${failure}: ${error instanceof Error ? error.message : String(error)}.`, tone: "problem" });
      },
    );
    return () => {
      isWanted = false;
      window.clearTimeout(timer);
    };
  }, [screens, question, failure, keepsOlder, session]);
  const isOf = known.of === screens && (keepsOlder || known.by === question);
  const answers = useMemo(() => screens.map((_, i) => (isOf ? (known.answers[i] ?? null) : null)), [screens, known, isOf]);
  /** How many screens have answered to the newest question. */
  const done = known.of === screens && known.by === question ? known.done : 0;
  return { answers, done };
}
