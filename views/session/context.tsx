"use client";
/** The session and the library, for every view. */
import { createContext, useContext, type ReactNode } from "react";
import { useStore } from "zustand";
import type { Library } from "./library";
import type { Session, SessionState } from "./session";

interface Shared {
  readonly session: Session;
  readonly library: Library;
}
const SharedContext = createContext<Shared | null>(null);

export function SessionProvider({ value, children }: { value: Shared; children: ReactNode }) {
  return <SharedContext.Provider value={value}>{children}</SharedContext.Provider>;
}

function useShared(): Shared {
  const shared = useContext(SharedContext);
  if (!shared) throw new Error("a view stands outside the workbench");
  return shared;
}

/** The session itself: for edits. It never changes. */
export const useSessionActions = (): Session => useShared().session;
/** The kept layouts. */
export const useLibrary = (): Library => useShared().library;
/** A part of the session's state; the component draws anew when that part changes. */
export function useSession<T>(select: (state: SessionState) => T): T {
  return useStore(useShared().session.store, select);
}
