/** What has to be set by hand in the game's own project besides the controls, to be ticked off. */
import type { Layout } from "../format/types";

export interface ChecklistItem {
  readonly id: string;
  readonly text: string;
}

const ORIENTATION: Readonly<Record<Layout["orientation"], string>> = {
  landscape: "The game is held wide: both landscape ways are allowed, portrait is not.",
  portrait: "The game is held tall: portrait is allowed, landscape is not.",
  both: "The game turns with the device: every orientation is allowed.",
};

/** The list: the project's own settings, then each control to be typed in. */
export function checklist(layout: Layout): readonly ChecklistItem[] {
  const { moments, controls, actions } = layout;
  const touches = controls.filter(({ kind }) => kind !== "button").length + 1;
  const shown =
    moments.length === 0
      ? "All controls are shown all the time: the layout has no moments."
      : `The game says which moment it is, and only that moment's controls are shown: ${moments.map(({ name }) => name).join(", ")}.`;
  return [
    { id: "project.orientation", text: ORIENTATION[layout.orientation] },
    { id: "project.touches", text: `Several touches at once are switched on: at least ${Math.max(2, touches)}.` },
    {
      id: "project.mouse",
      text: "A touch does not stand for a mouse button as well, or the game would read it twice; a mouse may stand for a touch while testing.",
    },
    { id: "project.layer", text: "The controls lie in a layer over the game and under its menus; a menu takes its touches first." },
    { id: "project.scale", text: "The layer is scaled by the rule of the sheet, and by nothing else besides." },
    { id: "project.safe", text: "What is tied to the safe frame goes by the system's insets, and goes by them anew when the device is turned." },
    { id: "project.active", text: shown },
    {
      id: "project.names",
      text: `The game reads the words as they are written here: ${
        actions
          .filter(({ read }) => read)
          .map(({ name }) => name)
          .join(", ") || "none yet"
      }.`,
    },
    ...controls.map(({ id, name }) => ({ id: `control.${id}`, text: `${name} is typed in and tried.` })),
  ];
}
