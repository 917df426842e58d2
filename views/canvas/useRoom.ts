"use client";
/** The room an element has, CSS px, kept up to date. */
import { useEffect, useState, type RefObject } from "react";

export function useRoom(ref: RefObject<HTMLElement | null>): { w: number; h: number } {
  const [room, setRoom] = useState({ w: 0, h: 0 });
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const measure = () => setRoom({ w: element.clientWidth, h: element.clientHeight });
    measure();
    const observer = new ResizeObserver(measure);
    observer.observe(element);
    return () => observer.disconnect();
  }, [ref]);
  return room;
}

/** CSS px a device pixel at which a screen fits a room, `margin` CSS px free all round. */
export function fitScale(room: { w: number; h: number }, screen: { widthPx: number; heightPx: number }, margin: number): number {
  return Math.max(0.01, Math.min((room.w - 2 * margin) / screen.widthPx, (room.h - 2 * margin) / screen.heightPx));
}
