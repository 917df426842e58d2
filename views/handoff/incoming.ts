"use client";
/** What came in, sorted by what it is: layouts, takes, a backup, rectangles, game art. The files are read in a worker; pictures are decoded here, by the browser. */
import { endingOf, type FileProgress, type NamedBytes, type NamedText, type SheetPiece } from "../../core/exchange/sortFiles";
import type { RectangleSource } from "../../core/exchange/rectangleFile";
import type { PictureData } from "../../core/editing/edits/pictures";
import { problemText } from "../../core/engine/result";
import { PICTURES } from "../../core/format/limits";
import type { LayoutStore } from "../../storage/store";
import { runArchive } from "../../workers/archive";
import { readPicture } from "../document/files/pictureFile";
import type { ArtSource } from "./art/ArtDialogue";

/** What came in, sorted. */
export interface Incoming {
  readonly layouts: readonly NamedText[];
  readonly takes: readonly NamedText[];
  readonly backups: readonly NamedBytes[];
  readonly rectangles: readonly RectangleSource[];
  readonly art: ArtSource | null;
  /** What was not taken, by name, and why. */
  readonly refused: readonly string[];
}

/** How the sorting is watched, and ended. */
export interface SortingWatched {
  readonly kept: LayoutStore;
  readonly onProgress: (progress: FileProgress) => void;
  readonly signal: AbortSignal;
}

const ART = ["image/png", "image/webp", "image/svg+xml"] as const;
const ART_TYPES: Readonly<Record<string, (typeof ART)[number]>> = { png: "image/png", webp: "image/webp", svg: "image/svg+xml" };
/** A sheet is larger than any one picture of a layout may be, by so much: what is cut from it is held to that. */
const SHEET_TIMES = 4;

/** Sorts files; null where it was stopped. `isArt`: SVGs are pictures, whatever else they might be. */
export async function sortIncoming(chosen: readonly File[], isArt: boolean, { kept, onProgress, signal }: SortingWatched): Promise<Incoming | null> {
  const sorted = await runArchive({ kind: "sort", files: chosen, isArt }, kept, { onProgress, signal });
  if (!sorted) return null;
  const { pictures, pieces, ...others } = sorted;
  const art = await readPictures(pictures, isArt, { kept, onProgress, signal });
  return art && { ...others, art: artOf(art.pictures, pieces), refused: [...sorted.refused, ...art.refused] };
}

const artOf = (pictures: readonly PictureData[], pieces: readonly SheetPiece[] | null): ArtSource | null => (pictures.length > 0 ? { pictures, pieces } : null);

/** Decodes pictures one by one; null where it was stopped. */
async function readPictures(files: readonly NamedBytes[], isArt: boolean, { onProgress, signal }: SortingWatched) {
  const pictures: PictureData[] = [];
  const refused: string[] = [];
  const count = (ending: string) => files.filter((file) => endingOf(file.name) === ending).length;
  for (const [done, { name, bytes }] of files.entries()) {
    if (signal.aborted) return null;
    onProgress({ done, of: files.length });
    const ending = endingOf(name);
    const isSheet = isArt && ending !== "svg" && count(ending) === 1;
    const file = new File([bytes as BlobPart], name, { type: ART_TYPES[ending] });
    const picture = await readPicture(file, ART, (isSheet ? SHEET_TIMES : 1) * PICTURES.fileBytes.most);
    if (picture.ok) pictures.push(picture.value);
    else refused.push(problemText(picture.problems));
  }
  return { pictures, refused };
}
