/** The kept layouts: listing, opening, starting, duplicating, removing and bringing back. */
import { newLayout } from "../../core/editing/edits/layout";
import type { KeptLayout } from "../../core/exchange/storedRecords";
import { fileReader } from "../../workers/reading";
import type { Layout } from "../../core/format/types";
import { ok, refused, type Result } from "../../core/engine/result";
import { reasonOf } from "../../storage/reason";
import type { LayoutStore, SetAside } from "../../storage/store";
import type { Windows } from "../../storage/windows";
import { keptText, newlyOpened, openKept, storedLayout } from "../../storage/openKept";
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

/** What storage refuses is a refusal like any other. */
async function attempt(work: () => Promise<Result<true>>): Promise<Result<true>> {
  try {
    return await work();
  } catch (error) {
    return refused("", `the browser’s storage failed: ${reasonOf(error)}`);
  }
}

/** Makes sure that nothing that is not written remains behind. */
async function leave(session: Session): Promise<Result<true>> {
  session.commit();
  if (await session.flush()) return ok(true);
  const { saving, layout } = session.store.getState();
  const why = saving.kind === "refused" ? saving.reason : "the browser did not answer yet";
  return refused("", `“${layout.name}” is not saved (${why}), so no other layout can be opened. Saving is retried; download the layout file to be safe.`);
}

/** The stored layouts, the latest first. */
async function listOf(kept: LayoutStore): Promise<Listed> {
  const { layouts, aside } = await kept.all();
  const latest = [...layouts].sort((a, b) => b.savedAt - a.savedAt);
  return { kept: latest.filter((l) => l.deletedAt === null), deleted: latest.filter((l) => l.deletedAt !== null), aside };
}

/** Opens a stored layout; what is open must have been left. */
async function openOne({ kept, session }: LibraryParts, id: string): Promise<Result<true>> {
  const opened = await openKept(kept, id);
  if (!opened.ok) return opened;
  // While it was read, work may have gone on.
  const left = await leave(session);
  if (left.ok) session.show(opened.value);
  return left;
}

/** Opens the latest layout that can be read; false where there is none. */
async function openAnother(parts: LibraryParts): Promise<boolean> {
  for (const next of (await listOf(parts.kept)).kept) if ((await openOne(parts, next.id)).ok) return true;
  return false;
}

/** Marks a layout as deleted, or not; false where it is not there any more. */
async function mark({ kept, windows }: LibraryParts, id: string, deletedAt: number | null): Promise<boolean> {
  const there = await kept.mark(id, deletedAt);
  if (there) windows.tell({ kind: "marked", layout: id });
  return there;
}

/** Does something after what is open has been left. */
const leaving = ({ session }: LibraryParts, work: () => Promise<Result<true>>): Promise<Result<true>> =>
  attempt(async () => {
    const left = await leave(session);
    return left.ok ? work() : left;
  });

const NOT_THERE: Result<true> = refused("", "this layout no longer exists");

async function remove(parts: LibraryParts, library: Library, id: string): Promise<Result<true>> {
  const { kept, session, now } = parts;
  const isOpen = () => session.store.getState().id === id;
  const name = isOpen() ? session.store.getState().layout.name : ((await kept.read(id))?.name ?? "");
  if (!(await mark(parts, id, now()))) return NOT_THERE;
  if (isOpen() && !(await openAnother(parts))) {
    const empty = newLayout("Untitled", { width: 1600, height: 720 });
    if (empty.ok) await library.add(empty.value);
  }
  const restore = () => void library.restore(id).then((done) => session.tellRefusal(done));
  session.tell({ text: `“${name}” deleted.`, tone: "plain", act: { label: "Restore", run: restore } });
  return ok(true);
}

/** The library of a store. */
export function createLibrary(parts: LibraryParts): Library {
  const { kept, session, newId } = parts;
  const library: Library = {
    layoutOf: (one) => storedLayout(kept, one.text),
    textOf: (one) => keptText(kept, one),
    list: () => listOf(kept),
    open: (id) => leaving(parts, () => openOne(parts, id)),
    add: (layout) =>
      leaving(parts, async () => {
        session.show(newlyOpened(newId(), layout));
        await session.flush();
        return ok(true);
      }),
    duplicate() {
      session.commit();
      const { layout } = session.store.getState();
      return library.add({ ...layout, name: `${layout.name.slice(0, 74)}, copy` });
    },
    remove(id) {
      const isOpen = session.store.getState().id === id;
      return isOpen ? leaving(parts, () => remove(parts, library, id)) : attempt(() => remove(parts, library, id));
    },
    restore: (id) => leaving(parts, async () => ((await mark(parts, id, null)) ? openOne(parts, id) : NOT_THERE)),
    async importText(text) {
      const layout = await fileReader.layout(text);
      return layout.ok ? library.add(layout.value) : layout;
    },
  };
  return library;
}
