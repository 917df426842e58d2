/** Everything that is kept, as one zip, and back again: nothing that is newer here is written over. */
import { strFromU8, strToU8, zipSync, type Zippable } from "fflate";
import { CONTENTS_FILE, readContents, writeContents, type BackupContents } from "../core/exchange/backup";
import type { KeptLayout } from "../core/exchange/storedRecords";
import { storedForm } from "../core/derived/storedForm";
import { digestOfText } from "../core/format/digest";
import { readTake, TAKE_FILE } from "../core/exchange/takeFile";
import { MOST_FILE_BYTES, TAKES } from "../core/format/limits";
import { digestsIn } from "../core/format/stored";
import { problemText, refused, type Result } from "../core/engine/result";
import { changesBetween } from "../core/versions/fieldChanges";
import type { LayoutStore } from "./store";
import { fileNameFor } from "../core/exchange/fileName";
import type { FileProgress } from "../core/exchange/sortFiles";
import { openZip, type Zip } from "../core/exchange/zip";
import { readLayout } from "../core/format/parse";
import { keptText, openKept, picturesByDigest } from "./openKept";

const pictureFile = (digest: string) => `pictures/${digest}.txt`;

/** The zip of everything that is kept: layouts, deleted ones too, their named states, all pictures; a layout a step. Rejects where the store cannot be read. */
export async function* makeBackup(kept: LayoutStore, now: number): AsyncGenerator<FileProgress, Uint8Array> {
  const files: Zippable = {};
  const put = (name: string, text: string) => {
    files[name] = strToU8(text);
  };
  const { layouts } = await kept.all();
  const contents: { made: number } & { [list in "layouts" | "states" | "takes"]: BackupContents[list] } = { made: now, layouts: [], states: [], takes: [] };
  for (const [i, layout] of layouts.entries()) {
    yield { done: i, of: layouts.length };
    const { id, name, savedAt, deletedAt } = layout;
    const file = `layouts/${String(i + 1).padStart(3, "0")}-${fileNameFor(name)}`;
    put(file, await keptText(kept, layout));
    contents.layouts.push({ id, name, savedAt, deletedAt, file });
    for (const state of await kept.states(id)) {
      const at = `states/${String(contents.states.length + 1).padStart(3, "0")}-${fileNameFor(state.name)}`;
      put(at, state.text);
      for (const [digest, data] of await kept.pictures(digestsIn(state.text))) put(pictureFile(digest), data);
      contents.states.push({ id: state.id, layout: id, name: state.name, time: state.time, file: at });
    }
    for (const take of await kept.takes(id)) {
      const text = await kept.takeText(take.id);
      if (!text) continue;
      const number = String(contents.takes.length + 1).padStart(3, "0");
      const at = `takes/${number}-${fileNameFor(take.name, TAKE_FILE)}`;
      const on = text.on === null ? null : `takes/${number}-played-on.json`;
      put(at, text.text);
      if (on !== null && text.on !== null) {
        put(on, text.on);
        for (const [digest, data] of await kept.pictures(digestsIn(text.on))) put(pictureFile(digest), data);
      }
      contents.takes.push({ ...take, file: at, on });
    }
  }
  put(CONTENTS_FILE, writeContents(contents));
  return zipSync(files, { level: 6 });
}

/** What became of a backup that was taken in. `left`: what is newer here, and stayed; `same`: what was there already; `problems`: what could not be taken. */
export interface TakenBack {
  readonly added: readonly string[];
  readonly renewed: readonly string[];
  readonly left: readonly string[];
  readonly same: number;
  readonly states: number;
  readonly takes: number;
  readonly problems: readonly string[];
}

/** The text of a file of a backup; null where there is none, it is damaged, or larger than any file of ours. */
type TextOf = (name: string, mostBytes?: number) => string | null;

function textsOf(zip: Zip): TextOf {
  return (name, mostBytes = MOST_FILE_BYTES) => {
    const bytes = zip.bytesOf(name, mostBytes);
    return bytes === null ? null : strFromU8(bytes);
  };
}

/** What taking a backup in is on. */
export interface TakingBack {
  readonly kept: LayoutStore;
  readonly now: () => number;
  readonly newId: () => string;
}

/** What has become of a backup so far. */
type Report = { -readonly [K in keyof TakenBack]: TakenBack[K] extends readonly string[] ? string[] : TakenBack[K] };
/** What the parts of a backup are taken in with. */
interface TakingPart extends TakingBack {
  readonly textOf: TextOf;
  readonly report: Report;
}

/** Takes a backup in, a layout, state or take a step. What is not here is added; what is here and older becomes as it is in the backup, as one edit that can be undone; what is newer here stays. */
export async function* takeBackup(taking: TakingBack, bytes: Uint8Array): AsyncGenerator<FileProgress, Result<TakenBack>> {
  const zip = openZip(bytes);
  if (!zip.ok) return zip;
  const textOf = textsOf(zip.value);
  const contents = readContents(textOf(CONTENTS_FILE) ?? "");
  if (!contents.ok) return contents;
  const { kept } = taking;
  const part: TakingPart = { ...taking, textOf, report: { added: [], renewed: [], left: [], same: 0, states: 0, takes: 0, problems: [] } };
  const { layouts, states, takes } = contents.value;
  // Which are here already is asked once a layout, not once a state: there may be thousands of them.
  const [isNewState, isNewTake] = [onlyNew((layout) => kept.states(layout)), onlyNew((layout) => kept.takes(layout))];
  const steps = [
    ...layouts.map((entry) => () => takeInLayout(part, entry)),
    ...states.map((entry) => async () => (await isNewState(entry)) && takeInState(part, entry)),
    ...takes.map((entry) => async () => (await isNewTake(entry)) && takeInTake(part, entry)),
  ];
  for (const [done, step] of steps.entries()) {
    yield { done, of: steps.length };
    await step();
  }
  return { ok: true, value: part.report };
}

