"use client";
/**
 * Going from view to view without leaving the page: the address changes, and with it what is shown. Nothing is asked of the server, so
 * that it may be gone, and nothing of what is open is lost.
 */
import { useSyncExternalStore } from "react";
import type { PagePath } from "./views";

const listeners = new Set<() => void>();
const tell = () => listeners.forEach((listener) => listener());

/** Goes to a view. Back and forward lead through the views as through pages. */
export function go(path: PagePath): void {
  if (window.location.pathname === path) return;
  // Past the router, which would fetch a page: it keeps its state of the page that is loaded, and leaves what changes in it alone.
  History.prototype.pushState.call(window.history, window.history.state, "", path);
  tell();
}

/** Back and forward, heard before the router, which would fetch the page of that address. */
function onPopState(event: PopStateEvent): void {
  event.stopImmediatePropagation();
  tell();
}

function subscribe(listener: () => void): () => void {
  if (listeners.size === 0) window.addEventListener("popstate", onPopState, { capture: true });
  listeners.add(listener);
  return () => {
    listeners.delete(listener);
    if (listeners.size === 0) window.removeEventListener("popstate", onPopState, { capture: true });
  };
}

/** The path of the view that the address names. */
export function usePath(): string {
  return useSyncExternalStore(
    subscribe,
    () => window.location.pathname,
    () => "",
  );
}
