"use client";
/** Shows the current values of all actions in one line above the glass. It takes no pointer events. */
import { useEffect, useRef } from "react";
import { ownEntry } from "../../core/engine/playerChanges";
import type { Action } from "../../core/format/types";
import type { PlayWatch } from "./playWatch";
import { valueText } from "../fields/valueText";

export function ValueLine({ actions, watch: { values, onFrame } }: { actions: readonly Action[]; watch: PlayWatch }) {
  const line = useRef<HTMLParagraphElement>(null);
  useEffect(() => {
    // Written outside React because it changes with every tick.
    const show = () => {
      if (!line.current) return;
      const text = actions.map(({ name }) => `${name} ${valueText(ownEntry(values.current, name))}`).join(" · ");
      if (line.current.textContent !== text) line.current.textContent = text;
    };
    show();
    return onFrame(show);
  }, [actions, values, onFrame]);
  return (
    <p
      ref={line}
      className="figure pointer-events-none absolute inset-x-0 bottom-0 bg-[#0c141bcc] px-2 py-0.5 text-center text-[0.6875rem] leading-4 text-[#e8e4da]"
      data-testid="value-line"
    />
  );
}
