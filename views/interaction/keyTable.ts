/** Every key and pointer gesture of the application: where it holds, what it commands, in which words. The list of shortcuts is made of it. */

/** Where a key holds: in every view, or in one. */
export type KeyPlace = "everywhere" | "actions" | "layout" | "rehearse";
/** Under which heading the list shows it. */
export type KeyHeading = "Everywhere" | "Actions" | "Layout: create" | "Layout: position" | "Layout: view" | "Rehearse";

/** A row of the list. One without `keys` is reported in the list alone: a gesture of the pointer, or what its own element does. */
export interface KeyRow {
  readonly heading: KeyHeading;
  readonly place: KeyPlace;
  /** What is commanded by each of its keys. See `strokeFits` for how keys are written. */
  readonly keys: readonly (readonly [key: string, command: string])[];
  /** As the list writes it, and what it does. */
  readonly shown: string;
  readonly words: string;
  /** sliders: it works while a slider has the focus too; fields: while anything has it, who types included; not-buttons: not while a button has it, for it presses that. */
  readonly on?: "sliders" | "fields" | "not-buttons";
}

const ARROWS = [
  ["arrowup", "up"],
  ["arrowdown", "down"],
  ["arrowleft", "left"],
  ["arrowright", "right"],
] as const;
const arrows = (modifiers: string, command: string) => ARROWS.map(([key, way]) => [`${modifiers}${key}`, `${command} ${way}`] as const);
const tools = [
  ["s", "stick"],
  ["d", "dpad"],
  ["b", "button"],
  ["t", "touchpad"],
  ["w", "swipe"],
  ["l", "dial"],
  ["k", "zone"],
] as const;
const overlays = (...letters: string[]) => letters.map((letter) => [letter, `overlay ${letter}`] as const);

const EVERYWHERE = { heading: "Everywhere", place: "everywhere" } as const;
const ACTIONS = { heading: "Actions", place: "actions" } as const;
const MAKING = { heading: "Layout: create", place: "layout" } as const;
const PLACING = { heading: "Layout: position", place: "layout" } as const;
const SEEING = { heading: "Layout: view", place: "layout" } as const;
const REHEARSE = { heading: "Rehearse", place: "everywhere" } as const;

