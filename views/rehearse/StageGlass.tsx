"use client";
/** The glass on the stage: the game in its device, with the areas and the pins over it. Keys go to it after a click on it, or Enter, until Escape is held. */
import { useEffect, useRef } from "react";
import { readingProps } from "../../ui/reading";
import { useKeys } from "../interaction/useKeys";
import { says } from "../shell/reading/sentences";
import { sayOnLine } from "../shell/reading/watch";
import { setStage, stageStore, useStage } from "./stageState";
import { StageOverlay } from "./StageOverlay";
import { TakeGlass } from "./takes/TakeGlass";
import { TouchMarks } from "./takes/TouchMarks";
import type { TakeStageTools } from "./takes/useTakeStage";
import type { Play } from "./usePlay";
import { ValueLine } from "./ValueLine";
import { useSessionActions } from "../document/SessionContext";

export function StageGlass({ play, tools }: { play: Play; tools: TakeStageTools }) {
  const session = useSessionActions();
  const { pins, bind, watch, recording } = play;
  const { layout, screen, context } = play.stage;
  const { scale, area, canvas, isReady } = play.place;
  const onlyGlass = useStage((s) => s.onlyGlass);
  const glass = useRef<HTMLDivElement>(null);
  const showsValues = useStage((s) => s.showsValues);
  const showsMarks = useStage((s) => s.below === "touches");
  const playKeys = () => glass.current?.focus({ preventScroll: true });
  useKeys("rehearse", { play: () => (glass.current ? playKeys() : false) });
  useEffect(() => {
    if (isReady && onlyGlass) playKeys();
  }, [isReady, onlyGlass]);
  useEffect(() => {
    if (isReady) sayOnLine(session, "Click the glass or press Enter: all keys then go to the game.");
  }, [session, isReady]);
  useEffect(() => () => setStage(session, { onlyGlass: false }), [session]);
  const { onBlur, onKeyDown, onKeyUp, onContextMenu } = bind;
  return (
    <div
      ref={area}
      className={`grid min-h-0 flex-1 place-items-center overflow-auto ${onlyGlass ? "fixed inset-0 z-40 bg-[#0c141b]" : ""}`}
      data-only={onlyGlass}
    >
      {isReady && tools.open && <TakeGlass tools={tools} showsMarks={showsMarks} />}
      {isReady && !tools.open && (
        <div
          className={onlyGlass ? "" : "border border-ink bg-sheet p-[6px] focus-within:border-accent focus-within:ring-1 focus-within:ring-accent"}
          style={onlyGlass ? undefined : { borderRadius: Math.max(4, screen.cornerPx * scale + 7) }}
        >
          <div
            ref={glass}
            {...pins.wrap(bind)}
            onKeyDown={onKeyDown}
            onKeyUp={onKeyUp}
            onContextMenu={onContextMenu}
            onBlur={() => {
              onBlur();
              // Escape, held, has led out; the window alone losing its focus has not.
              if (document.hasFocus() && stageStore(session).getState().onlyGlass) setStage(session, { onlyGlass: false });
            }}
            tabIndex={0}
            role="application"
            aria-label={`The game on ${screen.name}`}
            {...readingProps(says("stage.glass"))}
            data-testid="play-glass"
            className="relative touch-none overflow-hidden bg-[#0c141b] outline-none select-none"
            style={{ borderRadius: screen.cornerPx * scale, width: screen.widthPx * scale, height: screen.heightPx * scale }}
          >
            <canvas ref={canvas} className="block h-full w-full" />
            <StageOverlay layout={layout} resolved={context.resolved} screen={screen} scale={scale} tools={pins} onTouched={watch.onTouched} />
            {showsValues && <ValueLine actions={layout.actions} watch={watch} />}
            {showsMarks && <TouchMarks screen={screen} scale={scale} marks={() => recording.segment.marks} />}
          </div>
        </div>
      )}
    </div>
  );
}
