"use client";
/** Two feels of a control side by side, kept by the browser with the layout: across views and across a reload. */
import { feelOf, putFeel, type Feel } from "../../core/editing/feelSides";
import type { Control } from "../../core/format/types";
import type { Session } from "../document/session";
import { defineUiState } from "../document/uiState";

/** A and B; `now`: which of them the layout has just now. What it has is reported by the layout itself; the other is kept here. */
export interface Sides {
  readonly a: Feel;
  readonly b: Feel;
  readonly now: "a" | "b";
}
type All = Readonly<Record<string, Sides>>;

const keyOf = (layout: string, control: string) => `${layout} ${control}`;
const isFeel = (value: unknown): value is Feel => value !== null && typeof value === "object" && !Array.isArray(value);

/** What the browser kept; what is no pair of feels is left out. Whether their figures are any is seen when they are put on. */
function read(kept: unknown): All {
  if (!isFeel(kept)) return {};
  const pairs = Object.entries(kept).flatMap(([key, value]) => {
    if (!isFeel(value) || !isFeel(value.a) || !isFeel(value.b)) return [];
    return [[key, { a: value.a, b: value.b, now: value.now === "b" ? "b" : "a" }] as const];
  });
  return Object.fromEntries(pairs);
}

const all = defineUiState<All>({ lasts: "window", first: {}, kept: { name: "nodulum.sides", read } });
const put = (session: Session, control: string, sides: Sides): void => all.of(session).setState({ [keyOf(session.store.getState().id, control)]: sides });

/** The two of a control of a layout. */
export const useSides = (layout: string, control: string): Sides | undefined => all.use((kept) => kept[keyOf(layout, control)]);

/** Keeps the present feel as A; from now on what is changed is B. */
export const keepAsA = (session: Session, control: Control): void => put(session, control.id, { a: feelOf(control), b: feelOf(control), now: "b" });

/** The two as they are now: the one in the layout is as the layout has it. */
export const sidesNow = (sides: Sides, control: Control): Sides => ({ ...sides, [sides.now]: feelOf(control) });

/** Puts the other one on. False where there are no two, or the layout refuses it. */
export function changeOver(session: Session, control: Control): boolean {
  const key = keyOf(session.store.getState().id, control.id);
  const kept = all.of(session).getState()[key] as Sides | undefined;
  if (!kept) return false;
  const sides = sidesNow(kept, control);
  const other = sides.now === "a" ? "b" : "a";
  if (!session.edit(`feel A or B of ${control.name}`, (l) => putFeel(l, control.id, sides[other]), true)) return false;
  put(session, control.id, { ...sides, now: other });
  return true;
}

/** They are no longer held side by side. */
export function dropSides(session: Session, control: string): void {
  const { [keyOf(session.store.getState().id, control)]: _, ...rest } = all.of(session).getState();
  all.of(session).setState(rest, true);
}
