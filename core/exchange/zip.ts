/**
 * Reads zips (APPNOTE.TXT, sections 4.3.7, 4.3.12 and 4.3.16) whose makers are not trusted: the directory is read once, and a file is inflated
 * only as far as it may go, whatever size the zip says it has. Files that are stored or deflated are read; zips over 4 GiB (Zip64) are not.
 */
import { Inflate } from "fflate";
import { refused, type Result } from "../engine/result";

/** A zip as it comes in: its files are unpacked one by one as they are asked for. */
export interface Zip {
  /** The files in it by their names, folders omitted. */
  readonly names: readonly string[];
  /** The bytes of a file; null where there is none, it is damaged, or it unpacks to more than `mostBytes`. */
  bytesOf(name: string, mostBytes: number): Uint8Array | null;
}

/** Where a file is in a zip. */
interface Entry {
  readonly method: number;
  readonly packedBytes: number;
  readonly headerAt: number;
}

const END = 0x06054b50;
const END_BYTES = 22;
/** The longest comment that may be behind the end. */
const COMMENT_BYTES = 0xffff;
const DIRECTORY_ENTRY = 0x02014b50;
const DIRECTORY_ENTRY_BYTES = 46;
const FILE_HEADER = 0x04034b50;
const FILE_HEADER_BYTES = 30;
/** A size or place that is elsewhere, in the fields of Zip64. */
const ELSEWHERE = 0xffffffff;
const STORED = 0;
const DEFLATED = 8;

/** Reads the directory of a zip; what is no zip is refused. */
export function openZip(bytes: Uint8Array): Result<Zip> {
  const entries = directoryOf(bytes);
  if (typeof entries === "string") return refused("", `this zip cannot be read: ${entries}`);
  return {
    ok: true,
    value: {
      names: [...entries.keys()].filter((name) => !name.endsWith("/")),
      bytesOf(name, mostBytes) {
        const entry = entries.get(name);
        return entry ? unpacked(bytes, entry, mostBytes) : null;
      },
    },
  };
}

/** The entries of the directory by name, the last of a name; or what is wrong with it. */
function directoryOf(bytes: Uint8Array): ReadonlyMap<string, Entry> | string {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  const end = endOf(view);
  if (end === null) return "it has no directory";
  const count = view.getUint16(end + 10, true);
  let at = view.getUint32(end + 16, true);
  if (at === ELSEWHERE) return "it is larger than 4 GiB";
  const [utf8, latin1] = [new TextDecoder("utf-8"), new TextDecoder("latin1")];
  const entries = new Map<string, Entry>();
  for (let i = 0; i < count; i += 1) {
    if (at + DIRECTORY_ENTRY_BYTES > bytes.length || view.getUint32(at, true) !== DIRECTORY_ENTRY) return "its directory is damaged";
    const nameLength = view.getUint16(at + 28, true);
    const named = bytes.subarray(at + DIRECTORY_ENTRY_BYTES, at + DIRECTORY_ENTRY_BYTES + nameLength);
    // Bit 11: the name is in UTF-8.
    const name = ((view.getUint16(at + 8, true) & 0x800) !== 0 ? utf8 : latin1).decode(named);
    entries.set(name, { method: view.getUint16(at + 10, true), packedBytes: view.getUint32(at + 20, true), headerAt: view.getUint32(at + 42, true) });
    at += DIRECTORY_ENTRY_BYTES + nameLength + view.getUint16(at + 30, true) + view.getUint16(at + 32, true);
  }
  return entries;
}

/** Where the record is that ends a zip, behind which only a comment may follow. */
function endOf(view: DataView): number | null {
  const last = view.byteLength - END_BYTES;
  for (let at = last; at >= Math.max(0, last - COMMENT_BYTES); at -= 1) if (view.getUint32(at, true) === END) return at;
  return null;
}

/** So much is inflated at a time: what comes of it is at most about a thousand times as much. */
const STEP_BYTES = 4 * 1024;

function unpacked(bytes: Uint8Array, { method, packedBytes, headerAt }: Entry, mostBytes: number): Uint8Array | null {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (headerAt + FILE_HEADER_BYTES > bytes.length || view.getUint32(headerAt, true) !== FILE_HEADER) return null;
  const from = headerAt + FILE_HEADER_BYTES + view.getUint16(headerAt + 26, true) + view.getUint16(headerAt + 28, true);
  if (from + packedBytes > bytes.length) return null;
  const packed = bytes.subarray(from, from + packedBytes);
  if (method === STORED) return packed.length <= mostBytes ? packed : null;
  return method === DEFLATED ? inflated(packed, mostBytes) : null;
}

/** Inflates as far as it may go; null where it goes further, or is damaged. */
function inflated(packed: Uint8Array, mostBytes: number): Uint8Array | null {
  const pieces: Uint8Array[] = [];
  let size = 0;
  const inflate = new Inflate((piece) => {
    size += piece.length;
    pieces.push(piece);
  });
  try {
    for (let at = 0; at < packed.length || at === 0; at += STEP_BYTES) {
      inflate.push(packed.subarray(at, at + STEP_BYTES), at + STEP_BYTES >= packed.length);
      if (size > mostBytes) return null;
    }
  } catch {
    return null;
  }
  const all = new Uint8Array(size);
  let to = 0;
  for (const piece of pieces) {
    all.set(piece, to);
    to += piece.length;
  }
  return all;
}
