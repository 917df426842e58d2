"use client";
/** What the patch sheet shows, worked out from the layout and what is searched for. */
import { useMemo } from "react";
import { deskClashes, leftToDo, looseEnds, standsOf, type Clash, type LooseEnd, type Stand, type ToDo } from "../../core/wiring/states";
import type { Action, Layout } from "../../core/format/types";
import { useSession } from "../session/context";
import { useKeyLetters } from "../shared/useKeyLetters";
import { endWord, type KeyLetters } from "./keys";
import { patchStore, setPatch, usePatch, type Picked } from "./patch";
import { chainOf, groupsOf, seenActions, sheetPlaces, type Chain, type Places } from "./places";

export interface SheetData {
  readonly layout: Layout;
  readonly letters: KeyLetters;
  readonly stands: ReadonlyMap<string, Stand>;
  readonly loose: readonly LooseEnd[];
  readonly clashes: readonly Clash[];
  readonly toDo: readonly ToDo[];
  readonly seen: readonly Action[];
  readonly places: Places;
  readonly chain: Chain | null;
}

export function useSheet(): SheetData {
  const layout = useSession((s) => s.layout);
  const { actions, controls, moments } = layout;
  const letters = useKeyLetters();
  const search = usePatch((p) => p.search);
  const moment = usePatch((p) => p.moment);
  const only = usePatch((p) => p.only);
  const grouped = usePatch((p) => p.grouped);
  const folded = usePatch((p) => p.folded);
  const pick = usePatch((p) => p.pick);
  const facts = useMemo(() => {
    const of = { actions, controls, moments };
    return { stands: new Map(standsOf(of).map((s) => [s.name, s])), loose: looseEnds(of), clashes: deskClashes(of), toDo: leftToDo(of) };
  }, [actions, controls, moments]);
  const seen = useMemo(
    () =>
      seenActions({ actions, controls }, { search, moment: moments.some((m) => m.id === moment) ? moment : null, only }, facts.stands, (end) =>
        endWord(end, letters),
      ),
    [actions, controls, moments, search, moment, only, facts, letters],
  );
  const places = useMemo(
    () => sheetPlaces({ actions, controls, moments }, seen, { grouped, folded, filtered: seen.length < actions.length, loose: facts.loose }),
    [actions, controls, moments, seen, grouped, folded, facts],
  );
  const chain = useMemo(() => chainOf(pick, { actions, controls }), [pick, actions, controls]);
  return { layout, letters, ...facts, seen, places, chain };
}

/** Goes to the next thing left to do after what is picked: it is picked, brought into view and given the focus. False where nothing is left. */
export function pickNextToDo(toDo: readonly ToDo[], layout: Pick<Layout, "actions" | "moments">): boolean {
  if (toDo.length === 0) return false;
  const { pick, folded, grouped } = patchStore.getState();
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
  setPatch({ pick: next as Picked, search: "", moment: null, only: "all", folded: open });
  requestAnimationFrame(() => {
    const selector = next.kind === "action" ? `[data-action="${CSS.escape(next.name)}"]` : `[data-sheet-control="${CSS.escape(next.id)}"]`;
    const element = document.querySelector<HTMLElement>(selector);
    element?.scrollIntoView({ block: "nearest" });
    element?.focus();
  });
  return true;
}
