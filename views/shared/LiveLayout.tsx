"use client";
/** The open layout on a screen, live: it is drawn anew with every change, and nothing of the page around it. */
import { memo, useEffect, useRef } from "react";
import { resolvedOn } from "../../core/derived/resolved";
import type { Screen } from "../../core/format/types";
import { useSessionActions } from "../session/context";
import { drawGlass, emptyGlass, posed } from "./drawGlass";
import { GlassCanvas, useDrawingEpoch } from "./GlassCanvas";

interface Props {
  readonly screen: Screen;
  /** CSS px a device pixel. */
  readonly scale: number;
  readonly label: string;
  /** Look at the controls as held rather than at rest. */
  readonly held?: boolean;
}

/** A picture beside others is drawn with no more pixels than this: there may be a hundred of them. */
const MOST_PX = 2_000_000;

function isInSight(element: Element): boolean {
  const { left, top, right, bottom } = element.getBoundingClientRect();
  return right >= 0 && bottom >= 0 && left <= window.innerWidth && top <= window.innerHeight;
}

export const LiveLayout = memo(function LiveLayout({ screen, scale, label, held = false }: Props) {
  const { store } = useSessionActions();
  const canvas = useRef<HTMLCanvasElement>(null);
  const epoch = useDrawingEpoch();
  useEffect(() => {
    const element = canvas.current;
    if (!element) return;
    // What is out of sight is drawn when it comes into sight, and costs nothing until then.
    let inSight = isInSight(element);
    let stale = true;
    const draw = () => {
      stale = !inSight;
      if (stale) return;
      const { layout, playerView } = store.getState();
      drawGlass(element, layout, posed(layout, resolvedOn(layout, screen, playerView), held), { screen, scale, epoch, mostPx: MOST_PX });
    };
    draw();
    const observer = new IntersectionObserver((entries) => {
      inSight = entries.at(-1)!.isIntersecting;
      if (inSight && stale) draw();
      else if (!inSight) {
        emptyGlass(element);
        stale = true;
      }
    });
    observer.observe(element);
    const stop = store.subscribe((now, before) => {
      if (now.layout !== before.layout || now.playerView !== before.playerView) draw();
    });
    return () => {
      observer.disconnect();
      stop();
    };
  }, [store, screen, scale, held, epoch]);
  return <GlassCanvas ref={canvas} screen={screen} scale={scale} label={label} />;
});
