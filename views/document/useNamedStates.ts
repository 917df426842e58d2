"use client";
import { useEffect, useEffectEvent, useState } from "react";
import type { KeptState } from "../../core/exchange/storedRecords";
import { useAsking, useSession, useStates } from "./SessionContext";

/** The named states of the open layout, looked up again whenever some window changes them. */
export function useNamedStates(): readonly KeptState[] {
  const states = useStates();
  const ask = useAsking();
  const id = useSession((s) => s.id);
  const [named, setNamed] = useState<readonly KeptState[]>([]);
  const report = useEffectEvent(ask);
  useEffect(() => {
    let current = true;
    const look = () =>
      report(
        states.list().then((list) => {
          if (current) setNamed(list);
          return { ok: true, value: true } as const;
        }),
      );
    look();
    const stop = states.subscribe(look);
    return () => {
      current = false;
      stop();
    };
  }, [states, id]);
  return named;
}
