/** The kept layouts: listing, opening, starting, duplicating, removing and bringing back. */
import { newLayout } from "../../core/editing/edits/layout";
import { readLayout } from "../../core/format/parse";
import type { Layout } from "../../core/format/types";
import { ok, problemText, type Result } from "../../core/engine/result";
import type { KeptLayout, LayoutStore } from "../../storage/layouts";
import type { Sample } from "../../samples/samples";
import { keptLayout, keptText } from "./kept";
import type { Session } from "./session";

export interface Library {
  /** Layouts in the list, latest first; `deleted` those that can be brought back. */
  list(): Promise<{ kept: KeptLayout[]; deleted: KeptLayout[] }>;
  open(id: string): Promise<Result<true>>;
  /** Keeps a layout under a new id and opens it. */
  add(layout: Layout): Promise<void>;
  start(name: string, reference: Layout["reference"], scale: Partial<Layout["scale"]>): Promise<Result<true>>;
  duplicate(): Promise<void>;
  remove(id: string): Promise<void>;
  restore(id: string): Promise<void>;
  importText(text: string): Promise<Result<true>>;
  /** A kept layout, or why it cannot be read. */
  layoutOf(kept: KeptLayout): Promise<Result<Layout>>;
  /** The text of a kept layout's file, with its pictures; what cannot be read is given as it is. */
  textOf(kept: KeptLayout): Promise<string>;
}

/** `newId` makes ids that no other layout has. */
export function createLibrary(kept: LayoutStore, session: Session, now: () => number, newId: () => string): Library {
  const library: Library = {
    layoutOf: (one) => keptLayout(kept, one),
    textOf: (one) => keptText(kept, one),
    async list() {
      const all = (await kept.all()).sort((a, b) => b.savedAt - a.savedAt);
      return { kept: all.filter((l) => l.deletedAt === null), deleted: all.filter((l) => l.deletedAt !== null) };
    },
    async open(id) {
      await session.flush();
      const found = await kept.read(id);
      if (!found) return { ok: false, problems: [{ path: "", message: "this layout is no longer kept" }] };
      const layout = await keptLayout(kept, found);
      if (!layout.ok) return layout;
      session.show(id, layout.value);
      return ok(true);
    },
    async add(layout) {
      const id = newId();
      session.show(id, layout);
      await session.save();
    },
    async start(name, reference, scale) {
      const layout = newLayout(name, reference, scale);
      if (!layout.ok) return layout;
      await session.flush();
      await library.add(layout.value);
      return ok(true);
    },
    async duplicate() {
      await session.flush();
      const { layout } = session.store.getState();
      await library.add({ ...layout, name: `${layout.name.slice(0, 74)}, copy` });
    },
    async remove(id) {
      if (session.store.getState().id === id) await session.flush();
      const found = await kept.read(id);
      if (!found) return;
      await kept.write({ ...found, deletedAt: now() });
      if (session.store.getState().id === id) {
        if (!(await openAnother())) {
          const empty = newLayout("Untitled", { width: 1600, height: 720 });
          if (empty.ok) await library.add(empty.value);
        }
      }
      session.tell({
        text: `“${found.name}” is deleted.`,
        tone: "plain",
        act: { label: "Bring it back", run: () => void library.restore(id) },
      });
    },
    async restore(id) {
      const found = await kept.read(id);
      if (!found) return;
      await kept.write({ ...found, deletedAt: null });
      const opened = await library.open(id);
      session.tell(opened.ok ? null : { text: problemText(opened.problems), tone: "problem" });
    },
    async importText(text) {
      const layout = readLayout(text);
      if (!layout.ok) return layout;
      await session.flush();
      await library.add(layout.value);
      return ok(true);
    },
  };

  /** Opens the latest layout that can be read, without saving what is open; false where there is none. */
  async function openAnother(): Promise<boolean> {
    for (const next of (await library.list()).kept) {
      const layout = await keptLayout(kept, next);
      if (!layout.ok) continue;
      session.show(next.id, layout.value);
      await kept.setLastOpen(next.id);
      return true;
    }
    return false;
  }

  return library;
}

/**
 * The layout to begin with. An empty store gets the samples, and the first of them is shown at once: they ship with the application, so
 * nobody need wait until they are written, and what the browser refuses then is told with the first edit.
 */
export async function firstLayout(
  kept: LayoutStore,
  samples: readonly Sample[],
  now: () => number,
  newId: () => string,
): Promise<{ id: string; layout: Layout; unreadable: KeptLayout[] }> {
  const all = await kept.all();
  if (all.length === 0) {
    const time = now();
    const records = samples.map(({ name, text }, i) => ({ id: newId(), name, text: text(), savedAt: time - i, deletedAt: null }));
    kept.writeAll(records).catch((error: unknown) => console.error("The samples could not be kept.", error));
    return { id: records[0].id, layout: samples[0].layout(), unreadable: [] };
  }
  const listed = all.filter((l) => l.deletedAt === null).sort((a, b) => b.savedAt - a.savedAt);
  const last = await kept.lastOpen();
  const order = [...listed.filter((l) => l.id === last), ...listed.filter((l) => l.id !== last)];
  const unreadable: KeptLayout[] = [];
  for (const candidate of order) {
    const layout = await keptLayout(kept, candidate);
    if (layout.ok) return { id: candidate.id, layout: layout.value, unreadable };
    unreadable.push(candidate);
  }
  return { id: newId(), layout: samples[0].layout(), unreadable };
}
