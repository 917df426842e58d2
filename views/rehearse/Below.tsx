"use client";
/** What is under the glass: traces, touches, or what is reported by itself; of the play, or of the take that is open. */
import { useTheme } from "next-themes";
import { useCallback, useEffect } from "react";
import { byId } from "../../core/derived/byId";
import { readingProps } from "../../ui/reading";
import { says } from "../shell/reading/sentences";
import { LaneBar } from "./lanes/LaneBar";
import type { LaneInput, LaneView } from "./lanes/laneView";
import { TraceLanes } from "./lanes/TraceLanes";
import { useLanes } from "./lanes/useLanes";
import { useValues } from "./lanes/useValues";
import { setStage, useStage, BELOW_CHOICES } from "./stageState";
import { setTake, takeStore } from "./takes/openTake";
import { RecordBar } from "./takes/RecordBar";
import { TakeHead, TakeTransport } from "./takes/TakeBar";
import { NoticeList } from "./takes/NoticeList";
import { TouchTable } from "./takes/TouchTable";
import type { TakeStageTools } from "./takes/useTakeStage";
import type { Play } from "./usePlay";
import { useSessionActions } from "../document/SessionContext";

const BELOW_WORD: Readonly<Record<(typeof BELOW_CHOICES)[number], string>> = { traces: "Traces", touches: "Touches", told: "Notices" };
const TAB = "push h-6 px-1.5 text-[0.6875rem] aria-pressed:border-accent aria-pressed:text-accent";

export function Below({ play, tools }: { play: Play; tools: TakeStageTools }) {
  const session = useSessionActions();
  const { player, seek } = tools;
  const below = useStage((s) => s.below);
  const { resolvedTheme } = useTheme();
  /** In a take, what is read is what is shown: a hand on the traces leads the take. */
  const lead = (input: LaneInput, view: LaneView) => {
    if (!player) return;
    if (input.kind === "run" || input.kind === "stop") setTake(session, { plays: !takeStore(session).getState().plays });
    else if (view.cursor !== null && (input.kind === "go" || input.kind === "step")) {
      setTake(session, { plays: false });
      seek(view.cursor + 1);
    }
  };
  const lanes = useLanes(player?.log ?? play.log, lead);
  const onFrame = player ? tools.onFrame : play.watch.onFrame;
  const figures = useValues(lanes, player ? tools.values : play.watch.values, onFrame);
  const { follow } = lanes;
  const { onFrame: onTakeFrame } = tools;
  useEffect(() => (player ? onTakeFrame((tick) => follow(tick - 1)) : undefined), [player, onTakeFrame, follow]);
  const names = byId((player?.stage.layout ?? play.stage.layout).controls);
  const nameOf = useCallback((id: string) => names.get(id)?.name ?? id, [names]);
  const { segment } = play.recording;
  const marks = player ? player.marks : () => segment.marks;
  const controls = (player?.stage.layout ?? play.stage.layout).controls.map((c) => c.id);
  const go = (tick: number) => {
    setStage(session, { below: "traces" });
    lanes.give({ kind: "go", tick: tick - 1 });
  };
  return (
    <section aria-label="Traces" className="grid h-[min(14.25rem,30vh)] grid-rows-[auto_minmax(0,1fr)] border-t border-rule">
      <div className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-rule px-3 py-1">
        {player ? <TakeHead /> : <RecordBar recording={play.recording} />}
        <LaneBar lanes={lanes} transport={player ? <TakeTransport tools={tools} /> : undefined} />
        <div role="group" aria-label="Shown under the glass" className="ml-auto flex">
          {BELOW_CHOICES.map((one) => (
            <button
              key={one}
              type="button"
              className={TAB}
              aria-pressed={below === one}
              onClick={() => setStage(session, { below: one })}
              {...readingProps(says("takes.below"), BELOW_WORD[one])}
            >
              {BELOW_WORD[one]}
            </button>
          ))}
        </div>
      </div>
      {below === "traces" && <TraceLanes lanes={lanes} nameOf={nameOf} figures={figures} dark={resolvedTheme === "dark"} onFrame={onFrame} hovers={!player} />}
      {below === "touches" && <TouchTable controls={controls} nameOf={nameOf} marks={marks} />}
      {below === "told" && (
        <NoticeList hz={player?.take.hz ?? segment.of.hz} nameOf={nameOf} told={player ? player.told : () => segment.listener.told()} onGo={go} />
      )}
    </section>
  );
}
