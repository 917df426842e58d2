/**
 * The one rule of who has the keys: whoever types has them all; a dialogue, a menu or a list that is open has them to itself; a slider
 * keeps those it moves by.
 */

/** Who has the keys. `bench`: nobody in particular, so the keys of the view hold. */
export type KeyOwner = "typing" | "dialogue" | "slider" | "button" | "bench";

/** What of an element says who has the keys: `closest` as of DOM elements. */
export interface KeyTarget {
  closest(selector: string): unknown;
}

const TYPING =
  "input:not([type=checkbox], [type=radio], [type=range], [type=color], [type=file]), textarea, select, [contenteditable], [role=textbox], [role=spinbutton]";
/** What is marked `data-keys-through` is open next to the work and lets its keys through. */
const DIALOGUE = "[role=dialog]:not([data-keys-through]), [role=menu], [role=listbox]";
const SLIDER = "[role=slider], input[type=range]";
const PRESSED = "button, a, input, summary";

/** Who has the keys, by the element that has the focus. */
export function keyOwner(target: KeyTarget | null): KeyOwner {
  if (!target) return "bench";
  const within = (selector: string) => target.closest(selector) !== null;
  if (within(TYPING)) return "typing";
  if (within(DIALOGUE)) return "dialogue";
  if (within(SLIDER)) return "slider";
  return within(PRESSED) ? "button" : "bench";
}

/** The element an event came from, as far as it has one. */
export function targetOfEvent(event: { readonly target: unknown }): KeyTarget | null {
  const { target } = event;
  return typeof target === "object" && target !== null && "closest" in target && typeof target.closest === "function" ? (target as KeyTarget) : null;
}

/** Whether someone is typing where an event came from, or a dialogue is open there: then it is theirs. */
export function isSomeonesOwn(event: { readonly target: unknown }): boolean {
  const owner = keyOwner(targetOfEvent(event));
  return owner === "typing" || owner === "dialogue";
}
