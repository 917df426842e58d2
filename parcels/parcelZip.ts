/** Parcels as one zip, a folder each. */
import { strToU8, zipSync, type Zippable } from "fflate";
import type { Parcel, ParcelFile } from "./parcel";

/** The file that names what could not be made. */
const LEFT_OUT_FILE = "left-out.txt";
/** Files in a zip carry a time; the same parcels are to be the same bytes. */
const MADE = new Date(2026, 0, 1);

/** The files of parcels by their paths: under a folder of the parcel's id, with a list of what was omitted. */
export function parcelFolder(parcels: readonly Parcel[]): ReadonlyMap<string, string | Uint8Array> {
  const files = new Map<string, string | Uint8Array>();
  for (const { id, files: own } of parcels) for (const { path, content } of own) files.set(`${id}/${path}`, content);
  const leftOut = parcels.flatMap(({ leftOut: lines }) => lines);
  if (leftOut.length > 0) files.set(LEFT_OUT_FILE, `${leftOut.join("\n")}\n`);
  return files;
}

/** One zip of them. The same parcels give the same bytes. */
export function parcelZip(parcels: readonly Parcel[]): Uint8Array {
  const files: Zippable = {};
  for (const [path, content] of parcelFolder(parcels)) files[path] = [typeof content === "string" ? strToU8(content) : content, { mtime: MADE }];
  return zipSync(files, { level: 6 });
}

/** A parcel as it is taken: its one file, or a zip of them with what was omitted. */
export function takenAs({ id, files, leftOut }: Parcel, zipName: string): ParcelFile {
  if (files.length === 1 && leftOut.length === 0) return { ...files[0], path: files[0].path.split("/").at(-1)! };
  return { path: zipName, type: "application/zip", content: parcelZip([{ id, files, leftOut }]) };
}
