/**
 * Two windows at one layout. What one of them has not written yet is made again on what the other has written meanwhile: fields that only
 * one of them touched keep both; where both changed the same field, the later write wins, and the version that lost is handed out, to be
 * kept by name. A version that would not be a sound layout is never made: then what came later is back, and is handed out as well.
 */
import { isEqual } from "../engine/equal";
import { checked } from "../editing/edits/checked";
import { freeIdOf } from "../editing/edits/ids";
import { problemText, refused, type Result } from "../engine/result";
import type { Layout } from "../format/types";
import { applyChanges, changesBetween, type FieldChange } from "./fieldChanges";
import { isKeyed, valueAt } from "./fields";
import type { LogRecord } from "./log";

/** Where one window is: the version that is written, and the records that are not yet. */
export interface Unwritten {
  readonly written: Layout;
  readonly records: readonly LogRecord[];
}

/** A version that lost against another. theirs: what the other window had written · own: what this one had, and could not be joined. */
export interface LostVersion {
  readonly whose: "theirs" | "own";
  readonly layout: Layout;
  /** The edit that met the other. */
  readonly label: string;
}

/** Both together. */
export interface Merged extends Unwritten {
  readonly layout: Layout;
  readonly lost: readonly LostVersion[];
}

/** What is not written yet, made again on what others have written. */
export function merge(own: Unwritten, theirs: readonly LogRecord[]): Merged {
  const written = theirs.reduce((layout, record) => applyChanges(layout, record.changes).layout, own.written);
  return mergeOnto(own, written);
}

/** The same, where the other version is known as a whole. */
export function mergeOnto(own: Unwritten, written: Layout): Merged {
  const lost: LostVersion[] = [];
  const records: LogRecord[] = [];
  let now = written;
  let mine = own.written;
  for (const record of own.records) {
    mine = applyChanges(mine, record.changes).layout;
    const changes = withFreeIds(now, record.changes);
    const { layout: next, conflicts } = applyChanges(now, changes);
    const sound = checked(now, next);
    const gone = conflicts.some((c) => c.why === "gone");
    if (record.kind !== "remembered" && (!sound.ok || gone)) lost.push({ whose: "own", layout: mine, label: record.label });
    // What the editor alone remembers is nobody's work.
    else if (conflicts.length > 0 && record.kind !== "remembered") lost.push({ whose: "theirs", layout: now, label: record.label });
    if (!sound.ok) continue;
    const made = changesBetween(now, sound.value);
    now = sound.value;
    if (made.length > 0 || record.kind === "undo" || record.kind === "redo") records.push({ ...record, changes: made });
  }
  return { written, records, layout: now, lost: onceEach(lost) };
}

/** An edit that was computed on one version: what it leads to, and its words. */
export interface MadeEdit {
  readonly from: Layout;
  readonly made: Layout;
  readonly label: string;
}

/** Applies what an edit changed to another version. Where that is not possible, the layout is that version and `lost` has what the edit made. */
export function mergeEdit({ from, made, label }: MadeEdit, onto: Layout): Pick<Merged, "layout" | "lost"> {
  if (onto === from) return { layout: made, lost: [] };
  if (made === from) return { layout: onto, lost: [] };
  const record: LogRecord = { id: "", kind: "edit", label, time: 0, by: "", changes: changesBetween(from, made) };
  return mergeOnto({ written: from, records: [record] }, onto);
}

/**
 * Turns the result of an edit into an edit of whatever version it meets: only what the edit changed is applied there, so what others have
 * changed since stays. Rejects where what it changes is no longer there, or both together are no sound layout.
 */
export function madeOn(from: Layout, made: Result<Layout>): (now: Layout) => Result<Layout> {
  return (now) => {
    if (!made.ok || now === from) return made;
    const applied = applyChanges(now, withFreeIds(now, changesBetween(from, made.value)));
    if (applied.conflicts.some((c) => c.why === "gone")) return refused("", "the changed part has been deleted");
    const sound = checked(now, applied.layout);
    return sound.ok ? sound : refused("", `the layout has changed and this no longer fits: ${problemText(sound.problems, 2)}`);
  };
}

/** One of each side is enough: theirs before your own anything came to it, your own with all that was done. */
function onceEach(lost: readonly LostVersion[]): readonly LostVersion[] {
  const theirs = lost.filter((l) => l.whose === "theirs");
  const own = lost.filter((l) => l.whose === "own");
  return [...theirs.slice(0, 1), ...own.slice(-1)];
}

const ON_GLASS: readonly string[] = ["controls", "clusters", "keepClear"];

/** Two windows may have called two new things alike: the later of them takes another id, here and wherever these changes refer to it. */
function withFreeIds(layout: Layout, changes: readonly FieldChange[]): readonly FieldChange[] {
  let made = changes;
  for (const change of changes) {
    const [list, id] = change.path;
    const isNew = change.kind === "value" && change.path.length === 2 && ON_GLASS.includes(list) && change.was === undefined;
    if (!isNew) continue;
    const taken = ON_GLASS.some((other) => valueAt(layout, [other, id]).value !== undefined);
    const before = valueAt(layout, change.path).value;
    const isReplaced = changes.some((c) => c.kind === "value" && c.path.length === 2 && c.path[1] === id && c.is === undefined);
    if (!taken || isReplaced || isEqual(before, change.is)) continue;
    made = made.map((c) => renamed(c, id, freeIdOf([...layout.controls, ...layout.clusters, ...layout.keepClear], id, id)));
  }
  return made;
}

/** Where the paths of changes speak of what is on the glass: the list and the key that are before its id. */
const SPEAKS: readonly (readonly [path: readonly string[], at: number])[] = [
  [["arrangements", "", "overrides"], 3],
  [["workbench", "locked"], 2],
  ...ON_GLASS.map((list) => [[list], 1] as const),
];

/** A change that speaks of one id, speaking of another. */
function renamed(change: FieldChange, from: string, to: string): FieldChange {
  const { path } = change;
  const at = SPEAKS.find(([lead]) => lead.every((step, i) => step === "" || step === path[i]))?.[1];
  const spoken = path.map((step, i) => (i === at && step === from ? to : step));
  if (change.kind === "value") return { ...change, path: spoken, is: renamedIn(change.is, from, to) };
  const call = (text: string) => (text === from && ON_GLASS.includes(path[0]) ? to : text);
  return { ...change, path: spoken, was: change.was.map(call), is: change.is.map(call) };
}

/** A value in which the id of a thing, the cluster it is in, and the keys of overrides are another. */
function renamedIn(value: unknown, from: string, to: string): unknown {
  if (Array.isArray(value)) return value.map((item) => renamedIn(item, from, to));
  if (!isKeyed(value)) return value;
  const entries = Object.entries(value).map(([key, item]): [string, unknown] => {
    if ((key === "id" || key === "cluster") && item === from) return [key, to];
    if (key !== "overrides" || !isKeyed(item)) return [key, renamedIn(item, from, to)];
    return [key, Object.fromEntries(Object.entries(item).map(([id, override]) => [id === from ? to : id, renamedIn(override, from, to)]))];
  });
  return Object.fromEntries(entries);
}
