"use client";
/** The letters on the user's own keyboard, where the browser reports them (Keyboard Map; the codes are those of UI Events). */
import { useEffect, useState } from "react";
import { defineOwned } from "../document/uiState";

interface KeyboardWithMap {
  getLayoutMap(): Promise<Iterable<[string, string]>>;
}
const NONE: ReadonlyMap<string, string> = new Map();

function ask(): Promise<ReadonlyMap<string, string>> {
  const { keyboard } = navigator as Navigator & { keyboard?: KeyboardWithMap };
  if (!keyboard) return Promise.resolve(NONE);
  // Refused in some contexts; the codes are then shown as they are.
  return keyboard.getLayoutMap().then(
    (map) => new Map(map),
    () => NONE,
  );
}
/** Asked once. */
const keyLetters = defineOwned({ lasts: "window", create: ask });

/** By KeyboardEvent.code; empty until known, and where the browser does not tell. */
export function useKeyLetters(): ReadonlyMap<string, string> {
  const asked = keyLetters.use();
  const [letters, setLetters] = useState(NONE);
  useEffect(() => {
    let current = true;
    void asked.then((known) => current && known.size > 0 && setLetters(known));
    return () => {
      current = false;
    };
  }, [asked]);
  return letters;
}
