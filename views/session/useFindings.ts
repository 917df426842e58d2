"use client";
/** Keeps the findings of the screens in view up to date, and the moves that fix those on the bench, through the worker. */
import { useEffect, useRef } from "react";
import type { Layout, Screen } from "../../core/format/types";
import { createChecker, type Checker } from "../../workers/checks";
import { connectChecks } from "../../workers/connect";
import { stillFor } from "../shared/backdrop";
import { useImageArrivals } from "../shared/images";
import { useSession, useSessionActions } from "./context";
import { benchScreenOf, railOf, shelfOf } from "./screens";

/** The layout must rest this long before moves are proved: proving means checking the screen over and over. */
const REST_MS = 250;

/** Asks for findings whenever the layout changes: on every screen where `whole` is set, else on bench and rail. */
export function useFindings(whole: boolean): void {
  const session = useSessionActions();
  const layout = useSession((s) => s.layout);
  const playerView = useSession((s) => s.playerView);
  const shelfScreen = useSession((s) => s.shelfScreen);
  const arrivals = useImageArrivals();
  const { handed, playerSize } = playerView;
  const checker = useRef<Checker | null>(null);
  useEffect(() => {
    const made = createChecker(connectChecks());
    checker.current = made;
    return () => {
      made.dispose();
      checker.current = null;
    };
  }, []);
  useEffect(() => {
    const { id } = session.store.getState();
    const player = { handed, playerSize, moment: null };
    const screens = screensInView(layout, whole);
    const stills = screens.map((screen) => stillFor(layout.workbench, screen));
    const read = [whole && shelfScreen !== null ? shelfScreen : benchScreenOf(layout).name];
    checker.current?.request({ layout, screens, playerView: player, stills, read }, (findings) => {
      // An answer about a layout that is no longer open, or another player's, is stale, and dropped.
      const now = session.store.getState();
      if (now.id === id && now.playerView.handed === handed && now.playerView.playerSize === playerSize) session.setFindings(findings);
    });
    const rest = window.setTimeout(() => {
      void checker.current?.fixes(layout, benchScreenOf(layout), player).then((fixes) => {
        if (fixes && session.store.getState().layout === layout) session.setFixes(fixes, layout);
      });
    }, REST_MS);
    return () => window.clearTimeout(rest);
  }, [layout, whole, session, handed, playerSize, arrivals, shelfScreen]);
}

function screensInView(layout: Layout, whole: boolean): readonly Screen[] {
  if (whole) return shelfOf(layout);
  const rail = railOf(layout);
  const bench = benchScreenOf(layout);
  return rail.includes(bench) ? rail : [bench, ...rail];
}
