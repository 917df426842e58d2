"use client";
/** The values next to the lanes: what every action gives now, or gave at the tick that is read. Written past React, a few times a second. */
import { useEffect, useRef, type RefObject } from "react";
import { ownEntry } from "../../../core/engine/playerChanges";
import type { ActionValues } from "../../../core/engine/input/events";
import { valueText } from "../../fields/valueText";
import { keptOf, type Lanes } from "./useLanes";

/** How often they are written, ms: more often nobody reads them. */
const WRITTEN_EVERY_MS = 60;

/** Where the lanes put the elements that values are written into, by the names of the actions. */
export function useValues(lanes: Lanes, values: RefObject<ActionValues>, onFrame: (listener: () => void) => () => void) {
  const figures = useRef(new Map<string, HTMLElement>());
  const { log, now } = lanes;
  useEffect(() => {
    let written = 0;
    let writtenTick: number | null = null;
    return onFrame(() => {
      const time = performance.now();
      const { cursor } = now.current;
      // A tick that is read is shown at once: it is until another is.
      if (cursor === writtenTick && time - written < WRITTEN_EVERY_MS) return;
      written = time;
      writtenTick = cursor;
      const kept = keptOf(log);
      const read = cursor !== null && cursor >= kept.first && cursor < kept.end ? cursor : null;
      log.actions.forEach(({ name }, i) => {
        const element = figures.current.get(name);
        const text = valueText(read === null ? ownEntry(values.current, name) : log.value(i, read));
        if (element && element.textContent !== text) element.textContent = text;
      });
    });
  }, [log, now, values, onFrame]);
  return figures;
}
