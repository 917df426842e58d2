/** Reads the bodies of requests, no more of them at once than there is room for. */
import { MOST_FILE_BYTES } from "../core/format/limits";

/** All bodies that are being read, or wait for a thread, hold no more than this together, bytes: two of the largest layouts. */
export const MOST_HELD_BYTES = 2 * MOST_FILE_BYTES;
/** Of a body that is not taken so much is still listened to, unkept, so that whoever sends it can hear the answer, bytes. */
const HEARD_OUT_BYTES = 4 * MOST_FILE_BYTES;

/** Counts the bytes that are held. */
export interface HeldBytes {
  /** So many bytes of a body are done with: read and released, or never kept. */
  passed(bytes: number): void;
  /** Whether there was room for this many more. */
  take(bytes: number): boolean;
  give(bytes: number): void;
}

/** Creates the count of what is held, at most `most` bytes; `passed` is reported the size of each body that is done with. */
export function createHeldBytes(most = MOST_HELD_BYTES, passed: (bytes: number) => void = () => undefined): HeldBytes {
  let held = 0;
  return {
    passed,
    take(bytes) {
      if (held + bytes > most) return false;
      held += bytes;
      return true;
    },
    give(bytes) {
      held -= bytes;
    },
  };
}

/** A body that was read, which is held until it is released; or why there is none. */
export type RequestBody =
  | { readonly kind: "read"; readonly bytes: Uint8Array<ArrayBuffer>; release(): void }
  | { readonly kind: "large" }
  | { readonly kind: "busy" };

/** Reads a body, as long as it is no larger than a layout may be and there is room for it among the others. `isBusy`: nothing of it is kept. */
export async function readBody(request: Request, held: HeldBytes, isBusy: boolean): Promise<RequestBody> {
  let bytes: GrowingBytes | null = createGrowingBytes(MOST_FILE_BYTES);
  let size = 0;
  let taken = 0;
  let refusal: "large" | "busy" | null = isBusy ? "busy" : null;
  const letGo = () => {
    held.give(taken);
    taken = 0;
  };
  const release = () => {
    held.passed(taken);
    letGo();
  };
  const refuse = (why: "large" | "busy") => {
    refusal = why;
    bytes = null;
    letGo();
  };
  try {
    for await (const piece of (request.body ?? []) as AsyncIterable<Uint8Array>) {
      size += piece.length;
      if (size > HEARD_OUT_BYTES) break;
      if (refusal === null && size > MOST_FILE_BYTES) refuse("large");
      if (refusal !== null) continue;
      if (!held.take(piece.length)) refuse("busy");
      else {
        taken += piece.length;
        bytes?.add(piece);
      }
    }
  } catch (error) {
    letGo();
    throw error;
  } finally {
    // What is held is done with when it is released.
    held.passed(size - taken);
  }
  if (size > MOST_FILE_BYTES) return { kind: "large" };
  return refusal === null && bytes ? { kind: "read", bytes: bytes.all(), release } : { kind: "busy" };
}

/** Bytes that come in pieces. */
interface GrowingBytes {
  add(piece: Uint8Array): void;
  all(): Uint8Array<ArrayBuffer>;
}

/** A buffer that grows in place (ECMAScript 2024): no second copy is made of a large body, and its pages go back to the system with it. */
function createGrowingBytes(most: number): GrowingBytes {
  const Resizable = ArrayBuffer as unknown as new (size: number, options: { maxByteLength: number }) => ArrayBuffer & { resize(size: number): void };
  const buffer = new Resizable(0, { maxByteLength: most });
  return {
    add(piece) {
      const at = buffer.byteLength;
      buffer.resize(at + piece.length);
      new Uint8Array(buffer).set(piece, at);
    },
    all: () => new Uint8Array(buffer),
  };
}
