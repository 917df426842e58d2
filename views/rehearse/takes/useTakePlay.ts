"use client";
/** A take on the stage: computed a little with every frame, played at its speed, shown at any tick. */
import { isEqual } from "../../../core/engine/equal";
import { useEffect, useEffectEvent, useMemo, useRef, type RefObject } from "react";
import { refused, type Result } from "../../../core/engine/result";
import type { PlayerView } from "../../../core/engine/placement/resolve";
import type { Layout, Screen } from "../../../core/format/types";
import { carryTake } from "../../../core/rehearsal/carryTake";
import { layoutDigest, stageOf, type Take } from "../../../core/rehearsal/take";
import { createTakePlayer, type TakePlayer, type TakeTick } from "../../../core/rehearsal/takePlayer";
import { createMotion } from "../../../runtime/returnMotion";
import { drawControls } from "../../../runtime/art";
import { drawnControls } from "../../../runtime/poses";
import { pxPerMm } from "../../../core/engine/placement/screen";
import type { Game } from "../../../samples/game";
import { contextFor } from "../../canvas/drawGlass";
import { suppliesOf } from "../../canvas/images";
import { languageNow, spokenLayout } from "../../document/language";
import { setTake, takeStore, type OpenTake } from "./openTake";
import { useSessionActions } from "../../document/SessionContext";

/** What the stage shows now. */
export interface StageNow {
  readonly layout: Layout;
  readonly screen: Screen;
  readonly playerView: PlayerView;
}

/** A take as it is played: on its own layout, screen and hand, or carried to those of the stage. */
function takeOnStage({ take, on }: Pick<OpenTake, "take" | "on">, asItWas: boolean, now: StageNow): Result<{ take: Take; layout: Layout }> {
  if (asItWas && on) return { ok: true, value: { take, layout: on } };
  const { handed, playerSize } = now.playerView;
  const isItsOwn = take.layout === layoutDigest(now.layout) && isEqual([take.screen, take.handed, take.playerSize], [now.screen, handed, playerSize]);
  if (isItsOwn) return { ok: true, value: { take, layout: now.layout } };
  const carried = carryTake(take, on ?? now.layout, { layout: now.layout, screen: now.screen, handed, playerSize });
  return carried.ok ? { ok: true, value: { take: carried.value, layout: now.layout } } : carried;
}

/** The player of the open take; where it cannot be played, the reason. */
export function useTakePlayer(open: OpenTake | null, asItWas: boolean, { layout, screen, playerView }: StageNow): Result<TakePlayer> | null {
  return useMemo(() => {
    if (!open) return null;
    const on = takeOnStage(open, asItWas, { layout, screen, playerView });
    if (!on.ok) return on;
    const stage = stageOf(on.value.take, on.value.layout);
    return stage.ok ? { ok: true, value: createTakePlayer(on.value.take, stage.value) } : refused("", stage.problems[0].message);
  }, [open, asItWas, layout, screen, playerView]);
}

/** Work on a take takes this much of a frame, ms; of the first more, so that a short one is there at once. */
const WORK_MS = 7;
const FIRST_WORK_MS = 60;
const WORK_TICKS = 60;
/** A game that is gone back in plays this many ticks again, that it is about as it stood. */
const AGAIN_TICKS = 1200;
/** A fingertip, mm. */
const FINGER_MM = 10;

interface Options {
  readonly player: TakePlayer | null;
  readonly game: Game;
  /** The game again, for going back. */
  readonly freshGame: () => Game;
  readonly scale: number;
  readonly canvas: RefObject<HTMLCanvasElement | null>;
  /** Called after every frame, with the tick that is shown. */
  readonly onShown: (shown: TakeTick) => void;
}

/** Where a take is, and how it is sent elsewhere. */
export interface TakePlace {
  /** Goes to a tick, from 0 to the number of ticks. */
  readonly seek: (tick: number) => void;
  readonly isAtEnd: () => boolean;
}

export function useTakePlay(options: Options): TakePlace {
  const session = useSessionActions();
  const { player } = options;
  const now = useEffectEvent(() => options);
  const place = useRef(0);
  useEffect(() => {
    if (!player) return;
    place.current = Math.min(place.current, player.ticks);
    let animation = 0;
    let last = performance.now();
    let game = now().game;
    let played = 0;
    let drawnTick = -1;
    let drawnScale = 0;
    const motion = createMotion();
    const work = (ms: number) => {
      const until = performance.now() + ms;
      while (!player.work(WORK_TICKS) && performance.now() < until);
    };
    work(FIRST_WORK_MS);
    const step = (time: number) => {
      const { plays, speed, loops } = takeStore(session).getState();
      work(WORK_MS);
      if (plays) {
        place.current += (Math.max(0, time - last) / 1000) * player.take.hz * speed;
        if (place.current >= player.ticks) {
          if (loops) place.current %= Math.max(1, player.ticks);
          else {
            place.current = player.ticks;
            setTake(session, { plays: false });
          }
        }
      }
      last = time;
      const tick = Math.floor(place.current);
      if (tick < played) {
        game = now().freshGame();
        played = Math.max(0, tick - AGAIN_TICKS);
      }
      // Far behind, it is not played tick by tick but begins near.
      played = Math.max(played, tick - AGAIN_TICKS);
      for (; played < tick; played += 1) game.tick(player.at(played + 1).values, 1000 / player.take.hz);
      const { canvas, scale } = now();
      const shown = player.at(tick);
      if (tick !== drawnTick || scale !== drawnScale)
        paint(canvas.current, player, { game, scale, motion, state: shown.state, language: languageNow(session) });
      [drawnTick, drawnScale] = [tick, scale];
      now().onShown(shown);
      animation = requestAnimationFrame(step);
    };
    animation = requestAnimationFrame(step);
    return () => cancelAnimationFrame(animation);
  }, [session, player]);
  return {
    seek(tick) {
      place.current = Math.max(0, Math.min(player?.ticks ?? 0, tick));
    },
    isAtEnd: () => player !== null && place.current >= player.ticks,
  };
}

interface Painted {
  readonly game: Game;
  readonly scale: number;
  readonly motion: ReturnType<typeof createMotion>;
  readonly state: ReturnType<TakePlayer["at"]>["state"];
  readonly language: string | null;
}

/** The game, the controls, and the fingers over them. */
function paint(canvas: HTMLCanvasElement | null, { stage: { layout, resolved, setup } }: TakePlayer, { game, scale, motion, state, language }: Painted): void {
  const { screen } = resolved;
  const ctx = canvas && contextFor(canvas, screen, { scale });
  if (!ctx) return;
  game.draw(ctx, screen.widthPx, screen.heightPx);
  drawControls(ctx, drawnControls({ layout: spokenLayout(layout, language), resolved, setup, state }, motion), 1 / scale, suppliesOf(layout));
  const r = (FINGER_MM / 2) * pxPerMm(screen);
  ctx.lineWidth = 1.5 / scale;
  ctx.strokeStyle = "#8ea2ff";
  ctx.fillStyle = "rgba(142, 162, 255, 0.28)";
  for (const { x, y } of state.touches) {
    ctx.beginPath();
    ctx.arc(x, y, r, 0, Math.PI * 2);
    ctx.fill();
    ctx.stroke();
  }
}
