/** Hands a text to the user as a file. */
export function saveText(fileName: string, text: string, type = "application/json"): void {
  saveFile(fileName, text, type);
}

/** Told of the window when a file is handed out. */
const SAVED = "nodulum:saved";
/** Hears of every file that is handed out; gives what stops it. */
export function onSaved(listener: () => void): () => void {
  window.addEventListener(SAVED, listener);
  return () => window.removeEventListener(SAVED, listener);
}

/** Hands a text or bytes to the user as a file. */
export function saveFile(fileName: string, content: string | Uint8Array, type: string): void {
  const url = URL.createObjectURL(new Blob([content as BlobPart], { type }));
  const link = document.createElement("a");
  link.href = url;
  link.download = fileName;
  link.click();
  window.dispatchEvent(new Event(SAVED));
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}
