/**
 * Which layouts could not be drawn: before a layout is shown it is noted, and when it is the note goes. A layout that failed, or whose
 * note was still there twice (the window froze, or was killed: one that is closed or loaded again takes its note along), is not opened
 * by itself the next time.
 */

const KEY = "nodulum.drawing";

/** The note, kept where it is written at once. */
type Notes = Pick<Storage, "getItem" | "setItem" | "removeItem">;
interface Note {
  readonly id: string;
  readonly attempts: number;
  readonly failed: boolean;
}

/** How often a layout may vanish without a word before it counts as failed: once may be a window that was closed. */
const ATTEMPTS = 2;

function noteIn(notes: Notes): Note | null {
  try {
    const note: unknown = JSON.parse(notes.getItem(KEY) ?? "null");
    if (typeof note !== "object" || note === null) return null;
    const { id, attempts, failed } = note as Record<string, unknown>;
    return typeof id === "string" ? { id, attempts: Number(attempts) || 0, failed: failed === true } : null;
  } catch {
    return null;
  }
}

function write(notes: Notes, note: Note): void {
  try {
    notes.setItem(KEY, JSON.stringify(note));
  } catch {
    // Where nothing can be noted, nothing is known the next time.
  }
}

/** The layouts that are not opened by themselves. */
export function undrawable(notes: Notes): ReadonlySet<string> {
  const note = noteIn(notes);
  return new Set(note && (note.failed || note.attempts >= ATTEMPTS) ? [note.id] : []);
}

/** A layout is about to be drawn. */
export function drawingBegins(notes: Notes, id: string): void {
  const before = noteIn(notes);
  write(notes, { id, attempts: before?.id === id ? before.attempts + 1 : 1, failed: false });
}

/** It is; or it could not be drawn. */
export function drawingEnds(notes: Notes, id: string, how: "drawn" | "failed"): void {
  if (how === "failed") return write(notes, { id, attempts: 0, failed: true });
  try {
    const note = noteIn(notes);
    // The window may stand though the view in it does not.
    if (note?.id === id && !note.failed) notes.removeItem(KEY);
  } catch {
    // As above.
  }
}
