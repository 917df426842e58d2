/** A zip as it comes in: its files unpacked one by one as they are asked for, so that a small file that unpacks to gigabytes costs nothing. */
import { unzipSync } from "fflate";
import { refused, type Result } from "../../core/engine/result";

export interface Zip {
  /** The files in it by their names, folders left out. */
  readonly names: readonly string[];
  /** The bytes of a file; null where there is none, it is damaged, or larger than `mostBytes`. */
  readonly bytesOf: (name: string, mostBytes: number) => Uint8Array | null;
}

/** Reads the table of a zip; what is no zip is refused. */
export function openZip(bytes: Uint8Array): Result<Zip> {
  const sizes = new Map<string, number>();
  try {
    unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        sizes.set(name, originalSize);
        return false;
      },
    });
  } catch (error) {
    return refused("", `this is no zip that can be read: ${error instanceof Error ? error.message : "it is damaged"}`);
  }
  const bytesOf = (name: string, mostBytes: number): Uint8Array | null => {
    if ((sizes.get(name) ?? Infinity) > mostBytes) return null;
    try {
      const files = new Map(Object.entries(unzipSync(bytes, { filter: (file) => file.name === name })));
      return files.get(name) ?? null;
    } catch {
      return null;
    }
  };
  return { ok: true, value: { names: [...sizes.keys()].filter((name) => !name.endsWith("/")), bytesOf } };
}
