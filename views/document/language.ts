"use client";
/** In which language the words on controls are shown: as written, or one that some control has a word for. Not of the file: a way of looking. */
import { useStore } from "zustand";
import { createStore } from "zustand/vanilla";
import type { Control, Layout } from "../../core/format/types";
import { ownEntry } from "../../core/engine/playerChanges";

const store = createStore<{ readonly language: string | null }>(() => ({ language: null }));
export const useLanguage = (): string | null => useStore(store, (s) => s.language);
export const languageNow = (): string | null => store.getState().language;
/** Shows the words in a language; null: as written. */
export const showLanguage = (language: string | null): void => store.setState({ language });
export const onLanguage = (hear: () => void): (() => void) => store.subscribe(hear);

/** The languages that some control has a word in, in the order of the file. */
export const languagesOf = (layout: Layout): readonly string[] => [...new Set(layout.controls.flatMap((c) => Object.keys(c.look.labels)))];

const known = new WeakMap<Control, Map<string, Control>>();
/** The control with its word in a language; itself where it has none in it. The same two give the same object. */
export function inShownLanguage(control: Control, language: string | null): Control {
  const word = language === null ? undefined : ownEntry(control.look.labels, language);
  if (language === null || word === undefined) return control;
  let languages = known.get(control);
  if (!languages) known.set(control, (languages = new Map()));
  let spoken = languages.get(language);
  if (!spoken) languages.set(language, (spoken = { ...control, look: { ...control.look, label: word } } as Control));
  return spoken;
}

let last: { readonly of: Layout; readonly language: string | null; readonly spoken: Pick<Layout, "controls"> } | null = null;
/** The layout as it is drawn in a language: each control with its word in it, or as written. The same two as last time give the same object. */
export function spokenLayout(layout: Layout, language: string | null): Pick<Layout, "controls"> {
  if (language === null) return layout;
  if (last?.of !== layout || last.language !== language)
    last = { of: layout, language, spoken: { controls: layout.controls.map((control) => inShownLanguage(control, language)) } };
  return last.spoken;
}
