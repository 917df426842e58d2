/** What files are that somebody brings, by their names and what is in them: layouts, takes, a backup, rectangles, game art. Zips are opened. */
import type { Box } from "../engine/geometry/point";
import { problemText, refused } from "../engine/result";
import { readJson } from "../format/parseJson";
import { MOST_FILE_BYTES, TAKES } from "../format/limits";
import { CONTENTS_FILE } from "./backup";
import { asSentences, fileTooLarge, textOfBytes } from "./fileBytes";
import { readRectangleFile, type RectangleSource } from "./rectangleFile";
import { guessMatch, NEEDED, readTables } from "./tableRectangles";
import { TAKE_FILE } from "./takeFile";
import { openZip } from "./zip";

/** A file whose bytes are read when they are wanted. */
export interface NamedFile {
  readonly name: string;
  readonly size: number;
  bytes(): Promise<Uint8Array>;
}

/** A file as it is in a zip, or came by itself. */
export interface NamedBytes {
  readonly name: string;
  readonly bytes: Uint8Array;
}
export interface NamedText {
  readonly name: string;
  readonly text: string;
}
/** A piece of a picture sheet, px. */
export interface SheetPiece {
  readonly name: string;
  readonly box: Box;
}

/** Files, sorted. Pictures are not decoded yet. */
export interface SortedFiles {
  readonly layouts: readonly NamedText[];
  readonly takes: readonly NamedText[];
  readonly backups: readonly NamedBytes[];
  readonly rectangles: readonly RectangleSource[];
  readonly pictures: readonly NamedBytes[];
  readonly pieces: readonly SheetPiece[] | null;
  /** What was not taken, by name, and why. */
  readonly refused: readonly string[];
}

/** How far it is: this many files of those known so far. */
export interface FileProgress {
  readonly done: number;
  readonly of: number;
}

/** A zip of others holds at most this many files that are looked at, of at most this many bytes together. */
const MOST_FILES = 1000;
const MOST_ZIP_BYTES = 64 * 1024 * 1024;
/** Tables and drawings larger than this are not read, letters. */
const MOST_TABLE_LETTERS = 4 * 1024 * 1024;
/** Files of ours say their format at their beginning. */
const FORMAT_WITHIN = 2000;
/** What of ours is a table, or reports rectangles, and is no layout. */
const TABLES: readonly string[] = ["nodulum-table", "nodulum-picture-sheet"];
const PIXELS: readonly string[] = ["png", "webp"];
const TEXTS: readonly string[] = ["json", "csv", "tsv", "svg", "txt"];

