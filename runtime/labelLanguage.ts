/** Words on controls in a language: the exact one, else the same language elsewhere, else the plain word. */
import type { Control, PlayedLayout } from "../core/engine/types";

/** The word of a control in a language, a BCP 47 tag. */
export function wordIn({ look: { label, labels } }: Control, language: string): string {
  const tags = Object.keys(labels);
  const exact = tags.find((tag) => tag.toLowerCase() === language.toLowerCase());
  const bare = language.split("-")[0].toLowerCase();
  const found = exact ?? tags.find((tag) => tag.toLowerCase() === bare) ?? tags.find((tag) => tag.split("-")[0].toLowerCase() === bare);
  return found === undefined ? label : labels[found];
}

/** A layout with its words in a language; where nothing differs the same. */
export function inLanguage(layout: PlayedLayout, language: string): PlayedLayout {
  if (layout.controls.every((control) => wordIn(control, language) === control.look.label)) return layout;
  return {
    ...layout,
    controls: layout.controls.map((control) => ({ ...control, look: { ...control.look, label: wordIn(control, language) } }) as Control),
  };
}
