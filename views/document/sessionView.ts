/** What a session shows: selection, moment, player, comparison. */
import type { StoreApi } from "zustand/vanilla";
import { inCluster, placeableOf } from "../../core/editing/placeables";
import { PLAIN_PLAYER_VIEW, type PlayerView } from "../../core/engine/placement/resolve";
import type { Layout } from "../../core/format/types";
import type { SessionState, ViewActions } from "./sessionState";

/** The player view of a layout that has just been opened. */
export const firstView = (layout: Layout): PlayerView => ({ ...PLAIN_PLAYER_VIEW, moment: layout.moments[0]?.id ?? null });

/** Selection and player view without what another version of the layout does not have. */
export function keptIn({ selection, playerView }: SessionState, next: Layout): Pick<SessionState, "selection" | "playerView"> {
  const isKnown = (key: string) => placeableOf(next, key) !== null;
  const isMomentKnown = playerView.moment === null || next.moments.some((m) => m.id === playerView.moment);
  return {
    selection: selection.every(isKnown) ? selection : selection.filter(isKnown),
    playerView: isMomentKnown ? playerView : { ...playerView, moment: next.moments[0]?.id ?? null },
  };
}

/** The ids that a moment does not show; a cluster if it shows nothing in it. */
function hiddenIn(layout: Layout, moment: string | null): ReadonlySet<string> {
  const hidden = new Set([...layout.controls, ...layout.keepClear].filter((c) => moment !== null && !c.moments.includes(moment)).map((c) => c.id));
  for (const { id } of layout.clusters) {
    const inside = inCluster(layout, id, null);
    if (inside.length > 0 && inside.every((child) => hidden.has(child))) hidden.add(id);
  }
  return hidden;
}

/** `onSelect`: the user has turned to something else. */
export function createView({ getState: get, setState: set }: StoreApi<SessionState>, onSelect: () => void): ViewActions {
  return {
    select(ids) {
      onSelect();
      const { layout } = get();
      set({ selection: ids.filter((key) => placeableOf(layout, key) !== null) });
    },
    showMoment(moment) {
      const { layout, playerView, selection } = get();
      const hidden = hiddenIn(layout, moment);
      set({ playerView: { ...playerView, moment }, selection: selection.filter((id) => !hidden.has(id)) });
    },
    showPlayer: (player) => set({ playerView: { ...get().playerView, ...player } }),
    readOnShelf: (screen) => set({ shelfScreen: screen }),
    setCompared: (compared) => set({ compared }),
  };
}
