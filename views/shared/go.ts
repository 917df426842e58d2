"use client";
/**
 * Going from view to view without leaving the page: the address changes, and with it what is shown. Nothing is asked of the server, so that it
 * may be gone, and nothing of what is open is lost. Next's router follows `pushState` (documented with it), and back and forward.
 */
import { usePathname } from "next/navigation";
import type { PagePath } from "./views";

/** Goes to a view. Back and forward lead through the views as through pages. */
export function go(path: PagePath): void {
  if (window.location.pathname !== path) window.history.pushState(null, "", path);
}

/** The path of the view that the address names; "" outside of Next. */
export const usePath = (): string => usePathname() ?? "";
