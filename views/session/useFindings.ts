"use client";
/** Keeps the findings of the screens in view up to date, through the worker. */
import { useEffect, useRef } from "react";
import type { Layout, Screen } from "../../core/layout/types";
import { createChecker, type Checker } from "../../workers/checks";
import { useSession, useSessionActions } from "./context";
import { benchScreenOf, railOf, shelfOf } from "./screens";

/** Asks for findings whenever the layout changes: on every screen where `whole` is set, else on bench and rail. */
export function useFindings(whole: boolean): void {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const checker = useRef<Checker | null>(null);
  useEffect(() => {
    const made = createChecker();
    checker.current = made;
    return () => {
      made.dispose();
      checker.current = null;
    };
  }, []);
  useEffect(() => {
    const { id } = session.store.getState();
    checker.current?.request(layout, screensInView(layout, whole), (findings) => {
      // An answer about a layout that is no longer open is stale, and dropped.
      if (session.store.getState().id === id) session.setFindings(findings);
    });
  }, [layout, whole, session]);
}

function screensInView(layout: Layout, whole: boolean): readonly Screen[] {
  if (whole) return shelfOf(layout);
  const rail = railOf(layout);
  const bench = benchScreenOf(layout);
  return rail.includes(bench) ? rail : [bench, ...rail];
}
