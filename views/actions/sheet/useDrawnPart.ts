"use client";
/**
 * Which part of a very long sheet is drawn: what is in sight and some way about it. Rows have their places by arithmetic, so those out of
 * sight need not be there. A sheet of everyday length is drawn whole: everything on it can then be reached and found by every means.
 */
import { useEffect, useState, type RefObject } from "react";

/** From this many rows and wires on a sheet is long. */
const LONG = 1500;
/** The part drawn moves on in steps of this, CSS px, so that most scrolling draws nothing again. */
const STEP_PX = 400;
/** So far beyond what is in sight is drawn, CSS px. */
const BEYOND_PX = 800;

/** From where to where on the sheet, CSS px. */
export interface DrawnPart {
  readonly top: number;
  readonly bottom: number;
}

const partAt = (scrollTop: number, height: number): DrawnPart => {
  const step = Math.floor(scrollTop / STEP_PX) * STEP_PX;
  return { top: step - BEYOND_PX, bottom: step + height + STEP_PX + BEYOND_PX };
};

/** Whether something between two heights is drawn; `drawn` null: everything is. */
export const isDrawn = (drawn: DrawnPart | null, y: number, h: number): boolean => drawn === null || (y + h >= drawn.top && y <= drawn.bottom);

/** The part that is drawn of a sheet with this many rows and wires in a room of some height; null: all of it. While `holds`, nothing that is drawn goes. */
export function useDrawnPart(
  room: RefObject<HTMLElement | null>,
  { count, height, holds }: { count: number; height: number; holds: boolean },
): DrawnPart | null {
  const [drawn, setDrawn] = useState<DrawnPart>(() => partAt(0, height));
  const isLong = count > LONG;
  useEffect(() => {
    const element = room.current;
    if (!element || !isLong) return;
    const look = () =>
      setDrawn((before) => {
        const next = partAt(element.scrollTop, height);
        const grown = holds ? { top: Math.min(before.top, next.top), bottom: Math.max(before.bottom, next.bottom) } : next;
        return grown.top === before.top && grown.bottom === before.bottom ? before : grown;
      });
    look();
    element.addEventListener("scroll", look, { passive: true });
    return () => element.removeEventListener("scroll", look);
  }, [room, isLong, height, holds]);
  return isLong ? drawn : null;
}
