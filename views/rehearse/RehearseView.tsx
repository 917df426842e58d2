"use client";
/** The game inside the device, played with mouse, keys, pad or real touch, with as many pinned fingers as are wanted; feel changed while playing, values and traces next to it. */
import { AppearancePart } from "./AppearancePart";
import { Below } from "./Below";
import { FeelPanel } from "./FeelPanel";
import { PinList } from "./PinList";
import { useStage } from "./stageState";
import { StageBar } from "./StageBar";
import { StageGlass } from "./StageGlass";
import { TakeList } from "./takes/TakeList";
import { useTakeStage } from "./takes/useTakeStage";
import { usePlay } from "./usePlay";

export function RehearseView() {
  const play = usePlay();
  const { stage, figures, watch, touched, pins } = play;
  const { context, layout, screen } = stage;
  const { heldKeys, delay } = figures;
  const tools = useTakeStage(play);
  const isAlone = useStage((s) => s.size === "full window");
  return (
    <div className={`grid h-full grid-rows-[auto_minmax(0,1fr)_auto] ${isAlone ? "grid-cols-[minmax(0,1fr)]" : "grid-cols-[minmax(0,1fr)_18.75rem]"}`}>
      <div className="col-span-full">
        <StageBar canTug={stage.canTug} isYard={stage.isYard} onStartAgain={stage.startAgain} />
      </div>
      <section aria-label="Rehearsal" className="flex min-h-0 min-w-0 flex-col">
        <AppearancePart />
        <StageGlass play={play} tools={tools} />
        <p className="caption flex h-6 shrink-0 items-center gap-4 px-4">
          <span>Click the glass or press Enter: all keys go to the game. Hold Escape to leave it.</span>
          <span ref={heldKeys} className="text-accent" data-testid="held-keys" />
          <span ref={delay} className="figure ml-auto text-[0.6875rem]" data-testid="latency" />
        </p>
      </section>
      {!isAlone && (
        <aside className="row-span-2 flex min-h-0 flex-col overflow-auto border-l border-rule bg-sheet">
          <FeelPanel context={context} touched={touched} onFeel={watch.onFeel} />
          <div className="border-t border-rule" />
          <PinList tools={pins} layout={layout} resolved={context.resolved} screen={screen} />
          <TakeList now={stage} />
        </aside>
      )}
      {!isAlone && <Below play={play} tools={tools} />}
    </div>
  );
}
