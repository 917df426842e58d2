/**
 * Text that was typed and not entered yet. its own field is entered when it remains; the fields of a form when the form is sent, so what
 * is in them after that is still a draft. Searching is no draft. Works by the events of the page, so that no field need know of it.
 */
import { createStore, type StoreApi } from "zustand/vanilla";

/** Whether there is any such text. */
export interface Drafts {
  readonly store: StoreApi<boolean>;
  /** Looks again: what has left the page, or is empty, is no draft. */
  look(): boolean;
  stop(): void;
}

const WRITTEN = "input:not([type=checkbox], [type=radio], [type=range], [type=color], [type=file], [type=search]), textarea";

/** Watches the fields of a page. */
export function watchDrafts(page: Document): Drafts {
  const drafts = new Set<HTMLInputElement | HTMLTextAreaElement>();
  const store = createStore<boolean>(() => false);
  const look = (): boolean => {
    for (const field of drafts) if (!field.isConnected || (field.form !== null && field.value === "")) drafts.delete(field);
    const any = drafts.size > 0;
    if (store.getState() !== any) store.setState(any, true);
    return any;
  };
  const fieldOf = ({ target }: Event) => (target instanceof Element && target.matches(WRITTEN) ? (target as HTMLInputElement) : null);
  const onInput = (event: Event) => {
    const field = fieldOf(event);
    if (!field) return;
    drafts.add(field);
    look();
  };
  const onLeft = (event: Event) => {
    const field = fieldOf(event);
    if (field && field.form === null) drafts.delete(field);
    // What a form does with its text when it remains is seen a moment later.
    setTimeout(look);
  };
  const onSent = ({ target }: Event) => {
    for (const field of drafts) if (field.form === target) drafts.delete(field);
    setTimeout(look);
  };
  const listened = [
    ["input", onInput],
    ["focusout", onLeft],
    ["submit", onSent],
  ] as const;
  for (const [name, listener] of listened) page.addEventListener(name, listener);
  return {
    store,
    look,
    stop() {
      for (const [name, listener] of listened) page.removeEventListener(name, listener);
    },
  };
}
