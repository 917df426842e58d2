/** Everything that is kept, as one zip, and back again: nothing that is newer here is written over. */
import { strFromU8, strToU8, zipSync, type Zippable } from "fflate";
import { CONTENTS_FILE, readContents, writeContents, type BackupContents } from "../core/exchange/backup";
import type { KeptLayout } from "../core/exchange/kept";
import { storedForm } from "../core/derived/stored";
import { digestOfText } from "../core/format/digest";
import { readTake, TAKE_FILE } from "../core/exchange/take";
import { MOST_FILE_BYTES, TAKES } from "../core/format/limits";
import { digestsIn } from "../core/format/stored";
import { problemText, refused, type Result } from "../core/engine/result";
import { changesBetween } from "../core/versions/changes";
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

/** What taking a backup in stands on. */
export interface TakingBack {
  readonly kept: LayoutStore;
  readonly now: () => number;
  readonly newId: () => string;
}

/** Takes a backup in, a layout, state or take a step. What is not here is added; what is here and older becomes as it is in the backup, as one edit that can be undone; what is newer here stays. */
export async function* takeBackup({ kept, now, newId }: TakingBack, bytes: Uint8Array): AsyncGenerator<FileProgress, Result<TakenBack>> {
  const zip = openZip(bytes);
  if (!zip.ok) return zip;
  const textOf = textsOf(zip.value);
  const contents = readContents(textOf(CONTENTS_FILE) ?? "");
  if (!contents.ok) return contents;
  const report = { added: [] as string[], renewed: [] as string[], left: [] as string[], same: 0, states: 0, takes: 0, problems: [] as string[] };
  const { layouts, states, takes } = contents.value;
  const of = layouts.length + states.length + takes.length;
  let done = 0;
  for (const entry of layouts) {
    yield { done: (done += 1) - 1, of };
    const text = textOf(entry.file);
    const layout = text === null ? refused<never>(entry.file, "is not in the zip, or damaged") : readLayout(text);
    if (!layout.ok) {
      report.problems.push(`“${entry.name}”: ${problemText(layout.problems, 1)}`);
      continue;
    }
    const form = storedForm(layout.value);
    const pictures = picturesByDigest(layout.value, form.digests);
    const here = await kept.read(entry.id);
    if (!here) {
      const { id, name, savedAt, deletedAt } = entry;
      await kept.addAll([{ id, name, text: form.text, savedAt, deletedAt, revision: 0 } satisfies KeptLayout], pictures);
      report.added.push(name);
      continue;
    }
    const known = await openKept(kept, entry.id);
    if (known.ok && storedForm(known.value.layout).text === form.text) report.same += 1;
    else if (!known.ok || here.savedAt >= entry.savedAt) report.left.push(here.name);
    else {
      const record = {
        id: newId(),
        kind: "edit",
        label: "take it back from a backup",
        time: now(),
        by: "backup",
        changes: changesBetween(known.value.layout, layout.value),
      } as const;
      const written = await kept.write({
        id: entry.id,
        name: layout.value.name,
        text: form.text,
        savedAt: now(),
        base: here.revision,
        records: [record],
        pictures,
      });
      if (written.kind === "written") report.renewed.push(entry.name);
      else report.left.push(here.name);
    }
  }
  // Which are here already is asked once a layout, not once a state: there may be thousands of them.
  const statesHere = knownIds((layout) => kept.states(layout));
  for (const { file, ...state } of states) {
    yield { done: (done += 1) - 1, of };
    if (await statesHere(state)) continue;
    const text = textOf(file);
    const pictures = text === null ? null : picturesIn(text, (digest) => textOf(pictureFile(digest)));
    if (text === null || pictures === null) report.problems.push(`the state “${state.name}”: ${file} or a picture of it is not in the zip, or damaged`);
    else {
      await kept.writeState({ ...state, text }, pictures);
      report.states += 1;
    }
  }
  const takesHere = knownIds((layout) => kept.takes(layout));
  for (const entry of takes) {
    yield { done: (done += 1) - 1, of };
    if (!(await takesHere(entry))) await takeInTake(kept, { entry, textOf, report });
  }
  return { ok: true, value: report };
}

/** Says whether something of a layout is kept already. What is kept of a layout is read once. */
function knownIds(list: (layout: string) => Promise<readonly { readonly id: string }[]>) {
  const known = new Map<string, Promise<ReadonlySet<string>>>();
  return async ({ id, layout }: { readonly id: string; readonly layout: string }): Promise<boolean> => {
    let ids = known.get(layout);
    if (!ids) known.set(layout, (ids = list(layout).then((all) => new Set(all.map((one) => one.id)))));
    return (await ids).has(id);
  };
}

/** A take of a backup that is not here yet; what it was played on comes with it where all of that is there. */
async function takeInTake(
  kept: LayoutStore,
  {
    entry,
    textOf,
    report,
  }: { readonly entry: BackupContents["takes"][number]; readonly textOf: TextOf; readonly report: { takes: number; problems: string[] } },
): Promise<void> {
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
    count(renewed.length, "brought up to the backup", "brought up to the backup"),
    count(left.length, "newer here, left as it is", "newer here, left as they are"),
    count(same, "was the same", "were the same"),
    count(states, "named state added", "named states added"),
    count(takes, "take added", "takes added"),
  ].filter((part) => part !== "");
  return [`${parts.join(", ") || "Nothing was in it"}.`, ...problems].join("\n");
}
