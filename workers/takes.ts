/** The typed client of the takes worker. */
import type { TakeDifference, TakePair } from "../core/rehearsal/compareTake";
import type { Result } from "../core/engine/result";
import { connectTakes } from "./connect";
import { supervised } from "./supervised";

/** The longest take on a slow machine, twice over, ms. */
const PATIENCE_MS = 60_000;

/** Compares a take over two layouts; the worker lives as long as that takes. Rejects where it breaks or takes too long. */
export async function compareInWorker(contest: TakePair): Promise<Result<TakeDifference>> {
  const worker = supervised({ connect: connectTakes, patienceMs: PATIENCE_MS });
  try {
    return await worker.ask<Result<TakeDifference>>((remote) => remote.compare(contest) as Promise<Result<TakeDifference>>);
  } finally {
    worker.stop();
  }
}
