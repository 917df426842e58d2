"use client";
/** What the patch sheet shows, computed from the layout and what is searched for. */
import { useMemo } from "react";
import { hardwareClashes, leftToDo, looseEnds, actionStatuses, type Clash, type LooseEnd, type ActionStatus, type ToDo } from "../../core/wiring/actionStatus";
import type { Action, Layout } from "../../core/format/types";
import { useSession } from "../document/SessionContext";
import { useKeyLetters } from "../interaction/useKeyLetters";
import { endWord, type KeyLetters } from "../fields/keyWords";
import type { Session } from "../document/session";
import { sheetStore, setSheetState, useSheetState, type Picked } from "./sheetState";
import { chainOf, groupsOf, seenActions, sheetPositions, type WireChain, type SheetPositions } from "./sheetPositions";

export interface SheetData {
  readonly layout: Layout;
  readonly letters: KeyLetters;
  readonly statuses: ReadonlyMap<string, ActionStatus>;
  readonly loose: readonly LooseEnd[];
  readonly clashes: readonly Clash[];
  readonly toDo: readonly ToDo[];
  readonly seen: readonly Action[];
  readonly positions: SheetPositions;
  readonly chain: WireChain | null;
}

export function useSheet(): SheetData {
  const layout = useSession((s) => s.layout);
  const { actions, controls, moments } = layout;
  const letters = useKeyLetters();
  const search = useSheetState((p) => p.search);
  const moment = useSheetState((p) => p.moment);
  const only = useSheetState((p) => p.only);
  const grouped = useSheetState((p) => p.grouped);
  const folded = useSheetState((p) => p.folded);
  const pick = useSheetState((p) => p.pick);
  const facts = useMemo(() => {
    const of = { actions, controls, moments };
    return { statuses: new Map(actionStatuses(of).map((s) => [s.name, s])), loose: looseEnds(of), clashes: hardwareClashes(of), toDo: leftToDo(of) };
  }, [actions, controls, moments]);
  const seen = useMemo(
    () =>
      seenActions({ actions, controls }, { search, moment: moments.some((m) => m.id === moment) ? moment : null, only }, facts.statuses, (end) =>
        endWord(end, letters),
      ),
    [actions, controls, moments, search, moment, only, facts, letters],
  );
  const positions = useMemo(
    () => sheetPositions({ actions, controls, moments }, seen, { grouped, folded, filtered: seen.length < actions.length, loose: facts.loose }),
    [actions, controls, moments, seen, grouped, folded, facts],
  );
  const chain = useMemo(() => chainOf(pick, { actions, controls }), [pick, actions, controls]);
  return { layout, letters, ...facts, seen, positions, chain };
}

/** Goes to next open item after what is picked: it is picked, brought into view and given the focus. False where nothing remains. */
export function pickNextToDo(session: Session, toDo: readonly ToDo[]): boolean {
  if (toDo.length === 0) return false;
  const { layout } = session.store.getState();
  const { pick, folded, grouped } = sheetStore(session).getState();
  const at = toDo.findIndex(
    (t) =>
      pick !== null &&
      ((t.kind === "action" && pick.kind === "action" && t.name === pick.name) || (t.kind === "control" && pick.kind === "control" && t.id === pick.id)),
  );
  const next = toDo[(at + 1) % toDo.length];
  // It must be in view: whatever hides it is opened.
  const group =
    next.kind === "action"
      ? groupsOf(
          layout.actions.filter((a) => a.name === next.name),
          layout.moments,
          grouped,
        )[0]?.key
      : undefined;
  const open = new Set(folded);
  if (group !== undefined) open.delete(group);
  else open.clear();
  setSheetState(session, { pick: next as Picked, search: "", moment: null, only: "all", folded: open });
  const selector = next.kind === "action" ? `[data-action="${CSS.escape(next.name)}"]` : `[data-sheet-control="${CSS.escape(next.id)}"]`;
  // On a very long sheet it is drawn only when the sheet has come there.
  const show = (tries: number) =>
    requestAnimationFrame(() => {
      const element = document.querySelector<HTMLElement>(selector);
      if (!element && tries > 0) return show(tries - 1);
      element?.scrollIntoView({ block: "nearest" });
      element?.focus();
    });
  show(6);
  return true;
}
