/** Named states: points of a layout's history that somebody wants to come back to, or that lost against another window. */
import type { KeptState } from "../../core/exchange/storedRecords";
import type { Layout } from "../../core/format/types";
import type { LostVersion } from "../../core/versions/merge";
import { ok, refused, type Result } from "../../core/engine/result";
import { reasonOf } from "../../storage/reason";
import type { Compose } from "../../workers/writing";
import { picturesByDigest, storedLayout } from "../../storage/openKept";
import type { LibraryParts } from "./library";
import { createListStore, type Listeners } from "./listStore";

export interface States extends Listeners {
  /** Those of the open layout, oldest first. */
  list(): Promise<readonly KeptState[]>;
  /** Names the layout as it is. */
  name(name: string): Promise<Result<true>>;
  /** Keeps a version that is not the open one under a name. */
  nameVersion(name: string, version: Layout): Promise<Result<true>>;
  /** Keeps versions that lost against another window's, and reports them. */
  keepLost(lost: readonly LostVersion[]): Promise<void>;
  remove(state: KeptState): Promise<Result<true>>;
  /** A state's layout, or why it cannot be read. */
  layoutOf(state: KeptState): Promise<Result<Layout>>;
}

/** What states are on. */
export interface StatesParts extends LibraryParts {
  readonly compose: Compose;
}

const MOST_LETTERS = 80;
const WHOSE = { theirs: "version of the other window", own: "version of this window" } as const;

/** The states of whatever layout is open. */
export function createStates({ kept, session, windows, now, newId, compose }: StatesParts): States {
  const list = createListStore({ item: "state", kind: "states", session, windows });
  const keep = async (name: string, version: Layout) => {
    const { id: layout } = session.store.getState();
    const { text, digests } = await compose(version);
    await kept.writeState({ id: newId(), layout, name: name.slice(0, MOST_LETTERS), time: now(), text }, picturesByDigest(version, digests));
    list.changed(layout);
  };
  const states: States = {
    list: () => kept.states(session.store.getState().id),
    name(name) {
      session.commit();
      return states.nameVersion(name, session.store.getState().layout);
    },
    async nameVersion(name, version) {
      if (name.trim() === "") return refused("", "a state needs a name, such as “before the playtest”");
      const done = await list.attempt("stored", () => keep(name.trim(), version));
      return done.ok ? ok(true) : done;
    },
    async keepLost(lost) {
      const names = lost.map(({ whose, label }) => `${WHOSE[whose]}, at “${label}”`);
      try {
        for (const [i, { layout }] of lost.entries()) await keep(names[i], layout);
        session.tell({ text: `Two windows changed the same at the same time; the later stands. Kept in the history: ${names.join("; ")}.`, tone: "plain" });
      } catch (error) {
        session.tell({
          text: `Two windows changed the same thing. The later change applies; the earlier one could not be stored: ${reasonOf(error)}.`,
          tone: "problem",
        });
      }
    },
    remove: (state) => list.remove(state, { remove: () => kept.removeState(state.id), restore: () => kept.writeState(state) }),
    layoutOf: (state) => storedLayout(kept, state.text),
    heard: list.heard,
    subscribe: list.subscribe,
  };
  return states;
}
