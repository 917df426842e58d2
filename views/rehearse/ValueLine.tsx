"use client";
/** Shows the current values of all actions in one line above the glass. It takes no pointer events. */
import { useEffect, useRef } from "react";
import { ownEntry } from "../../core/engine/playerChanges";
import type { Play } from "./usePlay";
import { valueText } from "../fields/valueText";

export function ValueLine({ play }: { play: Play }) {
  const line = useRef<HTMLParagraphElement>(null);
  const { layout, values, onFrame } = play;
  useEffect(() => {
    // Written outside React because it changes with every tick.
    const show = () => {
      if (!line.current) return;
      const text = layout.actions.map(({ name }) => `${name} ${valueText(ownEntry(values.current, name))}`).join(" · ");
      if (line.current.textContent !== text) line.current.textContent = text;
    };
    show();
    return onFrame(show);
  }, [layout.actions, values, onFrame]);
  return (
    <p
      ref={line}
      className="figure pointer-events-none absolute inset-x-0 bottom-0 bg-[#0c141bcc] px-2 py-0.5 text-center text-[0.6875rem] leading-4 text-[#e8e4da]"
      data-testid="value-line"
    />
  );
}
