"use client";
/**
 * Going from view to view without leaving the page: the address changes, and with it what is shown. Nothing is asked of the server, so that it
 * may be gone, and nothing of what is open is lost. Next's router follows `pushState` (documented with it), and back and forward.
 */
import { usePathname } from "next/navigation";
import type { PagePath } from "./views";

/**
 * Goes to a view; false if the address names it already. Back and forward lead through the views as through pages. The address is asked, not
 * the view that is shown: the view follows the address a moment later, and a second step may come in between.
 */
export function go(path: PagePath): boolean {
  if (window.location.pathname === path) return false;
  window.history.pushState(null, "", path);
  return true;
}

/** The path of the view that the address names; "" outside of Next. */
export const usePath = (): string => usePathname() ?? "";