/** A layout of a backup: added, renewed where it is older here, or left. */
async function takeInLayout({ kept, now, newId, textOf, report }: TakingPart, entry: BackupContents["layouts"][number]): Promise<void> {
  const text = textOf(entry.file);
  const layout = text === null ? refused<never>(entry.file, "is not in the zip, or damaged") : readLayout(text);
  if (!layout.ok) return void report.problems.push(`“${entry.name}”: ${problemText(layout.problems, 1)}`);
  const form = storedForm(layout.value);
  const pictures = picturesByDigest(layout.value, form.digests);
  const here = await kept.read(entry.id);
  if (!here) {
    const { id, name, savedAt, deletedAt } = entry;
    await kept.addAll([{ id, name, text: form.text, savedAt, deletedAt, revision: 0 } satisfies KeptLayout], pictures);
    return void report.added.push(name);
  }
  const known = await openKept(kept, entry.id);
  if (known.ok && storedForm(known.value.layout).text === form.text) return void (report.same += 1);
  if (!known.ok || here.savedAt >= entry.savedAt) return void report.left.push(here.name);
  const changes = changesBetween(known.value.layout, layout.value);
  const record = { id: newId(), kind: "edit", label: "restore it from a backup", time: now(), by: "backup", changes } as const;
  const { id } = entry;
  const { name } = layout.value;
  const written = await kept.write({ id, name, text: form.text, savedAt: now(), base: here.revision, records: [record], pictures });
  if (written.kind === "written") report.renewed.push(entry.name);
  else report.left.push(here.name);
}

async function takeInState({ kept, textOf, report }: TakingPart, { file, ...state }: BackupContents["states"][number]): Promise<void> {
  const text = textOf(file);
  const pictures = text === null ? null : picturesIn(text, (digest) => textOf(pictureFile(digest)));
  if (text === null || pictures === null)
    return void report.problems.push(`the state “${state.name}”: ${file} or a picture of it is not in the zip, or damaged`);
  await kept.writeState({ ...state, text }, pictures);
  report.states += 1;
}

/** Says of each thing of a layout whether it is new: not kept, and not asked about before. What is kept of a layout is read once. */
function onlyNew(list: (layout: string) => Promise<readonly { readonly id: string }[]>) {
  const known = new Map<string, Promise<Set<string>>>();
  return async ({ id, layout }: { readonly id: string; readonly layout: string }): Promise<boolean> => {
    let ids = known.get(layout);
    if (!ids) known.set(layout, (ids = list(layout).then((all) => new Set(all.map((one) => one.id)))));
    const there = await ids;
    const isNew = !there.has(id);
    there.add(id);
    return isNew;
  };
}

/** A take of a backup; what it was played on comes with it where all of that is there. */
async function takeInTake({ kept, textOf, report }: TakingPart, entry: BackupContents["takes"][number]): Promise<void> {
  const { file, on, ...take } = entry;
  const text = textOf(file, TAKES.bytes.most);
  const read = text === null ? refused<never>(file, "is not in the zip, or damaged") : readTake(text);
  if (!read.ok || text === null) return void report.problems.push(`the take “${take.name}”: ${read.ok ? "" : problemText(read.problems, 1)}`);
  const playedOn = on === null ? null : textOf(on);
  const pictures = playedOn === null ? null : picturesIn(playedOn, (digest) => textOf(pictureFile(digest)));
  await kept.writeTake(take, { text, on: pictures === null ? null : playedOn }, pictures ?? undefined);
  report.takes += 1;
}

/** The pictures a stored text refers to; null where one is not there, or is not the one it should be. */
function picturesIn(text: string, dataOf: (digest: string) => string | null): ReadonlyMap<string, string> | null {
  const found = digestsIn(text).map((digest) => [digest, dataOf(digest)] as const);
  return found.every(([digest, data]) => data !== null && digestOfText(data) === digest) ? new Map(found as readonly (readonly [string, string])[]) : null;
}

/** What became of a backup, in a line or two. */
export function takenBackText({ added, renewed, left, same, states, takes, problems }: TakenBack): string {
  const count = (n: number, one: string, many: string) => (n === 0 ? "" : `${n} ${n === 1 ? one : many}`);
  const parts = [
    count(added.length, "layout added", "layouts added"),
    count(renewed.length, "updated from the backup", "updated from the backup"),
    count(left.length, "newer here, unchanged", "newer here, unchanged"),
    count(same, "identical", "identical"),
    count(states, "named state added", "named states added"),
    count(takes, "take added", "takes added"),
  ].filter((part) => part !== "");
  return [`${parts.join(", ") || "Nothing was in it"}.`, ...problems].join("\n");
}
