/** The kept layouts: listing, opening, starting, duplicating, removing and bringing back. */
import { newLayout } from "../../core/editing/edits/layout";
import type { KeptLayout } from "../../core/exchange/storedRecords";
import { fileReader } from "../../workers/reading";
import type { Layout } from "../../core/format/types";
import { ok, refused, type Result } from "../../core/engine/result";
import { reasonOf } from "../../storage/reason";
import type { LayoutStore, SetAside } from "../../storage/store";
import type { Windows } from "../../storage/windows";
import { keptText, newlyOpened, openKept, storedLayout, type OpenedLayout } from "../../storage/openKept";
import type { Session } from "./session";

/** Layouts, latest first; `deleted` those that can be brought back, `aside` what cannot be read. */
export interface Listed {
  readonly kept: readonly KeptLayout[];
  readonly deleted: readonly KeptLayout[];
  readonly aside: readonly SetAside[];
}

/** Whatever it is asked, nothing that is not written remains behind: where it cannot be written, another layout is not opened, and the refusal says so. */
export interface Library {
  list(): Promise<Listed>;
  open(id: string): Promise<Result<true>>;
  /** Keeps a layout under a new id and opens it. */
  add(layout: Layout): Promise<Result<true>>;
  duplicate(): Promise<Result<true>>;
  /** Marks a layout as deleted; the open one makes room for another. */
  remove(id: string): Promise<Result<true>>;
  /** Brings a deleted layout back and opens it. */
  restore(id: string): Promise<Result<true>>;
  importText(text: string): Promise<Result<true>>;
  /** A kept layout, or why it cannot be read. */
  layoutOf(kept: KeptLayout): Promise<Result<Layout>>;
  /** The text of a kept layout's file, with its pictures; what cannot be read is given as it is. */
  textOf(kept: KeptLayout): Promise<string>;
}

/** What a library is on. `newId` makes ids that no other layout has. */
export interface LibraryParts {
  readonly kept: LayoutStore;
  readonly session: Session;
  readonly windows: Pick<Windows, "tell">;
  readonly now: () => number;
  readonly newId: () => string;
}

/** The library of a store. */
export function createLibrary({ kept, session, windows, now, newId }: LibraryParts): Library {
  /** Nothing that is not written remains behind. */
  const leave = async (): Promise<Result<true>> => {
    session.commit();
    if (await session.flush()) return ok(true);
    const { saving, layout } = session.store.getState();
    const why = saving.kind === "refused" ? saving.reason : "the browser did not answer yet";
    return refused("", `“${layout.name}” is not saved (${why}), so no other layout can be opened. Saving is retried; download the layout file to be safe.`);
  };
  const show = (opened: OpenedLayout): Result<true> => {
    session.show(opened);
    return ok(true);
  };
  /** What storage refuses is a refusal like any other. */
  const attempt = async (work: () => Promise<Result<true>>): Promise<Result<true>> => {
    try {
      return await work();
    } catch (error) {
      return refused("", `the browser’s storage failed: ${reasonOf(error)}`);
    }
  };
  const mark = async (id: string, deletedAt: number | null): Promise<boolean> => {
    const there = await kept.mark(id, deletedAt);
    if (there) windows.tell({ kind: "marked", layout: id });
    return there;
  };
  const openOne = async (id: string): Promise<Result<true>> => {
    const opened = await openKept(kept, id);
    if (!opened.ok) return opened;
    // While it was read, work may have gone on.
    const left = await leave();
    return left.ok ? show(opened.value) : left;
  };

  const library: Library = {
    layoutOf: (one) => storedLayout(kept, one.text),
    textOf: (one) => keptText(kept, one),
    async list() {
      const { layouts, aside } = await kept.all();
      const latest = [...layouts].sort((a, b) => b.savedAt - a.savedAt);
      return { kept: latest.filter((l) => l.deletedAt === null), deleted: latest.filter((l) => l.deletedAt !== null), aside };
    },
    open: (id) =>
      attempt(async () => {
        const left = await leave();
        return left.ok ? openOne(id) : left;
      }),
    add: (layout) =>
      attempt(async () => {
        const left = await leave();
        if (!left.ok) return left;
        show(newlyOpened(newId(), layout));
        await session.flush();
        return ok(true);
      }),
    duplicate() {
      session.commit();
      const { layout } = session.store.getState();
      return library.add({ ...layout, name: `${layout.name.slice(0, 74)}, copy` });
    },
    remove: (id) =>
      attempt(async () => {
        const isOpen = () => session.store.getState().id === id;
        if (isOpen()) {
          const left = await leave();
          if (!left.ok) return left;
        }
        const name = isOpen() ? session.store.getState().layout.name : ((await kept.read(id))?.name ?? "");
        if (!(await mark(id, now()))) return refused("", "this layout no longer exists");
        if (isOpen() && !(await openAnother())) {
          const empty = newLayout("Untitled", { width: 1600, height: 720 });
          if (empty.ok) await library.add(empty.value);
        }
        session.tell({
          text: `“${name}” deleted.`,
          tone: "plain",
          act: { label: "Restore", run: () => void library.restore(id).then((done) => session.tellRefusal(done)) },
        });
        return ok(true);
      }),
    restore: (id) =>
      attempt(async () => {
        const left = await leave();
        if (!left.ok) return left;
        if (!(await mark(id, null))) return refused("", "this layout no longer exists");
        return openOne(id);
      }),
    async importText(text) {
      const layout = await fileReader.layout(text);
      return layout.ok ? library.add(layout.value) : layout;
    },
  };

  /** Opens the latest layout that can be read; false where there is none. */
  async function openAnother(): Promise<boolean> {
    for (const next of (await library.list()).kept) if ((await openOne(next.id)).ok) return true;
    return false;
  }

  return library;
}
