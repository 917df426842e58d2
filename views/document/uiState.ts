"use client";
/** State of the interface that is not of the file, owned by the session: see `owner`. Only this file and the session make stores. */
import { useStore } from "zustand";
import { persist, type PersistStorage } from "zustand/middleware";
import { createStore, type StoreApi } from "zustand/vanilla";
import { note, noted } from "./notes";
import type { Owned } from "./owner";
import type { Session } from "./session";
import { useSession, useSessionActions } from "./SessionContext";

/** Something that is owned by the session, and how it is reached: by a session, or in a component. */
export interface OwnedBySession<T> {
  of(session: Session): T;
  /** The value for the open layout. */
  use(): T;
}

/** Defines something that is owned by the session. */
export function defineOwned<T>(owned: Owned<Session, T>): OwnedBySession<T> {
  return {
    of: (session) => session.owner.get(owned),
    use: () => {
      const session = useSessionActions();
      // A component renders again when another layout is opened: its value is another then.
      useSession((s) => s.id);
      return session.owner.get(owned);
    },
  };
}

/** How a state begins and how long it lasts. */
export interface UiStateOptions<S> {
  readonly lasts: "layout" | "window";
  readonly first: S;
  /** What stays when another layout is opened; else it begins anew. */
  readonly next?: (before: S) => S;
  /** Where the browser keeps it, beyond the window. */
  readonly kept?: KeptState<S>;
}

export interface KeptState<S> {
  readonly name: string;
  /** The state by what was read; what does not fit is left out. Undefined: nothing is kept. */
  readonly read: (noted: unknown) => S;
  /** What is written; the state itself by default. */
  readonly write?: (state: S) => unknown;
}

export interface UiState<S> {
  /** The store of the open layout or of the window. */
  of(session: Session): StoreApi<S>;
  /** The store for the open layout, in a component. */
  useStore(): StoreApi<S>;
  /** A part of the state; the component renders again when it changes. */
  use<T>(select: (state: S) => T): T;
}

/** The browser's notes in the form that the store library wants. */
const storageOf = <S>({ read, write = (state) => state }: KeptState<S>): PersistStorage<S> => ({
  getItem: (name) => ({ state: read(noted(name)) }),
  setItem: (name, { state }) => note(name, write(state)),
  removeItem: () => undefined,
});

/** Defines a state that is owned by the session. */
export function defineUiState<S extends object>({ lasts, first, next = () => first, kept }: UiStateOptions<S>): UiState<S> {
  const owned = defineOwned<StoreApi<S>>({
    lasts,
    create: (_, before) => {
      const begin = () => (before ? next(before.getState()) : first);
      return kept ? createStore<S>()(persist(begin, { name: kept.name, storage: storageOf(kept), merge: (read) => read as S })) : createStore(begin);
    },
  });
  return { of: owned.of, useStore: owned.use, use: (select) => useStore(owned.use(), select) };
}
