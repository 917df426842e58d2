/** The takes of the open layout: kept, renamed, removed, opened again with the layout they were played on. */
import { readTake, readTakeOf, type ReadTake } from "../../core/exchange/takeFile";
import type { KeptTake } from "../../core/exchange/storedRecords";
import type { Layout } from "../../core/format/types";
import type { Take } from "../../core/rehearsal/take";
import { ok, refused, type Result } from "../../core/engine/result";
import { picturesByDigest, storedLayout } from "../../storage/openKept";
import { createListStore, type Listeners } from "./listStore";
import type { StatesParts } from "./states";

/** A take, and the layout it was played on where that is known. */
export interface OpenedTake {
  readonly take: Take;
  readonly on: Layout | null;
}

export interface Takes extends Listeners {
  /** Those of the open layout, oldest first. */
  list(): Promise<readonly KeptTake[]>;
  /** Keeps a take with the layout it was played on (null: not known), without its frames, which can be computed. `layout`: whose list it is in, by its id; the open one's where nothing is said. */
  keep(take: Take, on: Layout | null, layout?: string): Promise<Result<KeptTake>>;
  /** The same for a take that was read from a file, in the list of the open layout. */
  keepRead(take: ReadTake, on: Layout | null): Promise<Result<KeptTake>>;
  rename(take: KeptTake, name: string): Promise<Result<true>>;
  /** Removes a take; the notice that reports it brings it back. */
  remove(take: KeptTake): Promise<Result<true>>;
  open(take: KeptTake): Promise<Result<OpenedTake>>;
}

const MOST_LETTERS = 80;

/** The takes of whatever layout is open. */
export function createTakes({ kept, session, windows, now, newId, compose }: StatesParts): Takes {
  const list = createListStore({ item: "take", kind: "takes", session, windows });
  const keepIn = (layout: string, take: ReadTake, on: Layout | null) =>
    list.attempt("stored", async () => {
      const row: KeptTake = { id: newId(), layout, name: take.name, time: now(), seconds: take.seconds, digest: take.layout };
      const stored = on && (await compose(on));
      await kept.writeTake(row, { text: take.text, on: stored && stored.text }, on && stored ? picturesByDigest(on, stored.digests) : undefined);
      list.changed(layout);
      return row;
    });
  return {
    list: () => kept.takes(session.store.getState().id),
    keep: (take, on, layout = session.store.getState().id) => keepIn(layout, readTakeOf(take), on),
    keepRead: (take, on) => keepIn(session.store.getState().id, take, on),
    async rename(take, name) {
      const given = name.trim().slice(0, MOST_LETTERS);
      if (given === "") return refused("", "a take needs a name, such as “quay, in a hurry”");
      const done = await list.attempt("renamed", () => kept.writeTake({ ...take, name: given }));
      if (!done.ok) return done;
      list.changed(take.layout);
      return ok(true);
    },
    remove: (take) =>
      list.remove(take, {
        async remove() {
          const text = await kept.takeText(take.id);
          await kept.removeTake(take.id);
          return text;
        },
        restore: (text) => kept.writeTake(take, text),
      }),
    async open(take) {
      const found = await list.attempt("read", () => kept.takeText(take.id));
      if (!found.ok) return found;
      if (!found.value) return refused("", `the take “${take.name}” no longer exists`);
      const read = readTake(found.value.text);
      if (!read.ok) return read;
      const on = found.value.on === null ? null : await storedLayout(kept, found.value.on);
      return ok({ take: { ...read.value, name: take.name }, on: on && on.ok ? on.value : null });
    },
    heard: list.heard,
    subscribe: list.subscribe,
  };
}
