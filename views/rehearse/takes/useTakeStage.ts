"use client";
/** The open take with all that the stage needs of it: its player, its game, its frames. */
import { useMemo, useRef, useState } from "react";
import { createListeners } from "../playWatch";
import type { ActionValues } from "../../../core/engine/input/events";
import { createTug, TUG_WORDS } from "../../../samples/tug/tug";
import { useScale, type Play } from "../usePlay";
import { useStage } from "../stageState";
import { placedTug, placedYard } from "../useYardPlaces";
import { useOpenTake } from "./openTake";
import { useTakePlay, useTakePlayer } from "./useTakePlay";

export function useTakeStage(play: Play) {
  const { layout, screen, playerView } = play.stage;
  const open = useOpenTake((s) => s.open);
  const asItWas = useOpenTake((s) => s.asItWas);
  const wantsYard = useStage((s) => s.wantsYard);
  const made = useTakePlayer(open, asItWas, { layout, screen, playerView });
  const player = made?.ok ? made.value : null;
  const freshGame = useMemo(() => {
    if (!player) return createTug;
    const { stage, take } = player;
    const canTug = TUG_WORDS.every((word) => stage.layout.actions.some((a) => a.name === word));
    const placed = canTug && !wantsYard ? placedTug : placedYard;
    return () => placed({ ...stage, screen: take.screen }, take.moment);
  }, [player, wantsYard]);
  const game = useMemo(() => freshGame(), [freshGame]);
  const canvas = useRef<HTMLCanvasElement>(null);
  const values = useRef<ActionValues>({});
  const [frames] = useState(() => createListeners<number>());
  const scale = useScale(play.place.room, player?.take.screen ?? screen);
  const { seek, isAtEnd } = useTakePlay({
    player,
    game,
    freshGame,
    scale,
    canvas,
    onShown(shown) {
      values.current = shown.values;
      if (player) play.watch.takeShown({ setup: player.stage.setup, state: shown.state }, shown.values);
      frames.tell(shown.tick);
    },
  });
  return { open, player, problem: made && !made.ok ? made.problems[0].message : null, canvas, scale, values, onFrame: frames.add, seek, isAtEnd };
}
export type TakeStageTools = ReturnType<typeof useTakeStage>;
