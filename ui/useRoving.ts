"use client";
/** A group of buttons as one stop of the Tab key: the arrow keys go from one to the next (ARIA Authoring Practices, roving tabindex). */
import { useEffect, type RefObject } from "react";

const ITEMS = "button:not(:disabled), a[href]";
const NEXT = new Set(["ArrowRight", "ArrowDown"]);
const BEFORE = new Set(["ArrowLeft", "ArrowUp"]);

/** `along`: which arrow keys go; both: all four. What is chosen (aria-pressed, aria-current) is where Tab comes in, else the first. */
export function useRoving(group: RefObject<HTMLElement | null>, along: "across" | "down" | "both" = "both"): void {
  useEffect(() => {
    const element = group.current;
    if (!element) return;
    let last: HTMLElement | null = null;
    const items = () => [...element.querySelectorAll<HTMLElement>(ITEMS)];
    const settle = () => {
      const all = items();
      const chosen = all.find((item) => item === last) ?? all.find((item) => item.matches('[aria-current], [aria-pressed="true"]')) ?? all[0];
      for (const item of all) {
        const index = item === chosen ? 0 : -1;
        if (item.tabIndex !== index) item.tabIndex = index;
      }
    };
    const onFocus = (event: FocusEvent) => {
      const item = (event.target as Element).closest<HTMLElement>(ITEMS);
      if (!item || !element.contains(item)) return;
      last = item;
      settle();
    };
    const onKey = (event: KeyboardEvent) => {
      if (event.altKey || event.ctrlKey || event.metaKey || event.shiftKey) return;
      const way = NEXT.has(event.key) ? 1 : BEFORE.has(event.key) ? -1 : 0;
      const across = event.key === "ArrowLeft" || event.key === "ArrowRight";
      if (way === 0 || (along === "across" && !across) || (along === "down" && across)) return;
      const all = items();
      const at = all.indexOf((event.target as Element).closest<HTMLElement>(ITEMS)!);
      if (at < 0) return;
      event.preventDefault();
      event.stopPropagation();
      all[(at + way + all.length) % all.length].focus();
    };
    settle();
    const observer = new MutationObserver(settle);
    observer.observe(element, { childList: true, subtree: true, attributes: true, attributeFilter: ["disabled", "aria-current", "aria-pressed"] });
    element.addEventListener("focusin", onFocus);
    element.addEventListener("keydown", onKey);
    return () => {
      observer.disconnect();
      element.removeEventListener("focusin", onFocus);
      element.removeEventListener("keydown", onKey);
    };
  }, [group, along]);
}
