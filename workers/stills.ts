/** Stills of backdrops, by which looks are judged: the page draws them, a worker keeps them by their keys. */
import type { Still } from "../core/checks/contrast";

/** A still known by its key, read only when the worker does not have it yet. */
export interface StillSource {
  /** Empty where nothing is known of the backdrop: looks are not judged against it then. */
  readonly key: string;
  readonly read: () => Still;
}

/** The page's side: sends each still once. */
export interface StillSender {
  /** Sends what the worker does not have yet; gives the keys. */
  send(stills: readonly StillSource[], keep: (key: string, still: Still) => unknown): readonly string[];
  /** Another worker has begun, which has none. */
  reset(): void;
}

export function createStillSender(): StillSender {
  const sent = new Set<string>();
  return {
    send(stills, keep) {
      for (const { key, read } of stills) {
        if (key === "" || sent.has(key)) continue;
        sent.add(key);
        keep(key, read());
      }
      return stills.map(({ key }) => key);
    },
    reset: () => sent.clear(),
  };
}

const MOST_STILLS = 400;

/** The worker's side. */
export interface StillStore {
  keep(key: string, still: Still): void;
  /** Returns the still of a key; null for an empty key, or one that is not kept any more. */
  get(key: string | undefined): Still | null;
}

export function createStillStore(): StillStore {
  const stills = new Map<string, Still>();
  return {
    keep(key, still) {
      if (stills.size >= MOST_STILLS) stills.delete(stills.keys().next().value!);
      stills.set(key, still);
    },
    get: (key) => (key === undefined ? null : (stills.get(key) ?? null)),
  };
}
