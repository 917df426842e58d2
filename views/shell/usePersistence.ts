"use client";
/** Whether the browser has promised to keep what is stored: it is asked after the first your own edit, and not before. */
import { useEffect, useState } from "react";
import { useSessionActions } from "../document/SessionContext";

/** unasked: your own nothing is kept yet · promised, refused: its answer · unknown: this browser cannot be asked here. */
export type Persistence = "unasked" | "promised" | "refused" | "unknown";

/** The browser's answer, asked once. */
export function usePersistence(): Persistence {
  const session = useSessionActions();
  const [answer, setAnswer] = useState<Persistence>("unasked");
  useEffect(() => {
    const storage = typeof navigator.storage?.persist === "function" ? navigator.storage : null;
    const hear = (asked: Promise<boolean>, otherwise: Persistence) =>
      asked.then(
        (kept) => setAnswer(kept ? "promised" : otherwise),
        () => setAnswer("unknown"),
      );
    let asked = false;
    const ask = () => {
      const { log, onlyMemory } = session.store.getState();
      if (asked || onlyMemory !== null || !log.some((r) => r.kind === "edit")) return;
      asked = true;
      if (storage) void hear(storage.persist(), "refused");
      else setAnswer("unknown");
    };
    if (storage) void hear(storage.persisted(), "unasked").then(ask);
    else ask();
    return session.store.subscribe(ask);
  }, [session]);
  return answer;
}
