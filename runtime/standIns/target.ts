/** The target of stand-in events: the game, never a text field. */
import { isTyping } from "../attach/deskInput";
import { elementOf, holds } from "../canvasAbove";
import type { Handle } from "../handle";

/** The element, window or document that the game listens on, or a selector. */
export type StandInTarget = EventTarget | string;

/** Returns the target, resolved for each event. Throws if it is not found or is a text field. */
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

/** Moves the focus to the game's element; if it is not focusable, a focused text field loses it. */
export function focusGame(target: EventTarget): void {
  const { activeElement } = document;
  if (target instanceof HTMLElement && target.tabIndex >= 0 && target !== activeElement) target.focus({ preventScroll: true });
  else if (activeElement instanceof HTMLElement && isTyping(activeElement)) activeElement.blur();
}
