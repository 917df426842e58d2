"use client";
/** The session and the library, for every view. */
import { createContext, useContext, type ReactNode } from "react";
import { useStore } from "zustand";
import type { Library } from "./library";
import type { Session, SessionState } from "./session";

interface WorkbenchParts {
  readonly session: Session;
  readonly library: Library;
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

/** The session itself: for edits. It never changes. */
export const useSessionActions = (): Session => useWorkbench().session;
/** The kept layouts. */
export const useLibrary = (): Library => useWorkbench().library;
/** A part of the session's state; the component draws anew when that part changes. */
export function useSession<T>(select: (state: SessionState) => T): T {
  return useStore(useWorkbench().session.store, select);
}
