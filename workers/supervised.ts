/** A worker that is watched: one that does not answer in time, or breaks, is stopped, and another is started for the next question. */
import type { Remote } from "comlink";
import type { Connection } from "./connect";

/** A worker has not answered in time; it has been stopped. */
export class TooLongError extends Error {}

/** A worker that outlives its failures. */
export interface Supervised<T> {
  /** Asks a question. Rejects with the worker's own refusal, or, after it was stopped, with why. */
  ask<R>(question: (remote: Remote<T>) => Promise<R>): Promise<R>;
  /** Stops it; a later question starts another. */
  stop(): void;
}

/** How a worker is had. */
export interface Supervision<T> {
  /** Starts one; may throw where there is none. */
  readonly connect: () => Connection<T>;
  /** So long an answer is waited for, ms. */
  readonly patienceMs: number;
  /** Hears of each start: the worker knows nothing yet. */
  readonly started?: () => void;
}

/** An answer, refused when it has not come in time. */
async function within<R>(ms: number, answer: Promise<R>): Promise<R> {
  let timer: ReturnType<typeof setTimeout> | undefined;
  const tooLong = new Promise<never>((_, reject) => {
    timer = setTimeout(() => reject(new TooLongError(`no answer within ${ms / 1000} s`)), ms);
  });
  try {
    return await Promise.race([answer, tooLong]);
  } finally {
    clearTimeout(timer);
  }
}

/** A worker that is started with its first question. */
export function supervised<T>({ connect, patienceMs, started }: Supervision<T>): Supervised<T> {
  let connection: Connection<T> | null = null;
  const begun = (): Connection<T> => {
    if (connection) return connection;
    connection = connect();
    started?.();
    return connection;
  };
  return {
    async ask(question) {
      const own = begun();
      let broken = false;
      const breaks = own.broken.catch((error: unknown) => {
        broken = true;
        throw error;
      });
      try {
        return await within(patienceMs, Promise.race([question(own.remote), breaks]));
      } catch (error) {
        if (broken || error instanceof TooLongError) {
          own.stop();
          // Another question may have found it out before, and a new one runs already.
          if (connection === own) connection = null;
        }
        throw error;
      }
    },
    stop() {
      connection?.stop();
      connection = null;
    },
  };
}
