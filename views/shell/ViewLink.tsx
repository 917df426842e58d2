"use client";
/** A link to a view. Followed plainly it leads there within the page; with a key held it opens a window, as links do. */
import type { AnchorHTMLAttributes, MouseEvent } from "react";
import { navigate } from "./navigate";
import type { PagePath } from "./views";

export function ViewLink({ to, onClick, ...more }: { to: PagePath } & AnchorHTMLAttributes<HTMLAnchorElement>) {
  const follow = (event: MouseEvent<HTMLAnchorElement>) => {
    onClick?.(event);
    if (event.defaultPrevented || event.button !== 0 || event.metaKey || event.ctrlKey || event.shiftKey || event.altKey) return;
    event.preventDefault();
    navigate(to);
  };
  return <a href={to} onClick={follow} {...more} />;
}
