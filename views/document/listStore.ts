/** What the lists stored next to a layout (takes, named states) have in common: who is told of changes, and deletion with a way back. */
import { ok, refused, type Result } from "../../core/engine/result";
import { reasonOf } from "../../storage/reason";
import type { Windows } from "../../storage/windows";
import type { Session } from "./session";

export interface Listeners {
  /** Another window has changed the list. */
  heard(): void;
  /** Calls the listener whenever the list may have changed; returns how to end it. */
  subscribe(listener: () => void): () => void;
}

export interface ListStore extends Listeners {
  /** The list of a layout has changed in this window. */
  changed(layout: string): void;
  /** Does something with the storage; a failure is returned as a refusal: “the take could not be renamed: …”. */
  attempt<T>(done: string, work: () => Promise<T>): Promise<Result<T>>;
  /** Deletes an item, and tells so with a button that restores it. */
  remove<T>(item: ListItem, steps: RemoveSteps<T>): Promise<Result<true>>;
}

/** An item of a list. */
interface ListItem {
  readonly name: string;
  readonly layout: string;
}

/** `remove` deletes the item and returns what `restore` needs to store it again. */
interface RemoveSteps<T> {
  readonly remove: () => Promise<T>;
  readonly restore: (removed: T) => Promise<void>;
}

interface ListParts {
  /** What an item is called: "take". */
  readonly item: string;
  readonly kind: "takes" | "states";
  readonly session: Session;
  readonly windows: Pick<Windows, "tell">;
}

export function createListStore({ item, kind, session, windows }: ListParts): ListStore {
  const listeners = new Set<() => void>();
  const list: ListStore = {
    heard: () => listeners.forEach((listener) => listener()),
    subscribe(listener) {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    changed(layout) {
      windows.tell({ kind, layout });
      list.heard();
    },
    async attempt(done, work) {
      try {
        return ok(await work());
      } catch (error) {
        return refused("", `the ${item} could not be ${done}: ${reasonOf(error)}`);
      }
    },
    async remove({ name, layout }, { remove, restore }) {
      const removed = await list.attempt("removed", remove);
      if (!removed.ok) return removed;
      list.changed(layout);
      const bringBack = async () => {
        await restore(removed.value);
        list.changed(layout);
      };
      session.tell({
        text: `${item[0].toUpperCase()}${item.slice(1)} “${name}” deleted.`,
        tone: "plain",
        act: { label: "Restore", run: () => void list.attempt("restored", bringBack).then(session.tellRefusal) },
      });
      return ok(true);
    },
  };
  return list;
}
