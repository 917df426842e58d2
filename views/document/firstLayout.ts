/** Which layout is opened at first. */
import { problemText } from "../../core/engine/result";
import type { Sample } from "../../samples/samples";
import { within } from "../../storage/database";
import { reasonOf } from "../../storage/reason";
import { memoryStore } from "../../storage/memory";
import type { LayoutStore } from "../../storage/store";
import { newlyOpened, openKept, type OpenedLayout } from "../../storage/openKept";

/** What is opened, from which store, and what could not be. */
export interface First {
  readonly kept: LayoutStore;
  readonly opened: OpenedLayout;
  /** In words: layouts that cannot be read, or that did not draw last time. */
  readonly passedOver: readonly string[];
}

/** How the first layout is found. */
export interface FirstLayoutSearch {
  readonly kept: LayoutStore;
  readonly samples: readonly Sample[];
  readonly newId: () => string;
  /** The layout this window had open last; null: the one that any window had. */
  readonly last?: string | null;
  /** Layouts that are not opened by themselves: they could not be drawn last time. */
  readonly shunned?: ReadonlySet<string>;
  /** How long the store may take, ms; after that work begins in memory. */
  readonly patienceMs?: number;
}

/** Storage that has opened may still not answer. */
const PATIENCE_MS = 1500;

/** Samples have the same ids wherever they are kept first, so that two windows opened at once begin with the same. */
export const sampleId = (i: number): string => `shipped-${i + 1}`;

/**
 * The layout to begin with. An empty store gets the samples, and the first of them is shown at once: they ship with the application, so
 * nobody need wait until they are written, and what the browser refuses then is reported with the first edit. A store that cannot be read is
 * left as it is, and work begins in memory.
 */
export async function firstLayout(finding: FirstLayoutSearch): Promise<First> {
  const { kept, samples, newId, patienceMs = PATIENCE_MS } = finding;
  try {
    return await within(patienceMs, "the browser's storage", findIn(finding));
  } catch (error) {
    if (kept.kind === "memory") return { kept, opened: { ...newlyOpened(newId(), samples[0].layout()), isOffered: true }, passedOver: [] };
    return findIn({ ...finding, kept: memoryStore(`it cannot be read: ${reasonOf(error)}. The stored data is unchanged`) });
  }
}

async function findIn({ kept, samples, newId, last = null, shunned = new Set() }: FirstLayoutSearch): Promise<First> {
  const { layouts, aside } = await kept.all();
  const passedOver = aside.map(({ name }) => `“${name}” cannot be read and was set aside unchanged`);
  if (layouts.length === 0 && aside.length === 0) {
    // Nobody has saved them: whatever a backup holds under their ids is newer.
    const records = samples.map(({ name, text }, i) => ({ id: sampleId(i), name, text: text(), savedAt: samples.length - i, deletedAt: null, revision: 0 }));
    kept.addAll(records).catch((error: unknown) => console.error("The samples could not be stored.", error));
    return { kept, opened: { ...newlyOpened(records[0].id, samples[0].layout()), revision: 0 }, passedOver };
  }
  const listed = layouts.filter((l) => l.deletedAt === null).sort((a, b) => b.savedAt - a.savedAt);
  const wanted = last ?? (await kept.lastOpen());
  const order = [...listed.filter((l) => l.id === wanted), ...listed.filter((l) => l.id !== wanted)];
  for (const { id, name } of order) {
    if (shunned.has(id)) {
      passedOver.push(`“${name}” could not be drawn last time, so it was not opened`);
      continue;
    }
    const opened = await openKept(kept, id);
    if (opened.ok) return { kept, opened: opened.value, passedOver };
    passedOver.push(`“${name}” cannot be read and was set aside unchanged (${problemText(opened.problems, 1)})`);
  }
  return { kept, opened: { ...newlyOpened(newId(), samples[0].layout()), isOffered: true }, passedOver };
}
