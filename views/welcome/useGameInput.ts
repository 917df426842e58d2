"use client";
/** What has been reported of a game so far: words that were typed, words and keys that were found in its code, the kinds chosen for them, and what was omitted. */
import { useMemo, useState } from "react";
import type { ActionKind } from "../../core/format/types";
import { problemText } from "../../core/engine/result";
import type { ListedAction } from "../../core/exchange/actionList";
import { readWordList } from "../../core/exchange/wordList";
import { compareStandards, compareWords, likelyCallees, rankCallees, type Callee, type CodePlace } from "../../core/scan/foundWords";
import { nameForInput, type TakenInput } from "../../core/wiring/takenInputs";
import { wordKind } from "../../core/wiring/wordKind";
import { useCodeReading, type CodeReading } from "../fields/code/useCodeReading";

/** A word as it is shown: where it comes from, and the inputs that give to it. */
export interface GameName {
  readonly name: string;
  readonly kind: ActionKind;
  /** `typed`, or the first place of the code that reads it (`tug.py:9`). */
  readonly from: string;
  readonly ends: readonly string[];
}

export interface GameInput {
  readonly text: string;
  setText(text: string): void;
  readonly code: CodeReading;
  readonly ranked: readonly Callee[];
  readonly ticked: readonly string[];
  tick(callee: string): void;
  readonly shown: readonly GameName[];
  readonly words: readonly ListedAction[];
  readonly inputs: readonly TakenInput[];
  /** What is wrong with what was typed; empty where nothing is. */
  readonly problem: string;
  chooseKind(name: string, kind: ActionKind): void;
  leaveOut(name: string): void;
}

const placeText = ({ file, line }: CodePlace) => `${file.split("/").at(-1)}:${line}`;

/** So many callees are offered. */
const MOST_CALLEES = 30;
const NO_ACTIONS: readonly { readonly name: string; readonly read: boolean }[] = [];

export function useGameInput(): GameInput {
  const code = useCodeReading();
  const [text, setText] = useState("");
  const [byHand, setByHand] = useState<readonly string[] | null>(null);
  const [kinds, setKinds] = useState<ReadonlyMap<string, ActionKind>>(new Map());
  const [out, setOut] = useState<ReadonlySet<string>>(new Set());
  const { scanned } = code;
  const ranked = useMemo(() => (scanned ? rankCallees(scanned.reads, []).slice(0, MOST_CALLEES) : []), [scanned]);
  // What most likely reads an input is ticked until somebody says otherwise.
  const ticked = useMemo(() => byHand ?? likelyCallees(ranked), [byHand, ranked]);
  const typed = useMemo(() => readWordList(text), [text]);
  const shown = useMemo(() => {
    const words = new Map<string, GameName>();
    const add = (name: string, kind: ActionKind, from: string) => {
      if (!out.has(name) && !words.has(name)) words.set(name, { name, kind: kinds.get(name) ?? kind, from, ends: [] });
    };
    for (const { name, kind } of typed.ok ? typed.value : []) add(name, kind ?? "press", "typed");
    if (!scanned) return [...words.values()];
    for (const { word, kind, occurrences } of compareWords(scanned.reads, new Set(ticked), NO_ACTIONS)) {
      const guessed = wordKind(word);
      add(word, kind === null || kind === "press" ? guessed : kind, placeText(occurrences[0]));
    }
    for (const { end, purpose, occurrences } of compareStandards(scanned.standards, [], () => [])) {
      const name = nameForInput(end, purpose, []);
      add(name, end.startsWith("pad axis") ? "axis" : "press", placeText(occurrences[0]));
      const word = words.get(name);
      if (word && word.kind !== "motion") words.set(name, { ...word, ends: [...word.ends, end] });
    }
    return [...words.values()];
  }, [typed, scanned, ticked, kinds, out]);
  const listed = useMemo(() => new Map((typed.ok ? typed.value : []).map((a) => [a.name, a])), [typed]);
  return {
    text,
    setText,
    code,
    ranked,
    ticked: scanned ? ticked : [],
    tick: (callee) => setByHand(ticked.includes(callee) ? ticked.filter((c) => c !== callee) : [...ticked, callee]),
    shown,
    words: useMemo(() => shown.map(({ name, kind }) => ({ ...listed.get(name), name, kind })), [shown, listed]),
    inputs: useMemo(() => shown.flatMap(({ name, ends }) => ends.map((end) => ({ end, name }))), [shown]),
    problem: typed.ok ? "" : problemText(typed.problems, 3),
    chooseKind: (name, kind) => setKinds(new Map(kinds).set(name, kind)),
    leaveOut: (name) => setOut(new Set(out).add(name)),
  };
}
