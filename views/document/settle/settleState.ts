/**
 * What Settle is asked and has proposed, for as long as the layout is open: seen on the bench and in Screens alike. Nothing of it is in the
 * layout before it is taken; what was proposed for a layout that has changed since is no proposal any more.
 */
import { isEqual } from "../../../core/engine/equal";
import type { Layout } from "../../../core/format/types";
import type { Suggestion } from "../../../core/settle/suggest/suggest";
import type { SettleRequest } from "../../../core/settle/request";
import type { SettleProgress } from "../../../core/settle/result";
import type { SettledFound } from "../../../workers/settleService";
import type { Session } from "../session";
import { defineUiState } from "../uiState";
import { USUAL_CHOICE, type SettleChoice } from "./settleChoice";

/** What Settle proposes for a layout. */
export interface Proposal extends SettledFound {
  /** The layout it is proposed for, and what it makes of it. */
  readonly of: Layout;
  readonly is: Layout;
  /** Whether these differ: a way out may change a limit and move nothing. */
  readonly differs: boolean;
  readonly request: SettleRequest;
}

export type SettleRun =
  | { readonly kind: "idle" }
  | { readonly kind: "working"; readonly progress: SettleProgress | null }
  | { readonly kind: "failed"; readonly problem: string }
  | { readonly kind: "done"; readonly proposal: Proposal };

export interface SettleState {
  readonly isOpen: boolean;
  /** The screens that were in view when it was opened, by name. */
  readonly these: readonly string[];
  readonly choice: SettleChoice;
  /** Controls and clusters that stay as they are. */
  readonly held: readonly string[];
  /** The ways out that have been chosen, in their order. */
  readonly ways: readonly Suggestion[];
  readonly run: SettleRun;
  /** How much of the way from before to after is shown, 0…1. */
  readonly part: number;
}

export const CLOSED: SettleState = { isOpen: false, these: [], choice: USUAL_CHOICE, held: [], ways: [], run: { kind: "idle" }, part: 1 };
const settle = defineUiState<SettleState>({ lasts: "layout", first: CLOSED, next: ({ choice }) => ({ ...CLOSED, choice }) });
export const settleStore = settle.of;
export const useSettle = settle.use;
/** Sets how much of the way is shown. */
export const showPart = (session: Session, part: number): void => settleStore(session).setState({ part });

/** Whether two layouts are the same but for what the editor alone remembers. */
export function isSameButBench(a: Layout, b: Layout): boolean {
  return a === b || (Object.keys(a) as (keyof Layout)[]).every((key) => key === "workbench" || a[key] === b[key] || isEqual(a[key], b[key]));
}

/** The proposal that holds for a layout; null where there is none. */
export function proposalFor({ isOpen, run }: Pick<SettleState, "isOpen" | "run">, layout: Layout): Proposal | null {
  return isOpen && run.kind === "done" && isSameButBench(run.proposal.of, layout) ? run.proposal : null;
}
