"use client";
/** The letters on the user's own keyboard, where the browser reports them (Keyboard Map; the codes are those of UI Events). */
import { useEffect, useState } from "react";

interface KeyboardWithMap {
  getLayoutMap(): Promise<Iterable<[string, string]>>;
}
const NONE: ReadonlyMap<string, string> = new Map();
let asked: Promise<ReadonlyMap<string, string>> | null = null;

function ask(): Promise<ReadonlyMap<string, string>> {
  const keyboard = (navigator as Navigator & { keyboard?: KeyboardWithMap }).keyboard;
  // Refused in some contexts; the codes are then shown as they are.
  asked ??= keyboard
    ? keyboard.getLayoutMap().then(
        (map) => new Map(map),
        () => NONE,
      )
    : Promise.resolve(NONE);
  return asked;
}

/** By KeyboardEvent.code; empty until known, and where the browser does not tell. */
export function useKeyLetters(): ReadonlyMap<string, string> {
  const [letters, setLetters] = useState(NONE);
  useEffect(() => {
    let current = true;
    void ask().then((known) => current && known.size > 0 && setLetters(known));
    return () => {
      current = false;
    };
  }, []);
  return letters;
}
