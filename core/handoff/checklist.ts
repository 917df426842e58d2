/** What has to be set by hand in the game's own project in addition to the controls, to be ticked off. */
import type { Layout } from "../format/types";

export interface ChecklistItem {
  readonly id: string;
  readonly text: string;
}

const ORIENTATION: Readonly<Record<Layout["orientation"], string>> = {
  landscape: "Orientation: allow both landscape directions, not portrait.",
  portrait: "Orientation: allow portrait, not landscape.",
  both: "Orientation: allow all.",
};

/** The list: the project's own settings, then each control to be typed in. */
export function checklist(layout: Layout): readonly ChecklistItem[] {
  const { moments, controls, actions } = layout;
  const touches = controls.filter(({ kind }) => kind !== "button").length + 1;
  const shown =
    moments.length === 0
      ? "All controls are always visible: the layout has no moments."
      : `The game says which moment it is, and only that moment's controls are shown: ${moments.map(({ name }) => name).join(", ")}.`;
  return [
    { id: "project.orientation", text: ORIENTATION[layout.orientation] },
    { id: "project.touches", text: `Multi-touch is on: at least ${Math.max(2, touches)} touches.` },
    {
      id: "project.mouse",
      text: "Touches do not also send mouse buttons, or the game reads them twice. A mouse may simulate touches while testing.",
    },
    { id: "project.layer", text: "The controls are in a layer above the game and below its menus. A menu gets its touches first." },
    { id: "project.scale", text: "Only the scale rule of this sheet scales the layer." },
    { id: "project.safe", text: "Controls in the safe frame follow the system insets, also after the device rotates." },
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
    ...controls.map(({ id, name }) => ({ id: `control.${id}`, text: `${name} is entered and tested.` })),
  ];
}
