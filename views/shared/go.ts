"use client";
/**
 * Going from view to view without leaving the page: the address changes, and with it what is shown. Nothing is asked of the server, so
 * that it may be gone, and nothing of what is open is lost.
 */
import type { ViewPath } from "./views";

/** Goes to a view. Back and forward lead through the views as through pages. */
export function go(path: ViewPath): void {
  if (window.location.pathname !== path) window.history.pushState(null, "", path);
}
