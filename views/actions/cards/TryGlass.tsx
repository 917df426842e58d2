"use client";
/** The layout small, to be played with mouse or touch; keys and pads play it wherever the focus is. What is in use is marked along its wires. */
import { useCallback, useEffect, useEffectEvent, useMemo, useRef, useState } from "react";
import type { ActionValues } from "../../../core/engine/input/events";
import { useSession, useSessionActions } from "../../document/SessionContext";
import { benchScreenOf } from "../../document/railScreens";
import { MomentChoice } from "../../fields/MomentChoice";
import { NO_GAME } from "../../canvas/noGame";
import { switchSimulatedPad, useSimulatedPad } from "../../interaction/pads";
import { tickOffFelt } from "../../shell/felt";
import { useRehearsal } from "../../canvas/useRehearsal";
import { fitScale, useRoom } from "../../canvas/useRoom";
import { isSomeonesOwn } from "../../interaction/typing";
import { sheetStore } from "../sheetState";
import { createLiveMarks } from "../live";
import type { SheetData } from "../useSheet";

const HEIGHT = 132;

// oxlint-disable-next-line max-lines-per-function -- one glass with its keys and its words
export function TryGlass({ data }: { data: SheetData }) {
  const session = useSessionActions();
  const { layout } = data;
  const moment = useSession((s) => s.playerView.moment);
  const padOn = useSimulatedPad((s) => s.on);
  const screen = benchScreenOf(layout);
  const area = useRef<HTMLDivElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const { w } = useRoom(area);
  const scale = fitScale({ w, h: HEIGHT }, screen, 0);
  const marks = useMemo(() => createLiveMarks(), []);
  const [said, setSaid] = useState("");
  const onDrawn = useCallback((_: ActionValues) => {}, []);
  const { bind, feed } = useRehearsal({
    layout,
    screen,
    scale,
    game: NO_GAME,
    moment,
    canvas,
    onDrawn,
    onTick: () => {},
    onPlayed: (player) => {
      const live = marks.mark(layout, player, performance.now());
      setSaid(live.join(", "));
      tickOffFelt(session, player);
    },
  });
  const press = useEffectEvent((code: string, down: boolean) => feed({ t: performance.now(), type: "key", code, down }));
  useEffect(() => {
    const held = new Set<string>();
    const elsewhere = (event: KeyboardEvent) =>
      sheetStore(session).getState().listening !== null ||
      event.ctrlKey ||
      event.metaKey ||
      isSomeonesOwn(event) ||
      (event.target instanceof HTMLElement && event.target.closest("[data-testid=try-glass]") !== null);
    const onKey = (event: KeyboardEvent) => {
      const down = event.type === "keydown";
      if (event.repeat || event.code === "" || (down && elsewhere(event)) || (!down && !held.has(event.code))) return;
      if (down) held.add(event.code);
      else held.delete(event.code);
      press(event.code, down);
    };
    window.addEventListener("keydown", onKey, true);
    window.addEventListener("keyup", onKey, true);
    return () => {
      window.removeEventListener("keydown", onKey, true);
      window.removeEventListener("keyup", onKey, true);
    };
  }, [session]);
  return (
    <section aria-label="Try it" className="grid grid-cols-[minmax(0,1fr)] gap-1.5 border-t border-rule p-3">
      <header className="flex flex-wrap items-center gap-x-2 gap-y-1">
        <h2 className="heading w-full">Try it</h2>
        <MomentChoice />
        <button className="push ml-auto h-6 px-1.5 text-[0.6875rem]" aria-pressed={padOn} onClick={() => switchSimulatedPad(session, !padOn)}>
          Simulated pad
        </button>
      </header>
      <div ref={area} className="grid place-items-center" style={{ height: HEIGHT }}>
        {w > 0 && (
          <div
            {...bind}
            tabIndex={0}
            role="application"
            aria-label={`Try the layout on ${screen.name}. It gets the keys while it has the focus; hold Escape to leave`}
            data-testid="try-glass"
            className="touch-none overflow-hidden rounded-sm bg-[#0c141b] select-none"
            style={{ width: screen.widthPx * scale, height: screen.heightPx * scale }}
          >
            <canvas ref={canvas} className="block h-full w-full" />
          </div>
        )}
      </div>
      <p className="caption min-h-4 truncate" data-testid="live">
        {said === "" ? "Press a key, move a pad, or touch a control." : `now: ${said}`}
      </p>
    </section>
  );
}
