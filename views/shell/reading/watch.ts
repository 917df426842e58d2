"use client";
/** Watches what is pointed at or has the focus, and reports what the reading line says of it: the same that a screen reader says, live. */
import type { Session } from "../../document/session";
import { defineUiState } from "../../document/uiState";

/** What is read. */
export interface ReadElement {
  readonly words: string;
  readonly keys: string;
}

const said = defineUiState<{ readonly words: string | null }>({ lasts: "window", first: { words: null } });
/** Says something on the line, until something else is pointed at or focused: what a key has just turned on, say. Null says nothing any more. */
export const sayOnLine = (session: Session, words: string | null): void => said.of(session).setState({ words });
/** What was said last; null where something has been pointed at since. */
export const useSaid = (): string | null => said.use((s) => s.words);

/** The element that speaks for another (by its description, or where it has none by its title): itself or the nearest about it, or the field of its row. */
function speaker(target: EventTarget | null): Element | null {
  if (!(target instanceof Element)) return null;
  const own = target.closest("[aria-description], [title]");
  const row = target.closest("[data-row]");
  if (own && (!row || row.contains(own))) return own;
  return row?.querySelector("[aria-description]") ?? own;
}

const readOf = (element: Element | null): ReadElement | null => {
  const words = element?.getAttribute("aria-description") ?? element?.getAttribute("title");
  return words ? { words, keys: element?.getAttribute("data-keys") ?? "" } : null;
};

/** Tells what is read, at once and whenever its figures change. What the pointer is on counts before what has the focus. Gives the end of it. */
export function watchReading(session: Session, root: Document, tell: (read: ReadElement | null) => void): () => void {
  const line = said.of(session);
  let pointed: Element | null = null;
  let focused: Element | null = null;
  let last = "";
  const observer = new MutationObserver(() => now());
  const now = () => {
    const read = readOf(pointed?.isConnected ? pointed : focused?.isConnected ? focused : null);
    const text = read ? `${read.words}\n${read.keys}` : "";
    if (text === last) return;
    last = text;
    tell(read);
  };
  const look = (next: { pointed?: Element | null; focused?: Element | null }) => {
    if (next.pointed !== undefined) pointed = next.pointed;
    if (next.focused !== undefined) focused = next.focused;
    observer.disconnect();
    for (const element of [pointed, focused])
      if (element) observer.observe(element, { attributes: true, attributeFilter: ["aria-description", "title", "data-keys"] });
    if (line.getState().words !== null) line.setState({ words: null });
    now();
  };
  const onOver = (event: Event) => {
    const next = speaker(event.target);
    if (next !== pointed) look({ pointed: next });
  };
  const onFocus = (event: Event) => look({ focused: speaker(event.target), pointed: null });
  const onBlur = () => look({ focused: null });
  const onLeave = () => look({ pointed: null });
  root.addEventListener("pointerover", onOver);
  root.addEventListener("focusin", onFocus);
  root.addEventListener("focusout", onBlur);
  root.documentElement.addEventListener("pointerleave", onLeave);
  return () => {
    observer.disconnect();
    root.removeEventListener("pointerover", onOver);
    root.removeEventListener("focusin", onFocus);
    root.removeEventListener("focusout", onBlur);
    root.documentElement.removeEventListener("pointerleave", onLeave);
  };
}
