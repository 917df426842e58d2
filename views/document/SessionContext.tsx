"use client";
/** Provides the session and the library to every view. */
import { createContext, useContext, type ReactNode } from "react";
import { useStore } from "zustand";
import { refused, type Result } from "../../core/engine/result";
import { reasonOf } from "../../storage/reason";
import type { LayoutStore } from "../../storage/store";
import type { Library } from "./library";
import type { Session, SessionState } from "./session";
import type { States } from "./states";
import type { Takes } from "./takeLibrary";

interface WorkbenchParts {
  readonly kept: LayoutStore;
  readonly session: Session;
  readonly library: Library;
  readonly states: States;
  readonly takes: Takes;
}
const WorkbenchContext = createContext<WorkbenchParts | null>(null);

export function SessionProvider({ value, children }: { value: WorkbenchParts; children: ReactNode }) {
  return <WorkbenchContext.Provider value={value}>{children}</WorkbenchContext.Provider>;
}

function useWorkbench(): WorkbenchParts {
  const shared = useContext(WorkbenchContext);
  if (!shared) throw new Error("a view stands outside the workbench");
  return shared;
}

/** Returns the session, for edits. Its identity never changes. */
export const useSessionActions = (): Session => useWorkbench().session;
/** Reports why storage rejected a request, so that no failure is silent. */
export function useAsking(): (asked: Promise<Result<unknown>>) => void {
  const session = useSessionActions();
  return (asked) =>
    void asked.then(
      (done) => session.tellRefusal(done),
      (error: unknown) => session.tellRefusal(refused("", `the browser’s storage failed: ${reasonOf(error)}`)),
    );
}
/** Returns the stored layouts. */
export const useLibrary = (): Library => useWorkbench().library;
/** Returns the named states of the open layout. */
export const useStates = (): States => useWorkbench().states;
/** Returns the takes of the open layout. */
export const useTakes = (): Takes => useWorkbench().takes;
/** Returns the storage. */
export const useKept = (): LayoutStore => useWorkbench().kept;
/** Returns a part of the session's state; the component re-renders when it changes. */
export function useSession<T>(select: (state: SessionState) => T): T {
  return useStore(useWorkbench().session.store, select);
}
