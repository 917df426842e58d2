"use client";
/** A figure and the part of a picture that shows it belong together: while one is in hand, both are lit. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";

const lit = createStore<{ readonly part: string | null }>(() => ({ part: null }));

/** Lights what belongs to a part; null lights nothing. */
export const light = (part: string | null): void => lit.setState({ part });
/** Puts a part's light out, if it is that which is lit. */
export const unlight = (part: string): void => lit.setState((s) => (s.part === part ? { part: null } : s));
/** Whether a part is lit. Without a part: never. */
export const useLit = (part: string | undefined): boolean => useStore(lit, (s) => part !== undefined && s.part === part);
