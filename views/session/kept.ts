/** Kept layouts read again: their texts with the pictures that they refer to. */
import { digestsIn, pictureData, readStored, wholeText } from "../../core/format/stored";
import type { Layout } from "../../core/format/types";
import type { Result } from "../../core/engine/result";
import type { KeptLayout, LayoutStore, PicturesByDigest } from "../../storage/layouts";

/** The pictures of a layout by their digests, which stand in the order of `pictureData`. */
export function picturesByDigest(layout: Layout, digests: readonly string[]): PicturesByDigest {
  const data = pictureData(layout);
  return new Map(digests.map((digest, i) => [digest, data[i]]));
}

/** A kept layout, or why it cannot be read. */
export async function keptLayout(store: LayoutStore, { text }: KeptLayout): Promise<Result<Layout>> {
  const pictures = await store.pictures(digestsIn(text));
  return readStored(text, (digest) => pictures.get(digest));
}

/** The text of a kept layout's file, with its pictures; what cannot be read is given as it is. */
export async function keptText(store: LayoutStore, { text }: KeptLayout): Promise<string> {
  const pictures = await store.pictures(digestsIn(text));
  return wholeText(text, (digest) => pictures.get(digest));
}
