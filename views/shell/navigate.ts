"use client";
/**
 * Going from view to view without leaving the page: the address changes, and with it what is shown, at once. Nothing is asked of the server, so
 * that it may be gone, and nothing of what is open is lost. Next's router follows `pushState` (documented with it), and back and forward; it would
 * show the view a moment after the address, and a key or a finger let go in that moment would go to the view that remains.
 */
import { usePathname } from "next/navigation";
import { useSyncExternalStore } from "react";
import type { PagePath } from "./views";

/** Told of the window when `navigate` changed the address: `pushState` tells nobody. */
const NAVIGATED = "nodulum:navigated";

function subscribe(listener: () => void): () => void {
  for (const type of [NAVIGATED, "popstate"]) window.addEventListener(type, listener);
  return () => {
    for (const type of [NAVIGATED, "popstate"]) window.removeEventListener(type, listener);
  };
}

/** Goes to a view; false if the address names it already. Back and forward lead through the views as through pages. */
export function navigate(path: PagePath): boolean {
  if (window.location.pathname === path) return false;
  window.history.pushState(null, "", path);
  window.dispatchEvent(new Event(NAVIGATED));
  return true;
}

/** The path of the view that the address names; "" outside of Next. */
export function usePath(): string {
  const served = usePathname() ?? "";
  return useSyncExternalStore(
    subscribe,
    () => window.location.pathname,
    () => served,
  );
}
