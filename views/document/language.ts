"use client";
/** In which language the words on controls are shown: as written, or one that some control has a word for. Not of the file: a way of looking. */
import type { Control, Layout } from "../../core/format/types";
import { ownEntry } from "../../core/engine/playerChanges";
import type { Session } from "./session";
import { defineUiState } from "./uiState";

const shown = defineUiState<{ readonly language: string | null }>({ lasts: "window", first: { language: null } });
export const useLanguage = (): string | null => shown.use((s) => s.language);
export const languageNow = (session: Session): string | null => shown.of(session).getState().language;
/** Shows the words in a language; null: as written. */
export const showLanguage = (session: Session, language: string | null): void => shown.of(session).setState({ language });
export const onLanguage = (session: Session, hear: () => void): (() => void) => shown.of(session).subscribe(hear);

/** The languages that some control has a word in, in the order of the file. */
export const languagesOf = (layout: Layout): readonly string[] => [...new Set(layout.controls.flatMap((c) => Object.keys(c.look.labels)))];

const known = new WeakMap<Control, Map<string, Control>>();
/** The control with its word in a language; itself where it has none in it. The same two give the same object. */
export function inShownLanguage(control: Control, language: string | null): Control {
  const word = language === null ? undefined : ownEntry(control.look.labels, language);
  if (language === null || word === undefined) return control;
  let languages = known.get(control);
  if (!languages) known.set(control, (languages = new Map()));
  let made = languages.get(language);
  if (!made) languages.set(language, (made = { ...control, look: { ...control.look, label: word } } as Control));
  return made;
}

const spoken = new WeakMap<Layout, Map<string, Pick<Layout, "controls">>>();
/** The layout as it is drawn in a language: each control with its word in it, or as written. The same two give the same object. */
export function spokenLayout(layout: Layout, language: string | null): Pick<Layout, "controls"> {
  if (language === null) return layout;
  let languages = spoken.get(layout);
  if (!languages) spoken.set(layout, (languages = new Map()));
  let made = languages.get(language);
  if (!made) languages.set(language, (made = { controls: layout.controls.map((control) => inShownLanguage(control, language)) }));
  return made;
}
