"use client";
/** The open layout on a screen, live: it is redrawn with every change, and nothing of the page around it. */
import { memo, useEffect, useRef } from "react";
import { clusterOf, placementIn } from "../../core/editing/placeables";
import { resolvedBetween } from "../../core/derived/between";
import { resolvedOn } from "../../core/derived/resolved";
import type { PlayerCase } from "../../core/checks/grid";
import type { Layout, Screen } from "../../core/format/types";
import { useSessionActions } from "../document/SessionContext";
import { drawGlass, emptyGlass, posed } from "./drawGlass";
import { languageNow, onLanguage } from "../document/language";
import { GlassCanvas, useDrawingEpoch } from "./GlassCanvas";

interface Props {
  readonly screen: Screen;
  /** CSS px a device pixel. */
  readonly scale: number;
  readonly label: string;
  /** Look at the controls as held rather than at rest. */
  readonly held?: boolean;
  /** The moment it is shown in; undefined: the one that the views show. */
  readonly moment?: string;
  /** The hand and size it is shown for; undefined: those that the views show. */
  readonly face?: PlayerCase;
  /** Drawn instead of the open layout: the part of the way from one version to another. */
  readonly between?: Between;
  /** What is not drawn: controls, and clusters with all in them. */
  readonly without?: readonly string[];
}

/** A place on the way from one version of a layout to another: 0 is the first, 1 the second. */
export interface Between {
  readonly was: Layout;
  readonly is: Layout;
  readonly part: number;
}

/** A picture next to others is drawn with no more pixels than this: there may be a hundred of them. */
const MOST_PX = 2_000_000;

const NOTHING: readonly string[] = [];
const isAway = (id: string, cluster: string | null, without: readonly string[]) => without.includes(id) || (cluster !== null && without.includes(cluster));

function isInSight(element: Element): boolean {
  const { left, top, right, bottom } = element.getBoundingClientRect();
  return right >= 0 && bottom >= 0 && left <= window.innerWidth && top <= window.innerHeight;
}

export const LiveLayout = memo(function LiveLayout({ screen, scale, label, held = false, moment, face, between, without = NOTHING }: Props) {
  const session = useSessionActions();
  const { store } = session;
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
      const { layout: open, playerView: shown } = store.getState();
      const layout = between?.is ?? open;
      const playerView = moment === undefined && !face ? shown : { ...shown, ...face, ...(moment === undefined ? {} : { moment }) };
      const there = resolvedOn(layout, screen, playerView);
      const resolved = between ? resolvedBetween(resolvedOn(between.was, screen, playerView), there, between.part) : there;
      const drawn = posed(layout, resolved, { held, language: languageNow(session) }).filter(
        ({ control }) => without.length === 0 || !isAway(control.id, clusterOf(placementIn(layout, resolved.arrangement, control.id)), without),
      );
      drawGlass(element, layout, drawn, { screen, scale, epoch, mostPx: MOST_PX, moment: playerView.moment });
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
    const stopLanguage = onLanguage(session, draw);
    return () => {
      observer.disconnect();
      stop();
      stopLanguage();
    };
  }, [session, store, screen, scale, held, epoch, without, moment, face, between]);
  return <GlassCanvas ref={canvas} screen={screen} scale={scale} label={label} />;
});
