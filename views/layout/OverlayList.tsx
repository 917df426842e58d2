"use client";
/** What is drawn over the glass, to be shown or not: each overlay with its pattern, its name and its key. */
import { Layers } from "lucide-react";
import { Popover } from "radix-ui";
import { memo } from "react";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { OverlayMark } from "./OverlayMark";
import { OVERLAYS, toggleOverlay, useOverlays } from "../canvas/overlays";
import { SWITCH } from "./barStyle";
import { useSessionActions } from "../document/SessionContext";
import { Stop } from "../../ui/Roving";

export const OverlayList = memo(function OverlayList() {
  const session = useSessionActions();
  const overlays = useOverlays();
  const count = OVERLAYS.filter((o) => overlays[o.key]).length;
  return (
    <Popover.Root>
      <Stop>
        <Popover.Trigger
          className={`${SWITCH} gap-1 border-edge px-1.5`}
          aria-label={`Overlays, ${count} shown`}
          {...readingProps(says("bar.overlays"), String(count))}
        >
          <Layers size={13} /> <span className="figure text-[0.6875rem]">{count}</span>
        </Popover.Trigger>
      </Stop>
      <Popover.Portal>
        <Popover.Content
          side="top"
          align="end"
          sideOffset={4}
          aria-label="Overlays"
          data-keys-through
          className="z-50 grid min-w-[14.375rem] gap-0.5 rounded-sm border border-edge bg-sheet p-2 shadow-lg"
        >
          {OVERLAYS.map((o) => (
            <label key={o.key} className="flex h-6 items-center gap-2 rounded-sm px-1 hover:bg-paper">
              <input
                type="checkbox"
                className="accent-[var(--accent)]"
                checked={overlays[o.key]}
                onChange={() => toggleOverlay(session, o.key)}
                {...readingProps(says("bar.overlay", { overlay: o.word, letter: o.letter.toUpperCase() }), overlays[o.key] ? "shown" : "not shown")}
              />
              <OverlayMark of={o.key} />
              <span className="flex-1">{o.word}</span>
              <kbd className="figure text-[0.6875rem] text-muted">{o.letter.toUpperCase()}</kbd>
            </label>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
});
