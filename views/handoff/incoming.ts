"use client";
/** What came in, sorted by what it is: layouts, takes, a backup, rectangles, game art. A zip is opened and its files sorted likewise. */
import { CONTENTS_FILE } from "../../core/exchange/backup";
import { textOfBytes } from "../../core/exchange/fileBytes";
import { readTables, guessMatch, NEEDED } from "../../core/exchange/tableRectangles";
import { readJson } from "../../core/format/json";
import { TAKE_FILE } from "../../core/exchange/take";
import { MOST_FILE_BYTES, PICTURES, TAKES } from "../../core/format/limits";
import { problemText } from "../../core/engine/result";
import type { PictureData } from "../../core/editing/edits/pictures";
import { readPicture } from "../shared/pictureFile";
import { textOfFile } from "../shared/textOfFile";
import { openZip } from "../shared/zip";
import type { ArtSource } from "./art/ArtDialogue";
import type { Piece } from "./art/cut";
import { readRectangleFile, type RectangleSource } from "./rectangles/source";

/** What came in, sorted. */
export interface Incoming {
  readonly layouts: readonly { readonly name: string; readonly text: string }[];
  readonly takes: readonly { readonly name: string; readonly text: string }[];
  readonly backups: readonly { readonly name: string; readonly bytes: Uint8Array }[];
  readonly rectangles: readonly RectangleSource[];
  readonly art: ArtSource | null;
  /** What was not taken, by name, and why. */
  readonly refused: readonly string[];
}

/** A zip of others holds at most so many files that are looked at, of at most so many bytes together. */
const MOST_FILES = 1000;
const MOST_ZIP_BYTES = 64 * 1024 * 1024;
const ART = ["image/png", "image/webp", "image/svg+xml"] as const;
const ART_TYPES: Readonly<Record<string, (typeof ART)[number]>> = { png: "image/png", webp: "image/webp", svg: "image/svg+xml" };

