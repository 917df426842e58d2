/**
 * Looks through everything that is kept, record by record, for what cannot be read any more, whoever damaged it. Nothing is changed: each damage
 * is reported by the name of what it is in, with what can be saved of it.
 */
import type { FileProgress } from "../core/exchange/sortFiles";
import { readKeptLayout, readKeptState, readKeptTake, readKeptTakeText, readLogRecord, type KeptLayout } from "../core/exchange/storedRecords";
import { readTake } from "../core/exchange/takeFile";
import { problemText } from "../core/engine/result";
import { digestOfText } from "../core/format/digest";
import { digestsIn, readStored, textWithoutMissing } from "../core/format/stored";
import type { LayoutStore, StoreName } from "./store";

/** Something that cannot be read. */
export interface Damage {
  readonly store: StoreName;
  /** What it is, by its name: “Good”, the state “before the playtest”. */
  readonly name: string;
  readonly why: string;
  /** What can be done with what remains. */
  readonly saved: string;
  /** What remains of it, as a text to be downloaded; null where its own nothing is. */
  readonly left: string | null;
  /** Whether what remains is a layout file that can be imported. */
  readonly isLayout?: boolean;
}

const STORES: readonly StoreName[] = ["layouts", "pictures", "log", "states", "takes", "takeTexts", "choices"];
const AS_IT_IS = "It is unchanged; download the rest of it.";

const nameIn = (value: unknown, what: string, none: string): string => {
  const name = typeof value === "object" && value !== null && "name" in value && typeof value.name === "string" ? value.name : "";
  return name === "" ? none : `${what}“${name}”`.trim();
};
const textOf = (value: unknown): string => JSON.stringify(value, null, 2) ?? String(value);

/** What is known while the stores are gone through. */
interface Known {
  readonly kept: LayoutStore;
  readonly names: Map<string, string>;
  readonly takes: Map<string, string>;
  /** Records of the log that cannot be read, by layout, of how many. */
  readonly log: Map<string, { broken: number; of: number; left: unknown[] }>;
}
const layoutName = ({ names }: Known, id: unknown): string => (typeof id === "string" ? (names.get(id) ?? id) : "a layout without a name");

/** Goes through all stores, a record a step; gives what is damaged, in the order of the stores. */
export async function* inspectKept(kept: LayoutStore): AsyncGenerator<FileProgress, readonly Damage[]> {
  const found: Damage[] = [];
  const known: Known = { kept, names: new Map(), takes: new Map(), log: new Map() };
  const keys = await Promise.all(STORES.map((store) => kept.keys(store)));
  const of = keys.reduce((sum, list) => sum + list.length, 0);
  let done = 0;
  for (const [i, store] of STORES.entries())
    for (const key of keys[i]) {
      yield { done: (done += 1) - 1, of };
      found.push(...(await inspected(store, key, await kept.raw(store, key), known)));
    }
  for (const [layout, { broken, of: count, left }] of known.log)
    if (broken > 0)
      found.push({
        store: "log",
        name: `the history of “${layoutName(known, layout)}”`,
        why: `${broken} of its ${count} steps cannot be read`,
        saved: "The layout is complete. Its history starts after the last unreadable step.",
        left: textOf(left),
      });
  for (const [id, name] of known.takes)
    if ((await kept.raw("takeTexts", id)) === undefined)
      found.push({
        store: "takeTexts",
        name: `the take “${name}”`,
        why: "its events are missing",
        saved: "Only its name is stored; delete it.",
        left: null,
      });
  return found;
}

async function inspected(store: StoreName, key: unknown, value: unknown, known: Known): Promise<readonly Damage[]> {
  switch (store) {
    case "layouts":
      return inspectLayout(value, known);
    case "pictures":
      return typeof value === "string" && digestOfText(value) === key
        ? []
        : [
            {
              store,
              name: `the picture ${String(key).slice(0, 8)}`,
              why: "differs from the stored one",
              saved: "Choose the picture again where it is used.",
              left: textOf(value),
            },
          ];
    case "log": {
      const [layout] = Array.isArray(key) ? (key as unknown[]) : [key];
      const entry = known.log.get(String(layout)) ?? { broken: 0, of: 0, left: [] };
      const isSound = typeof value === "object" && value !== null && "record" in value && readLogRecord(value.record).ok;
      entry.of += 1;
      if (!isSound) entry.broken += 1;
      if (!isSound) entry.left.push(value);
      known.log.set(String(layout), entry);
      return [];
    }
    case "states": {
      const read = readKeptState(value);
      const name = nameIn(value, "the state ", "a state without a name");
      if (!read.ok) return [{ store, name, why: problemText(read.problems.slice(0, 1)), saved: AS_IT_IS, left: textOf(value) }];
      return inspectText(`${name} of “${layoutName(known, read.value.layout)}”`, read.value.text, store, known);
    }
    case "takes": {
      const read = readKeptTake(value);
      if (!read.ok)
        return [
          {
            store,
            name: nameIn(value, "the take ", "a take without a name"),
            why: problemText(read.problems.slice(0, 1)),
            saved: AS_IT_IS,
            left: textOf(value),
          },
        ];
      known.takes.set(read.value.id, read.value.name);
      return [];
    }
    case "takeTexts":
      return inspectTake(String(key), value, known);
    case "choices":
      return key !== "open" || typeof value === "string"
        ? []
        : [{ store, name: "which layout was open", why: "is not the id of a layout", saved: "Nothing is lost: the latest layout opens.", left: null }];
  }
}

async function inspectLayout(value: unknown, known: Known): Promise<readonly Damage[]> {
  const read = readKeptLayout(value);
  if (!read.ok)
    return [
      {
        store: "layouts",
        name: nameIn(value, "", "a layout without a name"),
        why: problemText(read.problems.slice(0, 1)),
        saved: AS_IT_IS,
        left: textOf(value),
      },
    ];
  const { id, name, text }: KeptLayout = read.value;
  known.names.set(id, name);
  return inspectText(`“${name}”`, text, "layouts", known);
}

/** A stored text: of what cannot be read the text remains; where only pictures are missing, a file without them. */
async function inspectText(name: string, text: string, store: StoreName, { kept }: Known): Promise<readonly Damage[]> {
  const pictures = await kept.pictures(digestsIn(text));
  const dataOf = (digest: string) => pictures.get(digest);
  const read = readStored(text, dataOf);
  if (read.ok) return [];
  const missing = digestsIn(text).filter((digest) => !pictures.has(digest)).length;
  if (missing === 0) return [{ store, name, why: problemText(read.problems.slice(0, 1)), saved: AS_IT_IS, left: text }];
  return [
    {
      store: "pictures",
      name,
      why: missing === 1 ? "one of its pictures is missing" : `${missing} of its pictures are missing`,
      saved: "The rest is complete: download it with empty pictures and import it.",
      left: textWithoutMissing(text, dataOf),
      isLayout: true,
    },
  ];
}

function inspectTake(id: string, value: unknown, { takes }: Known): readonly Damage[] {
  const name = takes.has(id) ? `the take “${takes.get(id)!}”` : "a take that is not listed";
  const read = readKeptTakeText(value);
  if (!read.ok) return [{ store: "takeTexts", name, why: problemText(read.problems.slice(0, 1)), saved: AS_IT_IS, left: textOf(value) }];
  const take = readTake(read.value.text);
  return take.ok ? [] : [{ store: "takeTexts", name, why: problemText(take.problems.slice(0, 1)), saved: AS_IT_IS, left: read.value.text }];
}