export const KEY_TABLE: readonly KeyRow[] = [
  { ...EVERYWHERE, keys: [1, 2, 3, 4, 5].map((n) => [String(n), `view ${n}`]), shown: "1 – 5", words: "the five views" },
  { ...EVERYWHERE, keys: [["mod+z", "undo"]], shown: "Ctrl Z", words: "undo", on: "sliders" },
  {
    ...EVERYWHERE,
    keys: [
      ["mod+shift+z", "redo"],
      ["mod+y", "redo"],
    ],
    shown: "Ctrl Shift Z · Ctrl Y",
    words: "redo",
    on: "sliders",
  },
  { ...EVERYWHERE, keys: [["shift+h", "history"]], shown: "Shift H", words: "history: go to any edit, name a state, compare" },
  {
    ...EVERYWHERE,
    keys: [
      ["f6", "next region"],
      ["shift+f6", "previous region"],
    ],
    shown: "F6 · Shift F6",
    words: "next region · previous region",
    on: "fields",
  },
  { ...EVERYWHERE, keys: [["y", "settle"]], shown: "Y", words: "in Layout and Screens: settle these screens" },
  { ...EVERYWHERE, keys: [["?", "shortcuts"]], shown: "?", words: "this list" },

  { ...ACTIONS, keys: [["o", "next open"]], shown: "O", words: "next open item" },
  { ...ACTIONS, keys: [["/", "search"]], shown: "/", words: "search by any word" },
  { ...ACTIONS, keys: [], shown: "drag from an end · Enter on an end", words: "draw a wire · draw one by key" },
  { ...ACTIONS, keys: [], shown: "arrow keys · Enter · Escape", words: "choose the end · connect · cancel" },
  { ...ACTIONS, keys: [], shown: "Enter on +", words: "bind a key by pressing it, or a pad by moving it" },
  {
    ...ACTIONS,
    keys: [
      ["delete", "remove picked"],
      ["backspace", "remove picked"],
    ],
    shown: "Delete · Backspace",
    words: "remove the selected wire, action or control",
  },
  { ...ACTIONS, keys: [["f2", "rename"]], shown: "F2", words: "rename the picked action" },
  { ...ACTIONS, keys: [["escape", "clear the selection"]], shown: "Escape", words: "clear the selection" },

  { ...MAKING, keys: [["o", "next open"]], shown: "O", words: "next open item" },
  { ...MAKING, keys: [], shown: "Enter on an action of the ledger", words: "create its control; several selected actions get one control or a group" },
  {
    ...MAKING,
    keys: [],
    shown: "click · Shift click · Ctrl click or Space on an action of the ledger",
    words: "select one · a range · one more",
  },
  {
    ...MAKING,
    keys: tools.map(([letter, kind]) => [`shift+${letter}`, `tool ${kind}`]),
    shown: "Shift S · D · B · T · W · K",
    words: "tool: stick · d-pad · button · touchpad · swipe · dial · keep-clear zone",
  },
  { ...MAKING, keys: [["enter", "put down"]], shown: "Enter · draw a box · click", words: "place it · in the box · here" },
  { ...MAKING, keys: [["d", "duplicate"]], shown: "D", words: "duplicate" },
  { ...MAKING, keys: [["shift+m", "mirror"]], shown: "Shift M", words: "second side: a mirrored copy" },
  {
    ...MAKING,
    keys: [
      ["u", "gather"],
      ["shift+u", "dissolve"],
    ],
    shown: "U · Shift U",
    words: "make a cluster · dissolve it",
  },
  { ...MAKING, keys: [["shift+x", "split"]], shown: "Shift X", words: "split the screen between two sticks, touchpads or swipes" },
  { ...MAKING, keys: [], shown: "Ctrl C · Ctrl V · Ctrl X", words: "copy · paste · cut" },
  { ...MAKING, keys: [["f2", "rename"]], shown: "F2", words: "rename what is selected" },
  {
    ...MAKING,
    keys: [
      ["delete", "delete"],
      ["backspace", "delete"],
    ],
    shown: "Delete · Backspace",
    words: "delete",
  },

  { ...PLACING, keys: [], shown: "Tab · Shift Tab", words: "next, previous control, cluster or zone" },
  { ...PLACING, keys: [], shown: "click · Shift click", words: "select · add to the selection" },
  { ...PLACING, keys: [["mod+a", "select all"]], shown: "drag on empty glass · Ctrl A", words: "select all inside · all" },
  {
    ...PLACING,
    keys: [["enter", "enter cluster"]],
    shown: "Enter · double click · Escape",
    words: "enter a cluster · enter · leave",
    on: "not-buttons",
  },
  { ...PLACING, keys: [...arrows("", "nudge"), ...arrows("shift+", "nudge far")], shown: "arrow keys · with Shift", words: "nudge by 1 u · by 5 mm" },
  { ...PLACING, keys: [["shift+y", "hold screens"]], shown: "Shift Y", words: "hold all screens: a drag stops where it would break a screen of the rail" },
  { ...PLACING, keys: [], shown: "Alt while dragging", words: "drag without snapping; place a tether freely" },
  { ...PLACING, keys: [], shown: "Shift while dragging a handle", words: "keep the proportions, or free them" },
  {
    ...PLACING,
    keys: arrows("mod+shift+", "tie"),
    shown: "Ctrl Shift arrow keys",
    words: "move the anchor to the next corner, edge or centre; the control stays in place",
  },
  { ...PLACING, keys: [["c", "carry"]], shown: "C · Shift while dropping a tether", words: "move the control to its anchor" },
  {
    ...PLACING,
    keys: [
      ["[", "lower"],
      ["]", "raise"],
      ["shift+[", "to bottom"],
      ["shift+]", "to top"],
    ],
    shown: "[ · ] · with Shift",
    words: "lower · raise · to the bottom · to the top",
  },
  { ...PLACING, keys: [], shown: "24/2 · +3 · *2 · 12mm in a field", words: "arithmetic, a relative change, another unit" },
  { ...PLACING, keys: [], shown: "↑ · ↓ · drag in a field", words: "step the number; Shift for ten" },
  { ...PLACING, keys: [["escape", "cancel"]], shown: "Escape", words: "cancel the drag, put the tool away, or clear the selection" },

  { ...SEEING, keys: overlays("h", "l", "z"), shown: "H · L · Z", words: "hit areas · landing areas · dead zone and travel" },
  {
    ...SEEING,
    keys: overlays("s", "e", "r", "k"),
    shown: "S · E · R · K",
    words: "frames and cut-outs · system edge strips · thumb reach · keep-clear zones",
  },
  { ...SEEING, keys: overlays("g", "n", "a"), shown: "G · N · A", words: "millimetre grid · gaps while moving · misses of a hundred touches" },
  {
    ...SEEING,
    keys: [
      ["+", "zoom in"],
      ["=", "zoom in"],
      ["-", "zoom out"],
      ["f", "zoom to fit"],
      ["shift+f", "zoom to selection"],
      ["t", "true size"],
    ],
    shown: "+ · − · F · Shift F · T",
    words: "zoom in · out · fit · selection · true size",
  },
  { ...SEEING, keys: arrows("", "push"), shown: "arrow keys, nothing selected · Space and drag · wheel", words: "push a zoomed glass about" },
  {
    ...SEEING,
    keys: [
      ["m", "other hand"],
      [",", "smaller player"],
      [".", "larger player"],
    ],
    shown: "M · , · .",
    words: "as a left-handed player · smaller · larger player size",
  },
  { ...SEEING, keys: [["p", "show held"]], shown: "P", words: "show the controls as held" },
  {
    ...SEEING,
    keys: [
      ["j", "next moment"],
      ["shift+j", "previous moment"],
    ],
    shown: "J · Shift J",
    words: "next · previous moment",
  },

  { ...REHEARSE, place: "rehearse", keys: [["enter", "play"]], shown: "Enter · click on the glass", words: "keys go to the game", on: "not-buttons" },
  { ...REHEARSE, keys: [], shown: "the keys of the actions", words: "play, while keys go to the game" },
  { ...REHEARSE, keys: [], shown: "F8", words: "change over between A and B of the feel that is open" },
  { ...REHEARSE, keys: [], shown: "second mouse button · pin", words: "pin: a press that stays after release" },
  { ...REHEARSE, keys: [], shown: "arrow keys · L · Delete on a pin", words: "move it · loop it · remove it" },
  { ...REHEARSE, keys: [], shown: "← → · Shift · + − · M · Space on the traces", words: "a tick · a second · zoom · mark · pause and resume, or play a take" },
  { ...REHEARSE, keys: [], shown: "F2 on a take", words: "name it" },
  { ...REHEARSE, keys: [], shown: "Escape, held for 600 ms", words: "leave the glass" },
];

/** The list by its headings, in the order of the table. */
export function keyList(): readonly (readonly [KeyHeading, readonly KeyRow[]])[] {
  const headings = [...new Set(KEY_TABLE.map((row) => row.heading))];
  return headings.map((heading) => [heading, KEY_TABLE.filter((row) => row.heading === heading)]);
}
