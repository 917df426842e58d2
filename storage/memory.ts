/** A store that lives as long as the tab: what remains where the browser refuses storage. It keeps the same rules. */
import type { KeptLayout, KeptState, KeptTake, KeptTakeText } from "../core/exchange/storedRecords";
import type { LogRecord } from "../core/versions/log";
import type { LayoutStore, PicturesByDigest, Writing, Written } from "./store";

/** An empty store; `refusal`: why it is one in memory. */
// oxlint-disable-next-line max-lines-per-function -- a table: one entry per method of the store
export function memoryStore(refusal: string): LayoutStore {
  const layouts = new Map<string, KeptLayout>();
  const logs = new Map<string, readonly LogRecord[]>();
  const states = new Map<string, KeptState>();
  const takes = new Map<string, KeptTake>();
  const takeTexts = new Map<string, KeptTakeText>();
  const known = new Map<string, string>();
  let open: string | null = null;
  const keep = (pictures: PicturesByDigest = new Map()) => {
    for (const [digest, data] of pictures) known.set(digest, data);
  };
  const behind = (layout: KeptLayout, revision: number): Written => {
    const log = logs.get(layout.id) ?? [];
    const count = layout.revision - revision;
    return { kind: "behind", revision: layout.revision, theirs: count <= log.length ? log.slice(log.length - count) : null };
  };
  const write = ({ base, records, pictures, trim = 0, id, name, text, savedAt }: Writing): Written => {
    const there = layouts.get(id);
    if (there && there.revision !== base) return base === null ? { kind: "behind", revision: there.revision, theirs: null } : behind(there, base);
    if (!there && base !== null) return { kind: "missing" };
    const revision = (base ?? 0) + records.length;
    const deletedAt = there?.deletedAt ?? null;
    layouts.set(id, { id, name, text, savedAt, deletedAt, revision });
    logs.set(id, [...(base === null ? [] : (logs.get(id) ?? [])), ...records].slice(trim));
    keep(pictures);
    return { kind: "written", revision, deletedAt };
  };
  return {
    kind: "memory",
    refusal,
    all: () => Promise.resolve({ layouts: [...layouts.values()], aside: [] }),
    read: (id) => Promise.resolve(layouts.get(id)),
    whole: (id) => {
      const layout = layouts.get(id);
      return Promise.resolve(layout && { layout, log: logs.get(id) ?? [] });
    },
    write: (writing) => Promise.resolve(write(writing)),
    since: (id, revision) => {
      const layout = layouts.get(id);
      return Promise.resolve(layout ? (behind(layout, revision) as Exclude<Written, { kind: "written" }>) : { kind: "missing" });
    },
    addAll: (added, pictures) => {
      for (const layout of added) if (!layouts.has(layout.id)) layouts.set(layout.id, layout);
      keep(pictures);
      return Promise.resolve();
    },
    mark: (id, deletedAt) => {
      const layout = layouts.get(id);
      if (layout) layouts.set(id, { ...layout, deletedAt });
      return Promise.resolve(layout !== undefined);
    },
    states: (layout) => Promise.resolve([...states.values()].filter((s) => s.layout === layout).sort((a, b) => a.time - b.time)),
    writeState: (state, pictures) => {
      states.set(state.id, state);
      keep(pictures);
      return Promise.resolve();
    },
    removeState: (id) => Promise.resolve(void states.delete(id)),
    takes: (layout) => Promise.resolve([...takes.values()].filter((t) => t.layout === layout).sort((a, b) => a.time - b.time)),
    takeText: (id) => Promise.resolve(takeTexts.get(id)),
    writeTake: (take, text, pictures) => {
      takes.set(take.id, take);
      if (text) takeTexts.set(take.id, text);
      keep(pictures);
      return Promise.resolve();
    },
    removeTake: (id) => {
      takes.delete(id);
      takeTexts.delete(id);
      return Promise.resolve();
    },
    pictures: (digests) => Promise.resolve(new Map(digests.flatMap((digest) => (known.has(digest) ? [[digest, known.get(digest)!]] : [])))),
    sweep: () => Promise.resolve(),
    lastOpen: () => Promise.resolve(open),
    setLastOpen: (id) => Promise.resolve(void (open = id)),
    // What is in memory is what was put there: no record of it is damaged.
    keys: () => Promise.resolve([]),
    raw: () => Promise.resolve(undefined),
  };
}
