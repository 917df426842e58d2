/** What the takes worker does, apart from its message channel: half an hour of play on two layouts is minutes of frames, and no work for the page. */
import { compareTake, type TakeDifference, type TakePair } from "../core/rehearsal/compareTake";
import type { Result } from "../core/engine/result";

/** The worker's side of takes. */
export interface TakesService {
  compare(contest: TakePair): Promise<Result<TakeDifference>>;
}

export const createTakesService = (): TakesService => ({ compare: (contest) => Promise.resolve(compareTake(contest)) });
