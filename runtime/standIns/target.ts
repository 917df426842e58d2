/** Where events of stand-ins go: to the game, never into a text that a player types. */
import { isTyping } from "../attach/deskInput";
import { elementOf, holds } from "../canvasAbove";
import type { Handle } from "../handle";

/** The element, the window or the document that the game listens on, or a selector. */
export type StandInTarget = EventTarget | string;

/** The target of a stand-in, found again for each event. Throws where the option finds nothing, or finds a field for text. */
export function targetFor(handle: Pick<Handle, "over">, given: StandInTarget | undefined, name: string): () => EventTarget {
  if (given !== undefined) {
    const target = typeof given === "string" ? elementOf(given, `${name}: target`) : given;
    if (target instanceof Element && isTyping(target))
      throw new Error(`${name}: target is a field for text; events would be typed into it. Give the game's element, document or window.`);
    return () => target;
  }
  return () => {
    const { activeElement } = document;
    const isInGame = activeElement !== null && holds(handle.over, activeElement) && !isTyping(activeElement);
    return isInGame ? activeElement : handle.over;
  };
}

/** Gives the focus back to the game's element; where that cannot have it, a field that is typed in loses it. */
export function focusGame(target: EventTarget): void {
  const { activeElement } = document;
  if (target instanceof HTMLElement && target.tabIndex >= 0 && target !== activeElement) target.focus({ preventScroll: true });
  else if (activeElement instanceof HTMLElement && isTyping(activeElement)) activeElement.blur();
}
