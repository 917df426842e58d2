"use client";
/** The files of a drop, those in folders too. */

const entriesIn = (reader: FileSystemDirectoryReader) => new Promise<FileSystemEntry[]>((resolve) => reader.readEntries(resolve, () => resolve([])));
const fileOf = (entry: FileSystemFileEntry) => new Promise<File | null>((resolve) => entry.file(resolve, () => resolve(null)));

/** Every file of a drop. What the browser refuses to open is omitted. */
export async function droppedFiles(transfer: DataTransfer): Promise<File[]> {
  // The list is emptied as soon as the event is over: take it whole, at once.
  const entries = [...transfer.items].flatMap((item) => item.webkitGetAsEntry() ?? []);
  if (entries.length === 0) return [...transfer.files];
  const files: File[] = [];
  while (entries.length > 0) {
    const entry = entries.pop()!;
    if (entry.isDirectory) {
      const reader = (entry as FileSystemDirectoryEntry).createReader();
      for (let more = await entriesIn(reader); more.length > 0; more = await entriesIn(reader)) entries.push(...more);
    } else {
      const file = await fileOf(entry as FileSystemFileEntry);
      if (file) files.push(file);
    }
  }
  return files;
}