/** The ending of a file's name, in lower case, without its dot. */
export const endingOf = (name: string): string => /\.([a-z\d]+)$/i.exec(name)?.[1].toLowerCase() ?? "";
const bareName = (name: string): string => name.replace(/^.*\//, "");

/** What has been sorted so far. */
type Sorting = { -readonly [K in keyof SortedFiles]: SortedFiles[K] extends readonly (infer T)[] ? T[] : SortedFiles[K] };

/** Sorts files, one a step. `isArt`: SVGs are pictures, whatever else they might be. */
export async function* sortFiles(chosen: readonly NamedFile[], isArt: boolean): AsyncGenerator<FileProgress, SortedFiles> {
  const into: Sorting = { layouts: [], takes: [], backups: [], rectangles: [], pictures: [], pieces: null, refused: [] };
  const files: NamedFile[] = [];
  for (const file of chosen) {
    if (endingOf(file.name) === "zip") for await (const inside of filesOfZip(file, into)) yield { done: 0, of: files.push(inside) };
    else files.push(file);
  }
  const endings = (ending: string) => files.filter((file) => endingOf(file.name) === ending).length;
  const hasPixels = PIXELS.some((ending) => endings(ending) > 0);
  for (const [done, file] of files.entries()) {
    yield { done, of: files.length };
    const ending = endingOf(file.name);
    const isPicture = PIXELS.includes(ending) || (ending === "svg" && (isArt || hasPixels || files.length > 1));
    if (isPicture) into.pictures.push({ name: file.name, bytes: await file.bytes() });
    else if (TEXTS.includes(ending)) await sortText(file, isArt || hasPixels, into);
    else into.refused.push(`“${file.name}”: is not a file that can be imported; choose a layout, a take, a backup, a table, a drawing or pictures`);
  }
  return into;
}

/** The files of a zip, one by one; a backup is by itself. */
async function* filesOfZip(file: NamedFile, into: Sorting): AsyncGenerator<NamedFile> {
  if (file.size > MOST_ZIP_BYTES * 4) return void into.refused.push(`“${file.name}”: the zip is too large; import its files one by one`);
  const bytes = await file.bytes();
  const zip = openZip(bytes);
  if (!zip.ok) return void into.refused.push(`“${file.name}”: ${problemText(zip.problems)}`);
  if (zip.value.names.includes(CONTENTS_FILE)) return void into.backups.push({ name: file.name, bytes });
  let room = MOST_ZIP_BYTES;
  const names = zip.value.names.filter((one) => !bareName(one).startsWith("."));
  if (names.length > MOST_FILES) into.refused.push(`“${file.name}” has ${names.length} files; only the first ${MOST_FILES} were read`);
  for (const name of names.slice(0, MOST_FILES)) {
    const inside = zip.value.bytesOf(name, Math.min(room, MOST_FILE_BYTES));
    if (inside === null) {
      into.refused.push(`“${name}” in “${file.name}”: is damaged, or too large`);
      continue;
    }
    room -= inside.length;
    yield { name: bareName(name), size: inside.length, bytes: () => Promise.resolve(inside) };
  }
}

async function sortText(file: NamedFile, hasArt: boolean, into: Sorting): Promise<void> {
  const { name, size } = file;
  const isTake = name.endsWith(TAKE_FILE);
  const most = isTake ? TAKES.bytes.most : MOST_FILE_BYTES;
  const text = asSentences(size > most ? refused("", isTake ? TAKES.bytes.words : fileTooLarge(size)) : textOfBytes(await file.bytes(), most));
  if (!text.ok) return void into.refused.push(`“${name}” was not imported; nothing changed.\n${problemText(text.problems)}`);
  const isJson = endingOf(name) === "json";
  const format = isJson ? formatOf(name, text.value) : "";
  const said = { name, text: text.value };
  if (format === "nodulum-take") into.takes.push(said);
  else if (isJson && format !== null && !TABLES.includes(format)) into.layouts.push(said);
  else if (text.value.length > MOST_TABLE_LETTERS) into.refused.push(`“${name}”: is too large; a table or drawing has at most 4 MiB`);
  else if (hasArt) into.pieces ??= piecesOf(name, text.value);
  else {
    const read = readRectangleFile(name, text.value);
    if (read.ok) into.rectangles.push(read.value);
    // A JSON without a list is a layout that lacks something: its reader says what.
    else if (isJson) into.layouts.push(said);
    else into.refused.push(`“${name}”: ${problemText(read.problems)}`);
  }
}

/** Where the names of a JSON file say that it reports the rectangles of a picture sheet. */
function piecesOf(name: string, text: string): readonly SheetPiece[] | null {
  const tables = readTables(name, text);
  if (!tables.ok) return null;
  for (const table of tables.value) {
    const { columns } = guessMatch(table);
    if (NEEDED.some((field) => columns[field] === null)) continue;
    const at = (row: readonly string[], field: "name" | "x" | "y" | "w" | "h") => row[table.columns.indexOf(columns[field]!)] ?? "";
    const pieces = table.rows.map((row): SheetPiece => {
      const [x, y, w, h] = (["x", "y", "w", "h"] as const).map((field) => Number(at(row, field)));
      return { name: at(row, "name"), box: { x, y, w, h } };
    });
    if (pieces.every(({ box }) => [box.x, box.y, box.w, box.h].every(Number.isFinite))) return pieces;
  }
  return null;
}

/** The format that a JSON says it has; "" for what is no JSON or too long for a table, null for a JSON that says none. */
function formatOf(name: string, text: string): string | null {
  const told = /"format"\s*:\s*"([a-z-]+)"/.exec(text.slice(0, FORMAT_WITHIN))?.[1];
  if (told !== undefined) return told;
  if (name.endsWith(".nodulum.json") || text.length > MOST_TABLE_LETTERS) return "";
  return readJson(text).ok ? null : "";
}
