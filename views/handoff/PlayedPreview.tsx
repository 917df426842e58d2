"use client";
/** The layout at work, by the runtime that is handed off: it is touched, and says what it gives. */
import { useEffect, useRef, useState } from "react";
import { compile } from "../../core/format/compile";
import { drawing } from "../../runtime/drawing";
import { play } from "../../runtime/play";
import { pxPerMm } from "../../core/engine/placement/screen";
import { useSession } from "../document/SessionContext";
import { benchScreenOf } from "../document/railScreens";
import { useRoom } from "../canvas/useRoom";
import { valueText } from "../fields/valueText";

export function PlayedPreview() {
  const layout = useSession((s) => s.layout);
  const shown = useSession((s) => s.playerView.moment);
  // Every moment at once is nothing that a game ever shows.
  const moment = shown ?? layout.moments[0]?.id ?? null;
  const room = useRef<HTMLDivElement>(null);
  const glass = useRef<HTMLDivElement>(null);
  const [values, setValues] = useState<readonly (readonly [string, string])[]>([]);
  const { w, h } = useRoom(room);
  const screen = benchScreenOf(layout);
  const aspect = screen.widthPx / screen.heightPx;
  const wide = Math.floor(Math.min(w - 24, (h - 24) * aspect));
  // As many px an inch as make the glass here as large as the screen's own, in mm.
  const ppi = (25.4 * wide * pxPerMm(screen)) / screen.widthPx;
  useEffect(() => {
    const over = glass.current;
    if (!over || wide <= 0) return;
    const handle = play(compile(layout), { over, ppi, moment, draw: drawing, appear: "always", keys: false, mouse: true, pads: false });
    let last = "";
    const words = layout.actions.map(({ name, kind }) => ({ name, kind }));
    handle.onTick(() => {
      const now = words.map(({ name }) => [name, valueText(handle.value(name))] as const);
      const text = JSON.stringify(now);
      if (text === last) return;
      last = text;
      setValues(now);
    });
    return () => handle.dispose();
  }, [layout, ppi, wide, moment]);
  return (
    <div className="grid h-full grid-rows-[minmax(0,1fr)_auto]">
      <div ref={room} className="grid min-h-0 place-items-center overflow-hidden">
        <div
          ref={glass}
          aria-label={`${layout.name}, played`}
          role="img"
          className="bg-[#0f171d]"
          style={{ width: Math.max(0, wide), height: Math.max(0, wide / aspect) }}
        />
      </div>
      <ul aria-label="Action values" className="flex flex-wrap gap-x-4 gap-y-0.5 border-t border-rule px-3 py-1.5">
        {values.map(([name, value]) => (
          <li key={name} className="caption">
            <span className="figure">{name}</span> {value}
          </li>
        ))}
      </ul>
    </div>
  );
}