const endingOf = (name: string): string => /\.([a-z\d]+)$/i.exec(name)?.[1].toLowerCase() ?? "";
const bareName = (name: string): string => name.replace(/^.*\//, "");

/** All files, those of zips among them; backups stand by themselves. */
async function unpacked(
  files: readonly File[],
): Promise<{ readonly files: readonly File[]; readonly backups: Incoming["backups"]; readonly refused: readonly string[] }> {
  const all: File[] = [];
  const backups: { readonly name: string; readonly bytes: Uint8Array }[] = [];
  const refused: string[] = [];
  for (const file of files) {
    if (endingOf(file.name) !== "zip") {
      all.push(file);
      continue;
    }
    if (file.size > MOST_ZIP_BYTES * 4) {
      refused.push(`“${file.name}”: is larger than any zip that is taken here; take its files in by themselves`);
      continue;
    }
    const bytes = new Uint8Array(await file.arrayBuffer());
    const zip = openZip(bytes);
    if (!zip.ok) refused.push(`“${file.name}”: ${problemText(zip.problems)}`);
    else if (zip.value.names.includes(CONTENTS_FILE)) backups.push({ name: file.name, bytes });
    else {
      let room = MOST_ZIP_BYTES;
      for (const name of zip.value.names.filter((one) => !bareName(one).startsWith(".")).slice(0, MOST_FILES)) {
        const inside = zip.value.bytesOf(name, Math.min(room, MOST_FILE_BYTES));
        if (inside === null) refused.push(`“${name}” in “${file.name}”: is damaged, or too large`);
        else {
          room -= inside.length;
          all.push(new File([inside as BlobPart], bareName(name), { type: ART_TYPES[endingOf(name)] ?? "" }));
        }
      }
    }
  }
  return { files: all, backups, refused };
}

/** Where the names of a JSON file say that it tells the rectangles of a picture sheet. */
function piecesOf(name: string, text: string): readonly Piece[] | null {
  const tables = readTables(name, text);
  if (!tables.ok) return null;
  for (const table of tables.value) {
    const { columns } = guessMatch(table);
    if (NEEDED.some((field) => columns[field] === null)) continue;
    const at = (row: readonly string[], field: "name" | "x" | "y" | "w" | "h") => row[table.columns.indexOf(columns[field]!)] ?? "";
    const pieces = table.rows.map((row): Piece => {
      const [x, y, w, h] = (["x", "y", "w", "h"] as const).map((field) => Number(at(row, field)));
      return { name: at(row, "name"), box: { x, y, w, h } };
    });
    if (pieces.every(({ box }) => [box.x, box.y, box.w, box.h].every(Number.isFinite))) return pieces;
  }
  return null;
}

/** What has been sorted so far. */
interface Sorted {
  readonly layouts: { readonly name: string; readonly text: string }[];
  readonly takes: { readonly name: string; readonly text: string }[];
  readonly rectangles: RectangleSource[];
  readonly pictures: PictureData[];
  readonly refused: string[];
  pieces: readonly Piece[] | null;
}

/** How files are taken that could be several things: whether art is meant, whether pictures of pixels are among them, and how many there are. */
interface Company {
  readonly isArt: boolean;
  readonly hasPixels: boolean;
  readonly count: number;
  /** How many of them have an ending. */
  readonly endings: (ending: string) => number;
}

const PIXELS: readonly string[] = ["png", "webp"];
const TEXTS: readonly string[] = ["json", "csv", "tsv", "svg", "txt"];

async function sortPicture(file: File, { isArt, endings }: Company, into: Sorted): Promise<void> {
  const ending = endingOf(file.name);
  // A sheet is larger than any one picture of a layout may be: what is cut from it is held to that.
  const isSheet = isArt && PIXELS.includes(ending) && endings(ending) === 1;
  const typed = file.type === ART_TYPES[ending] ? file : new File([file], file.name, { type: ART_TYPES[ending] });
  const picture = await readPicture(typed, ART, (isSheet ? 4 : 1) * PICTURES.fileBytes.most);
  if (picture.ok) into.pictures.push(picture.value);
  else into.refused.push(problemText(picture.problems));
}

async function sortText(file: File, { isArt, hasPixels }: Company, into: Sorted): Promise<void> {
  const { name } = file;
  const isTake = name.endsWith(TAKE_FILE) && file.size <= TAKES.bytes.most;
  const text = isTake ? textOfBytes(new Uint8Array(await file.arrayBuffer())) : await textOfFile(file);
  if (!text.ok) return void into.refused.push(`“${name}” was not taken, and nothing has changed.\n${problemText(text.problems)}`);
  const isJson = endingOf(name) === "json";
  const format = isJson ? formatOf(name, text.value) : "";
  const said = { name, text: text.value };
  if (format === "nodulum-take") into.takes.push(said);
  else if (isJson && format !== null && !TABLES.includes(format)) into.layouts.push(said);
  else if (text.value.length > MOST_TABLE_LETTERS) into.refused.push(`“${name}”: is larger than any table or drawing that is read here (4 MiB)`);
  else if (isArt || hasPixels) into.pieces ??= piecesOf(name, text.value);
  else {
    const read = readRectangleFile(name, text.value);
    if (read.ok) into.rectangles.push(read.value);
    // A JSON without a list is a layout that lacks something: its reader says what.
    else if (isJson) into.layouts.push(said);
    else into.refused.push(`“${name}”: ${problemText(read.problems)}`);
  }
}

/** Sorts files. `isArt`: SVGs are pictures, whatever else they might be. */
export async function sortIncoming(chosen: readonly File[], isArt: boolean): Promise<Incoming> {
  const { files, backups, refused } = await unpacked(chosen);
  const endings = (ending: string) => files.filter((file) => endingOf(file.name) === ending).length;
  const company: Company = { isArt, hasPixels: PIXELS.some((ending) => endings(ending) > 0), count: files.length, endings };
  const into: Sorted = { layouts: [], takes: [], rectangles: [], pictures: [], refused: [...refused], pieces: null };
  for (const file of files) {
    const ending = endingOf(file.name);
    const isPicture = PIXELS.includes(ending) || (ending === "svg" && (isArt || company.hasPixels || company.count > 1));
    if (isPicture) await sortPicture(file, company, into);
    else if (TEXTS.includes(ending)) await sortText(file, company, into);
    else into.refused.push(`“${file.name}”: is nothing that comes in here; a layout, a take, a backup, a table, a drawing or pictures do`);
  }
  const { layouts, takes, rectangles, pictures, pieces } = into;
  return { layouts, takes, backups, rectangles, art: pictures.length > 0 ? { pictures, pieces } : null, refused: into.refused };
}

/** What of ours is a table, or tells rectangles, and is no layout. */
const TABLES: readonly string[] = ["nodulum-table", "nodulum-picture-sheet"];
const MOST_TABLE_LETTERS = 4 * 1024 * 1024;
/** Files of ours say their format at their beginning. */
const FORMAT_WITHIN = 2000;

/** The format that a JSON says it has; "" for what is no JSON or too long for a table, null for a JSON that says none. */
function formatOf(name: string, text: string): string | null {
  const told = /"format"\s*:\s*"([a-z-]+)"/.exec(text.slice(0, FORMAT_WITHIN))?.[1];
  if (told !== undefined) return told;
  if (name.endsWith(".nodulum.json") || text.length > MOST_TABLE_LETTERS) return "";
  return readJson(text).ok ? null : "";
}
