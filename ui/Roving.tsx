"use client";
/** A group of buttons as one stop of the Tab key: the arrow keys go from one to the next (ARIA Authoring Practices, roving tabindex). */
import { RovingFocus } from "radix-ui/internal";
import type { ReactElement } from "react";

/** `children`: the element of the group. `along`: which arrow keys go. */
export function Roving({ along, children }: { along: "across" | "down"; children: ReactElement }) {
  return (
    <RovingFocus.Root asChild loop orientation={along === "across" ? "horizontal" : "vertical"}>
      {children}
    </RovingFocus.Root>
  );
}

/** `children`: a button or link of the group. `isChosen`: where Tab comes in first. */
export function Stop({ children, isChosen = false, isDisabled = false }: { children: ReactElement; isChosen?: boolean; isDisabled?: boolean }) {
  return (
    <RovingFocus.Item asChild active={isChosen} focusable={!isDisabled}>
      {children}
    </RovingFocus.Item>
  );
}
