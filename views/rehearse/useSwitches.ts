"use client";
/** Touch controls switched off, or hidden one by one, and the fingers that are pinned: another player knows nothing of them, and is reported. */
import { useEffect, useRef } from "react";
import type { InputEvent } from "../../core/engine/input/events";
import { useStage } from "./stageState";
import type { PinTools } from "./usePins";

/** `player`: what names the player that plays; with another one all is reported again. */
export function useSwitches(feed: (event: InputEvent) => void, { give }: PinTools, player: string): void {
  const areControlsOn = useStage((s) => s.areControlsOn);
  const hidden = useStage((s) => s.hidden);
  const told = useRef<string | null>(null);
  useEffect(() => {
    // A player begins with all of them on, and need not be reported.
    const isFresh = told.current !== player;
    told.current = player;
    if (!isFresh || !areControlsOn) feed({ t: performance.now(), type: areControlsOn ? "on" : "off" });
  }, [feed, areControlsOn, player]);
  useEffect(() => {
    const show = (shown: boolean) => {
      for (const id of hidden) feed({ t: performance.now(), type: "control", id, shown });
    };
    show(false);
    return () => show(true);
  }, [feed, hidden, player]);
  // The first player too knows nothing of fingers that were left pinned.
  const known = useRef<string | null>(null);
  useEffect(() => {
    if (known.current !== player) give({ kind: "again" });
    known.current = player;
  }, [player, give]);
}
