"use client";
/** Two feels of a control side by side, kept by the browser with the layout: across views and across a reload. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import { feelOf, putFeel, type Feel } from "../../core/editing/feelSides";
import type { Control } from "../../core/format/types";
import { note, noted } from "../document/notes";
import type { Session } from "../document/session";

/** A and B; `now`: which of them the layout has just now. What it has is reported by the layout itself; the other is kept here. */
export interface Sides {
  readonly a: Feel;
  readonly b: Feel;
  readonly now: "a" | "b";
}
type All = Readonly<Record<string, Sides>>;

const keyOf = (layout: string, control: string) => `${layout} ${control}`;
const KEY = "nodulum.sides";
const isFeel = (value: unknown): value is Feel => value !== null && typeof value === "object" && !Array.isArray(value);

/** What this browser remembers; what is no pair of feels remains. Whether their figures are any is seen when they are put on. */
function remembered(): All {
  const kept = noted(KEY);
  if (!isFeel(kept)) return {};
  const pairs = Object.entries(kept).flatMap(([key, value]) => {
    if (!isFeel(value) || !isFeel(value.a) || !isFeel(value.b)) return [];
    return [[key, { a: value.a, b: value.b, now: value.now === "b" ? "b" : "a" }] as const];
  });
  return Object.fromEntries(pairs);
}

const store = createStore<All>(() => (typeof window === "undefined" ? {} : remembered()));
function keep(all: All): void {
  store.setState(all, true);
  note(KEY, all);
}

export const useSides = (layout: string, control: string): Sides | undefined => useStore(store, (all) => all[keyOf(layout, control)]);

/** Keeps the present feel as A; from now on what is changed is B. */
export function keepAsA(layout: string, control: Control): void {
  keep({ ...store.getState(), [keyOf(layout, control.id)]: { a: feelOf(control), b: feelOf(control), now: "b" } });
}

/** The two as they are now: the one in the layout is as the layout has it. */
export const sidesNow = (sides: Sides, control: Control): Sides => ({ ...sides, [sides.now]: feelOf(control) });

/** Puts the other one on. False where there are no two, or the layout refuses it. */
export function changeOver(session: Session, control: Control): boolean {
  const key = keyOf(session.store.getState().id, control.id);
  const kept = store.getState()[key] as Sides | undefined;
  if (!kept) return false;
  const sides = sidesNow(kept, control);
  const other = sides.now === "a" ? "b" : "a";
  if (!session.edit(`feel A or B of ${control.name}`, (l) => putFeel(l, control.id, sides[other]), true)) return false;
  keep({ ...store.getState(), [key]: { ...sides, now: other } });
  return true;
}

/** They are no longer held side by side. */
export function dropSides(layout: string, control: string): void {
  const { [keyOf(layout, control)]: _, ...rest } = store.getState();
  keep(rest);
}
